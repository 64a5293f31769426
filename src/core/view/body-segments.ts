import { at } from '@/core/base';
import { circlePoint, silhouettesOf, type Body, type Circle } from '@/core/solids';
import type { WorldPoint } from '@/core/space';

/** Chords for a whole turn: a reading of angles and sizes to a tenth of a degree wants no more. */
const CHORDS_A_TURN = 32;

/** A body as straight segments seen from the eye: its edges, its arcs as chords, the silhouettes of its round parts. For readings, not for drawing. */
export function bodySegments(body: Body, eye: WorldPoint): readonly (readonly [WorldPoint, WorldPoint])[] {
  const edges = body.edges.map((edge) => [at(body.vertices, edge.from).at, at(body.vertices, edge.to).at] as const);
  const chords = (circle: Circle, from: number, to: number): (readonly [WorldPoint, WorldPoint])[] => {
    const count = Math.max(1, Math.ceil(((to - from) / (2 * Math.PI)) * CHORDS_A_TURN));
    const points = Array.from({ length: count + 1 }, (_, i) => circlePoint(circle, from + ((to - from) * i) / count));
    return points.slice(1).map((next, i) => [at(points, i), next] as const);
  };
  const arcs = body.arcs.flatMap((arc) => chords(arc.circle, arc.from, arc.to));
  const silhouettes = body.rounds.flatMap((round) =>
    silhouettesOf(round, eye).flatMap((silhouette) =>
      silhouette.kind === 'line'
        ? [[silhouette.from, silhouette.to] as const]
        : chords(silhouette.circle, silhouette.from, silhouette.to),
    ),
  );
  return [...edges, ...arcs, ...silhouettes];
}
