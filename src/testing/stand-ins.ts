import { at, invariant } from '@/core/base';
import { circlePoint, roundPoint, type ArcEdge, type Body, type Face, type RoundFace } from '@/core/solids';
import type { WorldPoint } from '@/core/space';

/**
 * Flat stand-ins for round faces, for tests of whole bodies as polygons: bodies keep their rounds analytic, and silhouettes
 * are drawn where they truly run. Chords miss their circle by at most half a millimetre of the real thing, or 1 % of a small radius:
 * at 1:20 an eighth of a pencil line.
 */
const MISS_MM = 0.5;
const FEWEST = 12;
const TURN = 2 * Math.PI;

/** Sides of a whole turn: sagitta r(1 − cos(π/n)) within MISS_MM. */
export function sidesFor(radius: number): number {
  const n = Math.PI / Math.acos(Math.max(0.5, 1 - MISS_MM / Math.max(radius, 1)));
  return Math.min(96, Math.max(FEWEST, 4 * Math.ceil(n / 4)));
}

const partOf = (id: string): string => id.slice(0, id.lastIndexOf('/'));

/** All rounds and arcs of one part are divided alike, so that their chords meet. */
function sidesByPart(body: Body): ReadonlyMap<string, number> {
  const largest = new Map<string, number>();
  const offer = (id: string, radius: number): void => {
    largest.set(partOf(id), Math.max(largest.get(partOf(id)) ?? 0, radius));
  };
  for (const round of body.rounds) offer(round.id, round.radius);
  for (const arc of body.arcs) offer(arc.id, arc.circle.radius);
  return new Map([...largest].map(([part, radius]) => [part, sidesFor(radius)]));
}

const steps = (from: number, to: number, sides: number): number =>
  Math.max(1, Math.ceil(((to - from) / TURN) * sides - 1e-9));

export interface Facet {
  readonly id: string;
  readonly loop: readonly WorldPoint[];
}

export interface StandIns {
  readonly arcPoints: (arc: ArcEdge) => readonly WorldPoint[];
  readonly facets: (face: RoundFace) => readonly Facet[];
  /** A flat face's loops with their bends followed. */
  readonly loops: (face: Face) => readonly (readonly WorldPoint[])[];
}

export function standInsOf(body: Body): StandIns {
  const sides = sidesByPart(body);
  const arcs = new Map(body.arcs.map((arc) => [arc.id, arc]));
  const sidesOf = (id: string): number => sides.get(partOf(id)) ?? FEWEST;
  const arcPoints = (arc: ArcEdge): WorldPoint[] => {
    const n = steps(arc.from, arc.to, sidesOf(arc.id));
    return Array.from({ length: n + 1 }, (_, i) => circlePoint(arc.circle, arc.from + ((arc.to - arc.from) * i) / n));
  };
  const facets = (face: RoundFace): Facet[] => {
    const all = sidesOf(face.id);
    const [from, to] = face.sector;
    const n = steps(from, to, all);
    // A sphere is divided along its axis too, by equal angles.
    const heights =
      face.surface === 'sphere'
        ? sphereHeights(face, Math.max(2, Math.ceil(all / 3)))
        : [face.from.along, face.to.along];
    const result: Facet[] = [];
    for (let k = 0; k + 1 < heights.length; k += 1) {
      for (let i = 0; i < n; i += 1) {
        const [a, b] = [from + ((to - from) * i) / n, from + ((to - from) * (i + 1)) / n];
        const [low, high] = [at(heights, k), at(heights, k + 1)];
        const corners = [
          roundPoint(face, a, low),
          roundPoint(face, b, low),
          roundPoint(face, b, high),
          roundPoint(face, a, high),
        ];
        const distinct = corners.filter((p, j) => {
          const q = at(corners, (j + 1) % 4);
          return Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z) > 1e-9;
        });
        if (distinct.length >= 3) result.push({ id: `${face.id}~${k}-${i}`, loop: distinct });
      }
    }
    return result;
  };
  const loops = (face: Face): (readonly WorldPoint[])[] =>
    face.loops.map((loop, number) =>
      loop.flatMap((vertex, after) => {
        const start = at(body.vertices, vertex).at;
        const bend = face.bends.find((one) => one.loop === number && one.after === after);
        if (!bend) return [start];
        const arc = arcs.get(bend.arc);
        invariant(arc, `arc ${bend.arc} is known`);
        const points = arcPoints(arc);
        const near = (p: WorldPoint): number => Math.hypot(p.x - start.x, p.y - start.y, p.z - start.z);
        const whole = arc.to - arc.from > TURN - 1e-9;
        const along =
          !whole && near(at(points, points.length - 1)) < near(at(points, 0)) ? [...points].reverse() : points;
        return along.slice(0, -1);
      }),
    );
  return { arcPoints, facets, loops };
}

function sphereHeights(face: RoundFace, bands: number): number[] {
  const angle = (along: number): number => Math.asin(Math.min(1, Math.max(-1, along / face.radius)));
  const [from, to] = [angle(face.from.along), angle(face.to.along)];
  const n = Math.max(1, Math.ceil((Math.abs(to - from) / Math.PI) * bands));
  return Array.from({ length: n + 1 }, (_, i) =>
    i === 0 ? face.from.along : i === n ? face.to.along : face.radius * Math.sin(from + ((to - from) * i) / n),
  );
}
