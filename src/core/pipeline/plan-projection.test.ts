import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import {
  ELEVATION_ZERO,
  marksByPass,
  planOnPaper,
  PLAN_ZERO,
  makes,
  ORDERS,
  type Order,
  type WholeDraft,
  type WholePlan,
} from '@/core/construction';
import type { Project, SchoolName, View } from '@/core/record';
import { picturePoint } from '@/core/space';
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

/** Where the side of a mark is that a point lies on, over its drop: of a line that stays by then, both ends on one side, or its height outside. */
function expectDropsClear({ steps, keeps }: WholePlan, { desk, operations }: WholeDraft, view: View): number {
  const top = view.sheet.height - view.centreOfVisionOnSheet.y;
  const onPlan = operations.flatMap((one) => (one.op === 'take' && one.paper === 'plan' ? [one.point] : []));
  const numbers = new Map(steps.map((step, i) => [step.id, i]));
  let drops = 0;
  steps.forEach((step, i) => {
    const carried = step.operations.flatMap((one) =>
      one.op === 'strip' && one.zero[1] === PLAN_ZERO ? one.marks.map(([mark]) => desk.machine.markAt(mark)) : [],
    );
    if (carried.length === 0) return;
    const crossed = carried.some(({ u, v }) =>
      keeps
        .filter((kept) => (numbers.get(kept.step) ?? 0) < i)
        .some(({ from, to, seen }) => {
          const [p, q] = [desk.machine.markAt(from), desk.machine.markAt(to)];
          return seen.some(([s, t]) => {
            const r = q.u === p.u ? s : (u - p.u) / (q.u - p.u);
            return (
              r >= s - 1e-9 &&
              r <= t + 1e-9 &&
              Math.abs(p.u + r * (q.u - p.u) - u) < 1e-9 &&
              p.v + r * (q.v - p.v) > v + 1e-9
            );
          });
        }),
    );
    if (step.does.pass !== 'drop') return;
    drops += 1;
    holds(!crossed, () => `${step.title} is dropped past what stays`);
    // All of the plan lies on the board, above the sheet.
    for (const { u, v } of onPlan) holds(desk.onBoard(picturePoint(u, v + top)), () => 'the plan has room above');
  });
  return drops;
}

/** Heights come from the elevation, on whatever upright they are carried to: the scale rule lies on the table for nothing. */
function expectNothingMeasured({ desk, operations }: WholeDraft): void {
  const raised = operations.filter((one) => one.op === 'strip' && one.zero[1] === ELEVATION_ZERO);
  expect(operations.filter((one) => one.op === 'lay-off' && /^height:/.test(one.mark))).toEqual([]);
  // Some rooms have two heights only.
  expect(raised.length).toBeGreaterThan(0);
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
  expectDropsClear(made.plan, made.whole, view);
  if (school === 'plan-and-elevation') {
    expectNothingMeasured(made.whole);
    const found = made.plan.steps.filter(({ title }) => title === 'Corners on the plan, heights on the elevation');
    expect(found.length).toBeGreaterThan(0);
    for (const { because, says } of found) {
      expect(because).toContain('elevation');
      expect(says.map((one) => String(one[0])).some((one) => one.startsWith('Carry the heights to its edge'))).toBe(
        true,
      );
    }
  }
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

describe('a board with room for the plan above the sheet', () => {
  const roomy = (view: View): View => ({
    ...view,
    board: { width: 4000, height: 4000 },
    sheetOnBoard: { x: 1500, y: 1500 },
  });
  it.each(DEMO_CASES.filter(({ 3: { times, demo, view } }) => times === 1 && (runs() > 100 || view === demo.views[0])))(
    '%s, %s: what is cut is dropped straight down, until what stays is in the way; then a strip carries it',
    (_, __, ___, { demo, view }) => {
      const kinds = (order: Order, on: View): readonly [drops: number, strips: number, laid: string] => {
        const made = drawnRight(demo, on, { order, school: 'plan-projection' });
        if (!made) throw new Error('nothing is drawn');
        const drops = expectDropsClear(made.plan, made.whole, on);
        // The lists of marks say the same of each.
        for (const { pass, marks } of marksByPass(made.plan, planOnPaper(made.whole)))
          for (const { made: by } of marks)
            if (by.by === 'dropped' || by.by === 'carried') {
              expect(by.by).toBe(pass === 'drop' ? 'dropped' : 'carried');
              expect([by.of, by.on]).not.toContain('');
            }
        const strips = made.plan.steps.filter(({ does }) => does.pass === 'strip').length;
        const laid = made.plan.steps.flatMap(({ says }) => says.map((one) => String(one[0])));
        return [drops, strips, laid.find((one) => one.startsWith('Lay the plan')) ?? ''];
      };
      // By pass nothing stays before the end: nothing is in the way.
      const [drops, strips, laid] = kinds('by-pass', roomy(view));
      expect(drops).toBeGreaterThan(0);
      expect(strips).toBe(0);
      expect(laid).toContain('above the sheet');
      const byPiece = kinds('by-piece', roomy(view));
      expect(byPiece[0]).toBeGreaterThan(0);
      expect(byPiece[0] + byPiece[1]).toBeGreaterThan(1);
      // On a board that has no room there it is carried by strip alone.
      const low = { ...view, board: { ...view.board, height: view.sheetOnBoard.y + view.sheet.height + 10 } };
      const [none, all, beside] = kinds('by-pass', low);
      expect([none, all > 0]).toEqual([0, true]);
      expect(beside).toContain('on a paper of its own');
    },
  );
});
