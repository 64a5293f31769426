import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import { signedArea } from './polygon';
import { cross2, difference2, type Vector2 } from './vector';

/**
 * How far two convex outlines reach into each other, and the shortest way for the first to leave the second; null where they only touch
 * or lie apart. By separating axes: the least overlap over the normals of all sides.
 */
export function convexOverlap(
  one: readonly Vector2[],
  other: readonly Vector2[],
): { readonly depth: number; readonly away: Vector2 } | null {
  let best: { depth: number; away: Vector2 } | null = null;
  for (const outline of [one, other]) {
    for (let i = 0; i < outline.length; i += 1) {
      const [a, b] = [at(outline, i), at(outline, (i + 1) % outline.length)];
      const length = Math.hypot(b.x - a.x, b.y - a.y);
      if (length < tolerance.nought) continue;
      const n = { x: (b.y - a.y) / length, y: (a.x - b.x) / length };
      const span = (points: readonly Vector2[]): readonly [number, number] => {
        let [low, high] = [Infinity, -Infinity];
        for (const p of points) {
          const d = p.x * n.x + p.y * n.y;
          low = Math.min(low, d);
          high = Math.max(high, d);
        }
        return [low, high];
      };
      const [p, q] = [span(one), span(other)];
      const [forward, back] = [q[1] - p[0], p[1] - q[0]];
      const depth = Math.min(forward, back);
      if (depth <= 0) return null;
      if (!best || depth < best.depth) best = { depth, away: forward <= back ? n : { x: -n.x, y: -n.y } };
    }
  }
  return best;
}

/** Triangles that fill a simple outline, by cutting ears off. */
export function triangles(outline: readonly Vector2[]): readonly (readonly Vector2[])[] {
  const points = signedArea(outline) >= 0 ? [...outline] : [...outline].reverse();
  const result: Vector2[][] = [];
  const turn = (a: Vector2, b: Vector2, c: Vector2): number => cross2(difference2(b, a), difference2(c, b));
  while (points.length > 3) {
    const n = points.length;
    let ear = -1;
    for (let i = 0; i < n && ear < 0; i += 1) {
      const [a, b, c] = [at(points, (i + n - 1) % n), at(points, i), at(points, (i + 1) % n)];
      if (turn(a, b, c) <= 0) continue;
      const inside = points.some(
        (p) => p !== a && p !== b && p !== c && turn(a, b, p) >= 0 && turn(b, c, p) >= 0 && turn(c, a, p) >= 0,
      );
      if (!inside) ear = i;
    }
    // A sliver without an ear: what is left is drawn as a fan, which only ever covers more.
    if (ear < 0) ear = 0;
    result.push([at(points, (ear + n - 1) % n), at(points, ear), at(points, (ear + 1) % n)]);
    points.splice(ear, 1);
  }
  result.push(points);
  return result;
}

/** Whether an outline is convex, of either sense. */
export function isConvex(outline: readonly Vector2[]): boolean {
  let sign = 0;
  for (let i = 0; i < outline.length; i += 1) {
    const [a, b, c] = [at(outline, i), at(outline, (i + 1) % outline.length), at(outline, (i + 2) % outline.length)];
    const turn = cross2(difference2(b, a), difference2(c, b));
    if (Math.abs(turn) < tolerance.nought) continue;
    if (sign !== 0 && Math.sign(turn) !== sign) return false;
    sign = Math.sign(turn);
  }
  return true;
}
