import { holds } from './matchers';
import { marksIn } from './marks-in';
import { readStrip } from './read-carried';
import { expect } from 'vitest';
import { at } from '@/core/base';
import {
  makes,
  say,
  type PlanWays,
  type Saying,
  type WholeDraft,
  type WholePlan,
  type WholeStep,
} from '@/core/construction';
import { picturePoint, type PicturePoint } from '@/core/space';
import { IMPERIAL_STYLE, METRIC_STYLE } from '@/core/units';
import { eyeFromWorld } from '@/core/view';

const LONGEST_SENTENCE = 240;
const MOST_FIGURES = 2;

/** Labels as they are written in a sentence: CV, points with their names, numbers of marks that are no figures, letters. */
function labelsIn(text: string): readonly string[] {
  return text.replace(/[.,:;](?=\s|$)/g, ' ').split(/[\s–]+/);
}

/** What tells the grid's own counts: its numbers are names of lines, not of marks. */
const isCount = (text: string): boolean => /^Write /.test(text);

/** Reads a plan back: every direction, side and length in it is compared with the paper, every label with what is there by then. */
export function readBack(
  { steps, labels, extents, byEye, checks, keeps }: WholePlan,
  { desk, vanishing, inclined, onPlan }: WholeDraft,
  { setUp, centreOnSheet, sheet }: Pick<PlanWays, 'setUp' | 'centreOnSheet' | 'sheet'>,
): { readonly directions: number } {
  const { machine } = desk;
  const byLabel = new Map([...labels].map(([mark, label]) => [label, mark]));
  const place = (label: string) => {
    const mark = byLabel.get(label);
    if (mark === undefined) throw new Error(`no mark ${label}`);
    return machine.markAt(mark);
  };
  expect(byLabel.size).toBe(labels.size);
  let directions = 0;
  const there = new Set<string>();
  for (const step of steps) {
    for (const one of step.operations) {
      for (const mark of makes(one).marks) there.add(labels.get(mark) ?? '');
    }
    const told = (saying: Saying): string => say(saying, METRIC_STYLE);
    let pivot = '';
    for (const saying of step.says) {
      const text = told(saying);
      expect(text.length, text).toBeLessThanOrEqual(LONGEST_SENTENCE);
      expect(say(saying, IMPERIAL_STYLE).length).toBeLessThanOrEqual(LONGEST_SENTENCE);
      expect(saying.filter((part) => typeof part !== 'string').length, text).toBeLessThanOrEqual(MOST_FIGURES);
      expect(text, text).toMatch(/^[A-Z].*\.$/);
      // Labels of this step or an earlier one, in whatever is not a figure.
      const bare = saying
        .filter((part) => typeof part === 'string')
        .join(' ')
        .replace(/( crosses [^:]+): .+$/, '$1');
      if (step.does.pass !== 'by-eye' && !isCount(text))
        for (const word of labelsIn(bare))
          if (byLabel.has(word) && word !== 'a') expect(there.has(word), `${word} in “${text}”`).toBe(true);
      pivot = /^Lay the straightedge on (\S+)\.$/.exec(text)?.[1] ?? pivot;
      const ruled = (of: string): readonly [number, number] => {
        // The line of this step that was ruled from the mark to the point, and how far it is drawn to either side, toward the point counted on.
        const [from, to] = [byLabel.get(of), byLabel.get(pivot)];
        const line = step.operations.find(
          (one) => one.op === 'rule' && one.through.includes(from ?? '') && one.through.includes(to ?? ''),
        );
        if (line?.op !== 'rule' || to === undefined || from === undefined) throw new Error(text);
        const [p, v] = [machine.markAt(from), machine.markAt(to)];
        const length = Math.hypot(v.u - p.u, v.v - p.v);
        const s = (extents.get(line.line) ?? [from, from]).map((mark) => {
          const q = machine.markAt(mark);
          return ((q.u - p.u) * (v.u - p.u) + (q.v - p.v) * (v.v - p.v)) / length;
        });
        return [Math.min(...s), Math.max(...s)];
      };
      const beyond = 1e-3;
      const toward = /^Rule from (.+) toward \S+\.$/.exec(text)?.[1];
      const away = /^Rule on from (.+), away from \S+\.$/.exec(text)?.[1];
      const both = /^Rule through (.+), toward \S+ and away from it\.$/.exec(text)?.[1];
      for (const of of toward ? marksIn(toward) : []) {
        const [back, on] = ruled(of);
        expect(on > beyond && back >= -beyond, `${of}: ${text}`).toBe(true);
        directions += 1;
      }
      for (const of of away ? marksIn(away) : []) {
        const [back, on] = ruled(of);
        expect(back < -beyond && on <= beyond, `${of}: ${text}`).toBe(true);
        directions += 1;
      }
      for (const of of both ? marksIn(both) : []) {
        const [back, on] = ruled(of);
        expect(back < -beyond && on > beyond, `${of}: ${text}`).toBe(true);
        directions += 1;
      }
      // Levels and uprights: to which side of the mark the line goes on.
      const straight =
        /^Rule (level|upright), (to the right|to the left|up|down) from (.+)\.$/.exec(text) ??
        /^On the plan rule square to the picture (plane), (up|down) from (.+)\.$/.exec(text);
      if (straight) {
        const [, told, side, list] = straight;
        const way = told === 'plane' ? 'upright' : told;
        for (const of of marksIn(list ?? '')) {
          const mark = byLabel.get(of);
          const line = step.operations.find(
            (one) => (one.op === 'level' || one.op === 'upright') && one.op === way && one.through === mark,
          );
          if (line?.op !== 'level' && line?.op !== 'upright') throw new Error(text);
          const [p, ends] = [place(of), (extents.get(line.line) ?? []).map((one) => machine.markAt(one))];
          const along = ends.map((q) => (way === 'level' ? q.u - p.u : q.v - p.v));
          const sense = side === 'to the right' || side === 'up' ? 1 : -1;
          expect(Math.max(...along.map((s) => s * sense)), text).toBeGreaterThan(beyond);
          expect(Math.min(...along.map((s) => s * sense)), text).toBeGreaterThanOrEqual(-beyond);
          directions += 1;
        }
      }
    }
    directions += readByEye(
      step.says.map(told),
      byEye.filter((one) => one.step === step.id),
      setUp,
      inclined.map(({ at }) => at),
      (label) => {
        // A point beyond the board is not on the paper; that it is told so is true of no other.
        const beyond = vanishing.flatMap(({ to }) => (to.by === 'ticks' && to.label === label ? [to.u] : []))[0];
        if (beyond !== undefined) expect(step.says.map(told).join(' ')).toContain(`${label} beyond the board`);
        return beyond === undefined ? place(label) : { u: beyond, v: 0 };
      },
    );
    for (const text of step.says.map(told)) {
      const centre = /CV: ([\d. ]+) mm from the sheet’s left edge, ([\d. ]+) mm above its lower edge\.$/.exec(text);
      if (!centre) continue;
      expect(Math.abs(Number(at(centre, 1)) - centreOnSheet.x), text).toBeLessThanOrEqual(0.0501);
      expect(Math.abs(Number(at(centre, 2)) - centreOnSheet.y), text).toBeLessThanOrEqual(0.0501);
    }
    // Marks that the sheet does not reach are told, and no others.
    const besides = step.says.map(told).flatMap((text) => {
      const [, list] = /^(?:Beside the sheet|Beyond the board) lies? (.+): mark (?:it|them) on /.exec(text) ?? [];
      return list === undefined ? [] : marksIn(list);
    });
    const farOff = (least: number) =>
      step.operations.flatMap((one) =>
        makes(one).marks.flatMap((mark) => {
          if (onPlan.has(mark)) return [];
          const { u, v } = machine.markAt(mark);
          const [x, y] = [centreOnSheet.x + u, centreOnSheet.y + v];
          return Math.max(-x, x - sheet.width, -y, y - sheet.height) > least ? [labels.get(mark)] : [];
        }),
      );
    // A mark that lies a tenth off to the last digit may be told or not.
    const tie = 1e-6;
    expect(besides).toEqual(expect.arrayContaining([...new Set(farOff(0.1 + tie))]));
    expect(farOff(0.1 - tie)).toEqual(expect.arrayContaining([...new Set(besides)]));
    directions += besides.length;
    readFirm(step, step.says.map(told), { keeps, place, machine });
    directions += readStrip(step, step.says.map(told), { place, labels });
    // Lines from mark to mark: each is one of this step's.
    for (const text of step.says.map(told)) {
      const [, list] = /^Rule ((?:from \S+ (?:to|on)|both ways) .+)\.$/.exec(text) ?? [];
      for (const one of list === undefined || / (?:toward|away) /.test(text) ? [] : list.split(/, | and /)) {
        const [, from = '', how = '', to = ''] =
          /^from (\S+) (to|on through) (\S+)$/.exec(one) ?? /^both ways through (\S+) (with) (\S+)$/.exec(one) ?? [];
        const ends = [byLabel.get(from), byLabel.get(to)];
        const ruled = step.operations.find(
          (op) => op.op === 'rule' && ends.every((mark) => op.through.includes(mark ?? '')),
        );
        expect(ruled?.op, text).toBe('rule');
        if (ruled?.op !== 'rule') continue;
        // Where it ends: in its marks, or beyond the one that it is ruled on through.
        const [p, q] = [place(from), place(to)];
        const length = Math.hypot(q.u - p.u, q.v - p.v);
        const s = (extents.get(ruled.line) ?? []).map((mark) => {
          const m = machine.markAt(mark);
          return ((m.u - p.u) * (q.u - p.u) + (m.v - p.v) * (q.v - p.v)) / length;
        });
        const beyond = 1e-3;
        expect(Math.min(...s) < -beyond, `${text}: before ${from}`).toBe(how === 'with');
        expect(Math.max(...s) > length + beyond, `${text}: beyond ${to}`).toBe(how !== 'to');
        directions += 1;
      }
    }
    for (const { marks } of checks.filter((one) => one.step === step.id))
      for (const mark of marks) expect(there.has(labels.get(mark) ?? ''), mark).toBe(true);
    // What is measured, in sentences or in the table: from the zero named in the step's first sentence.
    const zero =
      /with its zero at (\S+)\.$/.exec(told(step.says[0] ?? []))?.[1] ??
      step.says.flatMap((saying) => /, their zero at (\S+)\.$/.exec(told(saying))?.[1] ?? [])[0];
    const sentences = step.says.map(told).flatMap((text) => {
      const read = /^Mark (\S+) at (.+) mm: ([\d. ]+) mm on paper (to the right|to the left|up|down)\.$/.exec(text);
      return read ? [[at(read, 1), Number(at(read, 3)), at(read, 4)] as const] : [];
    });
    const rows = step.measures.map((one) => [one.label, one.paperMm, one.toward] as const);
    for (const [of, paperMm, side] of [...sentences, ...rows]) {
      const [from, to] = [place(zero ?? ''), place(of)];
      const [du, dv] = [to.u - from.u, to.v - from.v];
      const gone = side.endsWith('right') ? du : side.endsWith('left') ? -du : side === 'up' ? dv : -dv;
      expect(Math.abs(gone - paperMm), `${of} ${side}`).toBeLessThanOrEqual(0.0501);
      directions += 1;
    }
    for (const { label, lines } of step.crossings) {
      expect(there.has(label)).toBe(true);
      for (const name of lines) expect(name).not.toBe('');
    }
  }
  return { directions };
}

/** What is told of firm lines covers what is kept of them, and nothing else, to a pencil's breadth. */
function readFirm(
  step: WholeStep,
  says: readonly string[],
  {
    keeps,
    place,
    machine,
  }: Pick<WholePlan, 'keeps'> & {
    readonly place: (label: string) => PicturePoint;
    readonly machine: WholeDraft['desk']['machine'];
  },
): void {
  if (step.does.pass !== 'firm') return;
  const breadth = 0.3;
  type Segment = readonly [PicturePoint, PicturePoint];
  const between = ([p, q]: Segment, s: number): PicturePoint =>
    picturePoint(p.u + (q.u - p.u) * s, p.v + (q.v - p.v) * s);
  const lineOf = (name: string): Segment => {
    const [a = '', b = ''] = name.split('–');
    return [place(a), place(b)];
  };
  const part = (name: string, from: string | number, to: string | number): Segment => {
    const whole = lineOf(name);
    const length = Math.hypot(whole[1].u - whole[0].u, whole[1].v - whole[0].v);
    const at = (one: string | number): PicturePoint =>
      typeof one === 'string' ? place(one) : between(whole, one / length);
    return [at(from), at(to)];
  };
  const told: Segment[] = step.parts.map(({ line, from, to }) => part(line, from, to));
  for (const text of says) {
    const list = /^Draw firm (.+)\.$/.exec(text)?.[1];
    for (const name of list?.split(/, | and /) ?? []) told.push(lineOf(name));
    const [, name, from = '', to = ''] =
      /^Of (\S+) draw firm from (.+?) to (.+?)(?:, measured from \S+)?\.$/.exec(text) ?? [];
    const read = (one: string): string | number =>
      one.endsWith(' mm') ? Number(one.replace(/ mm$/, '').replace(/\s/g, '')) : one;
    if (name !== undefined) told.push(part(name, read(from), read(to)));
  }
  const kept = keeps
    .filter((one) => one.step === step.id)
    .flatMap(({ from, to, seen }): Segment[] =>
      seen.map(([s, t]) => {
        const whole: Segment = [machine.markAt(from), machine.markAt(to)];
        return [between(whole, s), between(whole, t)];
      }),
    );
  // A stretch shorter than a pencil's line is broad is no line by itself; several in a row may be one.
  const long = kept.filter(([p, q]) => Math.hypot(q.u - p.u, q.v - p.v) > 0.25);
  const near = (p: PicturePoint, all: readonly Segment[]): boolean =>
    all.some(([a, b]) => {
      const [du, dv] = [b.u - a.u, b.v - a.v];
      const s = Math.min(1, Math.max(0, ((p.u - a.u) * du + (p.v - a.v) * dv) / Math.max(1e-12, du * du + dv * dv)));
      return Math.hypot(p.u - a.u - du * s, p.v - a.v - dv * s) < breadth;
    });
  const places = [0, 0.13, 0.31, 0.5, 0.72, 0.9, 1];
  for (const [which, one, others] of [
    ['kept, not told', long, told],
    ['told, not kept', told, kept],
  ] as const)
    for (const segment of one)
      for (const s of places) holds(near(between(segment, s), others), () => `${step.title}: ${which}`);
}

/** How many lines are left to the eye, how wide the room is there on paper, and what they run to. */
function readByEye(
  says: readonly string[],
  eye: WholePlan['byEye'],
  setUp: PlanWays['setUp'],
  climbs: readonly { readonly u: number; readonly v: number }[],
  pointAt: (label: string) => { readonly u: number; readonly v: number },
): number {
  if (eye.length === 0) return 0;
  const text = says.join(' ');
  const count = /Draw (one|\d+) more lines? of/.exec(text)?.[1];
  expect(count === 'one' ? 1 : Number(count), text).toBe(eye.length);
  const k = setUp.pictureDistance / setUp.scaleDenominator;
  const depths = eye.flatMap(({ stands }) => stands.map((p) => eyeFromWorld(setUp, p).depth));
  const near = Number(/(?:There|Nearest to you) 10 mm of the room is ([\d.]+) mm/.exec(text)?.[1]);
  expect(Math.abs(near - (10 * k) / Math.min(...depths)), text).toBeLessThanOrEqual(0.0501);
  const far = /Farthest from you it is ([\d.]+) mm/.exec(text)?.[1];
  const least = (10 * k) / Math.max(...depths);
  expect(Math.abs((far === undefined ? near : Number(far)) - least), text).toBeLessThanOrEqual(
    far === undefined ? 0.11 : 0.0501,
  );
  const ways = eye.map(({ round, stands: [p, q] }) => ({ round, x: q.x - p.x, y: q.y - p.y, z: q.z - p.z }));
  const told = text
    .replace(/^It (runs to|is) /, '1 $1 ')
    .matchAll(/(?:^|\s)(\d+|It) (?:runs?|are|is) (?:to )?([A-Z]\S*?|upright|level|aslope|round)(?=[,. ]|$)/g);
  let read = 0;
  for (const [, number, to = ''] of told) {
    const matching = ways.filter(({ round, x, y, z }) => {
      if (round || to === 'round') return round && to === 'round';
      const flat = Math.hypot(x, y);
      if (to === 'upright') return flat < 1e-6 * Math.abs(z);
      const forward = x * setUp.forward.x + y * setUp.forward.y;
      const sideways = x * setUp.right.x + y * setUp.right.y;
      // Aslope is what climbs, but to no point on the paper.
      if (to === 'aslope')
        return (
          flat >= 1e-6 * Math.abs(z) &&
          Math.abs(z) > 1e-9 * flat &&
          !climbs.some(({ u, v }) => Math.hypot((k * sideways) / forward - u, (k * z) / forward - v) < 1e-3)
        );
      if (to === 'level') return Math.abs(forward) < 1e-6 * flat && Math.abs(z) < 1e-6 * flat;
      const { u, v } = pointAt(to);
      return Math.abs((k * sideways) / forward - u) < 1e-3 && Math.abs((k * z) / forward - v) < 1e-3;
    });
    expect(matching.length, `${to} in “${text}”`).toBe(number === 'It' ? 1 : Number(number));
    read += 1;
  }
  return read;
}
