import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { boxHeap, boxRows, runs, straightSight, type Polygon } from '@/testing';
import { occludersOf } from './occluders';
import { neutralPolygons } from './neutral-scene';
import { CLEARLY_BEHIND, pictureGrid } from './picture-grid';
import { drain } from '@/core/base';
import type { Sight } from './polygon-set';

const sight = (change: Partial<Sight> = {}): Sight =>
  straightSight({
    eye: { x: 113.7, y: -411.3, z: 1233.1 },
    frame: { left: -200, right: 220, bottom: -180, top: 160 },
    ...change,
  });
function laid(faces: readonly Polygon[], given = sight()) {
  const { polygons } = neutralPolygons({ faces });
  const occluders = occludersOf(polygons, new Uint8Array(polygons.faceCount).fill(1), given);
  return { polygons, occluders, grid: drain(pictureGrid(polygons, occluders, given)), given };
}
/** The cell of a picture point. */
function cellOf({ grid, given }: ReturnType<typeof laid>, u: number, v: number): number {
  const column = Math.floor((u - given.frame.left) / grid.cellWidth);
  const row = Math.floor((v - given.frame.bottom) / grid.cellHeight);
  return row * grid.columns + column;
}
const listed = ({ grid }: ReturnType<typeof laid>, cell: number): readonly number[] => [
  ...grid.list.subarray(at(grid.start, cell), at(grid.start, cell + 1)),
];
/** 1/depth of a occluder's plane at a picture point. */
const inverse = ({ occluders }: ReturnType<typeof laid>, h: number, u: number, v: number): number =>
  at(occluders.inverse, h * 3) * u + at(occluders.inverse, h * 3 + 1) * v + at(occluders.inverse, h * 3 + 2);

describe('the grid over the picture', () => {
  it('every point of a occluder in the frame lies in a cell that lists it, or that is covered by one wholly nearer (seeds 1…)', () => {
    let [asked, covered] = [0, 0];
    for (let seed = 1; seed <= runs() / 2; seed += 1) {
      const scene = laid(seed % 2 === 0 ? boxHeap(seed, 8) : boxRows(seed, 60));
      const { polygons, occluders, grid, given } = scene;
      const random = seededRandom(seed);
      for (let h = 0; h < occluders.count; h += 1) {
        const loop = at(occluders.face, h);
        const first = at(polygons.loopCorner, loop);
        const count = at(polygons.loopCorner, loop + 1) - first;
        // A point within the polygon: corners weighted by chance.
        const weights = Array.from({ length: count }, () => random());
        const sum = weights.reduce((a, b) => a + b, 0);
        const [x, y, z] = [0, 1, 2].map((k) =>
          weights.reduce((total, w, i) => total + (w / sum) * at(occluders.eyeCorners, (first + i) * 3 + k), 0),
        ) as [number, number, number];
        if (z < given.near) continue;
        const [u, v] = [(250 * x) / z, (250 * y) / z];
        const { frame } = given;
        if (u <= frame.left || u >= frame.right || v <= frame.bottom || v >= frame.top) continue;
        expect(inverse(scene, h, u, v) * z).toBeCloseTo(1, 9);
        const cell = cellOf(scene, u, v);
        asked += 1;
        if (listed(scene, cell).includes(h)) continue;
        covered += 1;
        const by = at(grid.coveredBy, cell);
        expect(by, `seed ${seed}, occluder ${h}`).toBeGreaterThanOrEqual(0);
        expect(at(grid.cover, cell)).toBeGreaterThan(1 / z);
        expect(inverse(scene, by, u, v)).toBeGreaterThanOrEqual(at(grid.cover, cell) * CLEARLY_BEHIND);
      }
    }
    expect(asked).toBeGreaterThan(runs() * 10);
    expect(covered).toBeGreaterThan(runs());
  });
  it('a covered cell lies wholly within the picture of what covers it, at least as near as it says', () => {
    const wall: Polygon = [
      [-900, 2000, 400],
      [1100, 2300, 400],
      [1100, 2300, 2100],
      [-900, 2000, 2100],
    ];
    const scene = laid([wall, ...boxRows(5, 300)]);
    const { grid, given, polygons, occluders } = scene;
    let corners = 0;
    for (let cell = 0; cell < grid.columns * grid.rows; cell += 1) {
      const by = at(grid.coveredBy, cell);
      if (by < 0) continue;
      const [column, row] = [cell % grid.columns, Math.floor(cell / grid.columns)];
      for (const [i, j] of [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const) {
        const u = given.frame.left + (column + i) * grid.cellWidth;
        const v = given.frame.bottom + (row + j) * grid.cellHeight;
        expect(inverse(scene, by, u, v)).toBeGreaterThanOrEqual(at(grid.cover, cell) * (1 - 1e-12));
        // Inside all sides of a convex outline: the turn has one sign all round.
        const face = at(occluders.face, by);
        const first = at(polygons.loopCorner, face);
        const count = at(polygons.loopCorner, face + 1) - first;
        const point = (k: number): readonly [number, number] => {
          const c = (first + (k % count)) * 3;
          const depth = at(occluders.eyeCorners, c + 2);
          return [(250 * at(occluders.eyeCorners, c)) / depth, (250 * at(occluders.eyeCorners, c + 1)) / depth];
        };
        const turns = Array.from({ length: count }, (_, k) => {
          const [p, q] = [point(k), point(k + 1)];
          return Math.sign((q[0] - p[0]) * (v - p[1]) - (q[1] - p[1]) * (u - p[0]));
        });
        expect(new Set(turns).size).toBe(1);
        corners += 1;
      }
    }
    expect(corners).toBeGreaterThan(400);
  });
  it('lists are nearest first, and nothing in them lies wholly behind the cover', () => {
    const scene = laid(boxRows(7, 400));
    const { grid, occluders } = scene;
    for (let cell = 0; cell < grid.columns * grid.rows; cell += 1) {
      const list = listed(scene, cell);
      for (let i = 1; i < list.length; i += 1) expect(at(list, i)).toBeGreaterThan(at(list, i - 1));
      for (const h of list) expect(at(occluders.nearest, h)).toBeGreaterThan(at(grid.cover, cell) * CLEARLY_BEHIND);
    }
    for (let h = 1; h < occluders.count; h += 1)
      expect(at(occluders.nearest, h)).toBeLessThanOrEqual(at(occluders.nearest, h - 1));
  });
  it('of closed boxes only the sides toward the eye hide; from inside, the others', () => {
    const count = (eye: Sight['eye']): number => laid(boxHeap(1, 1), sight({ eye, near: 1e-3 })).occluders.count;
    const [x0 = 0, y0 = 0, z0 = 0] = boxHeap(1, 1)[0]?.[0] ?? [];
    expect(count({ x: x0 - 300, y: y0 - 1000, z: z0 + 3000 })).toBeLessThanOrEqual(3);
    expect(count({ x: x0 + 30, y: y0 + 30, z: z0 + 30 })).toBeGreaterThanOrEqual(4);
  });
});
