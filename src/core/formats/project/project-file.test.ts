import Ajv from 'ajv';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, drain } from '@/core/base';
import type { Project } from '@/core/record';
import { randomBoxScene, randomRoom, runs, smallRoom, boxPiece } from '@/testing';
import { projectSchema, readProject, readProjectInSteps, readProjectValue, writeProject } from './index';
import published from './project.schema.json';

const bySchema = new Ajv({ strict: false }).compile(published);
const byYup = (value: unknown): boolean => projectSchema.isValidSync(value, { strict: true });

/** Every place in a JSON value, as a path of keys. */
function places(value: unknown, path: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (typeof value !== 'object' || value === null) return [path];
  const entries: (readonly [string | number, unknown])[] = Array.isArray(value)
    ? value.map((one, i) => [i, one] as const)
    : Object.entries(value);
  return [path, ...entries.flatMap(([key, one]) => places(one, [...path, key]))];
}

function changed(value: unknown, path: readonly (string | number)[], to: (old: unknown) => unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return to(value);
  if (Array.isArray(value)) return value.map((one: unknown, i) => (i === key ? changed(one, rest, to) : one));
  return Object.fromEntries(
    Object.entries(value as object).map(([name, one]: [string, unknown]) => [
      name,
      name === key ? changed(one, rest, to) : one,
    ]),
  );
}
const without = (value: unknown, path: readonly (string | number)[]): unknown =>
  changed(value, path.slice(0, -1), (owner) =>
    Array.isArray(owner)
      ? owner.slice(1)
      : Object.fromEntries(Object.entries(owner as object).filter(([name]) => name !== path.at(-1))),
  );

const full = randomRoom(4);
const room = () =>
  JSON.parse(
    writeProject({
      ...smallRoom([
        boxPiece({ turnDeg: 30 }),
        ...full.pieces.slice(0, 2),
        {
          ...boxPiece({ id: 'cut' }),
          kind: 'block',
          outlines: [
            {
              id: 'front',
              view: 'front',
              corners: [
                { x: 0, y: 0, bulge: 0 },
                { x: 900, y: 0, bulge: 0.5 },
                { x: 0, y: 500, bulge: 0 },
              ],
              holes: [
                [
                  { x: 100, y: 50, bulge: 0 },
                  { x: 200, y: 50, bulge: 0 },
                  { x: 100, y: 150, bulge: 0 },
                ],
              ],
              from: 0,
              to: 400,
            },
          ],
          divisions: { parts: { by: 'ratio', parts: [1, 2] } },
        },
      ]),
      spaces: full.spaces,
      openings: full.openings,
      surfaces: full.surfaces,
      plans: [
        {
          ...{ id: 'p', viewId: 'view', pieceId: 'box', school: 'measuring-points', begin: 'footprint' },
          pieces: [{ pieceId: 'box', school: 'distance-point', begin: 'crate' }],
        },
      ],
    }),
  ) as unknown;

describe('the project file', () => {
  it('a byte-order mark before the text says nothing', () => {
    const text = writeProject(at(DEMOS, 0));
    expect(readProject(`\uFEFF${text}`)).toEqual(readProject(text));
    expect(readProject(`\uFEFF${text}`).ok).toBe(true);
  });
  it('round-trips generated projects and the demonstrations, kind and version first (seeds 1…)', () => {
    const projects = [
      ...DEMOS,
      ...Array.from({ length: runs() }, (_, seed) => randomBoxScene(seed, 1 + (seed % 5)).project),
      ...Array.from({ length: runs() }, (_, seed) => randomRoom(seed + 1)),
    ];
    for (const project of projects) {
      const text = writeProject(project);
      expect(text.replace(/\s/g, '').startsWith('{"kind":"bathyskop-project","version":8,')).toBe(true);
      expect(readProject(text)).toEqual({ ok: true, value: project });
    }
  });

  it('Yup and the published JSON Schema come to the same verdict on changed files (seed 31)', () => {
    const sound = room();
    const all = places(sound);
    const values = [null, '', 'x', 0, -1, 1.5, 360, true, [], {}, 'wall', 'metric', [1, 2]];
    const verdicts = { good: 0, bad: 0 };
    const agree = (value: unknown, what: string): void => {
      const yes = bySchema(value);
      expect(byYup(value), what).toBe(yes);
      verdicts[yes ? 'good' : 'bad'] += 1;
    };
    agree(sound, 'sound');
    for (const demo of DEMOS) agree(demo, demo.id);
    fc.assert(
      fc.property(
        fc.constantFrom(...all),
        fc.constantFrom(...values),
        fc.constantFrom('set', 'drop', 'add'),
        (path, value, how) => {
          if (how === 'drop' && path.length === 0) return;
          const next =
            how === 'set'
              ? changed(sound, path, () => value)
              : how === 'drop'
                ? without(sound, path)
                : changed(sound, path, (old) =>
                    typeof old === 'object' && old !== null && !Array.isArray(old)
                      ? { ...old, extra: value }
                      : Array.isArray(old)
                        ? [...old, value]
                        : value,
                  );
          agree(next, `${how} ${path.join('.')} ${JSON.stringify(value)}`);
        },
      ),
      { numRuns: 15 * runs(), seed: 31 },
    );
    expect(verdicts.good).toBeGreaterThan(20);
    expect(verdicts.bad).toBeGreaterThan(100);
  });

  it.each<[string, unknown, string, RegExp]>([
    ['a file cut short', null, 'not-json', /cut short/],
    ['another file', { kind: 'something' }, 'not-a-project', /not a Bathyskop project/],
    ['a list', [], 'not-a-project', /not a Bathyskop project/],
    ['a newer file', { kind: 'bathyskop-project', version: 99 }, 'newer-version', /newer version/],
    ['an older file nobody made', { kind: 'bathyskop-project', version: 0 }, 'shape', /damaged/],
    ['a missing part', without(room(), ['views', 0, 'frame']), 'shape', /views\[0\]\.frame/],
    [
      'text for a number',
      changed(room(), ['pieces', 0, 'width', 'claims', 0, 'mm'], () => '1200'),
      'shape',
      /pieces\[0\]\.width\.claims\[0\]\.mm/,
    ],
    ['a field unknown here', { ...(room() as object), secret: 1 }, 'shape', /secret/],
    [
      'a wall that is not there',
      changed(room(), ['pieces', 0, 'place', 'from', 0, 'wallId'], () => 'gone'),
      'reference',
      /gone/,
    ],
    [
      'parallel walls',
      changed(room(), ['pieces', 0, 'place', 'from', 1, 'wallId'], () => 'south'),
      'reference',
      /parallel/,
    ],
    [
      'a width of nought',
      changed(room(), ['pieces', 0, 'width', 'claims', 0, 'mm'], () => 0),
      'reference',
      /more than nought/,
    ],
    [
      'two pieces of one id',
      changed(room(), ['pieces'], (old) => [...(old as unknown[]), ...(old as unknown[])]),
      'reference',
      /Two things have the id/,
    ],
    ['no claim in force', changed(room(), ['pieces', 0, 'width', 'inForce'], () => 'none'), 'reference', /in force/],
    ['a frame inside out', changed(room(), ['views', 0, 'frame', 'left'], () => 500), 'reference', /frame/],
  ])('refuses %s with a reason', (_, value, reason, message) => {
    const read = value === null ? readProject('{"kind": "bathyskop-pro') : readProjectValue(value);
    if (read.ok) throw new Error('it was read');
    expect(read.error.reason).toBe(reason);
    expect(read.error.message).toMatch(message);
  });
});

describe('older files', () => {
  it('a file of version 1 is brought up to date: its boxes, plain openings and flat ceilings as they were', () => {
    const now = JSON.parse(writeProject(smallRoom([boxPiece({ turnDeg: 30 })]))) as Record<string, unknown>;
    const lists = (key: string, drop: readonly string[]) =>
      (now[key] as Record<string, unknown>[]).map((one) =>
        Object.fromEntries(Object.entries(one).filter(([name]) => !drop.includes(name))),
      );
    const old = {
      ...now,
      version: 1,
      spaces: lists('spaces', ['ceiling', 'skirting', 'cornice']),
      pieces: lists('pieces', ['checks', 'mirrored', 'sizes', 'counts', 'choices', 'divisions', 'outlines']),
    };
    expect(readProjectValue(old)).toEqual({ ok: true, value: now });
    expect(readProjectValue({ ...old, spaces: 'none' }).ok).toBe(false);
  });
});

describe('a project read in steps', () => {
  const whole = (value: unknown, sound = new WeakSet<object>()) => drain(readProjectInSteps(value, sound));
  it.each<[string, (project: Project) => unknown]>([
    ['as it is', (project) => project],
    [
      'a piece without a place',
      (project) => ({ ...project, pieces: [...project.pieces, { ...project.pieces[0], place: null }] }),
    ],
    ['two of one name', (project) => ({ ...project, pieces: [...project.pieces, ...project.pieces] })],
    ['no views', (project) => ({ ...project, views: [] })],
    ['pieces that are none', (project) => ({ ...project, pieces: 'none' })],
    ['an older version', (project) => ({ ...project, version: 4 })],
    ['nothing', () => null],
  ])('%s: the same answer as at once', (_, of) => {
    const value = of(smallRoom([boxPiece()]));
    expect(whole(value)).toEqual(readProjectValue(value));
  });
  it('reads a piece once however many states hold it', () => {
    const project = smallRoom([boxPiece(), boxPiece({ id: 'other' })]);
    const sound = new WeakSet<object>();
    expect([...readProjectInSteps(project, sound)].length).toBe(2);
    expect([...readProjectInSteps({ ...project, name: 'Another' }, sound)].length).toBe(0);
    const spoilt = { ...project, pieces: project.pieces.map((one) => ({ ...one, width: null })) };
    expect(whole(spoilt, sound).ok).toBe(false);
  });
});
