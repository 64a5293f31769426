/** Each sweep squares what is left off the diagonal: six by six is done in five or six. */
const SWEEPS = 12;

/** Eigenvalues of a small symmetric matrix in rising order, with their unit vectors, by Jacobi's cyclic rotations. Source: common numerical practice. */
export function symmetricModes(given: readonly (readonly number[])[]): {
  readonly values: readonly number[];
  readonly vectors: readonly (readonly number[])[];
} {
  const n = given.length;
  const m = given.map((row) => [...row]);
  const v: number[][] = m.map((_, i) => m.map((_, j) => (i === j ? 1 : 0)));
  for (let sweep = 0; sweep < SWEEPS; sweep += 1)
    for (let p = 0; p < n; p += 1)
      for (let q = p + 1; q < n; q += 1) {
        if (m[p]![q] === 0) continue;
        const half = (m[q]![q]! - m[p]![p]!) / (2 * m[p]![q]!);
        const t = (half < 0 ? -1 : 1) / (Math.abs(half) + Math.hypot(half, 1));
        const c = 1 / Math.hypot(t, 1);
        const s = t * c;
        for (let k = 0; k < n; k += 1) {
          const [a, b] = [m[k]![p]!, m[k]![q]!];
          m[k]![p] = c * a - s * b;
          m[k]![q] = s * a + c * b;
        }
        for (let k = 0; k < n; k += 1) {
          const [a, b] = [m[p]![k]!, m[q]![k]!];
          m[p]![k] = c * a - s * b;
          m[q]![k] = s * a + c * b;
        }
        for (let k = 0; k < n; k += 1) {
          const [a, b] = [v[k]![p]!, v[k]![q]!];
          v[k]![p] = c * a - s * b;
          v[k]![q] = s * a + c * b;
        }
      }
  const order = m.map((_, i) => i).sort((a, b) => m[a]![a]! - m[b]![b]!);
  return { values: order.map((i) => m[i]![i]!), vectors: order.map((i) => v.map((row) => row[i]!)) };
}
