/**
 * Two derivatives for each act that something rests on, in one row of numbers: act, first, second, act, first, second … with acts ascending. Of a mark
 * they are its moves along u and v; of a line how it moves square to itself at its point, and how much more with each mm along it.
 */
export type ByAct = readonly number[];

/** What rests on no act. */
export const ON_NOTHING: ByAct = [];

/** Coefficients of one derivative of the sum: of p's first and second, of q's first and second. */
export type Row = readonly [number, number, number, number];

/** A linear sum of two, by act: its derivatives are `first` and `second` times the four of p and q. */
export function combined(p: ByAct, q: ByAct, first: Row, second: Row): number[] {
  const [a, b, c, d] = first;
  const [e, f, g, h] = second;
  const sum: number[] = [];
  let [i, j] = [0, 0];
  while (i < p.length || j < q.length) {
    const [actP, actQ] = [p[i] ?? Infinity, q[j] ?? Infinity];
    const [p1, p2] = actP <= actQ ? [p[i + 1] ?? 0, p[i + 2] ?? 0] : NONE;
    const [q1, q2] = actQ <= actP ? [q[j + 1] ?? 0, q[j + 2] ?? 0] : NONE;
    sum.push(Math.min(actP, actQ), a * p1 + b * p2 + c * q1 + d * q2, e * p1 + f * p2 + g * q1 + h * q2);
    if (actP <= actQ) i += 3;
    if (actQ <= actP) j += 3;
  }
  return sum;
}
const NONE = [0, 0] as const;

/** Each act of one with its two derivatives. */
export function* eachAct(all: ByAct): Generator<readonly [act: number, first: number, second: number]> {
  for (let i = 0; i < all.length; i += 3) yield [all[i] ?? 0, all[i + 1] ?? 0, all[i + 2] ?? 0];
}
