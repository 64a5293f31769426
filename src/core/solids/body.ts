import { invariant } from '@/core/base';
import { cross3, difference3, dot3, length3, type Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';

/** A named corner. Names are `thing/part/corner` and survive every change of size and view. */
export interface Vertex {
  readonly id: Id;
  readonly at: WorldPoint;
}

/** A flat face: outer loop first, then holes; indices into the body's vertices. */
export interface Face {
  readonly id: Id;
  readonly loops: readonly (readonly number[])[];
  /** Unit normal: out of a piece, into the room for room surfaces. */
  readonly normal: Vector3;
  /** normal · P for every point P of the face, mm. */
  readonly offset: number;
  /** A room surface is drawn, and hides, only when the eye is on its room side; all else from both sides. */
  readonly seen: 'both-sides' | 'room-side';
  /** A reveal belongs to its wall: it is there only when that wall is drawn. */
  readonly belongsTo?: Id;
}

/** A straight edge between two vertices, drawn when any of its faces is. */
export interface Edge {
  readonly id: Id;
  readonly from: number;
  readonly to: number;
  readonly faces: readonly Id[];
}

export interface Body {
  /** The id of the piece or space it is made from. */
  readonly id: Id;
  readonly kind: 'room' | 'piece';
  readonly name: string;
  readonly vertices: readonly Vertex[];
  readonly faces: readonly Face[];
  readonly edges: readonly Edge[];
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
