import { expect } from 'vitest';
import { at } from '@/core/base';
import { DEMOS } from '@/app/demo';
import { ORDERS, type Order, type WholeDraft, type WholePlan } from '@/core/construction';
import { conicThrough, smoothThrough } from '@/core/geometry';
import { boardAbout, sceneOf, wholePlanOf, type WholeWays } from '@/core/pipeline';
import type { Project, SchoolName, View } from '@/core/record';
import { eyePoint, worldPoint, type PicturePoint } from '@/core/space';
import { eyeFromWorld, projectPoint, resolveSetUp, worldFromEye, turnPlan, type SetUp } from '@/core/view';
import {
  curveOfRow,
  drain,
  edgeOfRow,
  spaceConicPoint,
  visibleLinesExact,
  type PreparedScene,
  type VisibleLines,
} from '@/core/visibility';
import { holds, runs } from './matchers';
import { randomRoom } from './random-room';
import { readBack } from './read-back';
import { boxView } from './small-room';

/** Which plane of the room is at scale: the same picture on paper, whatever is measured. */
export const PLANES = [
  ['the front plane', 0.55],
  ['a middle plane', 1],
  ['the back plane', 1.8],
] as const;
export const measuredAt = (view: View, setUp: SetUp, times: number): View => ({
  ...view,
  picturePlane: { through: 'distance', mm: setUp.pictureDistance * times },
  scaleDenominator: view.scaleDenominator * times,
});
export const TURNS = [
  ['square', 0],
  ['turned', 37],
] as const;

/** A view's whole drawing as a plan, with all it was made from. */
export function drawnWhole(
  project: Project,
  view: View,
  ways: WholeWays & { readonly order?: Order } = {},
): ReturnType<typeof wholePlanOf> & {
  readonly setUp: SetUp;
  readonly scene: ReturnType<typeof sceneOf>;
  readonly lines: VisibleLines;
} {
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  const scene = sceneOf(project);
  const lines = drain(visibleLinesExact(scene.prepared, setUp.value, view.frame));
  const { plan, ...rest } = wholePlanOf(project, view, scene, setUp.value, lines, { order: 'by-piece', ...ways });
  return { setUp: setUp.value, scene, lines, plan, ...rest };
}

/** What must hold of every whole drawing. */
export function expectSound(view: View, setUp: SetUp, { desk, operations, stands, onPlan }: WholeDraft): void {
  const board = boardAbout(view);
  expect(stands.size).toBeGreaterThan(20);
  for (const [mark, world] of stands) {
    const [drawn, right] = [desk.machine.markAt(mark), projectPoint(setUp, world)];
    holds(right !== null && Math.hypot(drawn.u - right.u, drawn.v - right.v) < 1e-6, () => mark);
  }
  for (const [mark, { u, v }] of desk.machine.marks)
    holds(onPlan.has(mark) || (u >= board.left && u <= board.right && v >= board.bottom && v <= board.top), () => mark);
  for (const one of operations) {
    if (one.op === 'lay-off') holds(one.distance > 0, () => one.mark);
    if (one.op !== 'rule') continue;
    const [p, q] = one.through.map((mark) => desk.machine.markAt(mark));
    if (p && q) holds(Math.hypot(q.u - p.u, q.v - p.v) <= view.straightedge, () => one.line);
  }
}

/** Lines that measure at a thing's own height; each leads to what stands over a floor beyond the board, or behind the eye, where there is nothing to measure on. */
export function measuredOffFloor(view: View, setUp: SetUp, whole: WholeDraft): ReadonlySet<string> {
  const { left, right, bottom, top } = boardAbout(view);
  const laid = new Set(
    whole.operations.flatMap((one) => (one.op === 'lay-off' && whole.ownLevels.has(one.on) ? [one.mark] : [])),
  );
  const lines = new Set(
    whole.operations.flatMap((one) =>
      one.op === 'rule' && one.through.some((mark) => laid.has(mark)) ? [one.line] : [],
    ),
  );
  for (const one of whole.operations) {
    if (one.op !== 'cross' || !one.lines.some((line) => lines.has(line))) continue;
    const world = whole.stands.get(one.mark);
    if (!world) throw new Error(`${one.mark} stands nowhere`);
    const { depth } = eyeFromWorld(setUp, world);
    // By the corners of the frame all is found on the floor line of its side.
    const aside = whole.atBackWall ? view.frame[whole.atBackWall.side] * setUp.scaleDenominator : null;
    const feet = [
      worldPoint(world.x, world.y, whole.plane),
      ...(aside === null ? [] : [worldFromEye(setUp, eyePoint(aside, depth, whole.plane - setUp.eyeZ))]),
    ].map((at) => projectPoint(setUp, at));
    const beyond = feet.some((at) => !at || at.u < left || at.u > right || at.v < bottom || at.v > top);
    expect(beyond, `${one.mark} is measured at its own height, though the floor under it lies on the board`).toBe(true);
  }
  return lines;
}

/** Where two lines are said to cross, both are drawn that far. */
export function expectDrawnToCrossings({ extents }: WholePlan, { desk: { machine }, operations }: WholeDraft): void {
  for (const one of operations) {
    if (one.op !== 'cross') continue;
    for (const line of one.lines) {
      const ends = extents.get(line);
      if (!ends) continue;
      const { at: p, run } = machine.lineOf(line);
      const along = (mark: string): number => {
        const { u, v } = machine.markAt(mark);
        return (u - p.u) * run.u + (v - p.v) * run.v;
      };
      const [from, to] = ends.map(along).sort((a, b) => a - b) as [number, number];
      holds(
        along(one.mark) > from - 1e-6 && along(one.mark) < to + 1e-6,
        () => `${line} is drawn as far as ${one.mark}`,
      );
    }
  }
}

/** Every seen part of every line is drawn by one thing, measured or by eye: names with what is seen of them on paper. */
export function expectAllDrawn(
  scene: PreparedScene,
  lines: VisibleLines,
  { whole, targets }: Pick<ReturnType<typeof wholePlanOf>, 'whole' | 'targets'>,
): void {
  const drawn = [
    ...whole.edges.map(({ edge }) => edge),
    ...whole.curves.map(({ edge }) => edge),
    ...whole.unreached.map(({ edge }) => edge),
    ...targets.byEye.map(({ edge }) => edge),
  ].sort();
  const seen = [
    ...new Set(
      [...lines.edge.keys()].filter((row) => lines.seen[row] === 1).map((row) => edgeOfRow(scene, lines, row)),
    ),
    ...new Set(
      [...lines.curves.curve.keys()]
        .filter((row) => lines.curves.seen[row] === 1)
        .map((row) => curveOfRow(scene, lines, row)),
    ),
  ].map(({ id }) => id);
  expect(drawn).toEqual(seen.sort());
}

/** The kept parts fall on what is seen, to the hair. */
export function expectKeptWhereSeen(scene: PreparedScene, lines: VisibleLines, { desk, edges }: WholeDraft): void {
  const rows = new Map<string, number[][]>();
  lines.seen.forEach((is, row) => {
    if (is !== 1) return;
    const { id } = edgeOfRow(scene, lines, row);
    rows.set(id, [...(rows.get(id) ?? []), [0, 1, 2, 3].map((i) => at(lines.picture, row * 4 + i))]);
  });
  for (const { edge, from, to, seen } of edges) {
    const [a, b] = [desk.machine.markAt(from), desk.machine.markAt(to)];
    for (const [s, t] of seen) {
      const kept = [a.u + (b.u - a.u) * s, a.v + (b.v - a.v) * s, a.u + (b.u - a.u) * t, a.v + (b.v - a.v) * t];
      const off = (rows.get(edge) ?? []).map((row) =>
        Math.max(...row.map((value, i) => Math.abs(value - at(kept, i)))),
      );
      holds(Math.min(...off) < 1e-6, () => edge);
    }
  }
}

/** Curves that stay run where they are seen, as near as a hand draws through few points, and touch the lines they are said to touch. @returns how many do. */
export function expectCurvesRight(setUp: SetUp, scene: PreparedScene, lines: VisibleLines, whole: WholeDraft): number {
  const { machine } = whole.desk;
  // Where round things run through each other a line is a chain of pieces of one name.
  const exact = new Map<string, PicturePoint[][]>();
  for (const curve of new Set([...lines.curves.curve.keys()].map((row) => curveOfRow(scene, lines, row)))) {
    const at = (i: number): number => curve.from + ((curve.to - curve.from) * i) / 2000;
    const points = Array.from({ length: 2001 }, (_, i) => projectPoint(setUp, spaceConicPoint(curve.conic, at(i))));
    exact.set(curve.id, [...(exact.get(curve.id) ?? []), points.flatMap((p) => p ?? [])]);
  }
  let touched = 0;
  for (const { edge, curve, seen } of whole.curves) {
    const drawn = whole.operations.find((one) => one.op === 'curve' && one.curve === curve);
    const pieces = exact.get(edge) ?? [];
    const right = pieces.flat();
    if (drawn?.op !== 'curve') throw new Error(edge);
    const size = Math.max(...right.map(({ u, v }) => Math.hypot(u - at(right, 0).u, v - at(right, 0).v)));
    const runs = drawn.tangents.map((line) => (line === null ? null : machine.lineOf(line)));
    for (const run of runs) {
      if (!run || pieces.length > 1) continue;
      const off = right.map(({ u, v }) => (u - run.at.u) * run.run.v - (v - run.at.v) * run.run.u);
      // All of it on one side, and on the line in one place.
      const [least, most] = [Math.min(...off), Math.max(...off)];
      expect(Math.min(Math.abs(least), Math.abs(most)), edge).toBeLessThan(1e-4 * size);
      touched += 1;
    }
    const marks = drawn.through.map((mark) => machine.markAt(mark)).map(({ u, v }) => ({ x: u, y: v }));
    const told = runs.map((run) => run && { x: run.run.u, y: run.run.v });
    const conic = conicThrough(marks, drawn.closed, told);
    const hand = conic ?? smoothThrough(marks, drawn.closed);
    // A curve some millimetres long may have two marks only: its rise over their chord is left to the hand.
    const within = conic ? 2e-3 * size + 0.005 : 0.15 * size + 0.05;
    for (const [from, to] of seen)
      for (let i = 0; i <= 40; i += 1) {
        const p = hand(from + ((to - from) * i) / 40);
        const off = Math.min(...right.map(({ u, v }) => Math.hypot(u - p.x, v - p.y)));
        holds(off < within, () => `${edge} ${i}: ${off} mm, ${within} allowed`);
      }
  }
  return touched;
}

/** Everything a whole drawing by one school must keep to. @returns the drawing; null where there is too little to be seen. */
export function drawnRight(
  project: Project,
  view: View,
  ways: { readonly order: Order; readonly school: SchoolName },
): ReturnType<typeof drawnWhole> | null {
  const { order, school } = ways;
  const made = drawnWhole(project, view, { order, way: { school } });
  const { setUp, scene, lines, plan, whole, targets } = made;
  if (targets.edges.length < 3) return null;
  expect(plan.school).toBe(school);
  expectSound(view, setUp, whole);
  expectAllDrawn(scene.prepared, lines, { whole, targets });
  expectKeptWhereSeen(scene.prepared, lines, whole);
  expectCurvesRight(setUp, scene.prepared, lines, whole);
  expect(whole.unreached).toEqual([]);
  readBack(plan, whole, { setUp, centreOnSheet: view.centreOfVisionOnSheet, sheet: view.sheet });
  expectDrawnToCrossings(plan, whole);
  return made;
}

/** A room made up by lot, looked at square or turned, on a board on which much can be had; once for each plane that is measured. */
export function* roomsByLot(
  seed: number,
  planes: typeof PLANES | readonly (typeof PLANES)[number][],
): Generator<{ readonly project: Project; readonly view: View; readonly order: Order }> {
  const room = randomRoom(seed);
  const given = {
    ...boxView(),
    board: { width: 2400, height: 1600 },
    sheetOnBoard: { x: 900, y: 600 },
    straightedge: 2400,
  };
  const [, turn] = at(TURNS, seed % 2);
  const turned = { ...given, ...turnPlan(room, given, turn) };
  const project = { ...room, views: [turned] };
  const setUp = resolveSetUp(project, turned);
  if (!setUp.ok) return;
  for (const [, times] of planes)
    yield { project, view: measuredAt(turned, setUp.value, times), order: at(ORDERS, (seed >> 1) % 2) };
}

/** In the short run each room with one of the planes, in the long run with all. */
export const planesOf = (seed: number): readonly (typeof PLANES)[number][] =>
  PLANES.filter((_, i) => runs() > 100 || i === seed % PLANES.length);

/** The first view of each demonstration with every plane measured in the long run, with two of them in the short one; the others as they stand. */
export const DEMO_CASES = DEMOS.flatMap((demo, n) =>
  demo.views.flatMap((view) =>
    PLANES.filter(
      ([, times], i) => times === 1 || (view === demo.views[0] && (runs() > 100 || i === (n % 2 === 0 ? 0 : 2))),
    ).map(([plane, times]) => [demo.id, view.id, plane, { demo, view, times }] as const),
  ),
);
