import { cross3, dot3, type Vector3 } from '@/core/geometry';
import type { WorldPoint } from '@/core/space';
import type { RoundFace } from './body';

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

/** Where the outline of a round face as seen from a point runs: straight limbs of cylinders and cones, the limb circle of a sphere. */
export type Limb =
  | { readonly kind: 'line'; readonly angle: number; readonly from: WorldPoint; readonly to: WorldPoint }
  | { readonly kind: 'points'; readonly points: readonly WorldPoint[] };

const within = (angle: number, [from, to]: readonly [number, number]): boolean => {
  if (to - from >= TURN - 1e-9) return true;
  const turn = (((angle - from) % TURN) + TURN) % TURN;
  return turn <= to - from;
};

/**
 * Limbs seen from the eye. On a cylinder or cone with radius r(h) = r₀ + s·h the tangent condition for the eye at (distance p square
 * from the axis, height e) is p·cos(θ − θₑ) = r₀ + s·e: two straight lines, or none. Only faces that look away from their axis have any.
 */
export function limbsOf(face: RoundFace, eye: Vector3): readonly Limb[] {
  if (face.looks === 'inward') return [];
  const away = { x: eye.x - face.centre.x, y: eye.y - face.centre.y, z: eye.z - face.centre.z };
  if (face.surface === 'sphere') return sphereLimb(face, away);
  const [p, q, e] = [dot3(away, face.first), dot3(away, face.second), dot3(away, face.axis)];
  const distance = Math.hypot(p, q);
  const slope = (face.to.radius - face.from.radius) / (face.to.along - face.from.along);
  const cosine = (face.from.radius + slope * (e - face.from.along)) / distance;
  if (!(Math.abs(cosine) < 1)) return [];
  const toEye = Math.atan2(q, p);
  return [-1, 1].flatMap((side): Limb[] => {
    const angle = toEye + side * Math.acos(cosine);
    if (!within(angle, face.sector)) return [];
    const end = (along: number): WorldPoint => roundPoint(face, angle, along);
    return [{ kind: 'line', angle, from: end(face.from.along), to: end(face.to.along) }];
  });
}

/** Chords of a limb circle: enough that none misses the circle by more than 0.05 % of the radius. */
const LIMB_CHORDS = 96;

/** The limb of a sphere is the circle about R²/D along the way to the eye, with radius R·√(1 − R²/D²). */
function sphereLimb(face: RoundFace, away: Vector3): readonly Limb[] {
  const { radius: R, centre: c } = face;
  const D = Math.hypot(away.x, away.y, away.z);
  if (D <= R) return [];
  const n = { x: away.x / D, y: away.y / D, z: away.z / D };
  const helper = Math.abs(n.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 };
  const s = cross3(n, helper);
  const size = Math.hypot(s.x, s.y, s.z);
  const u = { x: s.x / size, y: s.y / size, z: s.z / size };
  const v = cross3(n, u);
  const r = R * Math.sqrt(1 - (R * R) / (D * D));
  const low = Math.min(face.from.along, face.to.along);
  const high = Math.max(face.from.along, face.to.along);
  const points = Array.from({ length: LIMB_CHORDS + 1 }, (_, i) => {
    const [a, b] = [r * Math.cos((TURN * i) / LIMB_CHORDS), r * Math.sin((TURN * i) / LIMB_CHORDS)];
    const k = (R * R) / D;
    return {
      x: c.x + n.x * k + u.x * a + v.x * b,
      y: c.y + n.y * k + u.y * a + v.y * b,
      z: c.z + n.z * k + u.z * a + v.z * b,
    } as WorldPoint;
  });
  // A zone shows only as much of the limb as lies between its two heights.
  const runs: WorldPoint[][] = [];
  let run: WorldPoint[] = [];
  for (const point of points) {
    const h = (point.x - c.x) * face.axis.x + (point.y - c.y) * face.axis.y + (point.z - c.z) * face.axis.z;
    if (h >= low - 1e-9 && h <= high + 1e-9) run.push(point);
    else if (run.length > 0) {
      runs.push(run);
      run = [];
    }
  }
  if (run.length > 0) runs.push(run);
  return runs.filter((one) => one.length > 1).map((one) => ({ kind: 'points', points: one }));
}
