import type { Vector2 } from './vector';

/**
 * A smooth curve through points, as a hand or a French curve would draw it: cubics with a tangent at each point that the parabola through it and its
 * neighbours has, the chords' lengths for parameter. Returns its point at a place: 1.5 lies between the second and the third, counted around where it is
 * closed. A circle of twelve points comes out within half a per cent of its radius.
 */
export function smoothThrough(points: readonly Vector2[], closed: boolean): (place: number) => Vector2 {
  const n = points.length;
  const at = (i: number): Vector2 =>
    points[closed ? ((i % n) + n) % n : Math.min(n - 1, Math.max(0, i))] ?? { x: 0, y: 0 };
  const chord = (i: number): number => Math.hypot(at(i + 1).x - at(i).x, at(i + 1).y - at(i).y);
  /** Velocity at a point, per length of chord. */
  const tangent = (i: number): Vector2 => {
    const [h0, h1] = [chord(i - 1), chord(i)];
    const slope = (from: number, h: number): Vector2 =>
      h > 0 ? { x: (at(from + 1).x - at(from).x) / h, y: (at(from + 1).y - at(from).y) / h } : { x: 0, y: 0 };
    // At an open end the parabola through the first three.
    if (h0 === 0) return ended(slope(i, h1), slope(i + 1, chord(i + 1)), h1, chord(i + 1));
    if (h1 === 0) return ended(slope(i - 1, h0), slope(i - 2, chord(i - 2)), h0, chord(i - 2));
    const [before, after] = [slope(i - 1, h0), slope(i, h1)];
    const sum = h0 + h1;
    return { x: (before.x * h1 + after.x * h0) / sum, y: (before.y * h1 + after.y * h0) / sum };
  };
  const ended = (near: Vector2, next: Vector2, h: number, hNext: number): Vector2 => {
    const part = hNext > 0 ? h / (h + hNext) : 0;
    return { x: near.x + (near.x - next.x) * part, y: near.y + (near.y - next.y) * part };
  };
  return (place) => {
    const i = Math.min(closed ? Infinity : n - 2, Math.floor(place));
    const t = place - i;
    const h = chord(i);
    const [p, q, a, b] = [at(i), at(i + 1), tangent(i), tangent(i + 1)];
    const mixed = (from: number, to: number, out: number, into: number): number =>
      from * (1 + 2 * t) * (1 - t) ** 2 +
      to * t * t * (3 - 2 * t) +
      h * (out * t * (1 - t) ** 2 - into * t * t * (1 - t));
    return { x: mixed(p.x, q.x, a.x, b.x), y: mixed(p.y, q.y, a.y, b.y) };
  };
}
