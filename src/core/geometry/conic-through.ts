import { at } from '@/core/base';
import { symmetricModes } from '@/core/numeric';
import type { Vector2 } from './vector';

/** A·x² + B·xy + C·y² + D·x + E·y + F. */
type Conic = readonly [number, number, number, number, number, number];

/** A conic is told by five points, or by fewer with tangents in them. */
const LEAST_TOLD = 5;
/** What lies farther from the conic than this share of the whole's size is on none. */
const OFF_SHARE = 1e-6;
/** Directions of solution that weigh more than this beside the heaviest are not free. */
const FREE_SHARE = 1e-13;

const terms = ({ x, y }: Vector2): Conic => [x * x, x * y, y * y, x, y, 1];
const value = (conic: Conic, p: Vector2): number => terms(p).reduce((sum, term, i) => sum + term * at(conic, i), 0);
const gradient = ([a, b, c, d, e]: Conic, { x, y }: Vector2): Vector2 => ({
  x: 2 * a * x + b * y + d,
  y: b * x + 2 * c * y + e,
});

/**
 * The conic through points, touching the lines that are told in some of them: how a round thing runs between its marks. Returns its point at a place: 1.5
 * lies between the second and the third, counted around where it is closed. Null where the points tell no one conic, or do not lie on one.
 * @param tangents directions in which it runs at its points, either way round; null where none is known.
 */
export function conicThrough(
  points: readonly Vector2[],
  closed: boolean,
  tangents: readonly (Vector2 | null)[] = [],
): ((place: number) => Vector2) | null {
  const told = points.length + tangents.filter((one) => one !== null).length;
  const [first] = points;
  if (!first || told < LEAST_TOLD) return null;
  const n = points.length;
  const middle = { x: points.reduce((s, p) => s + p.x, 0) / n, y: points.reduce((s, p) => s + p.y, 0) / n };
  const size = Math.max(...points.map((p) => Math.hypot(p.x - middle.x, p.y - middle.y)));
  if (size === 0) return null;
  const near = points.map((p) => ({ x: (p.x - middle.x) / size, y: (p.y - middle.y) / size }));
  const conic = fitted(near, tangents);
  if (!conic) return null;
  const slope = (p: Vector2): Vector2 => gradient(conic, p);
  const off = (p: Vector2): number => Math.abs(value(conic, p)) / Math.hypot(slope(p).x, slope(p).y);
  if (!near.every((p) => off(p) < OFF_SHARE)) return null;
  const pieces = near.slice(0, closed ? n : n - 1).map((p, i) => piece(conic, p, near[(i + 1) % n] ?? p));
  if (!pieces.every((one) => one !== null)) return null;
  return (place) => {
    const whole = Math.min(closed ? Infinity : n - 2, Math.floor(place));
    const p = pieces[((whole % pieces.length) + pieces.length) % pieces.length]?.(place - whole) ?? first;
    return { x: middle.x + p.x * size, y: middle.y + p.y * size };
  };
}

/** A conic between two of its points, less than half of it: the rational quadratic with its tangents. Null where they do not meet on its outer side. */
function piece(conic: Conic, p: Vector2, q: Vector2): ((t: number) => Vector2) | null {
  const [g, h] = [gradient(conic, p), gradient(conic, q)];
  const turn = g.x * h.y - g.y * h.x;
  if (Math.abs(turn) < Number.EPSILON * Math.hypot(g.x, g.y) * Math.hypot(h.x, h.y)) return null;
  const [gp, hq] = [g.x * p.x + g.y * p.y, h.x * q.x + h.y * q.y];
  const meeting = { x: (gp * h.y - hq * g.y) / turn, y: (g.x * hq - h.x * gp) / turn };
  const half = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
  const way = { x: meeting.x - half.x, y: meeting.y - half.y };
  // Where the line from the chord's middle to the meeting of the tangents leaves the conic: its shoulder, at s of the way.
  const along = (s: number): number => value(conic, { x: half.x + way.x * s, y: half.y + way.y * s });
  const [c, once, twice] = [along(0), along(1), along(2)];
  const a = (twice - 2 * once + c) / 2;
  const b = once - c - a;
  const root = Math.sqrt(b * b - 4 * a * c);
  const s = [(2 * c) / (-b - root), (2 * c) / (-b + root)].find((one) => one > 0 && one < 1);
  if (s === undefined) return null;
  const weight = s / (1 - s);
  return (t) => {
    const [u, v, w] = [(1 - t) * (1 - t), 2 * weight * t * (1 - t), t * t];
    const sum = u + v + w;
    return {
      x: (u * p.x + v * meeting.x + w * q.x) / sum,
      y: (u * p.y + v * meeting.y + w * q.y) / sum,
    };
  };
}

/** The conic that all that is told leaves least out of; null where more than one does. */
function fitted(points: readonly Vector2[], tangents: readonly (Vector2 | null)[]): Conic | null {
  const rows = points.flatMap((p, i): readonly (readonly number[])[] => {
    const way = tangents[i];
    if (!way) return [terms(p)];
    const size = Math.hypot(way.x, way.y);
    const [dx, dy] = [way.x / size, way.y / size];
    return [terms(p), [2 * p.x * dx, p.y * dx + p.x * dy, 2 * p.y * dy, dx, dy, 0]];
  });
  const { values, vectors } = symmetricModes(
    Array.from({ length: 6 }, (_, i) =>
      Array.from({ length: 6 }, (_, j) => rows.reduce((sum, row) => sum + at(row, i) * at(row, j), 0)),
    ),
  );
  if (at(values, 1) < FREE_SHARE * at(values, 5)) return null;
  const least = at(vectors, 0);
  return [at(least, 0), at(least, 1), at(least, 2), at(least, 3), at(least, 4), at(least, 5)];
}
