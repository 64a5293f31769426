import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { ORDERS, type WholeDraft } from '@/core/construction';
import { tolerance } from '@/core/numeric';
import type { Project, View } from '@/core/record';
import { resolveSetUp, turnPlan } from '@/core/view';
import {
  boxView,
  drawnWhole,
  expectAllDrawn,
  expectCurvesRight,
  expectDrawnToCrossings,
  expectKeptWhereSeen,
  expectReached,
  expectSound,
  holds,
  measuredAt,
  PLANES,
  randomRoom,
  readBack,
  runs,
  TURNS,
} from '@/testing';
import { firstInterval } from './index';
import { sheetIn } from './whole-draft';

const way = { school: 'diagonals' } as const;

/** After the first interval nothing is measured in depth: its corner, and its end along either direction, come from a measuring point. */
function expectFirstAlone({ operations, roles, parted }: WholeDraft): void {
  const measuring = new Set(
    operations.flatMap((one) =>
      one.op === 'rule' && one.through.some((mark) => roles.get(mark) === 'measuring' && !parted.divided.has(mark))
        ? [one.line]
        : [],
    ),
  );
  // Ruled to a point, or to the tick that stands for one beyond the board.
  expect(measuring.size).toBeLessThanOrEqual(3);
  const inDepth = operations.filter((one) => one.op === 'cross' && one.lines.some((line) => measuring.has(line)));
  expect(inDepth.length).toBeLessThanOrEqual(3);
}

/** A diagonal that repeats runs from a beginning through a middle to a place just as far beyond; one that halves, from corner to corner. */
function expectDiagonals({ operations, parted, stands }: WholeDraft): number {
  let told = 0;
  for (const one of operations) {
    if (one.op !== 'cross') continue;
    const line = one.lines.find((id) => parted.repeats.has(id));
    const ruled = operations.find((other) => other.op === 'rule' && other.line === line);
    if (ruled?.op !== 'rule') continue;
    const [from, through, to] = [...ruled.through, one.mark].map((mark) => stands.get(mark));
    if (!from || !through || !to) continue;
    // In the room the middle lies halfway.
    for (const axis of ['x', 'y', 'z'] as const)
      holds(Math.abs((from[axis] + to[axis]) / 2 - through[axis]) < tolerance.touchMm, () => one.mark);
    told += 1;
  }
  return told;
}

function expectWhole(project: Project, view: View, order: (typeof ORDERS)[number]): WholeDraft | null {
  const { setUp, scene, lines, plan, whole, targets } = drawnWhole(project, view, { order, way });
  if (targets.edges.length < 3) return null;
  expect(plan.school).toBe('diagonals');
  expectSound(view, setUp, whole);
  expectAllDrawn(scene.prepared, lines, { whole, targets });
  expectKeptWhereSeen(scene.prepared, lines, whole);
  expectCurvesRight(setUp, scene.prepared, lines, whole);
  expectReached(view, setUp, { whole, targets });
  readBack(plan, whole, { setUp, ...sheetIn(view) });
  expectDrawnToCrossings(plan, whole);
  expectFirstAlone(whole);
  expectDiagonals(whole);
  return whole;
}

describe.each(DEMOS.flatMap((demo) => demo.views.map((view) => [demo.id, view.id, demo, view] as const)))(
  'diagonals: %s, %s',
  (_, __, demo, view) => {
    const setUp = resolveSetUp(demo, view);
    if (!setUp.ok) throw new Error(setUp.error.message);
    const which = DEMOS.indexOf(demo) % 2 === 0 ? 0 : 2;
    // The first view of each demonstration with every plane measured in the long run, with two of them in the short one; the others as they stand.
    const planes = PLANES.filter(
      ([, times], i) => times === 1 || (view === demo.views[0] && (runs() > 100 || i === which)),
    );
    it.each(planes)(
      'with %s measured, everything that is seen is repeated and parted from the first interval',
      (_plane, times) => {
        const whole = expectWhole(demo, measuredAt(view, setUp.value, times), at(ORDERS, times < 1 ? 1 : 0));
        if (whole && view === demo.views[0] && times === 1) expect(expectDiagonals(whole)).toBeGreaterThan(0);
      },
    );
  },
);

describe('diagonals in rooms made up by lot', () => {
  const count = Math.max(10, Math.round(runs() / 50));
  it.each(Array.from({ length: count }, (_, i) => i + 1).map((seed) => [seed, ...at(TURNS, seed % 2)] as const))(
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

describe('the first interval', () => {
  const demo = at(DEMOS, 1);
  const view = at(demo.views, 0);
  it('is so long that two of them span the room, in whole half metres or feet; the judged one where there is one', () => {
    for (const project of DEMOS) {
      const interval = firstInterval(project, at(project.views, 0));
      const step = project.units === 'imperial' ? 304.8 : 500;
      expect((interval?.mm ?? 0) / step).toBeCloseTo(Math.round((interval?.mm ?? 0) / step), 9);
      expect(interval?.judged).toBeNull();
    }
    const wallId = at(at(demo.spaces, 0).walls, 1).id;
    const guess = { wallId, interval: { mm: 1200, asTyped: '1200' }, at: { u: 10, v: -20 } };
    const judged = { ...view, guesses: [guess] };
    expect(firstInterval(demo, judged)).toMatchObject({ mm: 1200, judged: guess });
    // The plan repeats that interval.
    const { whole } = drawnWhole({ ...demo, views: [judged] }, judged, { way });
    expect(whole.unreached).toEqual([]);
  });
});
