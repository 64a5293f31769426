import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { bodiesOf } from '@/core/solids';
import { boxPiece, randomBoxScene, runs, slowSeen, smallRoom, type BoxGiven } from '@/testing';
import { parallelView, prepareScene, type ParallelGiven } from './index';

const origin = { x: 0, y: 0, z: 0 };
/** Looking north, as one faces the north wall; straight down on the plan; west, from the right. */
const VIEWS = {
  north: { origin, right: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 0, z: 1 }, toward: { x: 0, y: -1, z: 0 } },
  plan: { origin, right: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 }, toward: { x: 0, y: 0, z: 1 } },
  west: { origin, right: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 }, toward: { x: 1, y: 0, z: 0 } },
} as const satisfies Record<string, ParallelGiven>;

/** Pieces alone: the room's own surfaces are left out. */
const pieces = (...given: readonly BoxGiven[]) =>
  prepareScene(bodiesOf(smallRoom(given.map((one) => boxPiece(one)))).filter((body) => body.kind === 'piece'));
function seen(scene: ReturnType<typeof pieces>, view: ParallelGiven) {
  const { edgeIds, flat, seen: is } = parallelView(scene, view);
  const lines = new Map<string, number[][]>();
  edgeIds.forEach((id, row) => {
    if (is[row] !== 1) return;
    const list = lines.get(id) ?? [];
    lines.set(id, list);
    list.push([...flat.subarray(row * 4, row * 4 + 4)]);
  });
  return lines;
}
const total = (lines: Map<string, number[][]>, id: string): number =>
  (lines.get(id) ?? []).reduce((sum, [x0 = 0, y0 = 0, x1 = 0, y1 = 0]) => sum + Math.hypot(x1 - x0, y1 - y0), 0);

describe('plans and elevations', () => {
  // 900 wide, 500 deep, 800 high; its back 400 from the north wall, 700 from the west one.
  const given: BoxGiven = { id: 'a', width: 900, depth: 500, height: 800, fromNorth: 400, fromWest: 700 };
  it('show a box true to size and in its place', () => {
    const north = seen(pieces(given), VIEWS.north);
    expect(total(north, 'a/box/top-front')).toBeCloseTo(900, 9);
    expect(total(north, 'a/box/front-left')).toBeCloseTo(800, 9);
    const [[x0 = 0, y0 = 0, x1 = 0] = []] = north.get('a/box/top-front') ?? [];
    expect(Math.min(x0, x1)).toBeCloseTo(700, 9);
    expect(y0).toBeCloseTo(800, 9);
    // Edges that point at the viewer are dots and are not drawn.
    expect(total(north, 'a/box/top-left')).toBeLessThan(1e-3);
    const plan = seen(pieces(given), VIEWS.plan);
    expect(total(plan, 'a/box/top-left')).toBeCloseTo(500, 9);
    expect(total(seen(pieces(given), VIEWS.west), 'a/box/top-right')).toBeCloseTo(500, 9);
  });
  it('what stands before hides what stands behind, by exactly as much as it covers', () => {
    const before: BoxGiven = { id: 'b', width: 300, depth: 200, height: 500, fromNorth: 1500, fromWest: 600 };
    const north = seen(pieces(given, before), VIEWS.north);
    // It covers the left front upright up to its own height.
    expect(Math.abs(total(north, 'a/box/front-left') - 300)).toBeLessThan(0.1);
    expect(total(north, 'a/box/front-right')).toBeCloseTo(800, 9);
    expect(total(north, 'a/box/top-front')).toBeCloseTo(900, 9);
    expect(total(north, 'b/box/top-front')).toBeCloseTo(300, 9);
    // From above nothing covers anything; from the right the nearer one covers nothing of the other either.
    const plan = seen(pieces(given, before), VIEWS.plan);
    expect(total(plan, 'a/box/top-front')).toBeCloseTo(900, 9);
    expect(total(plan, 'b/box/top-front')).toBeCloseTo(300, 9);
  });
  it('a piece under another is hidden in plan where it is covered, and drawn beside it', () => {
    const shelf: BoxGiven = { id: 's', width: 1000, depth: 300, height: 30, lift: 1400, fromNorth: 350, fromWest: 650 };
    const plan = seen(pieces(given, shelf), VIEWS.plan);
    // The shelf covers the back half of the box’s top.
    expect(Math.abs(total(plan, 'a/box/top-left') - 250)).toBeLessThan(0.1);
    expect(total(plan, 'a/box/top-back')).toBe(0);
    expect(total(plan, 's/box/top-left')).toBeCloseTo(300, 9);
    expect(total(plan, 'a/box/top-front')).toBeCloseTo(900, 9);
  });
  it('agree with the slow check from far away, for boxes at any angle (seeds 1…)', () => {
    let compared = 0;
    for (let seed = 1; seed <= runs() / 5; seed += 1) {
      const bodies = bodiesOf(randomBoxScene(seed, 4).project).filter((body) => body.kind === 'piece');
      const scene = prepareScene(bodies);
      const { edgeIds, flat, seen: is } = parallelView(scene, VIEWS.north);
      const far = 1e8;
      const slow = slowSeen(
        scene.faces.map(({ loops }) => loops.map((loop) => loop.map(({ x, y, z }) => [x, y, z] as const))),
        scene.edges.map(({ from, to }) => [
          [from.x, from.y, from.z],
          [to.x, to.y, to.z],
        ]),
        { eye: [0, -far, 0], viewDir: [0, 1, 0], pictureDistance: far, near: 1, window: [-1e4, -1e4, 1e4, 1e4] },
      );
      const byEdge = new Map<string, number>();
      edgeIds.forEach((id, row) => {
        if (is[row] !== 1) return;
        const [x0, y0, x1, y1] = [0, 1, 2, 3].map((i) => at(flat, row * 4 + i)) as [number, number, number, number];
        byEdge.set(id, (byEdge.get(id) ?? 0) + Math.hypot(x1 - x0, y1 - y0));
      });
      const expected = new Map<string, number>();
      slow.forEach(({ from, to, seen: parts }, i) => {
        const id = at(scene.edges, i).id;
        const size = Math.hypot(to[0] - from[0], to[2] - from[2]);
        expected.set(id, (expected.get(id) ?? 0) + parts.reduce((sum, [x, y]) => sum + (y - x) * size, 0));
      });
      for (const [id, length] of expected) {
        // From 100 km the sight lines of a 5 m room part by less than a third of a millimetre.
        expect(Math.abs((byEdge.get(id) ?? 0) - length), `seed ${seed}: ${id}`).toBeLessThan(0.5);
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(runs() * 5);
  });
});
