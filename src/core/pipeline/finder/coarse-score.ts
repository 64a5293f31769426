import type { Id, Project, View } from '@/core/record';
import type { Body } from '@/core/solids';
import { worldPoint } from '@/core/space';
import { directionPair, eyeFromWorld, lieOf, roomBearing, rulerFor, turnOfPair, type SetUp } from '@/core/view';
import { picturePoint } from '@/core/space';
import type { SampledHiding } from './sampled-hiding';

/** Half of the usual cone, by its tangent. */
const CONE = Math.tan(Math.PI / 6);
/** Nearer on paper than this, mm, two edges are drawn as one line. */
const CLEAR_MM = 2;
/** Marked things should take about this share of the frame, each way. */
const FILL = { least: 0.3, most: 0.8 } as const;

export interface CoarseScene {
  readonly project: Project;
  readonly hiding: SampledHiding;
  /** Level heights and upright planes of the marked things: what may come edge-on. */
  readonly levels: readonly number[];
  readonly uprights: readonly {
    readonly nx: number;
    readonly ny: number;
    readonly offset: number;
    readonly size: number;
  }[];
  /** What one cannot stand in: pieces on the floor, in plan. */
  readonly obstacles: readonly { readonly low: readonly [number, number]; readonly high: readonly [number, number] }[];
}

export function coarseScene(
  project: Project,
  bodies: readonly Body[],
  marked: ReadonlySet<Id>,
  hiding: SampledHiding,
): CoarseScene {
  const levels = new Set<number>();
  const uprights: CoarseScene['uprights'][number][] = [];
  for (const body of bodies) {
    if (!marked.has(body.id)) continue;
    const zs = body.vertices.map((vertex) => vertex.at.z);
    levels.add(Math.max(...zs));
    for (const face of body.faces) {
      if (Math.abs(face.normal.z) > 0.1 || face.loops[0]?.length === undefined) continue;
      const points = face.loops[0].map((i) => body.vertices[i]?.at ?? worldPoint(0, 0, 0));
      const size = Math.hypot(
        Math.max(...points.map((p) => p.x)) - Math.min(...points.map((p) => p.x)),
        Math.max(...points.map((p) => p.y)) - Math.min(...points.map((p) => p.y)),
      );
      if (size > 200) uprights.push({ nx: face.normal.x, ny: face.normal.y, offset: face.offset, size });
    }
  }
  const obstacles = bodies
    .filter((body) => body.kind === 'piece')
    .map(({ vertices }) => ({
      low: [Math.min(...vertices.map((p) => p.at.x)) - 150, Math.min(...vertices.map((p) => p.at.y)) - 150] as const,
      high: [Math.max(...vertices.map((p) => p.at.x)) + 150, Math.max(...vertices.map((p) => p.at.y)) + 150] as const,
      foot: Math.min(...vertices.map((p) => p.at.z)),
      head: Math.max(...vertices.map((p) => p.at.z)),
    }))
    // Under what hangs one may stand, and on a rug.
    .filter(({ foot, head }) => foot < 1500 && head > 100);
  return { project, hiding, levels: [...levels], uprights: uprights.slice(0, 60), obstacles };
}

/** What hiding counts for of a place's rough worth. */
const OF_HIDING = 45;

/** A place's rough worth with the share of samples that are hidden: the dear part, asked only of places that are good in all else. */
export function withHiding({ hiding }: CoarseScene, setUp: SetUp, open: number): number {
  const eye = { x: setUp.station.x, y: setUp.station.y, z: setUp.eyeZ };
  const hidden = hiding.points.reduce((sum, point) => sum + (hiding.hidden(eye, point) ? 1 : 0), 0);
  return open + OF_HIDING * (1 - hidden / hiding.points.length);
}

/**
 * A place's rough worth but for what hides, 0 to 55; null where it is out of the question: something marked behind the eye or mostly out of the frame,
 * or no room to stand.
 */
export function coarseScore(scene: CoarseScene, view: View, setUp: SetUp): number | null {
  const { hiding, levels, uprights, obstacles } = scene;
  const { x, y } = setUp.station;
  if (obstacles.some(({ low, high }) => x > low[0] && x < high[0] && y > low[1] && y < high[1])) return null;
  const { left, right, bottom, top } = view.frame;
  const k = setUp.viewingDistance;
  if (k < 150) return null;
  let [outside, beyondCone, depths] = [0, 0, 0];
  let [u0, u1, v0, v1] = [Infinity, -Infinity, Infinity, -Infinity];
  const { points } = hiding;
  for (const { at } of points) {
    const { lateral, depth, rise } = eyeFromWorld(setUp, worldPoint(at.x, at.y, at.z));
    if (depth < 200) return null;
    const [u, v] = [(k * lateral) / depth, (k * rise) / depth];
    depths += depth;
    if (u < left || u > right || v < bottom || v > top) outside += 1;
    else [u0, u1, v0, v1] = [Math.min(u0, u), Math.max(u1, u), Math.min(v0, v), Math.max(v1, v)];
    if (Math.hypot(lateral, rise) > depth * CONE) beyondCone += 1;
  }
  const count = points.length;
  if (outside > count * 0.25) return null;
  const share = (n: number): number => n / count;
  const fill = Math.max((u1 - u0) / (right - left), (v1 - v0) / (top - bottom));
  const fills = fill < FILL.least ? fill / FILL.least : fill > FILL.most ? Math.max(0, 1 - (fill - FILL.most) * 2) : 1;
  const depth = depths / count;
  // Level tops and upright sides in which the eye all but lies: their breadth on paper, roughly.
  const local = k / depth;
  let flat = 0;
  for (const level of levels) if ((Math.abs(level - setUp.eyeZ) * 500 * local) / depth < CLEAR_MM) flat += 1;
  for (const { nx, ny, offset, size } of uprights)
    if ((Math.abs(nx * x + ny * y - offset) * size * local) / (depth * depth) < CLEAR_MM / 300) flat += 1;
  return (
    15 * (1 - share(outside)) * (1 - share(beyondCone)) +
    15 * fills +
    15 * reachWorth(scene.project, view, setUp) +
    10 / (1 + flat)
  );
}

/** 1 when the room's own points all lie on the board, less the farther one lies out. */
function reachWorth(project: Project, view: View, setUp: SetUp): number {
  const pair = directionPair(setUp, turnOfPair(setUp, roomBearing(project, view)));
  const points = pair.kind === 'one-point' ? [0] : [pair.vpRight, pair.vpLeft];
  const worst = Math.max(
    ...points.map((u) => {
      const at = picturePoint(u, 0);
      if (lieOf(view, at).where !== 'off-board' && rulerFor(view, at) <= view.straightedge) return 0;
      return Math.max(0, rulerFor(view, at) / view.straightedge - 0.5);
    }),
  );
  return 1 / (1 + worst * worst);
}
