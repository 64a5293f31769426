import { expect } from 'vitest';

/** The vector files' own measure: |error| ≤ 1e-9·max(1, |expected|). */
export function expectNear(actual: number, expected: number, what: string, tolerance = 1e-9): void {
  const error = Math.abs(actual - expected);
  expect(error, `${what}: ${actual} for ${expected}`).toBeLessThanOrEqual(tolerance * Math.max(1, Math.abs(expected)));
}

/** How many random cases a property runs: more in `npm run test:long`. */
export const runs = (): number => Number(process.env.BATHYSKOP_RUNS ?? '100');

/**
 * As `expect(truth, words).toBe(true)`, for what is asked a hundred thousand times:
 * an `expect` that holds takes some ten microseconds, which is then most of a test.
 */
export function holds(truth: boolean, words: () => string): void {
  if (!truth) expect.fail(words());
}
