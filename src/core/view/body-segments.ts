import { at } from '@/core/base';
import { circlePoint, limbsOf, type Body } from '@/core/solids';
import type { WorldPoint } from '@/core/space';

/** Chords for a whole turn: a reading of angles and sizes to a tenth of a degree wants no more. */
const CHORDS_A_TURN = 32;

/** A body as straight segments seen from the eye: its edges, its arcs as chords, the limbs of its round parts. For readings, not for drawing. */
export function bodySegments(body: Body, eye: WorldPoint): readonly (readonly [WorldPoint, WorldPoint])[] {
  const edges = body.edges.map((edge) => [at(body.vertices, edge.from).at, at(body.vertices, edge.to).at] as const);
  const arcs = body.arcs.flatMap((arc) => {
    const count = Math.max(1, Math.ceil(((arc.to - arc.from) / (2 * Math.PI)) * CHORDS_A_TURN));
    const points = Array.from({ length: count + 1 }, (_, i) =>
      circlePoint(arc.circle, arc.from + ((arc.to - arc.from) * i) / count),
    );
    return points.slice(1).map((to, i) => [at(points, i), to] as const);
  });
  const limbs = body.rounds.flatMap((round) =>
    limbsOf(round, eye).flatMap((limb) =>
      limb.kind === 'line'
        ? [[limb.from, limb.to] as const]
        : limb.points.slice(1).map((to, i) => [at(limb.points, i), to] as const),
    ),
  );
  return [...edges, ...arcs, ...limbs];
}
