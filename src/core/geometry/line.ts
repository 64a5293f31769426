import type { Vector2 } from './vector';

/** A straight line a·x + b·y = c in any plane, (a, b) a unit normal. */
export interface Line {
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

/** How two lines meet. Parallel lines meet nowhere; coincident ones everywhere. */
export type Meeting =
  | { readonly kind: 'point'; readonly x: number; readonly y: number; readonly angleDeg: number }
  | { readonly kind: 'parallel' }
  | { readonly kind: 'coincident' };

export type LineFault = 'points-coincide';

/** The line through two points, or nothing to rule along when they coincide. */
export function lineThrough(p: Vector2, q: Vector2): Line | LineFault {
  const a = p.y - q.y;
  const b = q.x - p.x;
  const length = Math.hypot(a, b);
  if (length === 0) return 'points-coincide';
  // c from the midpoint: the error is shared between both ends.
  return { a: a / length, b: b / length, c: (a * (p.x + q.x) + b * (p.y + q.y)) / (2 * length) };
}

/** Parallel below this sine of the angle between: 1e-12 is float noise for unit normals. */
const PARALLEL_SINE = 1e-12;

export function meet(first: Line, second: Line): Meeting {
  const sine = first.a * second.b - first.b * second.a;
  if (Math.abs(sine) < PARALLEL_SINE) {
    const sameSense = first.a * second.a + first.b * second.b > 0 ? 1 : -1;
    return Math.abs(first.c - sameSense * second.c) < 1e-9 ? { kind: 'coincident' } : { kind: 'parallel' };
  }
  const angle = (Math.asin(Math.min(1, Math.abs(sine))) * 180) / Math.PI;
  return {
    kind: 'point',
    x: (first.c * second.b - second.c * first.b) / sine,
    y: (first.a * second.c - second.a * first.c) / sine,
    angleDeg: angle,
  };
}
