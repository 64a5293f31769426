import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { bernsteinAt, pushSignChanges } from './index';

/** Bernstein coefficients of a·Π(x − rᵢ), by multiplying out in the power basis first. */
function fromRoots(roots: readonly number[], by: number): number[] {
  let power = [by];
  for (const root of roots)
    power = Array.from({ length: power.length + 1 }, (_, i) => (power[i - 1] ?? 0) - root * (power[i] ?? 0));
  const n = roots.length;
  const choose = (m: number, k: number): number => (k === 0 ? 1 : (choose(m - 1, k - 1) * m) / k);
  return Array.from({ length: n + 1 }, (_, i) =>
    power.slice(0, i + 1).reduce((sum, value, k) => sum + (value * choose(i, k)) / choose(n, k), 0),
  );
}

describe('polynomials in Bernstein form', () => {
  it('finds every root within and none without, 400 polynomials of degree 1 to 4 (seed 17)', () => {
    const random = seededRandom(17);
    let found = 0;
    for (let i = 0; i < 400; i += 1) {
      const degree = 1 + (i % 4);
      // On a lattice with a jitter, so that no two roots are all but one.
      const roots = Array.from({ length: degree }, (_, k) => -0.5 + (k + random() * 0.9) * (2 / degree)).filter(
        (root) => Math.abs(root) > 1e-6 && Math.abs(root - 1) > 1e-6,
      );
      if (roots.length < degree) continue;
      const c = fromRoots(roots, (random() - 0.5) * 10 ** (6 * random()));
      const out: number[] = [];
      pushSignChanges(c, degree, out);
      const inside = roots.filter((root) => root > 0 && root < 1).sort((a, b) => a - b);
      expect(out.length, `${i}: ${roots.join()}`).toBe(inside.length);
      out.forEach((x, k) => expect(x).toBeCloseTo(at(inside, k), 10));
      found += out.length;
    }
    expect(found).toBeGreaterThan(300);
  });
  it('a root all but at an end does not draw the search to itself', () => {
    const out: number[] = [];
    pushSignChanges([14284299454.885933, -6848177246.618535, -0.0000019073486328125], 2, out);
    expect(out[0]).toBeCloseTo(0.5105062762782, 9);
  });
  it('is nought all over, or touches nought: no change of sign', () => {
    for (const c of [
      [0, 0, 0],
      [1, 0, 0, 0, 1],
      fromRoots([0.3, 0.3], 5).map((value, i) => value + (i === 1 ? 1e-3 : 0)),
    ]) {
      const out: number[] = [];
      pushSignChanges(c, c.length - 1, out);
      expect(out).toEqual([]);
    }
  });
  it('a root in the very middle is found once', () => {
    const out: number[] = [];
    pushSignChanges(fromRoots([0.5, 0.9, 0.1, 1.5], 2), 4, out);
    expect(out.map((x) => x.toFixed(12))).toEqual(['0.100000000000', '0.500000000000', '0.900000000000']);
    expect(bernsteinAt([3, -1, 4], 2, 0.25)).toBeCloseTo(3 * 0.5625 - 2 * 0.1875 + 4 * 0.0625, 12);
  });
});
