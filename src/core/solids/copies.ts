import { at, invariant } from '@/core/base';
import { dot3, type Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import type { Body } from './body';
import type { Named } from './role';

/**
 * Pieces alike but for whose they are and where they stand have one model, which stands at the origin under no name: what is worked out for it (its
 * parts, its seams, its plan) holds for all its copies, moved. A room of a thousand chairs makes one chair.
 */
export interface CopyOf {
  /** What copies of one model have in common: their kind, its values, their directions. */
  readonly likeness: string;
  readonly model: Body;
  /** From the model to the copy, mm. */
  readonly moved: Vector3;
}

/** Models by likeness. */
export type Models = Map<string, Body>;

/** Where each face named by edges and arcs stands among the faces, rounds after flats, and each part among the parts. */
interface Places {
  readonly faces: readonly Id[];
  readonly edgeFaces: readonly (readonly number[])[];
  readonly arcFaces: readonly (readonly number[])[];
  readonly parts: readonly Id[];
  readonly partOf: readonly number[];
}
const placesKept = new WeakMap<Body, Places>();

function placesOf(model: Body): Places {
  let places = placesKept.get(model);
  if (!places) {
    const all = [...model.faces, ...model.rounds];
    const faces = all.map((face) => face.id);
    const place = new Map(faces.map((id, i) => [id, i]));
    const numbered = (ids: readonly Id[]): readonly number[] =>
      ids.map((id) => {
        const found = place.get(id);
        invariant(found !== undefined, `face ${id} is known`);
        return found;
      });
    const parts = [...new Set(all.map((face) => face.part))];
    const part = new Map(parts.map((id, i) => [id, i]));
    places = {
      faces,
      edgeFaces: model.edges.map((edge) => numbered(edge.faces)),
      arcFaces: model.arcs.map((arc) => numbered(arc.faces)),
      parts,
      partOf: all.map((face) => part.get(face.part) ?? 0),
    };
    placesKept.set(model, places);
  }
  return places;
}

/** A point of the model where the copy has it. */
export const movedPoint = (p: WorldPoint, by: Vector3): WorldPoint =>
  ({ x: by.x + p.x, y: by.y + p.y, z: by.z + p.z }) as WorldPoint;

/** The model as the piece of this id: every name begins with it, everything stands where it stands. */
export function copyBody(copy: CopyOf, id: Id, name: string): Body {
  const { model, moved } = copy;
  const places = placesOf(model);
  const faceIds = places.faces.map((own) => id + own);
  const partIds = places.parts.map((own) => id + own);
  const facesAt = (positions: readonly number[]): readonly Id[] => positions.map((i) => at(faceIds, i));
  const partAt = (i: number): Id => at(partIds, at(places.partOf, i));
  const named = ({ id: own, role }: Named): Named => {
    invariant(role.is === 'part', 'a model is made of parts');
    return {
      id: id + own,
      role: { is: 'part', ownerId: id, part: role.part, which: role.which, level: role.level },
    };
  };
  return {
    ...{ id, kind: 'piece', name, copy },
    vertices: model.vertices.map((vertex) => ({ ...named(vertex), at: movedPoint(vertex.at, moved) })),
    faces: model.faces.map((face, i) => ({
      id: at(faceIds, i),
      role: named(face).role,
      part: partAt(i),
      loops: face.loops,
      bends: face.bends.length === 0 ? face.bends : face.bends.map((bend) => ({ ...bend, arc: id + bend.arc })),
      normal: face.normal,
      offset: face.offset + dot3(face.normal, moved),
      seen: face.seen,
      belongsTo: face.belongsTo,
    })),
    edges: model.edges.map((edge, i) => {
      const { id: own, role } = named(edge);
      return { id: own, role, from: edge.from, to: edge.to, faces: facesAt(at(places.edgeFaces, i)) };
    }),
    rounds: model.rounds.map((round, i) => ({
      ...round,
      id: at(faceIds, model.faces.length + i),
      role: named(round).role,
      part: partAt(model.faces.length + i),
      centre: movedPoint(round.centre, moved),
    })),
    arcs: model.arcs.map((arc, i) => ({
      ...arc,
      ...named(arc),
      circle: { ...arc.circle, centre: movedPoint(arc.circle.centre, moved) },
      faces: facesAt(at(places.arcFaces, i)),
    })),
  };
}
