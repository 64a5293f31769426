import { tolerance } from '@/core/numeric';
import { at, drain, invariant } from '@/core/base';
import type { Id } from '@/core/record';
import {
  circlePoint,
  movedPoint,
  ownerOf,
  silhouettesOf,
  type Body,
  type CopyOf,
  type Face,
  type Role,
  type RoundFace,
} from '@/core/solids';
import type { Vector3 } from '@/core/geometry';
import type { WorldPoint } from '@/core/space';
import { crossingLinesInSteps } from './crossings';
import { boxAbout, enclose, type FaceShape, type PlanarSide } from './face-shape';
import { withoutSeams } from './seams';
import { conicOfCircle, type SpaceConic } from './space-conic';

/**
 * What a line of the picture is: an edge of a body, the outline of something round as the eye sees it, or where two faces run through each
 * other. That last is no body's own: it stands for both.
 */
export type LineRole =
  | { readonly line: 'edge'; readonly edge: Role }
  | { readonly line: 'silhouette'; readonly face: Role }
  | { readonly line: 'crossing'; readonly faces: readonly [Id, Id]; readonly bodies: readonly [Id, Id] };

/** The thing of the record that a line belongs to, as it is ringed and laid on its layer; of two that run through each other the first. */
export const ownerOfLine = (role: LineRole): Id =>
  role.line === 'edge' ? ownerOf(role.edge) : role.line === 'silhouette' ? ownerOf(role.face) : role.bodies[0];

/** A face ready for testing. Where anything of it is curved, `shape` is the face and the loops only enclose it. */
export interface PreparedFace {
  readonly face: Pick<Face, 'id' | 'role' | 'part' | 'normal' | 'offset' | 'seen' | 'belongsTo'>;
  readonly body: Id;
  /** A face of a closed piece: what its back hides, its front hides too. */
  readonly closed: boolean;
  /** Outline and holes; of a planar face with arcs their chords, of a round face the sides of a box about it. */
  readonly loops: readonly (readonly WorldPoint[])[];
  readonly shape?: FaceShape;
  /** After each corner of the loops the meeting of the tangents over the chord that begins there. */
  readonly bulges?: readonly (readonly (WorldPoint | null)[])[];
}

export interface PreparedEdge {
  readonly id: Id;
  readonly role: LineRole;
  readonly body: Id;
  readonly from: WorldPoint;
  readonly to: WorldPoint;
  readonly faces: readonly Id[];
}

/** A line that is no straight one: an arc, a silhouette of a ball, or where a plane cuts something round. */
export interface PreparedCurve {
  readonly id: Id;
  readonly role: LineRole;
  readonly body: Id;
  readonly conic: SpaceConic;
  /** Angles, radians; at most a whole turn. */
  readonly from: number;
  readonly to: number;
  readonly faces: readonly Id[];
}

/** Bodies made ready once per change of the record; every view of them starts here. */
export interface PreparedScene {
  readonly faces: readonly PreparedFace[];
  readonly edges: readonly PreparedEdge[];
  readonly curves: readonly PreparedCurve[];
  /** Round faces whose silhouettes depend on where the eye is. */
  readonly rounds: readonly { readonly round: RoundFace; readonly body: Id }[];
  /** The rooms that bodies stand in or open into, where there are several rooms. */
  readonly homes?: ReadonlyMap<Id, readonly Id[]>;
  /** Of one body that is a copy: its model made ready, and how far the copy stands from it. */
  readonly copy?: { readonly ready: PreparedScene; readonly moved: Vector3 };
}

const TURN = 2 * Math.PI;

/** The sides of a face's loops with their bends followed. */
function sidesOf(body: Body, face: Face): readonly (readonly PlanarSide[])[] {
  const arcs = new Map(body.arcs.map((arc) => [arc.id, arc]));
  const apart = (p: WorldPoint, q: WorldPoint): number => Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z);
  return face.loops.map((loop, number) =>
    loop.map((vertex, after): PlanarSide => {
      const from = at(body.vertices, vertex).at;
      const to = at(body.vertices, at(loop, (after + 1) % loop.length)).at;
      const bend = face.bends.find((one) => one.loop === number && one.after === after);
      if (!bend) return { from, to };
      const arc = arcs.get(bend.arc);
      invariant(arc, `arc ${bend.arc} is known`);
      const { circle } = arc;
      const whole = arc.to - arc.from > TURN - tolerance.wholeTurnRad;
      const back = !whole && apart(circlePoint(circle, arc.to), from) < apart(circlePoint(circle, arc.from), from);
      return { from, to, arc: { circle, from: back ? arc.to : arc.from, to: back ? arc.from : arc.to } };
    }),
  );
}

/** Models made ready: all their copies are made from them. */
const modelsReady = new WeakMap<Body, PreparedScene>();

function prepareBody(body: Body): PreparedScene {
  if (!body.copy) return prepareAlone(body);
  const { model } = body.copy;
  let ready = modelsReady.get(model);
  if (!ready) modelsReady.set(model, (ready = prepareAlone(model)));
  return copyPrepared(ready, body, body.copy);
}

function prepareAlone(body: Body): PreparedScene {
  const closed = body.kind === 'piece';
  const flat = body.faces.map((face): PreparedFace => {
    const common = { face, body: body.id, closed };
    if (face.bends.length === 0)
      return { ...common, loops: face.loops.map((loop) => loop.map((vertex) => at(body.vertices, vertex).at)) };
    const loops = sidesOf(body, face);
    const enclosures = loops.map(enclose);
    return {
      ...common,
      loops: enclosures.map((one) => one.corners),
      bulges: enclosures.map((one) => one.bulges),
      shape: { kind: 'planar', normal: face.normal, offset: face.offset, loops },
    };
  });
  const round = body.rounds.map((one): PreparedFace => ({
    face: {
      id: one.id,
      role: one.role,
      part: one.part,
      normal: one.axis,
      offset: 0,
      seen: one.seen,
      belongsTo: one.belongsTo,
    },
    body: body.id,
    closed,
    loops: boxAbout(one),
    shape: { kind: 'round', round: one },
  }));
  const straight = body.edges.map((edge): PreparedEdge => ({
    id: edge.id,
    role: { line: 'edge', edge: edge.role },
    body: body.id,
    from: at(body.vertices, edge.from).at,
    to: at(body.vertices, edge.to).at,
    faces: edge.faces,
  }));
  return {
    faces: [...flat, ...round],
    edges: closed && body.seams !== 'shown' ? withoutSeams(straight, flat) : straight,
    curves: curvesOf(body),
    rounds: body.rounds.map((one) => ({ round: one, body: body.id })),
  };
}

const curvesOf = (body: Body): readonly PreparedCurve[] =>
  body.arcs.map(({ id, role, circle, from, to, faces }) => ({
    id,
    role: { line: 'edge', edge: role },
    body: body.id,
    conic: conicOfCircle(circle),
    from,
    to,
    faces,
  }));

const namesOf = ({ id, role, part }: RoundFace) => ({ id, role, part });

/** Which of a body's corners each point of what was made ready is, and which of its edges each edge; −1 for points that are none. */
interface ReadyPlaces {
  readonly loops: readonly (readonly (readonly number[])[])[];
  readonly edges: readonly (readonly [edge: number, from: number, to: number])[];
}
const readyPlacesKept = new WeakMap<PreparedScene, ReadyPlaces>();

function readyPlacesOf(model: Body, ready: PreparedScene): ReadyPlaces {
  let places = readyPlacesKept.get(ready);
  if (!places) {
    const corner = new Map(model.vertices.map((vertex, i) => [vertex.at, i]));
    const edge = new Map(model.edges.map(({ id }, i) => [id, i]));
    const cornerOf = (p: WorldPoint): number => corner.get(p) ?? -1;
    places = {
      loops: ready.faces.map(({ loops }) => loops.map((loop) => loop.map(cornerOf))),
      edges: ready.edges.map(({ id, from, to }) => [edge.get(id) ?? -1, cornerOf(from), cornerOf(to)]),
    };
    readyPlacesKept.set(ready, places);
  }
  return places;
}

/** What was made ready for a model, for one of its copies: moved, and under the copy's own names. Corners are the copy's own points. */
function copyPrepared(ready: PreparedScene, body: Body, { model, moved }: CopyOf): PreparedScene {
  const places = readyPlacesOf(model, ready);
  const move = (p: WorldPoint): WorldPoint => movedPoint(p, moved);
  const point = (place: number, p: WorldPoint): WorldPoint => (place < 0 ? move(p) : at(body.vertices, place).at);
  const moveSide = ({ from, to, arc }: PlanarSide): PlanarSide => {
    const bent = arc && { ...arc, circle: { ...arc.circle, centre: move(arc.circle.centre) } };
    return { from: move(from), to: move(to), ...(bent ? { arc: bent } : {}) };
  };
  const flatCount = body.faces.length;
  return {
    faces: ready.faces.map(({ face: own, closed, loops, bulges, shape }, i): PreparedFace => {
      const corners = at(places.loops, i);
      const common = {
        face: i < flatCount ? at(body.faces, i) : { ...own, ...namesOf(at(body.rounds, i - flatCount)) },
        body: body.id,
        closed,
        loops: loops.map((loop, l) => loop.map((p, k) => point(corners[l]?.[k] ?? -1, p))),
      };
      if (!shape) return common;
      const shaped: FaceShape =
        shape.kind === 'round'
          ? { kind: 'round', round: at(body.rounds, i - flatCount) }
          : { ...shape, offset: common.face.offset, loops: shape.loops.map((loop) => loop.map(moveSide)) };
      return {
        ...{ ...common, shape: shaped },
        ...(bulges ? { bulges: bulges.map((loop) => loop.map((p) => p && move(p))) } : {}),
      };
    }),
    edges: ready.edges.map((edge, i): PreparedEdge => {
      const [place, from, to] = at(places.edges, i);
      const { id, role, faces } = at(body.edges, place);
      return {
        id,
        role: { line: 'edge', edge: role },
        body: body.id,
        from: point(from, edge.from),
        to: point(to, edge.to),
        faces,
      };
    }),
    curves: curvesOf(body),
    rounds: body.rounds.map((one) => ({ round: one, body: body.id })),
    copy: { ready, moved },
  };
}

/** Bodies prepared one by one: what did not change need not be prepared again. */
export type PreparedBodies = ReadonlyMap<Body, PreparedScene>;

/** One body after another; yields how many are ready, of all. */
export function* prepareBodiesInSteps(
  bodies: readonly Body[],
  before?: PreparedBodies,
): Generator<number, PreparedBodies> {
  const prepared = new Map<Body, PreparedScene>();
  for (const body of bodies) {
    const kept = before?.get(body);
    prepared.set(body, kept ?? prepareBody(body));
    if (!kept) yield prepared.size / bodies.length;
  }
  return prepared;
}

export const prepareBodies = (bodies: readonly Body[], before?: PreparedBodies): PreparedBodies =>
  drain(prepareBodiesInSteps(bodies, before));

/** All bodies together, with the lines in which they run through each other. */
export const sceneFrom = (prepared: PreparedBodies): PreparedScene => drain(sceneFromInSteps(prepared));

/** The same in steps; yields what part of the work is done. */
export function* sceneFromInSteps(prepared: PreparedBodies): Generator<number, PreparedScene> {
  const all = [...prepared.values()];
  const crossing = yield* crossingLinesInSteps(all);
  return {
    faces: all.flatMap((one) => one.faces),
    edges: [...all.flatMap((one) => one.edges), ...crossing.edges],
    curves: [...all.flatMap((one) => one.curves), ...crossing.curves],
    rounds: all.flatMap((one) => one.rounds),
    homes: new Map([...prepared.keys()].flatMap(({ id, homes }) => (homes ? [[id, homes] as const] : []))),
  };
}

export const prepareScene = (bodies: readonly Body[]): PreparedScene => sceneFrom(prepareBodies(bodies));

/** Silhouettes of the round faces as seen from the eye, as lines of their round face: straight ones, and the circles of balls. */
export function silhouetteLines(
  scene: PreparedScene,
  eye: WorldPoint,
): { readonly edges: readonly PreparedEdge[]; readonly curves: readonly PreparedCurve[] } {
  const edges: PreparedEdge[] = [];
  const curves: PreparedCurve[] = [];
  for (const { round, body } of scene.rounds)
    silhouettesOf(round, eye).forEach((silhouette, i) => {
      const named = {
        id: `${round.id}/silhouette-${i + 1}`,
        role: { line: 'silhouette', face: round.role } as const,
        body,
        faces: [round.id],
      };
      if (silhouette.kind === 'line') edges.push({ ...named, from: silhouette.from, to: silhouette.to });
      else curves.push({ ...named, conic: conicOfCircle(silhouette.circle), from: silhouette.from, to: silhouette.to });
    });
  return { edges, curves };
}
