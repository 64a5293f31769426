import { tolerance } from '@/core/numeric';
import { cross3, dot3, trigonometricRoots, type Trigonometric, type Vector3 } from '@/core/geometry';
import type { WorldPoint } from '@/core/space';
import type { Circle, RoundFace } from './body';

const TURN = 2 * Math.PI;

/** A point of a round face: angle about its axis, and height along it from its centre. */
export function roundPoint(face: RoundFace, angle: number, along: number): WorldPoint {
  const r = radiusAt(face, along);
  const { centre: c, axis: a, first: u, second: v } = face;
  const [p, q] = [r * Math.cos(angle), r * Math.sin(angle)];
  return {
    x: c.x + a.x * along + u.x * p + v.x * q,
    y: c.y + a.y * along + u.y * p + v.y * q,
    z: c.z + a.z * along + u.z * p + v.z * q,
  } as WorldPoint;
}

/** Radius at a height: √(R² − h²) on a sphere, straight between the two ends on the others. */
export function radiusAt({ surface, from, to, radius }: RoundFace, along: number): number {
  if (surface === 'sphere') return Math.sqrt(Math.max(0, radius * radius - along * along));
  if (from.along === to.along) return from.radius;
  return from.radius + ((to.radius - from.radius) * (along - from.along)) / (to.along - from.along);
}

/** Where the outline of a round face as seen from a point runs: straight silhouettes of cylinders and cones, the silhouette circle of a sphere. */
export type Silhouette =
  | { readonly kind: 'line'; readonly angle: number; readonly from: WorldPoint; readonly to: WorldPoint }
  | { readonly kind: 'arc'; readonly circle: Circle; readonly from: number; readonly to: number };

const within = (angle: number, [from, to]: readonly [number, number]): boolean => {
  if (to - from >= TURN - tolerance.wholeTurnRad) return true;
  const turn = (((angle - from) % TURN) + TURN) % TURN;
  return turn <= to - from;
};

/**
 * Silhouettes seen from the eye. On a cylinder or cone with radius r(h) = r₀ + s·h the tangent condition for the eye at (distance p square
 * from the axis, height e) is p·cos(θ − θₑ) = r₀ + s·e: two straight lines, or none. Only faces that look away from their axis have any.
 */
export function silhouettesOf(face: RoundFace, eye: Vector3): readonly Silhouette[] {
  if (face.looks === 'inward') return [];
  const away = { x: eye.x - face.centre.x, y: eye.y - face.centre.y, z: eye.z - face.centre.z };
  if (face.surface === 'sphere') return sphereSilhouette(face, away);
  const [p, q, e] = [dot3(away, face.first), dot3(away, face.second), dot3(away, face.axis)];
  const distance = Math.hypot(p, q);
  const slope = (face.to.radius - face.from.radius) / (face.to.along - face.from.along);
  const cosine = (face.from.radius + slope * (e - face.from.along)) / distance;
  if (!(Math.abs(cosine) < 1)) return [];
  const toEye = Math.atan2(q, p);
  return [-1, 1].flatMap((side): Silhouette[] => {
    const angle = toEye + side * Math.acos(cosine);
    if (!within(angle, face.sector)) return [];
    const end = (along: number): WorldPoint => roundPoint(face, angle, along);
    return [{ kind: 'line', angle, from: end(face.from.along), to: end(face.to.along) }];
  });
}

/** The silhouette of a sphere is the circle about R²/D along the way to the eye, with radius R·√(1 − R²/D²); of a zone or sector what lies in it. */
function sphereSilhouette(face: RoundFace, away: Vector3): readonly Silhouette[] {
  const { radius: R, centre: c, axis, first, second, sector } = face;
  const D = Math.hypot(away.x, away.y, away.z);
  if (D <= R) return [];
  const n = { x: away.x / D, y: away.y / D, z: away.z / D };
  const helper = Math.abs(n.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 };
  const s = cross3(n, helper);
  const size = Math.hypot(s.x, s.y, s.z);
  const u = { x: s.x / size, y: s.y / size, z: s.z / size };
  const v = cross3(n, u);
  const r = R * Math.sqrt(1 - (R * R) / (D * D));
  const k = (R * R) / D;
  const circle: Circle = {
    centre: { x: c.x + n.x * k, y: c.y + n.y * k, z: c.z + n.z * k } as WorldPoint,
    first: u,
    second: v,
    radius: r,
  };
  /** How far along a direction the silhouette's points lie from the sphere's centre. */
  const along = (d: Vector3): Trigonometric => [k * dot3(n, d), r * dot3(u, d), r * dot3(v, d)];
  const [h, p, q] = [along(axis), along(first), along(second)];
  const low = Math.min(face.from.along, face.to.along);
  const high = Math.max(face.from.along, face.to.along);
  // Where the silhouette passes the zone's two heights and the sector's two half-planes.
  const marks = [
    ...[low, high].flatMap((height) => trigonometricRoots([h[0] - height, h[1], h[2]], 0, TURN)),
    ...(sector[1] - sector[0] >= TURN - tolerance.wholeTurnRad
      ? []
      : sector.flatMap((angle) => {
          const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
          return trigonometricRoots(
            [q[0] * cos - p[0] * sin, q[1] * cos - p[1] * sin, q[2] * cos - p[2] * sin],
            0,
            TURN,
          );
        })),
  ].sort((a, b) => a - b);
  const value = ([a, b, g]: Trigonometric, angle: number): number => a + b * Math.cos(angle) + g * Math.sin(angle);
  const on = (angle: number): boolean => {
    const height = value(h, angle);
    return height >= low && height <= high && within(Math.atan2(value(q, angle), value(p, angle)), sector);
  };
  if (marks.length === 0) return on(1) ? [{ kind: 'arc', circle, from: 0, to: TURN }] : [];
  const silhouettes: Silhouette[] = [];
  marks.forEach((from, i) => {
    const next = marks[i + 1] ?? (marks[0] ?? 0) + TURN;
    if (next - from > 1e-9 && on((from + next) / 2)) silhouettes.push({ kind: 'arc', circle, from, to: next });
  });
  return silhouettes;
}
