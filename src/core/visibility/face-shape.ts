import { tolerance } from '@/core/numeric';
import type { Vector3 } from '@/core/geometry';
import { circlePoint, radiusAt, roundPoint, type Circle, type RoundFace } from '@/core/solids';
import type { WorldPoint } from '@/core/space';

/** A side of a planar face: straight, or the arc that leads from its first point to its second. */
export interface PlanarSide {
  readonly from: WorldPoint;
  readonly to: WorldPoint;
  /** Angles on the circle from the side's first point to its second; the second may be the smaller. */
  readonly arc?: { readonly circle: Circle; readonly from: number; readonly to: number };
}

/** A planar face with its arcs as what they are: outline first, then holes. */
export interface PlanarShape {
  readonly kind: 'planar';
  readonly normal: Vector3;
  readonly offset: number;
  readonly loops: readonly (readonly PlanarSide[])[];
}

/** A face of a cylinder, cone or sphere. */
export interface RoundShape {
  readonly kind: 'round';
  readonly round: RoundFace;
}

export type FaceShape = PlanarShape | RoundShape;

const TURN = 2 * Math.PI;
/** Chords to a turn in what encloses a planar face's arcs: only how much is asked in vain depends on it. */
const CHORDS = 24;

export interface Enclosure {
  readonly corners: readonly WorldPoint[];
  /** After each corner, where the arc's tangents meet. */
  readonly bulges: readonly (WorldPoint | null)[];
}

/** A loop as chords, with the tangents' meeting over each chord of an arc. */
export function enclose(loop: readonly PlanarSide[]): Enclosure {
  const corners: WorldPoint[] = [];
  const bulges: (WorldPoint | null)[] = [];
  for (const { from, arc } of loop) {
    if (!arc) {
      corners.push(from);
      bulges.push(null);
      continue;
    }
    const turn = arc.to - arc.from;
    const n = Math.max(1, Math.ceil((Math.abs(turn) / TURN) * CHORDS - tolerance.wholeNumber));
    const reach = 1 / Math.cos(turn / n / 2);
    for (let i = 0; i < n; i += 1) {
      corners.push(i === 0 ? from : circlePoint(arc.circle, arc.from + (turn * i) / n));
      bulges.push(circlePoint({ ...arc.circle, radius: arc.circle.radius * reach }, arc.from + (turn * (i + 0.5)) / n));
    }
  }
  return { corners, bulges };
}

/** Least and greatest of r·cos θ or r·sin θ over a sector and radii. */
function extent(least: number, most: number, angles: readonly number[], of: (angle: number) => number) {
  const values = angles.flatMap((angle) => [least * of(angle), most * of(angle)]);
  return [Math.min(...values), Math.max(...values)] as const;
}

/** A box about a round face, in the round's own directions: its six sides. */
export function boxAbout(face: RoundFace): readonly (readonly WorldPoint[])[] {
  const [from, to] = face.sector;
  // Where cosine and sine are extreme within the sector.
  const angles = [from, to];
  for (let quarter = Math.ceil(from / (Math.PI / 2)); (quarter * Math.PI) / 2 < to; quarter += 1)
    angles.push((quarter * Math.PI) / 2);
  const low = Math.min(face.from.along, face.to.along);
  const high = Math.max(face.from.along, face.to.along);
  const radii = [radiusAt(face, low), radiusAt(face, high)];
  if (face.surface === 'sphere' && low < 0 && high > 0) radii.push(face.radius);
  const [least, most] = [Math.min(...radii), Math.max(...radii)];
  const [p0, p1] = extent(least, most, angles, Math.cos);
  const [q0, q1] = extent(least, most, angles, Math.sin);
  const corner = (p: number, q: number, a: number): WorldPoint => {
    const { centre: c, first: u, second: v, axis: w } = face;
    return {
      x: c.x + u.x * p + v.x * q + w.x * a,
      y: c.y + u.y * p + v.y * q + w.y * a,
      z: c.z + u.z * p + v.z * q + w.z * a,
    } as WorldPoint;
  };
  const at = (i: number): WorldPoint => corner(i & 1 ? p1 : p0, i & 2 ? q1 : q0, i & 4 ? high : low);
  return [
    [0, 1, 3, 2],
    [4, 5, 7, 6],
    [0, 1, 5, 4],
    [2, 3, 7, 6],
    [0, 2, 6, 4],
    [1, 3, 7, 5],
  ].map((side) => side.map(at));
}

/** The way a round face's outer side looks at an angle and height: away from the axis, or toward it; unit length. */
export function roundNormal(face: RoundFace, angle: number, along: number): Vector3 {
  const { first: u, second: v, axis: w, surface, from, to } = face;
  const sign = face.looks === 'away' ? 1 : -1;
  const r = radiusAt(face, along);
  // Of a sphere the radius itself; of a cone square to its side.
  const lean =
    surface === 'sphere' ? along : from.along === to.along ? 0 : (from.radius - to.radius) / (to.along - from.along);
  const out = surface === 'sphere' ? r : 1;
  const size = sign / (Math.hypot(out, lean) || 1);
  const [c, s] = [Math.cos(angle) * out * size, Math.sin(angle) * out * size];
  return {
    x: u.x * c + v.x * s + w.x * lean * size,
    y: u.y * c + v.y * s + w.y * lean * size,
    z: u.z * c + v.z * s + w.z * lean * size,
  };
}

/** Whether any part of a round face shows its outer side to the eye: found on a net of its points. */
export function showsOuterSide(face: RoundFace, eye: Vector3): boolean {
  const [from, to] = face.sector;
  for (let i = 0; i <= 24; i += 1)
    for (let j = 0; j <= (face.surface === 'sphere' ? 8 : 1); j += 1) {
      const angle = from + ((to - from) * i) / 24;
      const along = face.from.along + ((face.to.along - face.from.along) * j) / (face.surface === 'sphere' ? 8 : 1);
      const [p, n] = [roundPoint(face, angle, along), roundNormal(face, angle, along)];
      if ((eye.x - p.x) * n.x + (eye.y - p.y) * n.y + (eye.z - p.z) * n.z > tolerance.touchMm) return true;
    }
  return false;
}

/** Whether a face shows its outer side to the eye at one of its points. */
export function outerSide(
  { face, shape }: { readonly face: { readonly normal: Vector3; readonly offset: number }; readonly shape?: FaceShape },
  point: Vector3,
  eye: Vector3,
): boolean {
  if (shape?.kind !== 'round') {
    const { normal: n } = face;
    return n.x * eye.x + n.y * eye.y + n.z * eye.z > face.offset;
  }
  const { round } = shape;
  const { centre: c, first: u, second: v, axis: w } = round;
  const [x, y, z] = [point.x - c.x, point.y - c.y, point.z - c.z];
  const angle = Math.atan2(v.x * x + v.y * y + v.z * z, u.x * x + u.y * y + u.z * z);
  const n = roundNormal(round, angle, w.x * x + w.y * y + w.z * z);
  return n.x * (eye.x - point.x) + n.y * (eye.y - point.y) + n.z * (eye.z - point.z) > 0;
}
