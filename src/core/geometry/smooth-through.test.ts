import { describe, expect, it } from 'vitest';
import { smoothThrough } from './smooth-through';

const TWELVE = [0, 36.8699, 53.1301]
  .flatMap((a) => [0, 90, 180, 270].map((q) => ((a + q) * Math.PI) / 180))
  .sort((a, b) => a - b);

describe('a smooth curve through points', () => {
  it('goes through each of them, and keeps to a circle of twelve', () => {
    const points = TWELVE.map((a) => ({ x: 50 * Math.cos(a), y: 30 + 50 * Math.sin(a) }));
    const curve = smoothThrough(points, true);
    points.forEach((p, i) => {
      expect(curve(i).x).toBeCloseTo(p.x, 9);
      expect(curve(i).y).toBeCloseTo(p.y, 9);
    });
    for (let place = 0; place <= 12; place += 0.05) {
      const p = curve(place);
      expect(Math.abs(Math.hypot(p.x, p.y - 30) - 50), `at ${place}`).toBeLessThan(0.25);
    }
  });
  it('an arc of seven keeps to its circle up to its ends', () => {
    const points = Array.from({ length: 7 }, (_, i) => ({
      x: 50 * Math.cos((i * Math.PI) / 6),
      y: 50 * Math.sin((i * Math.PI) / 6),
    }));
    const curve = smoothThrough(points, false);
    for (let place = 0; place <= 6; place += 0.05) {
      const p = curve(place);
      expect(Math.abs(Math.hypot(p.x, p.y) - 50), `at ${place}`).toBeLessThan(0.5);
    }
  });
  it('an open one ends at its ends; through two points it is straight', () => {
    const open = smoothThrough(
      [
        { x: 0, y: 0 },
        { x: 1, y: 2 },
        { x: 4, y: 2 },
      ],
      false,
    );
    expect(open(0)).toEqual({ x: 0, y: 0 });
    expect(open(2)).toEqual({ x: 4, y: 2 });
    const straight = smoothThrough(
      [
        { x: 0, y: 0 },
        { x: 4, y: 2 },
      ],
      false,
    )(0.5);
    expect(straight.x).toBeCloseTo(2, 12);
    expect(straight.y).toBeCloseTo(1, 12);
  });
});
