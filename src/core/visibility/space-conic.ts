import type { Vector3 } from '@/core/geometry';
import type { Circle } from '@/core/solids';
import type { WorldPoint } from '@/core/space';
import { worldPoint } from '@/core/space';

/**
 * A conic in space: the point at φ is (x/w, y/w, z/w) of the row o + c·cos φ + s·sin φ, four numbers each, w > 0. Circles have w = 1; plane cuts of
 * cones have not. Order: o, c, s.
 */
export type SpaceConic = Float64Array;

export const conicOfCircle = ({ centre, first, second, radius }: Circle): SpaceConic =>
  Float64Array.of(
    centre.x,
    centre.y,
    centre.z,
    1,
    first.x * radius,
    first.y * radius,
    first.z * radius,
    0,
    second.x * radius,
    second.y * radius,
    second.z * radius,
    0,
  );

/** The same conic elsewhere: of each row the place moves by as much as its weight. */
export const movedConic = (conic: SpaceConic, { x, y, z }: Vector3): SpaceConic =>
  conic.map((value, i) => value + (conic[i - (i % 4) + 3] ?? 0) * ([x, y, z, 0][i % 4] ?? 0));

export function spaceConicPoint(conic: SpaceConic, angle: number): WorldPoint {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const row = (i: number): number => conic[i]! + conic[i + 4]! * c + conic[i + 8]! * s;
  const w = row(3);
  return worldPoint(row(0) / w, row(1) / w, row(2) / w);
}

/** Which way a conic runs at an angle: its derivative there, mm per radian. */
export function spaceConicRun(conic: SpaceConic, angle: number): Vector3 {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const row = (i: number): number => conic[i]! + conic[i + 4]! * c + conic[i + 8]! * s;
  const turned = (i: number): number => conic[i + 8]! * c - conic[i + 4]! * s;
  const [w, dw] = [row(3), turned(3)];
  const run = (i: number): number => (turned(i) * w - row(i) * dw) / (w * w);
  return { x: run(0), y: run(1), z: run(2) };
}

/**
 * Bernstein coefficients of the row between two angles less than a half-turn apart, by blossoming in the tangent of a quarter of the turn from the
 * middle: three points of four numbers. `angleAt` takes the parameter back to the angle.
 */
export function conicPiece(conic: SpaceConic, from: number, to: number, into: Float64Array): void {
  const middle = (from + to) / 2;
  const t = Math.tan((to - from) / 4);
  const [c, s] = [Math.cos(middle), Math.sin(middle)];
  for (let i = 0; i < 4; i += 1) {
    const [o, p, q] = [conic[i]!, conic[i + 4]! * c + conic[i + 8]! * s, conic[i + 8]! * c - conic[i + 4]! * s];
    const even = o * (1 + t * t) + p * (1 - t * t);
    into[i] = even - 2 * t * q;
    into[i + 4] = o * (1 - t * t) + p * (1 + t * t);
    into[i + 8] = even + 2 * t * q;
  }
}

export function angleAt(from: number, to: number, parameter: number): number {
  return (from + to) / 2 + 2 * Math.atan((2 * parameter - 1) * Math.tan((to - from) / 4));
}
