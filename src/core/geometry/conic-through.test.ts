import { describe, expect, it } from 'vitest';
import { conicThrough } from './conic-through';

const ellipse = (a: number) => ({
  x: 7 + 60 * Math.cos(a) - 4 * Math.sin(a),
  y: -40 + 3 * Math.cos(a) + 5 * Math.sin(a),
});
const run = (a: number) => ({ x: -60 * Math.sin(a) - 4 * Math.cos(a), y: -3 * Math.sin(a) + 5 * Math.cos(a) });
/** How far a point is from the ellipse, as a share of its radius. */
const off = ({ x, y }: { x: number; y: number }): number => {
  const [p, q] = [x - 7, y + 40];
  // Inverse of (60, −4; 3, 5).
  const det = 60 * 5 + 4 * 3;
  return Math.abs(Math.hypot((5 * p + 4 * q) / det, (60 * q - 3 * p) / det) - 1);
};
const QUARTERS = [0, 1, 2, 3].map((q) => (q * Math.PI) / 2);

describe('the conic through points', () => {
  it('five points of a flat ellipse tell it, wherever they lie', () => {
    const angles = [0.1, 0.7, 2.2, 3.3, 5];
    const curve = conicThrough(angles.map(ellipse), true);
    if (!curve) throw new Error('five points tell a conic');
    angles.forEach((a, i) => {
      expect(curve(i).x).toBeCloseTo(ellipse(a).x, 9);
      expect(curve(i).y).toBeCloseTo(ellipse(a).y, 9);
    });
    for (let place = 0; place < 10; place += 0.05) expect(off(curve(place)), `at ${place}`).toBeLessThan(1e-8);
    // Around the whole of it, on the side on which the next point lies.
    expect(curve(4.5).x).toBeGreaterThan(50);
  });
  it('four points and the square about them tell it; a tangent told askew does not', () => {
    const curve = conicThrough(QUARTERS.map(ellipse), true, QUARTERS.map(run));
    if (!curve) throw new Error('the square tells a conic');
    for (let place = 0; place < 4; place += 0.05) expect(off(curve(place)), `at ${place}`).toBeLessThan(1e-8);
    expect(conicThrough(QUARTERS.map(ellipse), true, [{ x: 1, y: 0.3 }, ...QUARTERS.slice(1).map(run)])).toBeNull();
  });
  it('an arc is told by three points and two tangents, either way round', () => {
    const angles = [0.3, 1, 1.7];
    const back = run(1.7);
    const curve = conicThrough(angles.map(ellipse), false, [run(0.3), null, { x: -back.x, y: -back.y }]);
    if (!curve) throw new Error('three points and two tangents tell a conic');
    for (let place = 0; place <= 2; place += 0.05) expect(off(curve(place)), `at ${place}`).toBeLessThan(1e-8);
  });
  it('a branch of a hyperbola is told as well', () => {
    const curve = conicThrough(
      [0.4, 0.7, 1, 2, 3].map((x) => ({ x, y: 1 / x })),
      false,
    );
    if (!curve) throw new Error('five points tell a conic');
    for (let place = 0; place <= 4; place += 0.1) expect(curve(place).x * curve(place).y).toBeCloseTo(1, 8);
  });
  it('four points alone, or six that lie on none, tell nothing', () => {
    expect(conicThrough(QUARTERS.map(ellipse), true)).toBeNull();
    const six = [0, 1, 2, 3, 4, 5].map((a) => ellipse(a));
    expect(conicThrough([...six.slice(1), { x: 7, y: -38 }], true)).toBeNull();
    expect(conicThrough([], true)).toBeNull();
  });
});
