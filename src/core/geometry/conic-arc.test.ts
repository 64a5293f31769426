import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import {
  circleMiss,
  conicBounds,
  conicChain,
  conicCrossings,
  conicPoint,
  cubicsAlong,
  ellipseArc,
  ellipsePoint,
  placedConic,
  rationalQuadratic,
  trigonometricRoots,
  wholeEllipse,
  type ConicArc,
  type Cubic,
  type Vector2,
} from './index';

/** A conic in front of the eye, now an ellipse, now a hyperbola's piece. */
function randomConic(random: () => number): ConicArc {
  const row = (size: number): [number, number, number] => [
    size * (random() - 0.5) * 2,
    size * (random() - 0.5),
    size * (random() - 0.5),
  ];
  const hyperbola = random() < 0.5;
  const [size, middle] = [hyperbola ? 1.05 + random() : 0.85 * random(), random() * 6];
  const w = [1, size * Math.cos(middle), size * Math.sin(middle)] as const;
  // Only where w is clearly above zero.
  const reach = hyperbola ? Math.acos(-0.85 / size) : Math.PI;
  const [p, q] = [middle - reach * random(), middle + reach * random()];
  return { x: row(100), y: row(100), w, from: p, to: q };
}
const cubicPoint = ([a, b, c, d]: Cubic, t: number): Vector2 => {
  const [p, q, r, s] = [(1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t ** 3];
  return { x: a.x * p + b.x * q + c.x * r + d.x * s, y: a.y * p + b.y * q + c.y * r + d.y * s };
};
/** Points all along an arc, densely: it may run fast where w is small. */
const DENSE = 4000;
const alongArcs = new WeakMap<ConicArc, readonly Vector2[]>();
function densely(arc: ConicArc): readonly Vector2[] {
  const known = alongArcs.get(arc);
  if (known) return known;
  const step = (arc.to - arc.from) / DENSE;
  const points = Array.from({ length: DENSE + 1 }, (_, i) => conicPoint(arc, arc.from + i * step));
  alongArcs.set(arc, points);
  return points;
}
/** Distance from the arc, by trying densely and then finely about the best. */
function farFrom(arc: ConicArc, p: Vector2): number {
  const away = (q: Vector2): number => (q.x - p.x) ** 2 + (q.y - p.y) ** 2;
  const nearest = (points: readonly Vector2[]): number => {
    let [best, least] = [0, Infinity];
    points.forEach((q, i) => {
      const now = away(q);
      if (now < least) [best, least] = [i, now];
    });
    return best;
  };
  let [middle, step] = [arc.from, (arc.to - arc.from) / DENSE];
  middle += step * nearest(densely(arc));
  for (let round = 0; round < 5; round += 1) {
    const [low, high] = [Math.max(arc.from, middle - step), Math.min(arc.to, middle + step)];
    step = (high - low) / 60;
    middle = low + step * nearest(Array.from({ length: 61 }, (_, i) => conicPoint(arc, low + i * step)));
  }
  return Math.sqrt(away(conicPoint(arc, middle)));
}

describe('conic arcs', () => {
  it('cubics keep within the bound they tell, of ellipses and hyperbolas alike (seed 23)', () => {
    const random = seededRandom(23);
    let [ellipses, others] = [0, 0];
    for (let i = 0; i < 80; i += 1) {
      const arc = randomConic(random);
      const { cubics, bound } = cubicsAlong(arc, 0.004);
      expect(bound).toBeLessThanOrEqual(0.004);
      for (const cubic of cubics)
        for (const t of [0, 0.11, 0.25, 0.5, 0.7, 0.88, 1])
          expect(farFrom(arc, cubicPoint(cubic, t)), `${i}`).toBeLessThan(bound + 1e-6);
      const [first, last] = [at(cubics, 0), at(cubics, cubics.length - 1)];
      const [a, b] = [conicPoint(arc, arc.from), conicPoint(arc, arc.to)];
      expect(Math.hypot(first[0].x - a.x, first[0].y - a.y)).toBeLessThan(1e-6);
      expect(Math.hypot(last[3].x - b.x, last[3].y - b.y)).toBeLessThan(1e-6);
      if (wholeEllipse(arc)) ellipses += 1;
      else others += 1;
    }
    expect(Math.min(ellipses, others)).toBeGreaterThan(15);
  });
  it('an ellipse’s own parameter gives the same points, either way round (seed 24)', () => {
    const random = seededRandom(24);
    let compared = 0;
    for (let i = 0; i < 60; i += 1) {
      const arc = randomConic(random);
      const ellipse = ellipseArc(arc);
      if (!ellipse) continue;
      for (let k = 0; k <= 12; k += 1) {
        const p = ellipsePoint(ellipse, ellipse.from + ((ellipse.to - ellipse.from) * k) / 12);
        expect(farFrom(arc, p)).toBeLessThan(1e-6);
      }
      const end = ellipsePoint(ellipse, ellipse.to);
      const truly = conicPoint(arc, arc.to);
      expect(Math.hypot(end.x - truly.x, end.y - truly.y)).toBeLessThan(1e-6);
      compared += 1;
    }
    expect(compared).toBeGreaterThan(15);
  });
  it('moving and scaling, bounds, crossings and chains agree with the points (seed 25)', () => {
    const random = seededRandom(25);
    for (let i = 0; i < 40; i += 1) {
      const arc = randomConic(random);
      const moved = placedConic(arc, { scale: 2, scaleY: -3, x: 5, y: 7 });
      const angle = (arc.from + arc.to) / 2;
      const [p, q] = [conicPoint(arc, angle), conicPoint(moved, angle)];
      expect(q.x).toBeCloseTo(2 * p.x + 5, 9);
      expect(q.y).toBeCloseTo(-3 * p.y + 7, 9);
      const { left, right, bottom, top } = conicBounds(arc);
      const points = Array.from({ length: 400 }, (_, k) => conicPoint(arc, arc.from + ((arc.to - arc.from) * k) / 399));
      const size = Math.max(right - left, top - bottom);
      expect(Math.min(...points.map((one) => one.x)) - left).toBeGreaterThan(-1e-9);
      expect(Math.min(...points.map((one) => one.x)) - left).toBeLessThan(size * 2e-3);
      expect(top - Math.max(...points.map((one) => one.y))).toBeGreaterThan(-1e-9);
      expect(top - Math.max(...points.map((one) => one.y))).toBeLessThan(size * 2e-3);
      expect(Math.max(...points.map((one) => one.x))).toBeLessThanOrEqual(right + 1e-9);
      expect(Math.min(...points.map((one) => one.y))).toBeGreaterThanOrEqual(bottom - 1e-9);
      for (const cut of conicCrossings(arc, 1, 0, -(left + right) / 2))
        expect(conicPoint(arc, cut).x).toBeCloseTo((left + right) / 2, 8);
      const chain = conicChain(arc, 0.01);
      for (let k = 0; k + 1 < chain.length; k += 1) {
        const [a, b] = [at(chain, k), at(chain, k + 1)];
        expect(farFrom(arc, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })).toBeLessThan(0.03);
      }
    }
  });
  it('as a rational quadratic it runs through the same points', () => {
    const arc: ConicArc = { x: [10, 30, 5], y: [0, -4, 20], w: [1, 0.2, 0.1], from: 0.3, to: 1.9 };
    const { points, weight } = rationalQuadratic(arc);
    for (const t of [0.2, 0.5, 0.9]) {
      const [p, q, r] = [(1 - t) ** 2, 2 * t * (1 - t) * weight, t * t];
      const sum = p + q + r;
      const at0 = {
        x: (points[0].x * p + points[1].x * q + points[2].x * r) / sum,
        y: (points[0].y * p + points[1].y * q + points[2].y * r) / sum,
      };
      expect(farFrom(arc, at0)).toBeLessThan(1e-7);
    }
  });
  it('a circle’s quarter by one cubic misses it by 0.027 %, an eighth by far less', () => {
    expect(circleMiss(Math.PI / 2)).toBeGreaterThan(2.7e-4);
    expect(circleMiss(Math.PI / 2)).toBeLessThan(3.2e-4);
    expect(circleMiss(Math.PI / 4)).toBeLessThan(6e-6);
  });
  it('zeros of a + b cos φ + c sin φ are found on every turn, and none where there is none', () => {
    expect(trigonometricRoots([2, 1, 1], 0, 7)).toEqual([]);
    const roots = trigonometricRoots([0.5, 1, 0], 0, 10);
    expect(roots.map((one) => Math.cos(one).toFixed(9))).toEqual(['-0.500000000', '-0.500000000', '-0.500000000']);
    expect(wholeEllipse({ x: [0, 1, 0], y: [0, 0, 1], w: [1, 1, 0] })).toBeNull();
  });
});
