import { at as nth } from '@/core/base';
import type { Vector3 } from '@/core/geometry';
import type { WorldPoint } from '@/core/space';
import { radiansFromDegrees, type Degrees } from '@/core/units';
import type { Axis } from './parts';

/** Axes in the world: three unit directions square to each other, of either hand, so that mirroring is only another set of axes. */
export interface Axes {
  readonly origin: Vector3;
  readonly x: Vector3;
  readonly y: Vector3;
  readonly z: Vector3;
}

/** A direction of the axes in the world. */
export const directionIn = (axes: Axes, x: number, y: number, z: number): Vector3 => ({
  x: axes.x.x * x + axes.y.x * y + axes.z.x * z,
  y: axes.x.y * x + axes.y.y * y + axes.z.y * z,
  z: axes.x.z * x + axes.y.z * y + axes.z.z * z,
});

export function pointIn(axes: Axes, x: number, y: number, z: number): WorldPoint {
  const v = directionIn(axes, x, y, z);
  return { x: axes.origin.x + v.x, y: axes.origin.y + v.y, z: axes.origin.z + v.z } as WorldPoint;
}

const EXACT = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
] as const;

/** The axes of a group: set down at a point and turned from x toward y. Quarter turns are exact. */
export function turnedAxes(axes: Axes, at: readonly [number, number, number], turnDeg: Degrees): Axes {
  const quarter = (((turnDeg % 360) + 360) % 360) / 90;
  const radians = radiansFromDegrees(turnDeg);
  const [c, s] = Number.isInteger(quarter) ? nth(EXACT, quarter) : [Math.cos(radians), Math.sin(radians)];
  return { origin: pointIn(axes, ...at), x: directionIn(axes, c, s, 0), y: directionIn(axes, -s, c, 0), z: axes.z };
}

/** The (p, q, along) of a prism or turned part as (x, y, z). */
export const PLACING: Readonly<Record<Axis, (p: number, q: number, a: number) => readonly [number, number, number]>> = {
  z: (p, q, a) => [p, q, a],
  y: (p, q, a) => [p, a, q],
  x: (p, q, a) => [a, p, q],
};
