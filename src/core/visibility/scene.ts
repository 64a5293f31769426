import { at } from '@/core/base';
import { distanceToLoops, dot3, insideLoops, type Vector2, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import type { Body, Face } from '@/core/solids';
import type { WorldPoint } from '@/core/space';

/** A face ready for testing: its corners, and its outline flattened along the axis it faces most. */
export interface PreparedFace {
  readonly face: Face;
  readonly body: Id;
  readonly loops: readonly (readonly WorldPoint[])[];
  readonly flat: readonly (readonly Vector2[])[];
  readonly dropped: 'x' | 'y' | 'z';
}

export interface PreparedEdge {
  readonly id: Id;
  readonly body: Id;
  readonly from: WorldPoint;
  readonly to: WorldPoint;
  readonly faces: readonly Id[];
}

/** Bodies made ready once per change of the record; every view of them starts here. */
export interface PreparedScene {
  readonly faces: readonly PreparedFace[];
  readonly edges: readonly PreparedEdge[];
}

export function flatten(dropped: 'x' | 'y' | 'z', p: Vector3): Vector2 {
  if (dropped === 'x') return { x: p.y, y: p.z };
  return dropped === 'y' ? { x: p.x, y: p.z } : { x: p.x, y: p.y };
}

function widestAxis(normal: Vector3): 'x' | 'y' | 'z' {
  const [x, y, z] = [Math.abs(normal.x), Math.abs(normal.y), Math.abs(normal.z)];
  if (x >= y && x >= z) return 'x';
  return y >= z ? 'y' : 'z';
}

export function prepareScene(bodies: readonly Body[]): PreparedScene {
  const faces = bodies.flatMap((body) =>
    body.faces.map((face): PreparedFace => {
      const loops = face.loops.map((loop) => loop.map((index) => at(body.vertices, index).at));
      const dropped = widestAxis(face.normal);
      return { face, body: body.id, loops, flat: loops.map((loop) => loop.map((p) => flatten(dropped, p))), dropped };
    }),
  );
  const edges = bodies.flatMap((body) =>
    body.edges.map((edge): PreparedEdge => ({
      id: edge.id,
      body: body.id,
      from: at(body.vertices, edge.from).at,
      to: at(body.vertices, edge.to).at,
      faces: edge.faces,
    })),
  );
  return { faces, edges };
}

/** Faces that are drawn and hide from where the eye is: room surfaces only from their room side, reveals only with their wall. */
export function activeFaces(scene: PreparedScene, eye: WorldPoint): ReadonlySet<Id> {
  const active = new Set<Id>();
  const onRoomSide = ({ face }: PreparedFace): boolean =>
    face.seen === 'both-sides' || dot3(face.normal, eye) - face.offset > tolerance.touchMm;
  for (const one of scene.faces) if (one.face.belongsTo === undefined && onRoomSide(one)) active.add(one.face.id);
  for (const one of scene.faces)
    if (one.face.belongsTo !== undefined && active.has(one.face.belongsTo) && onRoomSide(one)) active.add(one.face.id);
  return active;
}

/** Strictly inside the face, clear of its outline and of its holes' outlines by the touching tolerance. `point` lies in its plane. */
export function inInterior(one: PreparedFace, point: Vector3): boolean {
  const { x, y } = flatten(one.dropped, point);
  const outer = one.flat[0];
  if (!outer || !insideLoops([outer], x, y)) return false;
  // Holes are asked one by one: where two overlap, what lies in both is still open.
  for (let i = 1; i < one.flat.length; i += 1) if (insideLoops([one.flat[i] ?? []], x, y)) return false;
  return distanceToLoops(one.flat, x, y) > tolerance.touchMm;
}
