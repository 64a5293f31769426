import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { makes, ORDERS, type WholeDraft, type WholePlan } from '@/core/construction';
import type { Project, View } from '@/core/record';
import { resolveSetUp, turnPlan } from '@/core/view';
import {
  boxView,
  drawnWhole,
  expectAllDrawn,
  expectCurvesRight,
  expectKeptWhereSeen,
  expectSound,
  holds,
  measuredAt,
  PLANES,
  randomRoom,
  readBack,
  runs,
  TURNS,
} from '@/testing';
import { sheetIn } from './whole-draft';

const way = { school: 'plan-projection' } as const;

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
        if (!shared.has(of)) holds([`C${own}`, `P${own}`].includes(there), () => `${there} is carried to ${own}`);
      }
    } else if (one.op !== 'take') for (const is of made) expect(used).toEqual(used.map(() => is));
    // Nothing of the picture is measured but heights, and the set-out: lengths in depth come from the plan.
    if (one.op === 'take' && one.slides === 'u') expect(one.mark).not.toMatch(/^[MD]/);
  }
  expect(carried).toBeGreaterThan(5);
}

function expectWhole(project: Project, view: View, order: (typeof ORDERS)[number]): void {
  const { setUp, scene, lines, plan, whole, targets } = drawnWhole(project, view, { order, way });
  if (targets.edges.length < 3) return;
  expect(plan.school).toBe('plan-projection');
  expectSound(view, setUp, whole);
  expectAllDrawn(scene.prepared, lines, { whole, targets });
  expectKeptWhereSeen(scene.prepared, lines, whole);
  expectCurvesRight(setUp, scene.prepared, lines, whole);
  expectStripsAlone(whole, plan);
  expect(whole.unreached).toEqual([]);
  readBack(plan, whole, { setUp, ...sheetIn(view) });
}

describe.each(DEMOS.flatMap((demo) => demo.views.map((view) => [demo.id, view.id, demo, view] as const)))(
  'plan projection: %s, %s',
  (_, __, demo, view) => {
    const setUp = resolveSetUp(demo, view);
    if (!setUp.ok) throw new Error(setUp.error.message);
    // The first view of each demonstration with every plane measured, the others as they stand.
    it.each(view === demo.views[0] ? PLANES : PLANES.filter(([, times]) => times === 1))(
      'with %s measured, everything that is seen comes from the plan by strip',
      (_plane, times) => expectWhole(demo, measuredAt(view, setUp.value, times), at(ORDERS, times < 1 ? 1 : 0)),
    );
  },
);

describe('plan projection of rooms made up by lot', () => {
  const count = Math.max(10, Math.round(runs() / 10));
  // And two in which a direction has no side in the plan that a parallel could be set to: mitres, a leaf ajar.
  const seeds = new Set([...Array.from({ length: count }, (_, i) => i + 1), 63, 120]);
  it.each([...seeds].map((seed) => [seed, ...at(TURNS, seed % 2)] as const))(
    'seed %i, %s: everything that is seen, whichever plane is measured',
    (seed, _, turn) => {
      const room = randomRoom(seed);
      const given = {
        ...boxView(),
        board: { width: 2400, height: 1600 },
        sheetOnBoard: { x: 900, y: 600 },
        straightedge: 2400,
      };
      const turned = { ...given, ...turnPlan(room, given, turn) };
      const project = { ...room, views: [turned] };
      const setUp = resolveSetUp(project, turned);
      if (!setUp.ok) return;
      // In the short run each room with one of the planes, in the long run with all.
      for (const [i, [, times]] of PLANES.entries())
        if (count > 10 || i === seed % PLANES.length)
          expectWhole(project, measuredAt(turned, setUp.value, times), at(ORDERS, (seed >> 1) % 2));
    },
  );
});
