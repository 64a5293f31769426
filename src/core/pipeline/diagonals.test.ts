import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { ORDERS, say, type Order, type WholeDraft } from '@/core/construction';
import { tolerance } from '@/core/numeric';
import type { Project, View } from '@/core/record';
import { METRIC_STYLE } from '@/core/units';
import { backWallAt, backWallDepth, resolveSetUp, standAt, stationFor } from '@/core/view';
import {
  DEMO_CASES,
  drawnRight,
  drawnWhole,
  expectSound,
  holds,
  measuredAt,
  measuredOffFloor,
  planesOf,
  roomsByLot,
  runs,
} from '@/testing';
import { firstInterval } from './index';

const way = { school: 'diagonals' } as const;

/** After the first interval nothing is measured in depth: its corner, and its end along either direction, come from a measuring point. */
function expectFirstAlone({ operations, roles, parted }: WholeDraft, offFloor: ReadonlySet<string>): void {
  const measuring = new Set(
    operations
      .flatMap((one) =>
        one.op === 'rule' && one.through.some((mark) => roles.get(mark) === 'measuring' && !parted.divided.has(mark))
          ? [one.line]
          : [],
      )
      .filter((line) => !offFloor.has(line)),
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

function expectWhole(project: Project, view: View, order: Order): WholeDraft | null {
  const made = drawnRight(project, view, { order, school: 'diagonals' });
  if (!made) return null;
  expectFirstAlone(made.whole, measuredOffFloor(view, made.setUp, made.whole));
  expectDiagonals(made.whole);
  return made.whole;
}

describe('diagonals', () => {
  it.each(DEMO_CASES)('%s, %s, with %s measured: everything is repeated and parted', (_, __, ___, one) => {
    const { demo, view, times } = one;
    const setUp = resolveSetUp(demo, view);
    if (!setUp.ok) throw new Error(setUp.error.message);
    const whole = expectWhole(demo, measuredAt(view, setUp.value, times), at(ORDERS, times < 1 ? 1 : 0));
    if (whole && view === demo.views[0] && times === 1) expect(expectDiagonals(whole)).toBeGreaterThan(0);
  });
  it.each(Array.from({ length: Math.max(10, Math.round(runs() / 50)) }, (_, i) => i + 1))(
    'room %i by lot: everything that is seen, whichever plane is measured',
    (seed) => {
      for (const { project, view, order } of roomsByLot(seed, planesOf(seed))) expectWhole(project, view, order);
    },
  );
});

/** Depth comes from the back wall between the frame's corners: nothing is measured from a distance point. @returns whether there was a wall to begin with. */
function expectByCorners(project: Project, view: View, order: Order): boolean {
  const made = drawnRight(project, view, { order, school: 'sheet-corners' });
  if (!made) return false;
  const { whole, setUp, plan } = made;
  const { atBackWall, operations, roles, parted, desk, stands } = whole;
  const depth = backWallDepth(project, view, setUp);
  const square = whole.frames.every(({ turnDeg }) => turnDeg === 0);
  expect(atBackWall !== null).toBe(square && depth !== null);
  if (!atBackWall || depth === null) return false;
  const offFloor = measuredOffFloor(view, setUp, whole);
  for (const one of operations)
    if (one.op === 'rule' && !offFloor.has(one.line))
      for (const mark of one.through)
        holds(roles.get(mark) !== 'measuring' || parted.divided.has(mark), () => `${one.line} is measured`);
  // What is laid off is the frame's side as it stands at that depth, and between the corners' lines stands the frame.
  const right = backWallAt(view, setUp, depth);
  expect(atBackWall.depth).toBe(depth);
  expect(desk.machine.markAt(atBackWall.mark).u).toBeCloseTo(right.sides[atBackWall.side], 9);
  const drawn = atBackWall.corners.map((mark) => desk.machine.markAt(mark));
  const corners = (['left', 'right'] as const).flatMap((u) =>
    (['bottom', 'top'] as const).map((v) => ({ u: right.sides[u], v: right.sides[v] })),
  );
  corners.forEach((corner, i) => {
    expect(drawn[i]?.u).toBeCloseTo(corner.u, 6);
    expect(drawn[i]?.v).toBeCloseTo(corner.v, 6);
  });
  // Its last corner closes it, and is told as a check.
  expect(plan.checks.map(({ marks }) => marks[0])).toContain(atBackWall.corners[atBackWall.side === 'left' ? 3 : 1]);
  // The floor meets the wall in the interval's end: all that is repeated and halved starts there.
  const begins = operations.find(
    (one) => one.op === 'cross' && one.lines.includes(atBackWall.line) && stands.has(one.mark),
  );
  expect(begins).toBeDefined();
  // Its zero is where the frame's own side meets the ground, a place of the room like every other.
  const ground = (whole.plane - setUp.eyeZ) / setUp.scaleDenominator;
  const zeros = [...stands.keys()].map((mark) => desk.machine.markAt(mark));
  const own = view.frame[atBackWall.side];
  expect(zeros.some(({ u, v }) => Math.abs(u - own) < 1e-6 && Math.abs(v - ground) < 1e-6)).toBe(true);
  expect(Math.abs(own)).toBe(Math.max(-view.frame.left, view.frame.right));
  const told = plan.steps.filter(({ operations }) =>
    operations.some((one) => one.op === 'lay-off' && one.mark === atBackWall.mark),
  );
  expect(told).toHaveLength(1);
  const [step] = told;
  const [said = ''] = (step?.says ?? [])
    .map((one) => say(one, METRIC_STYLE))
    .filter((one) => one.includes('back wall'));
  const share = setUp.pictureDistance / (setUp.pictureDistance + depth);
  expect(said).toContain(`drawn ${share.toFixed(3)} of its size`);
  expect(said).toContain(`on its ${right.sides[atBackWall.side] === view.frame.left * share ? 'left' : 'right'} side`);
  return true;
}

describe('by the corners of the frame', () => {
  it.each(DEMO_CASES)('%s, %s, with %s measured: the back wall, and all from there', (_, __, ___, one) => {
    const { demo, view, times } = one;
    const setUp = resolveSetUp(demo, view);
    if (!setUp.ok) throw new Error(setUp.error.message);
    const begun = expectByCorners(demo, measuredAt(view, setUp.value, times), at(ORDERS, times < 1 ? 1 : 0));
    if (demo.id === at(DEMOS, 1).id && view === demo.views[0] && times === 1) expect(begun).toBe(true);
  });
  it.each(Array.from({ length: Math.max(10, Math.round(runs() / 50)) }, (_, i) => i + 1))(
    'room %i by lot: everything that is seen, whichever plane is measured',
    (seed) => {
      for (const { project, view, order } of roomsByLot(seed, planesOf(seed))) expectByCorners(project, view, order);
    },
  );
  it('a frame that reaches farther to the right is counted from there', () => {
    const demo = at(DEMOS, 1);
    const view = at(demo.views, 0);
    const farther = { ...view, frame: { ...view.frame, left: -120 } };
    expect(expectByCorners({ ...demo, views: [farther] }, farther, 'by-pass')).toBe(true);
  });
  it.each([190, 180])(
    'with a straightedge of %i mm, shorter than from the corners to the centre of vision, everything is drawn all the same',
    (straightedge) => {
      const demo = at(DEMOS, 1);
      const view = { ...at(demo.views, 0), straightedge };
      const project = { ...demo, views: [view] };
      const [corners, plain] = (['sheet-corners', 'diagonals'] as const).map((school) =>
        drawnWhole(project, view, { way: { school } }),
      );
      if (!corners || !plain) throw new Error('both are drawn');
      expect(corners.whole.unreached.length).toBeLessThanOrEqual(plain.whole.unreached.length);
      expectSound(view, corners.setUp, corners.whole);
      expect(corners.whole.edges.length).toBeGreaterThan(100);
      // From 170 left and 80 below it still reaches the back wall along the floor, or does not, and intervals are repeated as else.
      expect(corners.whole.atBackWall !== null).toBe(straightedge > Math.hypot(170, 80));
    },
  );
  it('a judged width is drawn as judged from the station it stands for', () => {
    const demo = at(DEMOS, 1);
    const view = at(demo.views, 0);
    const setUp = resolveSetUp(demo, view);
    const depth = setUp.ok ? backWallDepth(demo, view, setUp.value) : null;
    if (!setUp.ok || depth === null) throw new Error('the tea room has a back wall');
    const judged = backWallAt(view, setUp.value, depth).widthMm * 0.9;
    const there = { ...view, ...standAt(demo, view, { pictureDistance: stationFor(view, judged, depth) }) };
    const made = drawnRight({ ...demo, views: [there] }, there, { order: 'by-pass', school: 'sheet-corners' });
    const { atBackWall, desk } = made?.whole ?? {};
    const [left, , right] = (atBackWall?.corners ?? []).map((mark) => desk?.machine.markAt(mark).u ?? NaN);
    expect((right ?? NaN) - (left ?? NaN)).toBeCloseTo(judged, 6);
  });
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
