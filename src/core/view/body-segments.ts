import { at } from '@/core/base';
import { circlePoint, silhouettesOf, type Body, type Circle } from '@/core/solids';
import { worldPoint, type WorldPoint } from '@/core/space';
import { eyeFromWorld, type SetUp } from './set-up';

/** Chords for a whole turn: a reading of angles and sizes to a tenth of a degree wants no more. */
const CHORDS_A_TURN = 32;

type Segment = readonly [WorldPoint, WorldPoint];

function chords(circle: Circle, from: number, to: number): Segment[] {
  const count = Math.max(1, Math.ceil(((to - from) / (2 * Math.PI)) * CHORDS_A_TURN));
  const points = Array.from({ length: count + 1 }, (_, i) => circlePoint(circle, from + ((to - from) * i) / count));
  return points.slice(1).map((next, i) => [at(points, i), next] as const);
}

/** What of a body does not depend on the eye: asked for in every reading while the eye moves. */
const still = new WeakMap<Body, readonly Segment[]>();

function stillSegments(body: Body): readonly Segment[] {
  let known = still.get(body);
  if (!known) {
    known = [
      ...body.edges.map((edge): Segment => [at(body.vertices, edge.from).at, at(body.vertices, edge.to).at]),
      ...body.arcs.flatMap((arc) => chords(arc.circle, arc.from, arc.to)),
    ];
    still.set(body, known);
  }
  return known;
}

/** A body as straight segments seen from the eye: its edges, its arcs as chords, the silhouettes of its round parts. For readings, not for drawing. */
export function bodySegments(body: Body, eye: WorldPoint): readonly Segment[] {
  if (body.rounds.length === 0) return stillSegments(body);
  const silhouettes = body.rounds.flatMap((round) =>
    silhouettesOf(round, eye).flatMap((silhouette): Segment[] =>
      silhouette.kind === 'line'
        ? [[silhouette.from, silhouette.to]]
        : chords(silhouette.circle, silhouette.from, silhouette.to),
    ),
  );
  return [...stillSegments(body), ...silhouettes];
}

/** A ball about a body. */
export interface Ball {
  readonly centre: WorldPoint;
  readonly radius: number;
}
const balls = new WeakMap<Body, Ball | null>();

/** A ball that holds all of a body, its round parts too; null for one that has nothing. */
export function ballAbout(body: Body): Ball | null {
  const known = balls.get(body);
  if (known !== undefined) return known;
  const points = stillSegments(body).flat();
  const reach = body.rounds.map((round) => ({
    at: round.centre,
    far: Math.hypot(round.radius, Math.max(Math.abs(round.from.along), Math.abs(round.to.along))),
  }));
  const ends = [...points.map((at) => ({ at, far: 0 })), ...reach];
  let ball: Ball | null = null;
  if (ends.length > 0) {
    const middle = (pick: (p: WorldPoint) => number): number => {
      const all = ends.flatMap(({ at, far }) => [pick(at) - far, pick(at) + far]);
      return (Math.min(...all) + Math.max(...all)) / 2;
    };
    const centre = worldPoint(
      middle((p) => p.x),
      middle((p) => p.y),
      middle((p) => p.z),
    );
    const radius = Math.max(
      ...ends.map(({ at, far }) => Math.hypot(at.x - centre.x, at.y - centre.y, at.z - centre.z) + far),
    );
    ball = { centre, radius };
  }
  balls.set(body, ball);
  return ball;
}

/** How large a body is on paper, by a ball about it, mm. */
export function sizeOnPaper(setUp: SetUp, body: Body): number {
  const ball = ballAbout(body);
  return ball ? (2 * ball.radius * setUp.viewingDistance) / Math.max(1, eyeFromWorld(setUp, ball.centre).depth) : 0;
}
