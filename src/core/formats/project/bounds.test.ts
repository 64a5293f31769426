import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, seededRandom } from '@/core/base';
import { BOUNDS, boundsWords, isWithin, LONGEST_TEXT, type Project } from '@/core/record';
import { boxPiece, randomRoom, runs, smallRoom, throughEverything } from '@/testing';
import { readProject, writeProject } from './index';

type Path = readonly (string | number)[];

/** Every figure of a value, by where it is. */
function figuresOf(value: unknown, path: Path = []): readonly (readonly [Path, number])[] {
  if (typeof value === 'number') return [[path, value]];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, one]) =>
    figuresOf(one, [...path, Array.isArray(value) ? Number(key) : key]),
  );
}

/** Every place of a value, itself left out. */
function placesOf(value: unknown, path: Path = []): readonly (readonly [Path, unknown])[] {
  if (typeof value !== 'object' || value === null) return [[path, value]];
  const own = path.length > 0 ? [[path, value] as const] : [];
  return [
    ...own,
    ...Object.entries(value).flatMap(([key, one]) =>
      placesOf(one, [...path, Array.isArray(value) ? Number(key) : key]),
    ),
  ];
}

/** The value with another at one place; shared parts stay shared. */
function withAt(value: unknown, [first, ...rest]: Path, to: unknown): unknown {
  if (first === undefined) return to;
  if (Array.isArray(value)) return value.map((one: unknown, i) => (i === first ? withAt(one, rest, to) : one));
  const record = value as Readonly<Record<string, unknown>>;
  return { ...record, [first]: withAt(record[first], rest, to) };
}

/** JSON has no word for it, but readers make it of this. */
const text = (value: unknown): string =>
  JSON.stringify(value, (_, one: unknown) => (one === Infinity ? '∞' : one === -Infinity ? '-∞' : one))
    .replace(/"∞"/g, '1e999')
    .replace(/"-∞"/g, '-1e999');

/** The least and the most of each bound, what lies just beyond, and what no record should ever hold. */
const EDGES = [...new Set(Object.values(BOUNDS).flatMap(({ least, most }) => [least, most]))];
const BEYOND = [1e-10, -1e-10, 4294967296, 1e300, -1e300, Infinity, -Infinity, 5e-324, 1.0000000001e6];
const LONGEST_MS = 5000;
const TRIES = 3;
/** The long run goes through 50 000 files of each sort. */
const FILES_A_RUN = runs() >= 1000 ? 25 : 12;
/** Some thousand files. */
const MINUTES = 3_600_000;
const small = smallRoom([boxPiece()]);
/** A small room, which is gone through in a moment; now and then one made up by lot, or a demonstration. */
const roomAt = (i: number): Project =>
  i % 250 === 0 ? at(DEMOS, (i / 250) % DEMOS.length) : i % 250 === 125 ? randomRoom(1 + (i % 60)) : small;

/** Prints take longest: every eighth is enough to find what cannot be printed. */
const printedNow = (i: number) => (i % 8 === 0 ? 'printed' : 'not-printed');

/** What was made of a file: refused in words, or taken through everything that reads a record. */
function fate(file: string, what: string, prints: 'printed' | 'not-printed'): 'refused' | 'drawn' {
  const read = readProject(file);
  if (!read.ok) {
    expect(read.error.message.length, what).toBeLessThanOrEqual(300);
    expect(read.error.message, what).toMatch(/^[A-Z“].*\.$/s);
    // No library's own words.
    expect(read.error.message, what).not.toMatch(/`|final value|undefined|\[object/);
    return 'refused';
  }
  // Once may be another's fault: what is too slow is so every time.
  for (let more = TRIES - 1; ; more -= 1) {
    const { slowest } = throughEverything(read.value, prints);
    if (slowest[1] < LONGEST_MS || more === 0) {
      expect(slowest[1], `${what}: ${slowest[0]}`).toBeLessThan(LONGEST_MS);
      return 'drawn';
    }
  }
}

describe('what the record accepts can be drawn', () => {
  it('infinite and hopeless figures are refused everywhere, in words', () => {
    const room = small;
    for (const [path] of figuresOf(room))
      for (const value of [Infinity, -Infinity, 1e300])
        expect(fate(text(withAt(room, path, value)), path.join('.'), 'printed')).toBe('refused');
  });

  it('every figure at its bounds and beyond is refused or drawn (seeds 1…)', { timeout: MINUTES }, () => {
    const random = seededRandom(1);
    const count = { refused: 0, drawn: 0 };
    const tries = FILES_A_RUN * runs();
    for (let i = 0; i < tries; i += 1) {
      const room = roomAt(i);
      const figures = figuresOf(room);
      const [path, was] = at(figures, Math.floor(random() * figures.length));
      const values = [...EDGES, ...BEYOND, was * 10, was / 10, -was];
      const value = at(values, Math.floor(random() * values.length));
      count[fate(text(withAt(room, path, value)), `${path.join('.')} = ${value}`, printedNow(i))] += 1;
    }
    expect(count.refused).toBeGreaterThan(0);
    expect(count.drawn).toBeGreaterThan(tries / 20);
  });

  it('files changed in several places at once are refused or drawn (seeds 1…)', { timeout: MINUTES }, () => {
    const random = seededRandom(2);
    const count = { refused: 0, drawn: 0 };
    const any = <T>(list: readonly T[]): T => at(list, Math.floor(random() * list.length));
    const tries = FILES_A_RUN * runs();
    for (let i = 0; i < tries; i += 1) {
      let file: unknown = roomAt(i);
      const done: string[] = [];
      for (let n = 1 + Math.floor(random() * 3); n > 0; n -= 1) {
        const places = placesOf(file);
        const [path, was] = any(places);
        const now = any<(value: unknown) => unknown>([
          (value) => (typeof value === 'number' ? any([...EDGES, ...BEYOND, value * 7, -value, value + 1]) : value),
          (value) => (typeof value === 'number' ? value * (0.2 + 3 * random()) : value),
          (value) =>
            typeof value === 'string'
              ? any(places.flatMap(([, one]) => (typeof one === 'string' ? [one] : [])))
              : value,
          (value) =>
            Array.isArray(value) ? any([[], [...value, ...value], value.slice(1), [...value].reverse()]) : value,
          () => any([null, '', 0, -1, true, [], {}, 'x'.repeat(300), '<script>']),
        ])(was);
        done.push(`${path.join('.')} = ${JSON.stringify(now)?.slice(0, 60)}`);
        file = withAt(file, path, now);
      }
      count[fate(text(file), done.join('; '), printedNow(i))] += 1;
    }
    expect(count.refused).toBeGreaterThan(0);
    expect(count.drawn).toBeGreaterThan(tries / 20);
  });

  it('bounds are told in what is typed, and what keeps to the words keeps to them', () => {
    expect(boundsWords(BOUNDS.extent)).toBe('must be from 1 to 1\u00a0000\u00a0000 mm');
    expect(boundsWords(BOUNDS.extent, 'imperial')).toBe('must be from 0.04" to 39\u00a0370.07"');
    expect(boundsWords(BOUNDS.coordinate, 'imperial')).toBe('must be from −39\u00a0370.07" to 39\u00a0370.07"');
    expect(boundsWords(BOUNDS.scale, 'imperial')).toBe('must be from 1 to 1\u00a0000');
    expect(isWithin(0.04 * 25.4, BOUNDS.extent) && isWithin(39370.07 * 25.4, BOUNDS.extent)).toBe(true);
  });

  it('a name as long as may be is read, a longer one refused', () => {
    const room = small;
    expect(readProject(writeProject({ ...room, name: 'x'.repeat(LONGEST_TEXT) })).ok).toBe(true);
    const read = readProject(writeProject({ ...room, name: 'x'.repeat(LONGEST_TEXT + 1) }));
    expect(read.ok ? '' : read.error.message).toContain(`longer than ${LONGEST_TEXT} characters`);
  });
});
