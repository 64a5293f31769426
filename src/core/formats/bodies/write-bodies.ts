import { at } from '@/core/base';
import type { Id } from '@/core/record';
import { ownerOf, type Body } from '@/core/solids';
import type { Vector3 } from '@/core/geometry';

type Triple = readonly [number, number, number];
const triple = ({ x, y, z }: Vector3): Triple => [x, y, z];

/**
 * Bodies as they are, world mm: flat faces as polygons, outer loop first, a side that is not straight by the arc it follows; round faces as
 * cylinders, cones and spheres with their sector; arcs as parts of circles. Names are permanent; `of` is the thing of the record.
 */
export function writeBodies(projectId: Id, bodies: readonly Body[]): string {
  const value = {
    kind: 'bathyskop-bodies',
    version: 1,
    project: projectId,
    units: 'mm',
    bodies: bodies.map((body) => ({
      id: body.id,
      name: body.name,
      is: body.kind,
      faces: body.faces.map((face) => ({
        id: face.id,
        of: ownerOf(face.role),
        role: face.role,
        seenFrom: face.seen,
        normal: triple(face.normal),
        loops: face.loops.map((loop) => loop.map((vertex) => triple(at(body.vertices, vertex).at))),
        bends: face.bends.map(({ loop, after, arc }) => ({ loop, after, arc })),
      })),
      rounds: body.rounds.map((round) => ({
        id: round.id,
        of: ownerOf(round.role),
        role: round.role,
        seenFrom: round.seen,
        surface: round.surface,
        centre: triple(round.centre),
        axis: triple(round.axis),
        first: triple(round.first),
        second: triple(round.second),
        from: round.from,
        to: round.to,
        radius: round.radius,
        sector: round.sector,
        looks: round.looks,
      })),
      edges: body.edges.map((edge) => ({
        id: edge.id,
        of: ownerOf(edge.role),
        from: triple(at(body.vertices, edge.from).at),
        to: triple(at(body.vertices, edge.to).at),
        faces: edge.faces,
      })),
      arcs: body.arcs.map(({ id, role, circle, from, to, faces }) => ({
        id,
        of: ownerOf(role),
        centre: triple(circle.centre),
        first: triple(circle.first),
        second: triple(circle.second),
        radius: circle.radius,
        from,
        to,
        faces,
      })),
    })),
  };
  return `${JSON.stringify(value, null, 1)}\n`;
}
