import { expect } from 'vitest';
import { at } from '@/core/base';
import { ALPHABET, say, type PlanWays, type Saying, type WholeDraft, type WholePlan } from '@/core/construction';
import { IMPERIAL_STYLE, METRIC_STYLE } from '@/core/units';
import { eyeFromWorld } from '@/core/view';

const LONGEST_SENTENCE = 240;
const MOST_FIGURES = 2;

/** Labels as they are written in a sentence: CV, points with their names, numbers of marks that are no figures, letters. */
function labelsIn(text: string): readonly string[] {
  return text.replace(/[.,:;]/g, ' ').split(/[\s–]+/);
}

/** Reads a plan back: every direction, side and length in it is compared with the paper, every label with what is there by then. */
export function readBack(
  { steps, labels, extents, byEye, checks, keeps }: WholePlan,
  { desk, vanishing, inclined }: WholeDraft,
  { setUp, centreOnSheet }: Pick<PlanWays, 'setUp' | 'centreOnSheet'>,
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
      for (const mark of 'mark' in one ? [one.mark] : []) there.add(labels.get(mark) ?? '');
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
      const bare = saying.filter((part) => typeof part === 'string').join(' ');
      if (step.does.pass !== 'by-eye')
        for (const word of labelsIn(bare))
          if (byLabel.has(word) && word !== 'a') expect(there.has(word), `${word} in “${text}”`).toBe(true);
      pivot = /^Lay the straightedge on (\S+)\.$/.exec(text)?.[1] ?? pivot;
      // "112 … 147" stands for all of them.
      const marks = (list: string): readonly string[] =>
        list.split(/, | and /).flatMap((one) => {
          const [, first = '', last = ''] = /^(\S+) … (\S+)$/.exec(one) ?? [];
          if (first === '') return [one];
          const numbers = /^\d+$/.test(first);
          const count = (label: string): number => (numbers ? Number(label) : ALPHABET.indexOf(label.charAt(0)));
          if (!numbers) expect(last.slice(1), text).toBe(first.slice(1));
          expect(count(last) - count(first), text).toBeGreaterThanOrEqual(3);
          return Array.from({ length: count(last) - count(first) + 1 }, (_, i) =>
            numbers ? String(count(first) + i) : `${ALPHABET.charAt(count(first) + i)}${first.slice(1)}`,
          );
        });
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
      for (const of of toward ? marks(toward) : []) {
        const [back, on] = ruled(of);
        expect(on > beyond && back >= -beyond, `${of}: ${text}`).toBe(true);
        directions += 1;
      }
      for (const of of away ? marks(away) : []) {
        const [back, on] = ruled(of);
        expect(back < -beyond && on <= beyond, `${of}: ${text}`).toBe(true);
        directions += 1;
      }
      for (const of of both ? marks(both) : []) {
        const [back, on] = ruled(of);
        expect(back < -beyond && on > beyond, `${of}: ${text}`).toBe(true);
        directions += 1;
      }
      // Levels and uprights: to which side of the mark the line goes on.
      const straight = /^Rule (level|upright), (to the right|to the left|up|down) from (.+)\.$/.exec(text);
      if (straight) {
        const [, way, side, list] = straight;
        for (const of of marks(list ?? '')) {
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
    // Parts of lines that stay: from where to where, measured from the mark named first.
    for (const { line, from, to } of step.parts) {
      const [first, last] = line.split('–').map(place);
      if (!first || !last) throw new Error(line);
      const length = Math.hypot(last.u - first.u, last.v - first.v);
      const fraction = (one: typeof from, end: number): number => (typeof one === 'string' ? end : one / length);
      const [s, t] = [fraction(from, 0), fraction(to, 1)];
      expect(t, line).toBeGreaterThan(s);
      const seen = keeps
        .filter((one) => one.step === step.id && line === `${labels.get(one.from)}–${labels.get(one.to)}`)
        .flatMap((one) => one.seen);
      expect(
        seen.some(([a, b]) => Math.abs(a - s) < 1e-6 && Math.abs(b - t) < 1e-6),
        `${line} ${s} ${t}`,
      ).toBe(true);
    }
    for (const { marks } of checks.filter((one) => one.step === step.id))
      for (const mark of marks) expect(there.has(labels.get(mark) ?? ''), mark).toBe(true);
    // What is measured, in sentences or in the table: from the zero named in the step's first sentence.
    const zero = /with its zero at (\S+)\.$/.exec(told(step.says[0] ?? []))?.[1];
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
  const ways = eye.map(({ stands: [p, q] }) => ({ x: q.x - p.x, y: q.y - p.y, z: q.z - p.z }));
  const told = text
    .replace(/^It (runs to|is) /, '1 $1 ')
    .matchAll(/(?:^|\s)(\d+|It) (?:runs?|are|is) (?:to )?([A-Z]\S*?|upright|level|aslope)(?=[,. ]|$)/g);
  let read = 0;
  for (const [, number, to = ''] of told) {
    const matching = ways.filter(({ x, y, z }) => {
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
