import { at } from '@/core/base';
import { distanceToLoops, dot3, insideLoops, type Vector2, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import { limbsOf, planeOf, type Body, type Face, type RoundFace } from '@/core/solids';
import type { WorldPoint } from '@/core/space';
import { standInsOf } from './stand-ins';

/** A face ready for testing: its corners, and its outline flattened along the axis it faces most. */
export interface PreparedFace {
  readonly face: Pick<Face, 'id' | 'normal' | 'offset' | 'seen' | 'belongsTo'>;
  readonly body: Id;
  /** A face of a closed piece: what its back hides, its front hides too. */
  readonly closed: boolean;
  readonly loops: readonly (readonly WorldPoint[])[];
  readonly flat: readonly (readonly Vector2[])[];
  readonly dropped: 'x' | 'y' | 'z';
  /** Bounds of the flattened outline: most points are told to lie outside by these alone. */
  readonly box: { readonly x0: number; readonly x1: number; readonly y0: number; readonly y1: number };
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
  /** Round faces whose limbs depend on where the eye is. */
  readonly rounds: readonly { readonly round: RoundFace; readonly body: Id }[];
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

function prepareBody(body: Body): PreparedScene {
  const standIns = standInsOf(body);
  const closed = body.kind === 'piece';
  const prepared = (face: PreparedFace['face'], loops: readonly (readonly WorldPoint[])[]): PreparedFace => {
    const dropped = widestAxis(face.normal);
    const flat = loops.map((loop) => loop.map((p) => flatten(dropped, p)));
    let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const { x, y } of flat[0] ?? []) {
      x0 = Math.min(x0, x);
      x1 = Math.max(x1, x);
      y0 = Math.min(y0, y);
      y1 = Math.max(y1, y);
    }
    return { face, body: body.id, closed, loops, flat, dropped, box: { x0, x1, y0, y1 } };
  };
  const flatFaces = body.faces.map((face) => prepared(face, standIns.loops(face)));
  const facets = body.rounds.flatMap((round) =>
    standIns.facets(round).map(({ id, loop }) => {
      const { normal, offset } = planeOf(loop);
      const sign = dot3(normal, outward(round, loop)) >= 0 ? 1 : -1;
      const face = {
        // Every facet answers to the name of its round face: whoever touches the face touches them all.
        id,
        normal: { x: sign * normal.x, y: sign * normal.y, z: sign * normal.z },
        offset: sign * offset,
        seen: round.seen,
        belongsTo: round.belongsTo,
      };
      return prepared(face, [loop]);
    }),
  );
  const straight = body.edges.map((edge): PreparedEdge => ({
    id: edge.id,
    body: body.id,
    from: at(body.vertices, edge.from).at,
    to: at(body.vertices, edge.to).at,
    faces: edge.faces,
  }));
  const chords = body.arcs.flatMap((arc) => {
    const points = standIns.arcPoints(arc);
    return points
      .slice(1)
      .map((to, i): PreparedEdge => ({ id: arc.id, body: body.id, from: at(points, i), to, faces: arc.faces }));
  });
  return {
    faces: [...flatFaces, ...facets],
    edges: [...straight, ...chords],
    rounds: body.rounds.map((round) => ({ round, body: body.id })),
  };
}

/** Roughly outward at a facet: away from the axis, or toward it on an inward face. */
function outward(round: RoundFace, loop: readonly WorldPoint[]): Vector3 {
  const sum = loop.reduce((total, p) => ({ x: total.x + p.x, y: total.y + p.y, z: total.z + p.z }), {
    x: 0,
    y: 0,
    z: 0,
  });
  const from = {
    x: sum.x / loop.length - round.centre.x,
    y: sum.y / loop.length - round.centre.y,
    z: sum.z / loop.length - round.centre.z,
  };
  const along = round.surface === 'sphere' ? 0 : dot3(from, round.axis);
  const sign = round.looks === 'away' ? 1 : -1;
  return {
    x: sign * (from.x - along * round.axis.x),
    y: sign * (from.y - along * round.axis.y),
    z: sign * (from.z - along * round.axis.z),
  };
}

/** Bodies prepared one by one: what did not change need not be prepared again. */
export type PreparedBodies = ReadonlyMap<Body, PreparedScene>;

export function prepareBodies(bodies: readonly Body[], before?: PreparedBodies): PreparedBodies {
  return new Map(bodies.map((body) => [body, before?.get(body) ?? prepareBody(body)]));
}

export function sceneFrom(prepared: PreparedBodies): PreparedScene {
  const all = [...prepared.values()];
  return {
    faces: all.flatMap((one) => one.faces),
    edges: all.flatMap((one) => one.edges),
    rounds: all.flatMap((one) => one.rounds),
  };
}

export const prepareScene = (bodies: readonly Body[]): PreparedScene => sceneFrom(prepareBodies(bodies));

/** Limbs of the round faces as seen from the eye, as edges of their round face. */
export function limbEdges(scene: PreparedScene, eye: WorldPoint): readonly PreparedEdge[] {
  return scene.rounds.flatMap(({ round, body }) =>
    limbsOf(round, eye).flatMap((limb, i): PreparedEdge[] => {
      const id = `${round.id}/limb-${i + 1}`;
      const faces = [round.id];
      if (limb.kind === 'line') return [{ id, body, from: limb.from, to: limb.to, faces }];
      return limb.points.slice(1).map((to, k) => ({ id, body, from: at(limb.points, k), to, faces }));
    }),
  );
}

/** Faces that are drawn and hide from where the eye is: room surfaces only from their room side, reveals only with their wall. */
export function activeFaces(scene: PreparedScene, eye: WorldPoint): ReadonlySet<Id> {
  const active = new Set<Id>();
  const onRoomSide = ({ face }: PreparedFace): boolean =>
    face.seen === 'both-sides' || dot3(face.normal, eye) - face.offset > tolerance.touchMm;
  const put = (one: PreparedFace): void => {
    active.add(one.face.id);
    const facet = one.face.id.indexOf('~');
    if (facet >= 0) active.add(one.face.id.slice(0, facet));
  };
  for (const one of scene.faces) if (one.face.belongsTo.length === 0 && onRoomSide(one)) put(one);
  for (const one of scene.faces)
    if (one.face.belongsTo.length > 0 && one.face.belongsTo.some((id) => active.has(id)) && onRoomSide(one)) put(one);
  return active;
}

/** Strictly inside the face, clear of its outline and of its holes' outlines by the touching tolerance. `point` lies in its plane. */
export function inInterior(one: PreparedFace, point: Vector3): boolean {
  const x = one.dropped === 'x' ? point.y : point.x;
  const y = one.dropped === 'z' ? point.y : point.z;
  const { box } = one;
  if (x <= box.x0 || x >= box.x1 || y <= box.y0 || y >= box.y1) return false;
  const outer = one.flat[0];
  if (!outer || !insideLoops([outer], x, y)) return false;
  // Holes are asked one by one: where two overlap, what lies in both is still open.
  for (let i = 1; i < one.flat.length; i += 1) if (insideLoops([one.flat[i] ?? []], x, y)) return false;
  return distanceToLoops(one.flat, x, y) > tolerance.touchMm;
}
