/**
 * Polynomials of degree 1 to 4 in Bernstein form on [0, 1]: c₀…cₙ, the polynomial being Σ cᵢ·C(n,i)·xⁱ(1 − x)ⁿ⁻ⁱ. Their coefficients bound
 * them, so that most are told to have no root by their signs alone. Source: convex hull and variation-diminishing properties.
 */
const NARROW = 1e-13;
const DEEPEST = 48;

/** Value at x, by de Casteljau's scheme. */
export function bernsteinAt(c: ArrayLike<number>, degree: number, x: number): number {
  const y = 1 - x;
  let [a, b, d, e] = [c[0]!, c[1]!, c[2] ?? 0, c[3] ?? 0];
  const f = c[4] ?? 0;
  for (let n = degree; n > 0; n -= 1) {
    a = a * y + b * x;
    if (n > 1) b = b * y + d * x;
    if (n > 2) d = d * y + e * x;
    if (n > 3) e = e * y + f * x;
  }
  return a;
}

/** A quadratic's, in closed form: c₀ + 2(c₁ − c₀)x + (c₀ − 2c₁ + c₂)x², without the difference of nearly equal numbers. */
function pushOfSquare(c0: number, c1: number, c2: number, out: number[]): void {
  if (c0 >= 0 ? c1 >= 0 && c2 >= 0 : c1 <= 0 && c2 <= 0) return;
  const [a, b] = [c0 - 2 * c1 + c2, c1 - c0];
  // b² − a·c₀, written by the coefficients themselves.
  const under = c1 * c1 - c0 * c2;
  if (!(under > 0)) return;
  const q = -(b + (b < 0 ? -1 : 1) * Math.sqrt(under));
  const [p, r] = [q === 0 ? NaN : c0 / q, q / a];
  const [low, high] = p < r ? [p, r] : [r, p];
  if (low > 0 && low < 1) out.push(low);
  if (high > 0 && high < 1) out.push(high);
}

/** How often the coefficients change sign: there are that many roots or fewer by an even number. */
function variations(c: ArrayLike<number>, degree: number): number {
  let last = 0;
  let count = 0;
  for (let i = 0; i <= degree; i += 1) {
    const value = c[i]!;
    if (value === 0) continue;
    if (last !== 0 && value > 0 !== last > 0) count += 1;
    last = value;
  }
  return count;
}

/**
 * Where the polynomial changes sign within (0, 1), in order; each is pushed to `out` as lo + x·(hi − lo). A polynomial that is zero all over
 * has none. Roots nearer to each other than about 1e-8 may be passed over together.
 */
export function pushSignChanges(c: ArrayLike<number>, degree: number, out: number[], lo = 0, hi = 1, depth = 0): void {
  if (degree === 2) return pushOfSquare(c[0]!, c[1]!, c[2]!, out);
  const changes = variations(c, degree);
  if (changes === 0) return;
  if (changes === 1 && c[0]! !== 0 && c[degree]! !== 0) {
    out.push(lo + (hi - lo) * bracketed(c, degree));
    return;
  }
  if (hi - lo < NARROW || depth > DEEPEST) {
    if (c[0]! > 0 !== c[degree]! > 0) out.push((lo + hi) / 2);
    return;
  }
  // Split in two; the halves' coefficients are the sides of de Casteljau's triangle.
  const row = Float64Array.from({ length: degree + 1 }, (_, i) => c[i]!);
  const low = new Float64Array(degree + 1);
  const high = new Float64Array(degree + 1);
  for (let n = 0; n <= degree; n += 1) {
    low[n] = row[0]!;
    high[degree - n] = row[degree - n]!;
    for (let i = 0; i < degree - n; i += 1) row[i] = (row[i]! + row[i + 1]!) / 2;
  }
  const middle = (lo + hi) / 2;
  pushSignChanges(low, degree, out, lo, middle, depth + 1);
  if (low[degree] === 0) {
    const [before, after] = [low[degree - 1]!, high[1]!];
    if (before > 0 !== after > 0) out.push(middle);
  }
  pushSignChanges(high, degree, out, middle, hi, depth + 1);
}

/** The one root between 0 and 1 of a polynomial whose ends differ in sign: inverse quadratic steps where they are safe, halving else (Chandrupatla 1997). */
function bracketed(c: ArrayLike<number>, degree: number): number {
  let [a, b, fa, fb] = [1, 0, c[degree]!, c[0]!];
  if (degree === 1) return fb / (fb - fa);
  let [e, fe] = [a, fa];
  let share = 0.5;
  for (let i = 0; i < 100; i += 1) {
    const x = a + share * (b - a);
    const f = bernsteinAt(c, degree, x);
    // `a` is the newest, `b` holds the root against it, `e` the one before.
    if (f > 0 === fa > 0) [e, fe] = [a, fa];
    else [e, fe, b, fb] = [b, fb, a, fa];
    [a, fa] = [x, f];
    const best = Math.abs(fa) < Math.abs(fb) ? a : b;
    const least = 1e-16 / Math.abs(b - a || 1);
    if (f === 0 || least > 0.5) return best;
    const [xi, phi] = [(a - b) / (e - b), (fa - fb) / (fe - fb)];
    share =
      phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi
        ? (fa / (fb - fa)) * (fe / (fb - fe)) + ((e - a) / (b - a)) * (fa / (fe - fa)) * (fb / (fe - fb))
        : 0.5;
    share = Math.min(1 - least, Math.max(least, share));
  }
  return a;
}
