import { tolerance } from '@/core/numeric';
import type { Vector2 } from './vector';

/** a + b·cos φ + c·sin φ. */
export type Trigonometric = readonly [a: number, b: number, c: number];

/**
 * A piece of a conic in the plane: the point at φ is (x(φ)/w(φ), y(φ)/w(φ)) for from ≤ φ ≤ to, w > 0 throughout. Every picture of a circle is
 * one, and of every plane cut of a cylinder or cone: the row (1, cos φ, sin φ) times a 3×3 matrix. Projecting, moving and scaling it are
 * products of matrices, so that nothing is ever fitted.
 */
export interface ConicArc {
  readonly x: Trigonometric;
  readonly y: Trigonometric;
  readonly w: Trigonometric;
  readonly from: number;
  readonly to: number;
}

/** An ellipse's arc: `turn` is the major axis's angle, counter-clockwise with y up; from `from` to `to` in its own parameter, either way round. */
export interface EllipseArc {
  readonly centre: Vector2;
  readonly major: number;
  readonly minor: number;
  readonly turn: number;
  readonly from: number;
  readonly to: number;
}

/** A cubic's four points. */
export type Cubic = readonly [Vector2, Vector2, Vector2, Vector2];

export const trigonometricAt = ([a, b, c]: Trigonometric, angle: number): number =>
  a + b * Math.cos(angle) + c * Math.sin(angle);

export function conicPoint({ x, y, w }: Omit<ConicArc, 'from' | 'to'>, angle: number): Vector2 {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const depth = w[0] + w[1] * c + w[2] * s;
  return { x: (x[0] + x[1] * c + x[2] * s) / depth, y: (y[0] + y[1] * c + y[2] * s) / depth };
}

/** The same conic between two other angles. */
export const conicBetween = (arc: ConicArc, from: number, to: number): ConicArc => ({ ...arc, from, to });

const sum = (p: Trigonometric, times: number, q: Trigonometric, by: number): Trigonometric => [
  p[0] * times + q[0] * by,
  p[1] * times + q[1] * by,
  p[2] * times + q[2] * by,
];

/** Scaled about the origin, then moved; a negative `scaleY` turns y over. */
export const placedConic = (
  arc: ConicArc,
  { scale = 1, scaleY = scale, x = 0, y = 0 }: { scale?: number; scaleY?: number; x?: number; y?: number },
): ConicArc => ({ ...arc, x: sum(arc.x, scale, arc.w, x), y: sum(arc.y, scaleY, arc.w, y) });

/** The product of two rows through the dual of the unit circle, diag(−1, 1, 1). */
const through = (p: Trigonometric, q: Trigonometric): number => -p[0] * q[0] + p[1] * q[1] + p[2] * q[2];

/**
 * Centre and axes of the whole conic, or null where it is no ellipse: w then has a zero somewhere round. Through the dual conic M·diag(−1, 1, 1)·Mᵀ:
 * its last column is the centre, and the rest, taken about the centre, the matrix whose eigenvalues are the squared semi-axes.
 * Source: geometry "Round things", homography of the unit circle.
 */
export function wholeEllipse({ x, y, w }: Omit<ConicArc, 'from' | 'to'>): Omit<EllipseArc, 'from' | 'to'> | null {
  const size = -through(w, w);
  // So near to a parabola that its far end is out of all proportion.
  if (!(size > 1e-9 * w[0] * w[0])) return null;
  const centre = { x: -through(x, w) / size, y: -through(y, w) / size };
  const [p, q] = [sum(x, 1, w, -centre.x), sum(y, 1, w, -centre.y)];
  const [a, b, d] = [through(p, p) / size, through(p, q) / size, through(q, q) / size];
  const [mean, half] = [(a + d) / 2, Math.hypot((a - d) / 2, b)];
  const major = Math.sqrt(Math.max(0, mean + half));
  // The product of the axes is a determinant: their difference would lose the smaller one of a thin ellipse.
  const product = Math.abs(determinant(p, q, w)) / (size * Math.sqrt(size));
  const minor = major === 0 ? 0 : Math.min(major, product / major);
  return { centre, major, minor, turn: half === 0 ? 0 : Math.atan2(2 * b, a - d) / 2 };
}

const determinant = (p: Trigonometric, q: Trigonometric, r: Trigonometric): number =>
  p[0] * (q[1] * r[2] - q[2] * r[1]) - p[1] * (q[0] * r[2] - q[2] * r[0]) + p[2] * (q[0] * r[1] - q[1] * r[0]);

/** The arc in the ellipse's own parameter, or null where the conic is no ellipse or so thin that it is a line. */
export function ellipseArc(arc: ConicArc): EllipseArc | null {
  const ellipse = wholeEllipse(arc);
  if (!ellipse || ellipse.minor < 1e-7 || ellipse.minor < 1e-9 * ellipse.major) return null;
  const { centre, major, minor, turn } = ellipse;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const own = (angle: number): number => {
    const point = conicPoint(arc, angle);
    const [dx, dy] = [point.x - centre.x, point.y - centre.y];
    return Math.atan2((dy * c - dx * s) / minor, (dx * c + dy * s) / major);
  };
  const sense = determinant(arc.x, arc.y, arc.w) >= 0 ? 1 : -1;
  const from = own(arc.from);
  if (arc.to - arc.from >= 2 * Math.PI - tolerance.wholeTurnRad)
    return { ...ellipse, from, to: from + sense * 2 * Math.PI };
  let turned = (own(arc.to) - from) * sense;
  turned = ((turned % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  // A hair of an arc must not become a whole turn by rounding, nor all but a whole one nothing.
  const share = arc.to - arc.from;
  if (turned > Math.PI && share < 1e-6) turned = 0;
  if (turned < Math.PI && share > 2 * Math.PI - 1e-6) turned += 2 * Math.PI;
  return { ...ellipse, from, to: from + sense * turned };
}

export function ellipsePoint({ centre, major, minor, turn }: Omit<EllipseArc, 'from' | 'to'>, angle: number): Vector2 {
  const [p, q] = [major * Math.cos(angle), minor * Math.sin(angle)];
  return {
    x: centre.x + p * Math.cos(turn) - q * Math.sin(turn),
    y: centre.y + p * Math.sin(turn) + q * Math.cos(turn),
  };
}

/** Angles within the arc at which a·x + b·y + c = 0: where it passes a line. */
export function conicCrossings({ x, y, w, from, to }: ConicArc, a: number, b: number, c: number): readonly number[] {
  return trigonometricRoots(
    [a * x[0] + b * y[0] + c * w[0], a * x[1] + b * y[1] + c * w[1], a * x[2] + b * y[2] + c * w[2]],
    from,
    to,
  );
}

/** Zeros of a + b·cos φ + c·sin φ strictly between two angles, in order. */
export function trigonometricRoots([a, b, c]: Trigonometric, from: number, to: number): readonly number[] {
  const size = Math.hypot(b, c);
  if (!(Math.abs(a) < size)) return [];
  const middle = Math.atan2(c, b);
  const half = Math.acos(-a / size);
  return [middle - half, middle + half]
    .flatMap((angle) => {
      const found: number[] = [];
      let one = angle + Math.ceil((from - angle) / (2 * Math.PI)) * 2 * Math.PI;
      for (; one < to; one += 2 * Math.PI) if (one > from) found.push(one);
      return found;
    })
    .sort((p, q) => p - q);
}

/** Least and greatest x and y of the arc. */
export function conicBounds(arc: ConicArc): { left: number; right: number; bottom: number; top: number } {
  // The points where the arc runs level or upright: x'w − xw' is itself of the form a + b cos φ + c sin φ.
  const turning = (p: Trigonometric): readonly number[] => {
    const { w } = arc;
    return trigonometricRoots(
      [p[2] * w[1] - p[1] * w[2], p[2] * w[0] - p[0] * w[2], p[0] * w[1] - p[1] * w[0]],
      arc.from,
      arc.to,
    );
  };
  const points = [arc.from, arc.to, ...turning(arc.x), ...turning(arc.y)].map((angle) => conicPoint(arc, angle));
  return {
    left: Math.min(...points.map((p) => p.x)),
    right: Math.max(...points.map((p) => p.x)),
    bottom: Math.min(...points.map((p) => p.y)),
    top: Math.max(...points.map((p) => p.y)),
  };
}

/**
 * Cubics along the arc, none farther from it than `within`, and how far they may be from it at most. Of an ellipse the quarter-turn rule
 * 4/3·tan(θ/4) on equal parts; of another conic, cubics with its tangents that touch it in the middle.
 */
export function cubicsAlong(
  arc: ConicArc,
  within: number,
): { readonly cubics: readonly Cubic[]; readonly bound: number } {
  const ellipse = ellipseArc(arc);
  if (ellipse) {
    for (
      let parts = Math.max(1, Math.ceil(Math.abs(ellipse.to - ellipse.from) / (Math.PI / 2) - tolerance.wholeNumber));
      ;
      parts += 1
    ) {
      const bound = ellipse.major * circleMiss((ellipse.to - ellipse.from) / parts);
      if (bound <= within || parts > 256) return { cubics: ellipseCubics(ellipse, parts), bound };
    }
  }
  for (let parts = Math.max(1, Math.ceil((arc.to - arc.from) / (Math.PI / 3))); ; parts *= 2) {
    const pieces = Array.from({ length: parts }, (_, i) =>
      conicCubic(conicBetween(arc, partAt(arc, i / parts), partAt(arc, (i + 1) / parts))),
    );
    const bound = Math.max(...pieces.map((one) => one.bound));
    if (bound <= within || parts > 1024) return { cubics: pieces.map((one) => one.cubic), bound };
  }
}

const partAt = ({ from, to }: ConicArc, share: number): number => (share >= 1 ? to : from + (to - from) * share);

function ellipseCubics(ellipse: EllipseArc, parts: number): Cubic[] {
  const step = (ellipse.to - ellipse.from) / parts;
  const reach = (4 / 3) * Math.tan(step / 4);
  const { turn, major, minor } = ellipse;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return Array.from({ length: parts }, (_, i): Cubic => {
    const [a, b] = [ellipse.from + i * step, i + 1 === parts ? ellipse.to : ellipse.from + (i + 1) * step];
    const [p, q] = [ellipsePoint(ellipse, a), ellipsePoint(ellipse, b)];
    const run = (angle: number): Vector2 => {
      const [x, y] = [-major * Math.sin(angle), minor * Math.cos(angle)];
      return { x: (x * c - y * s) * reach, y: (x * s + y * c) * reach };
    };
    const [d, e] = [run(a), run(b)];
    return [p, { x: p.x + d.x, y: p.y + d.y }, { x: q.x - e.x, y: q.y - e.y }, q];
  });
}

/**
 * How far the cubic with handles 4/3·tan(θ/4) leaves the unit circle at most: |r² − 1|/2 is bounded by the Bernstein coefficients of r² − 1,
 * which has a double root at each end and in the middle, so that one split at the middle makes them tight enough.
 */
export function circleMiss(angle: number): number {
  const h = (4 / 3) * Math.tan(angle / 4);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const points: readonly (readonly [number, number])[] = [
    [1, 0],
    [1, h],
    [c + h * s, s - h * c],
    [c, s],
  ];
  let greatest = 0;
  // Eight parts of the cubic, each bounded by the coefficients of its r² − 1.
  for (let part = 0; part < 8; part += 1) {
    const piece = [0, 1].map((axis) =>
      cubicPart(
        points.map((p) => p[axis]!),
        part / 8,
        (part + 1) / 8,
      ),
    );
    for (let k = 0; k <= 6; k += 1) {
      let value = 0;
      for (let i = Math.max(0, k - 3); i <= Math.min(3, k); i += 1) {
        const share = (BINOMIAL_3[i]! * BINOMIAL_3[k - i]!) / BINOMIAL_6[k]!;
        value += share * (piece[0]![i]! * piece[0]![k - i]! + piece[1]![i]! * piece[1]![k - i]!);
      }
      greatest = Math.max(greatest, Math.abs(value - 1));
    }
  }
  return greatest / 2 / Math.sqrt(1 - Math.min(0.5, greatest));
}

const BINOMIAL_3 = [1, 3, 3, 1];
const BINOMIAL_6 = [1, 6, 15, 20, 15, 6, 1];

/** Control values of a cubic between two of its parameters, by blossoming. */
function cubicPart(c: readonly number[], a: number, b: number): number[] {
  const mix = (p: number, q: number, t: number): number => p + (q - p) * t;
  const blossom = (r: number, s: number, t: number): number => {
    const one = [mix(c[0]!, c[1]!, r), mix(c[1]!, c[2]!, r), mix(c[2]!, c[3]!, r)] as const;
    const two = [mix(one[0], one[1], s), mix(one[1], one[2], s)] as const;
    return mix(two[0], two[1], t);
  };
  return [blossom(a, a, a), blossom(a, a, b), blossom(a, b, b), blossom(b, b, b)];
}

/** The arc's control points as a rational quadratic with end weights 1: two ends, the meeting of their tangents, and its weight. */
export function rationalQuadratic(arc: ConicArc): {
  readonly points: readonly [Vector2, Vector2, Vector2];
  readonly weight: number;
} {
  const middle = (arc.from + arc.to) / 2;
  const t = Math.tan((arc.to - arc.from) / 4);
  const blossomed = (row: Trigonometric): readonly [number, number, number] => {
    const [o, c, s] = [
      row[0],
      row[1] * Math.cos(middle) + row[2] * Math.sin(middle),
      row[2] * Math.cos(middle) - row[1] * Math.sin(middle),
    ];
    const [even, odd] = [o * (1 + t * t) + c * (1 - t * t), 2 * t * s];
    return [even - odd, o * (1 - t * t) + c * (1 + t * t), even + odd];
  };
  const [x, y, w] = [blossomed(arc.x), blossomed(arc.y), blossomed(arc.w)];
  const point = (i: 0 | 1 | 2): Vector2 => ({ x: x[i] / w[i], y: y[i] / w[i] });
  return { points: [point(0), point(1), point(2)], weight: w[1] / Math.sqrt(w[0] * w[2]) };
}

/** A cubic with a conic piece's tangents, touching it in the middle; how far apart they are is bounded by where both are at equal parameters. */
function conicCubic(arc: ConicArc): { readonly cubic: Cubic; readonly bound: number } {
  const { points, weight } = rationalQuadratic(arc);
  const [p, m, q] = points;
  const reach = (4 * weight) / (3 * (1 + weight));
  const cubic: Cubic = [
    p,
    { x: p.x + (m.x - p.x) * reach, y: p.y + (m.y - p.y) * reach },
    { x: q.x + (m.x - q.x) * reach, y: q.y + (m.y - q.y) * reach },
    q,
  ];
  // (1 + 2(w − 1)x(1 − x))·cubic − numerator, a quintic: its coefficients over the least denominator bound the difference.
  const w = [1, weight, 1];
  const numerator = [p, { x: m.x * weight, y: m.y * weight }, q];
  let most = 0;
  for (let k = 0; k <= 5; k += 1) {
    let [x, y] = [0, 0];
    for (let i = Math.max(0, k - 3); i <= Math.min(2, k); i += 1) {
      const share = ([1, 2, 1][i]! * BINOMIAL_3[k - i]!) / [1, 5, 10, 10, 5, 1][k]!;
      x += share * (w[i]! * cubic[(k - i) as 0 | 1 | 2 | 3].x - numerator[i]!.x);
      y += share * (w[i]! * cubic[(k - i) as 0 | 1 | 2 | 3].y - numerator[i]!.y);
    }
    most = Math.max(most, Math.hypot(x, y));
  }
  return { cubic, bound: most / Math.min(1, (1 + weight) / 2) };
}

/** The arc as a chain of points, its chords within `within` of it where they are tested, in their middles. For screens and picking. */
export function conicChain(arc: ConicArc, within: number): readonly Vector2[] {
  const points: Vector2[] = [conicPoint(arc, arc.from)];
  const add = (from: number, p: Vector2, to: number, q: Vector2, depth: number): void => {
    const middle = (from + to) / 2;
    const m = conicPoint(arc, middle);
    const size = Math.hypot(q.x - p.x, q.y - p.y);
    const off =
      size === 0
        ? Math.hypot(m.x - p.x, m.y - p.y)
        : Math.abs((m.x - p.x) * (q.y - p.y) - (m.y - p.y) * (q.x - p.x)) / size;
    if (depth > 10 || (off <= within && to - from < 1.6)) points.push(q);
    else {
      add(from, p, middle, m, depth + 1);
      add(middle, m, to, q, depth + 1);
    }
  };
  add(arc.from, conicPoint(arc, arc.from), arc.to, conicPoint(arc, arc.to), 0);
  return points;
}
