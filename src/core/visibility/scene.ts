import { at } from '@/core/base';
import { dot3, type Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import { limbsOf, planeOf, type Body, type Face, type RoundFace } from '@/core/solids';
import type { WorldPoint } from '@/core/space';
import { crossingEdges } from './crossings';
import { withoutSeams } from './seams';
import { standInsOf } from './stand-ins';

/** A face ready for testing: its corners in space, arcs and round faces as chords and flat stand-ins. */
export interface PreparedFace {
  readonly face: Pick<Face, 'id' | 'normal' | 'offset' | 'seen' | 'belongsTo'>;
  readonly body: Id;
  /** A face of a closed piece: what its back hides, its front hides too. */
  readonly closed: boolean;
  readonly loops: readonly (readonly WorldPoint[])[];
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

function prepareBody(body: Body): PreparedScene {
  const standIns = standInsOf(body);
  const closed = body.kind === 'piece';
  const prepared = (face: PreparedFace['face'], loops: readonly (readonly WorldPoint[])[]): PreparedFace => ({
    face,
    body: body.id,
    closed,
    loops,
  });
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
  const faces = [...flatFaces, ...facets];
  return {
    faces,
    edges: [...(closed ? withoutSeams(straight, flatFaces) : straight), ...chords],
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

/** All bodies together, with the lines in which they run through each other. */
export function sceneFrom(prepared: PreparedBodies): PreparedScene {
  const all = [...prepared.values()];
  return {
    faces: all.flatMap((one) => one.faces),
    edges: [...all.flatMap((one) => one.edges), ...crossingEdges(all)],
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
