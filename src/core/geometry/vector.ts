import { degreesFromRadians, radiansFromDegrees, type Degrees } from '@/core/units';

/** Plain vectors: directions and differences, in no particular space. */
export interface Vector2 {
  readonly x: number;
  readonly y: number;
}
export interface Vector3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const difference2 = (a: Vector2, b: Vector2): Vector2 => ({ x: a.x - b.x, y: a.y - b.y });
export const dot2 = (a: Vector2, b: Vector2): number => a.x * b.x + a.y * b.y;
/** Positive when b lies to the left of a. */
export const cross2 = (a: Vector2, b: Vector2): number => a.x * b.y - a.y * b.x;
export const length2 = (a: Vector2): number => Math.hypot(a.x, a.y);
export const along2 = <P extends Vector2>(from: P, direction: Vector2, distance: number): Vector2 => ({
  x: from.x + direction.x * distance,
  y: from.y + direction.y * distance,
});

export const difference3 = (a: Vector3, b: Vector3): Vector3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
export const dot3 = (a: Vector3, b: Vector3): number => a.x * b.x + a.y * b.y + a.z * b.z;
export const cross3 = (a: Vector3, b: Vector3): Vector3 => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
export const length3 = (a: Vector3): number => Math.hypot(a.x, a.y, a.z);

/** Unit vector of a bearing: degrees clockwise from +y seen from above. Exact at the quarter turns. */
export function bearingVector(bearingDeg: number): Vector2 {
  const quarter = bearingDeg / 90;
  if (Number.isInteger(quarter)) {
    return [
      { x: 0, y: 1 },
      { x: 1, y: 0 },
      { x: 0, y: -1 },
      { x: -1, y: 0 },
    ][((quarter % 4) + 4) % 4] as Vector2;
  }
  const radians = radiansFromDegrees(bearingDeg);
  return { x: Math.sin(radians), y: Math.cos(radians) };
}

/** Bearing of a direction, degrees clockwise from +y seen from above, −180 to 180: the inverse of bearingVector. */
export const bearingOf = ({ x, y }: Vector2): Degrees => degreesFromRadians(Math.atan2(x, y));

/** A quarter turn clockwise seen from above: from a direction to what lies at its right hand. */
export const rightOf = (direction: Vector2): Vector2 => ({ x: direction.y, y: -direction.x });
