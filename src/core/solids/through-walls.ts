import { insideLoops, type Vector2 } from '@/core/geometry';
import {
  alongWall,
  distanceFromWall,
  leftAlongWall,
  levelOf,
  mmOf,
  outlineOf,
  wallRuns,
  type Id,
  type Project,
  type Space,
  type WallRun,
} from '@/core/record';
import { LEAST_REACH_MM } from './contradiction';
import { riseOf } from './cut';
import { openingKindOf } from './openings';
import type { Volume } from './volumes';

/** A point as a wall has it: mm along it from its left end, and mm behind its face. */
interface Beside {
  readonly along: number;
  readonly behind: number;
}

/** What of a convex outline lies where a measure is at least nought. */
function keepWhere(outline: readonly Beside[], measure: (p: Beside) => number): readonly Beside[] {
  return outline.flatMap((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a;
    const [da, db] = [measure(a), measure(b)];
    const here = da >= 0 ? [a] : [];
    if (da >= 0 === db >= 0) return here;
    const t = da / (da - db);
    return [...here, { along: a.along + (b.along - a.along) * t, behind: a.behind + (b.behind - a.behind) * t }];
  });
}

const besideOf = (outline: Volume['outline'], run: WallRun): readonly Beside[] =>
  outline.map((p) => ({ along: alongWall(run, p), behind: -distanceFromWall(run, p) }));

/** The part of an outline that lies behind a wall, as far as the wall runs; null where that is no more than a touch. */
function behindWall(outline: Volume['outline'], run: WallRun): readonly Beside[] | null {
  const beside = besideOf(outline, run);
  if (Math.max(...beside.map((p) => p.behind)) <= LEAST_REACH_MM) return null;
  let part: readonly Beside[] = keepWhere(beside, (p) => p.behind);
  part = keepWhere(part, (p) => p.along);
  part = keepWhere(part, (p) => run.lengthMm - p.along);
  if (part.length < 3) return null;
  const [first, last] = spanOf(part, (p) => p.along);
  const [near, deep] = spanOf(part, (p) => p.behind);
  // What begins farther behind stands in another part of the room, or beyond it altogether: it does not go through this wall.
  return near <= LEAST_REACH_MM && deep > LEAST_REACH_MM && last - first > LEAST_REACH_MM ? part : null;
}

const spanOf = <T>(list: readonly T[], of: (one: T) => number): readonly [number, number] => {
  const values = list.map(of);
  return [Math.min(...values), Math.max(...values)];
};

/** Whether what reaches behind a wall does so in one of its openings. */
function inOpening(part: readonly Beside[], volume: Volume, run: WallRun, floor: number, project: Project): boolean {
  const [first, last] = spanOf(part, (p) => p.along);
  const [, deep] = spanOf(part, (p) => p.behind);
  return project.openings.some((one) => {
    if (one.wallId !== run.wall.id && one.throughWallId !== run.wall.id) return false;
    const left = leftAlongWall(one, run);
    return (
      first >= left - 1 &&
      last <= left + mmOf(one.width) + 1 &&
      volume.low >= floor + mmOf(one.sill) - 1 &&
      volume.high <= floor + mmOf(one.sill) + mmOf(one.height) + riseOf(one) + 1 &&
      (openingKindOf(one.kind)?.open !== 'to-the-reveal' || deep <= mmOf(one.reveal) + 1)
    );
  });
}

/** Distance of a point from a wall, as far as the wall runs. */
function fromWall(run: WallRun, p: Vector2): number {
  const along = Math.min(run.lengthMm, Math.max(0, alongWall(run, p)));
  return Math.hypot(p.x - run.start.x - run.run.x * along, p.y - run.start.y - run.run.y * along);
}

/**
 * The walls of a room that things go through, and by how much, mm: each part is held against each wall as far as that runs, so that what stands flush
 * beside a bay, or in the other arm of an L, goes through none. At a corner that points into the room the lesser of its two walls counts.
 */
export function throughWalls(project: Project, space: Space, volumes: readonly Volume[]): ReadonlyMap<Id, number> {
  const runs = wallRuns(space);
  const outline = outlineOf(space).corners.map((corner) => corner.at);
  const floor = mmOf(levelOf(project, space.levelId).elevation);
  const deepest = new Map<Id, number>();
  const deepen = (run: WallRun, by: number): void =>
    void deepest.set(run.wall.id, Math.max(deepest.get(run.wall.id) ?? 0, by));
  for (const volume of volumes) {
    const found = runs.map((run) => ({ run, part: behindWall(volume.outline, run) }));
    found.forEach(({ run, part }, i) => {
      if (!part || inOpening(part, volume, run, floor, project)) return;
      const depth = Math.max(...part.map((p) => p.behind));
      const lesser = [found.at(i - 1), found[(i + 1) % found.length]].some((other) => {
        if (!other?.part || !pointsInward(other.run, run)) return false;
        return Math.max(...other.part.map((p) => p.behind)) < depth;
      });
      if (!lesser) deepen(run, depth);
    });
    // Beyond the room altogether: through the wall it lies nearest to.
    const none = found.every(({ part }) => part === null);
    const [p] = volume.outline;
    if (!none || !p || insideLoops([outline], p.x, p.y)) continue;
    const [nearest] = [...runs].sort((a, b) => fromWall(a, p) - fromWall(b, p));
    if (!nearest || fromWall(nearest, p) <= LEAST_REACH_MM) continue;
    const whole = besideOf(volume.outline, nearest);
    const depth = Math.max(...whole.map((q) => q.behind));
    if (depth > LEAST_REACH_MM && !inOpening(whole, volume, nearest, floor, project)) deepen(nearest, depth);
  }
  return deepest;
}

/** Whether two walls that follow one another meet in a corner that points into the room. */
function pointsInward(a: WallRun, b: WallRun): boolean {
  const [first, second] = a.endCorner === b.startCorner ? [a, b] : [b, a];
  return (
    first.endCorner === second.startCorner && second.run.x * first.intoRoom.x + second.run.y * first.intoRoom.y < -1e-9
  );
}
