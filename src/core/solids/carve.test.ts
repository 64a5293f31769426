import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { cross3, difference3, dot3, insideLoops, type Vector3 } from '@/core/geometry';

import { expectClosedAndOutward, runs, volumeOf } from '@/testing';
import { carve, convexPieces, type Carved } from './carve';
import { partsBody } from './parts-body';
import { prism, type Axis, type Prism, type Range } from './parts';

const AXES = {
  origin: { x: 0, y: 0, z: 0 },
  x: { x: 1, y: 0, z: 0 },
  y: { x: 0, y: 1, z: 0 },
  z: { x: 0, y: 0, z: 1 },
};
const bodyOf = (prisms: readonly Prism[], axes = AXES) =>
  partsBody('it', [{ part: 'cut', name: 'block', prisms }], axes);
type Loop = [number, number][];
const square = (x: Range, y: Range): Loop => [
  [x[0], y[0]],
  [x[1], y[0]],
  [x[1], y[1]],
  [x[0], y[1]],
];

/** A star-shaped outline about a middle, its corners on whole millimetres: often bent inward, never across itself. */
function star(random: () => number, corners: number, radius: number): Loop {
  const step = (2 * Math.PI) / corners;
  return Array.from({ length: corners }, (_, i) => {
    const [turn, r] = [step * (i + 0.7 * random()), radius * (0.35 + 0.65 * random())];
    return [Math.round(r * Math.cos(turn)), Math.round(r * Math.sin(turn))];
  });
}

/** Whether a point lies in a prism, by its outline. */
function inPrism({ along, range, outline, holes = [] }: Prism, { x, y, z }: Vector3): boolean {
  const [p, q, a] = along === 'z' ? [x, y, z] : along === 'y' ? [x, z, y] : [y, z, x];
  const loops = [outline, ...holes].map((loop) => loop.map((one) => ({ x: one.p, y: one.q })));
  return a > range[0] && a < range[1] && insideLoops(loops, p, q);
}

/** Whether a point lies in a carved thing: by how often a line from it upward meets its faces. */
function inCarved({ corners, faces }: Carved, point: Vector3): boolean {
  let met = 0;
  for (const { normal, loops } of faces) {
    if (Math.abs(normal.z) < 1e-9) continue;
    const some = at(corners, at(at(loops, 0), 0));
    const t = dot3(normal, difference3(some, point)) / normal.z;
    const flat = loops.map((loop) => loop.map((one) => at(corners, one)));
    if (t > 0 && insideLoops(flat, point.x, point.y)) met += 1;
  }
  return met % 2 === 1;
}

describe('a thing cut to its views', () => {
  it('a cube cut to a cross in each view: its volume by hand', () => {
    // A cross of arms 10 wide in a field of 30: of 27 cells of 10 a side, those that lie in the cross of all three views.
    const cross: Loop = [
      [10, 0],
      [20, 0],
      [20, 10],
      [30, 10],
      [30, 20],
      [20, 20],
      [20, 30],
      [10, 30],
      [10, 20],
      [0, 20],
      [0, 10],
      [10, 10],
    ];
    const body = bodyOf((['x', 'y', 'z'] as const).map((axis) => prism(axis, axis, [0, 30], cross)));
    expectClosedAndOutward(body, 'cross');
    // The middle and the six beside it: seven cells, with 30 outer faces, of which none lie in one plane beside each other.
    expect(volumeOf(body)).toBeCloseTo(7000, 6);
    expect(body.faces).toHaveLength(30);
    expect(body.edges).toHaveLength(6 * 8 + 12);
  });
  it('a gable cut to a slope: five faces, nine edges, and no seam in any', () => {
    const gable = prism(
      'front',
      'y',
      [0, 40],
      [
        [0, 0],
        [60, 0],
        [30, 50],
      ],
    );
    const slope = prism(
      'side',
      'x',
      [-10, 70],
      [
        [0, 0],
        [40, 0],
        [0, 80],
      ],
    );
    const { faces, edges, corners } = carve([gable, slope]);
    // Its roof's two slopes, its foot, its back and the slope that cuts it in front.
    expect(faces).toHaveLength(5);
    expect(corners.length - edges.length + faces.length).toBe(2);
    expectClosedAndOutward(bodyOf([gable, slope]), 'gable');
  });
  it('a hole goes through, and a face round it is one face with a hole', () => {
    const front = prism('front', 'y', [0, 100], square([0, 100], [0, 100]), [square([30, 60], [40, 70])]);
    const plan = prism('plan', 'z', [0, 80], square([10, 90], [0, 100]));
    const body = bodyOf([front, plan]);
    expectClosedAndOutward(body, 'holed');
    expect(volumeOf(body)).toBeCloseTo(80 * 80 * 100 - 30 * 30 * 100, 4);
    expect(body.faces.filter((face) => face.loops.length === 2)).toHaveLength(2);
    expect(body.faces).toHaveLength(10);
  });
  it('views that share a plane share its face, and what only touches is nothing', () => {
    const one = prism('plan', 'z', [0, 50], square([0, 100], [0, 60]));
    const same = prism('front', 'y', [0, 60], square([0, 100], [0, 50]));
    expect(carve([one, same]).faces).toHaveLength(6);
    expect(volumeOf(bodyOf([one, same]))).toBeCloseTo(100 * 60 * 50, 4);
    const beside = prism('front', 'y', [60, 90], square([0, 100], [0, 50]));
    expect(carve([one, beside]).faces).toEqual([]);
    const above = prism('side', 'x', [0, 100], square([0, 60], [50, 80]));
    expect(carve([one, above]).faces).toEqual([]);
  });
  it('holds what all its prisms hold and nothing else, closed and outward, of both hands (seeds 1…)', () => {
    let points = [0, 0];
    for (let seed = 1; seed <= runs() / 4; seed += 1) {
      const random = seededRandom(seed);
      const prisms = (['z', 'y', 'x'] as const).slice(0, 2 + (seed % 2)).map((axis: Axis): Prism => {
        const outline = star(random, 3 + Math.floor(random() * 7), 500);
        const hole = random() < 0.3 ? [square([-40, 30], [-30, 50])] : [];
        const holes = hole.filter((loop) =>
          loop.every(([p, q]) => insideLoops([outline.map(([x, y]) => ({ x, y }))], p, q)),
        );
        const range: Range = [-Math.round(300 * random()) - 50, Math.round(400 * random()) + 50];
        return prism(axis, axis, range, outline, holes);
      });
      const carved = carve(prisms);
      if (carved.faces.length === 0) continue;
      expectClosedAndOutward(bodyOf(prisms), `seed ${seed}`);
      expectClosedAndOutward(bodyOf(prisms, { ...AXES, x: { x: -1, y: 0, z: 0 } }), `seed ${seed}, mirrored`);
      for (const { from, to, faces } of carved.edges) {
        expect(faces.length % 2, `seed ${seed}: ${from} to ${to}`).toBe(0);
        // No edge lies in the middle of a flat face.
        const [a, b] = faces.map((one) => at(carved.faces, one).normal) as [Vector3, Vector3];
        const turned = cross3(a, b);
        expect(dot3(a, b) > 0 && Math.hypot(turned.x, turned.y, turned.z) < 1e-7, `seed ${seed}: seam`).toBe(false);
      }
      for (let i = 0; i < 300; i += 1) {
        const point = { x: 1000 * random() - 500, y: 1000 * random() - 500, z: 1000 * random() - 500 };
        const within = prisms.every((one) => inPrism(one, point));
        points = within ? [at(points, 0) + 1, at(points, 1)] : [at(points, 0), at(points, 1) + 1];
        expect(inCarved(carved, point), `seed ${seed}: ${JSON.stringify(point)}`).toBe(within);
      }
    }
    expect(Math.min(...points)).toBeGreaterThan(runs() / 4);
  });
});

describe('convex pieces of an outline', () => {
  it('cover it once, its holes left out', () => {
    const loops = [square([0, 100], [0, 100]), square([20, 50], [30, 60])].map((loop) =>
      loop.map(([p, q]) => ({ p, q })),
    );
    const area = (loop: readonly { p: number; q: number }[]): number =>
      loop.reduce(
        (sum, a, i) => sum + (a.p * at(loop, (i + 1) % loop.length).q - at(loop, (i + 1) % loop.length).p * a.q) / 2,
        0,
      );
    const pieces = convexPieces(loops);
    expect(pieces.map(area).reduce((a, b) => a + b, 0)).toBeCloseTo(100 * 100 - 30 * 30, 6);
    expect(pieces.every((piece) => area(piece) > 0)).toBe(true);
  });
});
