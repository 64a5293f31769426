import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { ELEVATION_ZERO, makes, ORDERS, type Order, type WholeDraft, type WholePlan } from '@/core/construction';
import type { Project, SchoolName, View } from '@/core/record';
import { resolveSetUp } from '@/core/view';
import { DEMO_CASES, drawnRight, holds, measuredAt, PLANES, planesOf, roomsByLot, runs } from '@/testing';

/** Papers are kept apart: what lies on the plan is made from what lies on it, and a strip alone leads to the picture. */
function expectStripsAlone(
  { operations, onPlan, edges, checks }: WholeDraft,
  { labels }: Pick<WholePlan, 'labels'>,
): void {
  let carried = 0;
  const drawnFrom = new Set([
    ...operations.flatMap((one) => [...makes(one).usesMarks, ...makes(one).usesLines]),
    ...edges.flatMap(({ from, to }) => [from, to]),
    ...checks.flatMap(({ marks }) => marks),
  ]);
  // A cut that is carried twice has the number of one of them; a corner on the plane bears that of its ray.
  const times = new Map<string, number>();
  for (const one of operations)
    for (const [, of] of one.op === 'strip' ? one.marks : []) times.set(of, (times.get(of) ?? 0) + 1);
  const shared = new Set([...times].flatMap(([of, count]) => (count > 1 ? [of] : [])));
  for (const one of operations) {
    const { marks, line, usesMarks, usesLines } = makes(one);
    const made = [...marks, ...(line === null ? [] : [line])].map((id) => onPlan.has(id));
    const used = [...usesMarks, ...usesLines].map((id) => onPlan.has(id));
    if (one.op === 'strip') {
      expect(made).not.toContain(true);
      expect(one.marks.every(([mark, of]) => !onPlan.has(mark) && onPlan.has(of))).toBe(true);
      expect([onPlan.has(one.on), onPlan.has(one.zero[0]), onPlan.has(one.zero[1])]).toEqual([false, false, true]);
      carried += one.marks.length;
      for (const [mark, of] of one.marks) {
        // Nothing is carried that nothing is drawn from; its number is the same on both papers.
        holds(drawnFrom.has(mark), () => `${mark} is carried for nothing`);
        const [own, there] = [labels.get(mark) ?? '', labels.get(of) ?? ''];
        if (!shared.has(of))
          holds([`C${own}`, `P${own}`, `E${own}`].includes(there), () => `${there} is carried to ${own}`);
      }
    } else if (one.op !== 'take') for (const is of made) expect(used).toEqual(used.map(() => is));
    // Nothing of the picture is measured but heights, and the set-out: lengths in depth come from the plan.
    if (one.op === 'take' && one.slides === 'u') expect(one.mark).not.toMatch(/^[MD]/);
  }
  expect(carried).toBeGreaterThan(5);
}

/** Heights come from the elevation, on whatever upright they are carried to: the scale rule lies on the table for nothing. */
function expectNothingMeasured({ desk, operations }: WholeDraft): void {
  const raised = operations.filter((one) => one.op === 'strip' && one.zero[1] === ELEVATION_ZERO);
  expect(operations.filter((one) => one.op === 'lay-off' && /^height:/.test(one.mark))).toEqual([]);
  expect(raised.length).toBeGreaterThan(2);
  const zero = desk.machine.markAt(ELEVATION_ZERO);
  for (const one of raised)
    for (const [mark, of] of one.op === 'strip' ? one.marks : []) {
      const [there, foot] = [desk.machine.markAt(of), desk.machine.markAt(one.op === 'strip' ? one.zero[0] : '')];
      holds(
        Math.abs(desk.machine.markAt(mark).v - foot.v - (there.v - zero.v)) < 1e-6,
        () => `${mark} stands as high as ${of}`,
      );
      holds(Math.abs(there.u - zero.u) < 1e-9, () => `${of} lies on the elevation’s edge`);
    }
}

function expectWhole(project: Project, view: View, order: Order, school: SchoolName): void {
  const made = drawnRight(project, view, { order, school });
  if (!made) return;
  expectStripsAlone(made.whole, made.plan);
  if (school === 'plan-and-elevation') expectNothingMeasured(made.whole);
  expect(made.whole.unreached).toEqual([]);
}

const SCHOOLS_OF_THE_PLAN = ['plan-projection', 'plan-and-elevation'] as const;

describe.each(SCHOOLS_OF_THE_PLAN)('%s', (school) => {
  it.each(DEMO_CASES)(
    '%s, %s, with %s measured: everything that is seen comes from the plan by strip',
    (_, __, ___, one) => {
      const setUp = resolveSetUp(one.demo, one.view);
      if (!setUp.ok) throw new Error(setUp.error.message);
      expectWhole(one.demo, measuredAt(one.view, setUp.value, one.times), at(ORDERS, one.times < 1 ? 1 : 0), school);
    },
  );
  const count = Math.max(10, Math.round(runs() / 10));
  // And two in which a direction has no side in the plan that a parallel could be set to: mitres, a leaf ajar.
  const seeds = new Set([...Array.from({ length: count }, (_, i) => i + 1), 63, 120]);
  it.each([...seeds])('room %i by lot: everything that is seen, whichever plane is measured', (seed) => {
    for (const { project, view, order } of roomsByLot(seed, seed > count ? PLANES : planesOf(seed)))
      expectWhole(project, view, order, school);
  });
});
