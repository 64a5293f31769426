import { invariant } from '@/core/base';
import { cross3, difference3, dot3, length3, type Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import type { CopyOf } from './copies';
import type { Role } from './role';

/** A named corner. Names are `thing/part/corner` and survive every change of size and view. */
export interface Vertex {
  readonly id: Id;
  readonly role: Role;
  readonly at: WorldPoint;
}

/** Where a loop's side from one corner to the next is not straight but follows an arc edge. */
export interface Bend {
  readonly loop: number;
  /** Position in the loop of the side's first corner. */
  readonly after: number;
  readonly arc: Id;
}

/** A flat face: outer loop first, then holes; indices into the body's vertices. A whole circle is a loop of its one seam corner. */
export interface Face {
  readonly id: Id;
  readonly role: Role;
  /** What it is a face of within its body: flush faces of different parts show no seam, and parts that run through each other a line. */
  readonly part: Id;
  readonly loops: readonly (readonly number[])[];
  readonly bends: readonly Bend[];
  /** Unit normal: out of a piece, into the room for room surfaces. */
  readonly normal: Vector3;
  /** normal · P for every point P of the face, mm. */
  readonly offset: number;
  /** A room surface is drawn, and hides, only when the eye is on its room side; all else from both sides. */
  readonly seen: 'both-sides' | 'room-side';
  /** A reveal belongs to its wall, or to the two walls it joins: it is there only when one of them is drawn. */
  readonly belongsTo: readonly Id[];
}

/** A straight edge between two vertices, drawn when any of its faces is. */
export interface Edge {
  readonly id: Id;
  readonly role: Role;
  readonly from: number;
  readonly to: number;
  readonly faces: readonly Id[];
}

/** A circle in space: centre + radius·(cos θ·first + sin θ·second), the two unit directions square to each other. */
export interface Circle {
  readonly centre: WorldPoint;
  readonly first: Vector3;
  readonly second: Vector3;
  readonly radius: number;
}

/** A part of a circle from one angle to a larger one, radians; 0 to 2π is the whole, with its seam at 0. */
export interface ArcEdge {
  readonly id: Id;
  readonly role: Role;
  readonly circle: Circle;
  readonly from: number;
  readonly to: number;
  readonly faces: readonly Id[];
}

/**
 * A round face as what it is, never as facets: a cylinder or cone frustum between two heights on its axis, or a zone of a sphere.
 * `from` and `to` are heights along the axis from `centre`; a sphere's centre is `centre`, and its heights lie within the radius.
 */
export interface RoundFace {
  readonly id: Id;
  readonly role: Role;
  readonly part: Id;
  readonly surface: 'cylinder' | 'cone' | 'sphere';
  readonly centre: WorldPoint;
  readonly axis: Vector3;
  readonly first: Vector3;
  readonly second: Vector3;
  readonly from: { readonly along: number; readonly radius: number };
  readonly to: { readonly along: number; readonly radius: number };
  /** A sphere's own radius; for the others the larger of the two. */
  readonly radius: number;
  /** Angles between which it runs, radians, about the axis from `first` toward `second`. */
  readonly sector: readonly [number, number];
  /** Whether its outer side looks away from the axis, as a post's does, or toward it, as a vault's. */
  readonly looks: 'away' | 'inward';
  readonly seen: Face['seen'];
  readonly belongsTo: readonly Id[];
}

export interface Body {
  /** The id of the piece, opening, surface or space it is made from. */
  readonly id: Id;
  readonly kind: 'room' | 'piece' | 'fitting' | 'surface';
  readonly name: string;
  /** The rooms it stands in or opens into. */
  readonly homes?: readonly Id[];
  readonly vertices: readonly Vertex[];
  readonly faces: readonly Face[];
  readonly edges: readonly Edge[];
  readonly rounds: readonly RoundFace[];
  readonly arcs: readonly ArcEdge[];
  /** Lines show where its flush boards meet, which are else left out. */
  readonly seams?: 'shown';
  /** The model it is a copy of, where it is one. */
  readonly copy?: CopyOf;
}

/** A point of a circle. */
export function circlePoint({ centre, first, second, radius }: Circle, angle: number): WorldPoint {
  const [c, s] = [radius * Math.cos(angle), radius * Math.sin(angle)];
  return {
    x: centre.x + c * first.x + s * second.x,
    y: centre.y + c * first.y + s * second.y,
    z: centre.z + c * first.z + s * second.z,
  } as WorldPoint;
}

/** Plane through a loop, by Newell's sum: right for any planar outline, convex or not; right-hand rule about the loop. */
export function planeOf(points: readonly WorldPoint[]): { readonly normal: Vector3; readonly offset: number } {
  let sum: Vector3 = { x: 0, y: 0, z: 0 };
  const first = points[0];
  invariant(first && points.length >= 3, 'a face has three corners');
  for (let i = 1; i + 1 < points.length; i += 1) {
    const cross = cross3(difference3(points[i] as WorldPoint, first), difference3(points[i + 1] as WorldPoint, first));
    sum = { x: sum.x + cross.x, y: sum.y + cross.y, z: sum.z + cross.z };
  }
  const length = length3(sum);
  invariant(length > 0, 'a face has an area');
  const normal = { x: sum.x / length, y: sum.y / length, z: sum.z / length };
  return { normal, offset: dot3(normal, first) };
}
