import { at } from '@/core/base';
import type { Body, Role } from '@/core/solids';
import { planLinesOf } from './elevation';
import type { Scene } from './perspective';

/** Straight lines as plain numbers, [x0, y0, x1, y1] for each. */
export type Rows = Float64Array;

/** The plan: what stands in the rooms, and the rooms' walls with the openings that break them. */
export interface PlanRows {
  readonly pieces: Rows;
  readonly chosen: Rows;
  readonly walls: Rows;
  readonly faces: Rows;
  readonly thin: Rows;
}

/** The two edges of a reveal that run into the wall at sill height. */
const SILL_ENDS: ReadonlySet<string> = new Set(['left sill', 'right sill']);

function edgeRows(bodies: readonly Body[], wanted: (role: Role) => boolean): number[] {
  return bodies.flatMap((body) =>
    body.edges.flatMap((edge) => {
      if (!wanted(edge.role)) return [];
      const [p, q] = [at(body.vertices, edge.from).at, at(body.vertices, edge.to).at];
      return [p.x, p.y, q.x, q.y];
    }),
  );
}

/** A room's plan as rows; plans of bodies are worked out once each. */
export function planRows(scene: Scene, chosen: string | null): PlanRows {
  const rooms = scene.bodies.filter((body) => body.kind === 'room');
  const standing = scene.bodies.filter((body) => body.kind === 'piece' || body.kind === 'fitting');
  const rows = (bodies: readonly Body[]): Rows =>
    Float64Array.from(bodies.flatMap((body) => [...planLinesOf(scene, body)]));
  const faces = edgeRows(rooms, (role) => role.is === 'opening' && role.layer === 'face' && role.which === 'sill');
  const thin = edgeRows(
    rooms,
    (role) =>
      role.is === 'opening' &&
      ((role.layer === 'back' && role.which === 'sill') || (role.layer === 'reveal' && SILL_ENDS.has(role.which))),
  );
  return {
    pieces: rows(standing.filter((body) => body.id !== chosen)),
    chosen: rows(standing.filter((body) => body.id === chosen)),
    walls: Float64Array.from(edgeRows(rooms, (role) => role.is === 'wall' && role.place === 'foot')),
    faces: Float64Array.from(faces),
    thin: Float64Array.from([...thin, ...faces]),
  };
}
