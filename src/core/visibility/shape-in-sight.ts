import { cross3, difference3, dot3, length3, type Vector3 } from '@/core/geometry';
import { pushSignChanges, tolerance } from '@/core/numeric';
import { roundPoint, type RoundFace } from '@/core/solids';
import { roundNormal, type FaceShape, type PlanarShape } from './face-shape';
import { polar, polarPlane, quadricOf, rimCone, tangentCone, type QuadraticForm } from './quadratic-form';

/** How far a line is moved to either side to ask what lies beside it, mm: above rounding, far below any pen and below what a round face swells within a pen stroke. */
export const BESIDE_MM = 1e-7;
/** A point this near a surface, mm, lies on it. */
const ON_MM = 1e-5;
const TURN = 2 * Math.PI;

/** The eye, which way it looks, and how near to it nothing hides. */
export interface Looking {
  readonly eye: Vector3;
  readonly forward: Vector3;
  readonly near: number;
}

/**
 * A face as one eye sees it, with all that decides where a line begins or ceases to be hidden by it: the sight planes of its straight sides, the
 * sight cones of its rims, the tangent cone of its silhouettes and the surface itself. Along a straight line or a conic each is a polynomial; between two
 * of their roots nothing changes, and one sight line tells. All figures are taken from the face's own centre, so that even an eye far off loses
 * nothing to rounding.
 */
export class ShapeInSight {
  readonly centre: Vector3;
  /** All of the face lies within this of its centre. */
  readonly reach: number;
  private readonly flat: boolean;
  private readonly planes: number[] = [];
  private readonly forms: QuadraticForm[] = [];
  private readonly eye: Vector3;
  private readonly away: (x: number, y: number, z: number) => boolean;
  private readonly hit: (x: number, y: number, z: number, onIt: boolean) => boolean;
  private readonly onSurface: (x: number, y: number, z: number) => boolean;

  constructor(shape: FaceShape, { eye, forward, near }: Looking, oneSided: boolean) {
    const centre = shape.kind === 'round' ? shape.round.centre : firstPoint(shape);
    const e = difference3(eye, centre);
    this.centre = centre;
    this.flat = shape.kind === 'planar';
    this.eye = e;
    const seenFrom = (x: number, y: number, z: number): boolean =>
      forward.x * (x - e.x) + forward.y * (y - e.y) + forward.z * (z - e.z) >= near;
    if (shape.kind === 'planar') {
      this.reach = 1.0001 * this.layPlanar(shape);
      const { normal: n } = shape;
      const offset = shape.offset - dot3(n, centre);
      const side = dot3(n, e) - offset;
      this.planes.push(n.x, n.y, n.z, -offset);
      const inside = insideOf(shape, centre);
      // Behind the plane as the eye sees it.
      this.away = (x, y, z) => {
        const d = n.x * x + n.y * y + n.z * z - offset;
        return side > 0 ? d < -tolerance.touchMm : d > tolerance.touchMm;
      };
      this.onSurface = () => false;
      this.hit = (x, y, z) => {
        const d = n.x * x + n.y * y + n.z * z - offset;
        if (d > 0 === side > 0) return false;
        const share = d / (d - side);
        const [hx, hy, hz] = [x + (e.x - x) * share, y + (e.y - y) * share, z + (e.z - z) * share];
        return inside(hx, hy, hz) && seenFrom(hx, hy, hz);
      };
      return;
    }
    const { round } = shape;
    this.reach = 1.0001 * this.layRound(round);
    const quadric = quadricOf(round);
    this.forms.push(quadric, tangentCone(quadric, e));
    // A line on the surface itself only touches that cone: it turns away where it passes the plane of the silhouettes.
    this.planes.push(...polarPlane(quadric, e));
    const holds = heldBy(round, oneSided ? e : null);
    const scratch = new Float64Array(8);
    const size = 2 * Math.max(round.radius, 1e-3);
    this.away = () => true;
    this.onSurface = (x, y, z) => {
      scratch.set([x, y, z, 1]);
      return Math.abs(polar(quadric, 0, scratch, 0, scratch, 0)) <= ON_MM * size;
    };
    this.hit = (x, y, z, onIt) => {
      const [dx, dy, dz] = [e.x - x, e.y - y, e.z - z];
      scratch.set([x, y, z, 1, dx, dy, dz, 0]);
      const a = polar(quadric, 0, scratch, 4, scratch, 4);
      const b = polar(quadric, 0, scratch, 0, scratch, 4);
      const c = polar(quadric, 0, scratch, 0, scratch, 0);
      const under = b * b - a * c;
      if (!(under >= 0)) return false;
      const q = -(b + (b < 0 ? -1 : 1) * Math.sqrt(under));
      const [one, other] = [q / a, q === 0 ? NaN : c / q];
      const counts = (share: number): boolean => {
        if (!(share > 0 && share < 1)) return false;
        const [hx, hy, hz] = [x + dx * share, y + dy * share, z + dz * share];
        return holds(hx, hy, hz) && seenFrom(hx, hy, hz);
      };
      // Where it lies on the surface itself, that meeting does not count.
      if (onIt) return counts(Math.abs(one) < Math.abs(other) || Number.isNaN(one) ? other : one);
      return counts(one) || counts(other);
    };
  }

  /** Parameters of a piece at which what this face hides of it may change: Bernstein rows of the piece from the world's origin, w last. */
  pushChanges(rows: Float64Array, degree: 1 | 2, out: number[]): void {
    const { centre, planes, forms } = this;
    const [cx, cy, cz] = [centre.x, centre.y, centre.z];
    for (let i = 0; i <= degree; i += 1) {
      const w = rows[i * 4 + 3]!;
      LOCAL[i * 4] = rows[i * 4]! - cx * w;
      LOCAL[i * 4 + 1] = rows[i * 4 + 1]! - cy * w;
      LOCAL[i * 4 + 2] = rows[i * 4 + 2]! - cz * w;
      LOCAL[i * 4 + 3] = w;
    }
    for (let p = 0; p < planes.length; p += 4) {
      for (let i = 0; i <= degree; i += 1)
        VALUES[i] =
          planes[p]! * LOCAL[i * 4]! +
          planes[p + 1]! * LOCAL[i * 4 + 1]! +
          planes[p + 2]! * LOCAL[i * 4 + 2]! +
          planes[p + 3]! * LOCAL[i * 4 + 3]!;
      pushSignChanges(VALUES, degree, out);
    }
    for (const form of forms) {
      VALUES[0] = polar(form, 0, LOCAL, 0, LOCAL, 0);
      VALUES[1] = polar(form, 0, LOCAL, 0, LOCAL, 4);
      if (degree === 1) VALUES[2] = polar(form, 0, LOCAL, 4, LOCAL, 4);
      else {
        VALUES[2] = (polar(form, 0, LOCAL, 0, LOCAL, 8) + 2 * polar(form, 0, LOCAL, 4, LOCAL, 4)) / 3;
        VALUES[3] = polar(form, 0, LOCAL, 4, LOCAL, 8);
        VALUES[4] = polar(form, 0, LOCAL, 8, LOCAL, 8);
      }
      pushSignChanges(VALUES, degree * 2, out);
    }
  }

  /**
   * Whether a point is hidden when it is moved by a hair against `beside` (1) and along it (2): 0 to 3. What it only touches hides nothing.
   * @param p the point in the world. @param beside unit vector square to the line and the sight line. @param own whether the line is one of this
   * face's own: it lies on it then, however nearly it was found.
   */
  hides(p: Vector3, beside: Vector3, own: boolean): number {
    const { centre } = this;
    const [x, y, z] = [p.x - centre.x, p.y - centre.y, p.z - centre.z];
    if (!this.away(x, y, z)) return 0;
    if (own && this.flat) return 0;
    const onIt = own || this.onSurface(x, y, z);
    const [bx, by, bz] = [beside.x * BESIDE_MM, beside.y * BESIDE_MM, beside.z * BESIDE_MM];
    return (this.hit(x - bx, y - by, z - bz, onIt) ? 1 : 0) + (this.hit(x + bx, y + by, z + bz, onIt) ? 2 : 0);
  }

  /** The sight plane of a straight side, both ends from the centre. */
  private sidePlane(a: Vector3, b: Vector3): void {
    const m = cross3(difference3(a, this.eye), difference3(b, a));
    const size = length3(m);
    if (size > 0) this.planes.push(m.x / size, m.y / size, m.z / size, -dot3(m, a) / size);
  }

  /** The sight cone of a rim, and the sight plane of its widest diameter: seen edge-on the cone has shrunk to that. */
  private rim(centre: Vector3, normal: Vector3, radius: number): void {
    if (radius <= 0) return;
    this.forms.push(rimCone(centre, normal, radius, this.eye));
    const toEye = difference3(this.eye, centre);
    const diameter = cross3(normal, toEye);
    if (length3(diameter) > 1e-9 * length3(toEye))
      this.sidePlane(centre, { x: centre.x + diameter.x, y: centre.y + diameter.y, z: centre.z + diameter.z });
  }

  private layPlanar(shape: PlanarShape): number {
    let reach = 0;
    for (const loop of shape.loops)
      for (const { from, to, arc } of loop) {
        const [a, b] = [difference3(from, this.centre), difference3(to, this.centre)];
        reach = Math.max(reach, length3(a));
        if (!arc) {
          this.sidePlane(a, b);
          continue;
        }
        const c = difference3(arc.circle.centre, this.centre);
        reach = Math.max(reach, length3(c) + arc.circle.radius);
        this.rim(c, shape.normal, arc.circle.radius);
      }
    return reach;
  }

  private layRound(round: RoundFace): number {
    const { axis, sector, surface, from, to } = round;
    for (const end of [from, to])
      this.rim({ x: axis.x * end.along, y: axis.y * end.along, z: axis.z * end.along }, axis, end.radius);
    if (sector[1] - sector[0] < TURN - tolerance.wholeTurnRad)
      for (const angle of sector) {
        if (surface === 'sphere') {
          const across = Math.cos(angle);
          const [u, v] = [round.first, round.second];
          const s = Math.sin(angle);
          this.rim(
            { x: 0, y: 0, z: 0 },
            { x: v.x * across - u.x * s, y: v.y * across - u.y * s, z: v.z * across - u.z * s },
            round.radius,
          );
        } else
          this.sidePlane(
            difference3(roundPoint(round, angle, from.along), round.centre),
            difference3(roundPoint(round, angle, to.along), round.centre),
          );
      }
    return surface === 'sphere'
      ? round.radius
      : Math.max(Math.hypot(from.along, from.radius), Math.hypot(to.along, to.radius));
  }
}

const LOCAL = new Float64Array(12);
const VALUES = new Float64Array(5);

function firstPoint(shape: PlanarShape): Vector3 {
  const first = shape.loops[0]?.[0]?.from;
  return first ?? { x: 0, y: 0, z: 0 };
}

/** Whether a point of the whole surface, from its centre, is part of the face; with an eye, only where the face shows it its outer side. */
export function heldBy(
  round: RoundFace,
  eye: Vector3 | null,
  margin = 0,
): (x: number, y: number, z: number) => boolean {
  const { axis: a, first: u, second: v, sector, from, to } = round;
  const [low, high] = [Math.min(from.along, to.along), Math.max(from.along, to.along)];
  const whole = sector[1] - sector[0] >= TURN - tolerance.wholeTurnRad;
  const middle = (sector[0] + sector[1]) / 2;
  const half = (sector[1] - sector[0]) / 2;
  const slope =
    round.surface !== 'cone' || from.along === to.along ? 0 : (to.radius - from.radius) / (to.along - from.along);
  return (x, y, z) => {
    const along = a.x * x + a.y * y + a.z * z;
    if (along < low + margin || along > high - margin) return false;
    // The other half of a whole cone is no part of a frustum.
    if (slope !== 0 && from.radius + slope * (along - from.along) < 0) return false;
    if (whole && !eye) return true;
    const angle = Math.atan2(v.x * x + v.y * y + v.z * z, u.x * x + u.y * y + u.z * z);
    if (!whole) {
      const off = angle - middle - Math.round((angle - middle) / TURN) * TURN;
      if (Math.abs(off) > half) return false;
    }
    if (!eye) return true;
    const n = roundNormal(round, angle, along);
    return n.x * (eye.x - x) + n.y * (eye.y - y) + n.z * (eye.z - z) > 0;
  };
}

/** Sides of a planar face in its own plane, arcs split where they turn back in y; a ray along x counts those it passes. */
export function insideOf(shape: PlanarShape, centre: Vector3): (x: number, y: number, z: number) => boolean {
  const { normal: n } = shape;
  const helper = Math.abs(n.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 };
  const raw = cross3(helper, n);
  const size = length3(raw);
  const p = { x: raw.x / size, y: raw.y / size, z: raw.z / size };
  const q = cross3(n, p);
  const flat = (at: Vector3): readonly [number, number] => {
    const d = difference3(at, centre);
    return [dot3(p, d), dot3(q, d)];
  };
  /** x0, y0, x1, y1, and of an arc its middle, radius and side (±1): 0 for a straight side. */
  const sides: number[] = [];
  for (const loop of shape.loops)
    for (const { from, to, arc } of loop) {
      const [a, b] = [flat(from), flat(to)];
      if (!arc) {
        sides.push(...a, ...b, 0, 0, 0, 0);
        continue;
      }
      const { circle } = arc;
      const middle = flat(circle.centre);
      const [f, s] = [dot3(q, circle.first), dot3(q, circle.second)];
      const [g, t] = [dot3(p, circle.first), dot3(p, circle.second)];
      const turned = Math.atan2(s, f);
      const [low, high] = arc.from < arc.to ? [arc.from, arc.to] : [arc.to, arc.from];
      const marks = [low];
      for (let k = Math.ceil((low - turned) / Math.PI); turned + k * Math.PI < high; k += 1)
        if (turned + k * Math.PI > low) marks.push(turned + k * Math.PI);
      marks.push(high);
      if (arc.from > arc.to) marks.reverse();
      const point = (angle: number): readonly [number, number] => [
        middle[0] + circle.radius * (g * Math.cos(angle) + t * Math.sin(angle)),
        middle[1] + circle.radius * (f * Math.cos(angle) + s * Math.sin(angle)),
      ];
      for (let i = 0; i + 1 < marks.length; i += 1) {
        const start = i === 0 ? a : point(marks[i]!);
        const end = i + 2 === marks.length ? b : point(marks[i + 1]!);
        const between = point((marks[i]! + marks[i + 1]!) / 2);
        sides.push(...start, ...end, middle[0], middle[1], circle.radius, between[0] >= middle[0] ? 1 : -1);
      }
    }
  const list = Float64Array.from(sides);
  return (x, y, z) => {
    const [u, v] = [p.x * x + p.y * y + p.z * z, q.x * x + q.y * y + q.z * z];
    let odd = false;
    for (let i = 0; i < list.length; i += 8) {
      const [y0, y1] = [list[i + 1]!, list[i + 3]!];
      if (y0 > v === y1 > v) continue;
      let at: number;
      if (list[i + 7] === 0) at = list[i]! + ((v - y0) / (y1 - y0)) * (list[i + 2]! - list[i]!);
      else {
        const [rise, radius] = [v - list[i + 5]!, list[i + 6]!];
        at = list[i + 4]! + list[i + 7]! * Math.sqrt(Math.max(0, radius * radius - rise * rise));
      }
      if (at > u) odd = !odd;
    }
    return odd;
  };
}
