import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import {
  cameOutWrong,
  draft,
  makes,
  marksByPass,
  operationsOf,
  ORDINARY_HAND,
  PENCIL_LINE_MM,
  planOnPaper,
  restingOn,
  restsOn,
  say,
  wrongWords,
  type WholePlan,
} from '@/core/construction';
import { METRIC_STYLE } from '@/core/units';
import { drawnWhole, runs } from '@/testing';

const SCHOOLS = ['measuring-points', 'plan-projection', 'measured-grid'] as const;
const all = (): boolean => true;

// In the short run each demonstration by two of them, in the long run by all.
const CASES = DEMOS.flatMap((demo, i) =>
  SCHOOLS.filter((_, k) => runs() > 100 || k !== (i + 2) % SCHOOLS.length).map(
    (school) => [demo.id, school, demo] as const,
  ),
);

describe.each(CASES)('a mark that came out wrong: %s, %s', (_, school, demo) => {
  const { plan, whole } = drawnWhole(demo, at(demo.views, 0), { way: { school }, order: 'by-piece' });
  const operations = operationsOf(plan);
  const made = operations.flatMap((one) => makes(one).marks);
  const tried = [0.1, 0.3, 0.5, 0.7, 0.9].map((share) => at(made, Math.floor(made.length * share)));
  const right = draft(operations);
  if (!right.ok) throw new Error(right.error.message);

  it('the likeliest steps are among those it rests on, and their shares are of one whole', () => {
    for (const mark of tried) {
      const { likely } = cameOutWrong(plan, ORDINARY_HAND, { mark, offMm: 2 }, all);
      const under = restsOn(operations, mark);
      expect(likely.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
      likely.forEach(({ step, at: where, share }, i) => {
        expect(share).toBeLessThanOrEqual(likely[i - 1]?.share ?? 1);
        const own = at(plan.steps, step - 1).operations.flatMap((one) => [
          ...makes(one).marks,
          ...makes(one).usesMarks,
        ]);
        expect(own, `${where} of step ${step}`).toContain(where);
        expect(own.some((one) => under.has(one))).toBe(true);
      });
    }
  });
  it('what is to be drawn again rests on it, and with it left wrong all else lies within a pencil’s line', () => {
    for (const mark of tried) {
      const found = cameOutWrong(plan, ORDINARY_HAND, { mark, offMm: 2 }, all);
      const resting = restingOn(operations, mark);
      for (const one of found.again.marks) expect(resting.has(one), one).toBe(true);
      expect(found.again.marks).toContain(mark);
      const redone = new Set(found.again.marks);
      for (const [du, dv] of [
        [2, 0],
        [0, 2],
        [-2, 0],
        [0, -2],
      ] as const) {
        const wrong = draft(operations, { slips: [{ mark, du, dv }] });
        if (!wrong.ok) continue;
        for (const [id, { u, v }] of wrong.value.marks) {
          const place = right.value.marks.get(id);
          const off = place ? Math.hypot(u - place.u, v - place.v) : 0;
          if (off >= PENCIL_LINE_MM) expect(redone.has(id), `${id}: ${off} mm`).toBe(true);
          if (found.farthest && plan.keeps.some(({ from, to }) => from === id || to === id))
            expect(off).toBeLessThanOrEqual(found.farthest.mm + 1e-9);
        }
      }
    }
  });
  it('a curve through a mark that is off is drawn again, with what stays of it', () => {
    for (const one of operations.filter((op) => op.op === 'curve').slice(0, 4)) {
      if (one.op !== 'curve') continue;
      const { again } = cameOutWrong(plan, ORDINARY_HAND, { mark: at(one.through, 0), offMm: 2 }, all);
      expect(again.lines).toContain(one.curve);
      for (const kept of plan.keptCurves) if (kept.curve === one.curve) expect(again.firm).toContain(kept.edge);
    }
  });
  it('a hair’s breadth does not matter; what is not drawn yet is not drawn again; nothing measured tells what a millimetre does', () => {
    const mark = at(tried, 2);
    const small = cameOutWrong(plan, ORDINARY_HAND, { mark, offMm: 0.01 }, all);
    expect(small.matters).toBe(false);
    const none = cameOutWrong(plan, ORDINARY_HAND, { mark, offMm: 5 }, () => false).again;
    expect([none.marks, none.lines, none.firm, none.steps]).toEqual([[], [], [], []]);
    const asked = cameOutWrong(plan, ORDINARY_HAND, { mark, offMm: null }, all);
    expect(asked.farthest).toEqual(cameOutWrong(plan, ORDINARY_HAND, { mark, offMm: 1 }, all).farthest);
  });
  it('is told in sentences whose figures and steps are these', () => {
    const listed = marksByPass(plan, planOnPaper(whole)).flatMap(({ marks }) => marks);
    for (const mark of tried) {
      const off = { mark, offMm: 2 };
      const found = cameOutWrong(plan, ORDINARY_HAND, off, all);
      const says = told(plan, found, off, listed.find((one) => one.mark === mark) ?? null);
      for (const one of says) expect(one).toMatch(/^[A-Z\d].*\.$/);
      const text = says.join(' ');
      if (found.likely.length > 0) expect(text).toContain(`Look first at step ${at(found.likely, 0).step},`);
      expect(text.includes('It matters')).toBe(found.matters);
      if (found.farthest && found.matters)
        expect(text).toContain(
          `${plan.labels.get(found.farthest.mark) ?? '-'} comes to lie off by ${found.farthest.mm.toFixed(1)}`,
        );
      expect(text.includes(' anew')).toBe(found.matters);
    }
  });
});

const told = (
  plan: WholePlan,
  found: ReturnType<typeof cameOutWrong>,
  off: { readonly mark: string; readonly offMm: number },
  listed: Parameters<typeof wrongWords>[3],
): readonly string[] => wrongWords(found, plan, off, listed).map((one) => say(one, METRIC_STYLE));
