import { bearingVector, cross2, difference2, insideLoops } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { alongWall, distanceFromWall, wallRuns, type MeasuredRoom, type Space, type View } from '@/core/record';
import type { PlanPoint } from '@/core/space';
import type { Degrees } from '@/core/units';

type Standing = Pick<View, 'levelId' | 'station' | 'lineOfSightBearingDeg' | 'picturePlane'>;

/**
 * The room a view is of, whose walls are meant wherever "the room" is spoken of: the one whose wall or corner the picture plane goes through; else the
 * one in which one stands; else the first that the line of sight enters. Among those on the level one stands on. Null where there is no room.
 */
export function roomMeant({ spaces }: Pick<MeasuredRoom, 'spaces'>, view: Standing): Space | null {
  const bound = boundRoom(spaces, view.picturePlane);
  if (bound) return bound;
  const onLevel = spaces.filter((space) => space.levelId === view.levelId);
  const among = onLevel.length > 0 ? onLevel : spaces;
  const [first] = among;
  if (!first || among.length === 1) return first ?? null;
  const { x, y } = view.station;
  const around = among.find((space) => insideLoops([wallRuns(space).map((run) => run.start)], x, y));
  if (around) return around;
  let nearest: { readonly space: Space; readonly ahead: number } | null = null;
  for (const space of among) {
    const ahead = entersAfter(space, view);
    if (ahead < (nearest?.ahead ?? Infinity)) nearest = { space, ahead };
  }
  return nearest?.space ?? first;
}

function boundRoom(spaces: readonly Space[], plane: View['picturePlane']): Space | undefined {
  switch (plane.through) {
    case 'wall':
      return spaces.find((space) => space.walls.some((wall) => wall.id === plane.wallId));
    case 'corner':
      return spaces.find((space) => space.walls.some((wall) => wall.startCorner === plane.cornerId));
    case 'point':
    case 'distance':
      return undefined;
  }
}

/** How far ahead the line of sight meets the room's outline for the first time, mm; infinite where it passes it by. */
function entersAfter(space: Space, { station, lineOfSightBearingDeg }: Standing): number {
  const sight = bearingVector(lineOfSightBearingDeg);
  let least = Infinity;
  for (const { start, end } of wallRuns(space)) {
    // station + sight·t = start + wall·s, by the cross products with the one and the other.
    const [wall, away] = [difference2(end, start), difference2(start, station)];
    const sine = cross2(sight, wall);
    if (sine === 0) continue;
    const [t, s] = [cross2(away, wall) / sine, cross2(away, sight) / sine];
    if (t > 0 && s >= 0 && s <= 1) least = Math.min(least, t);
  }
  return least;
}

/** The bearing of the reference direction of the room a view is of: its first wall. */
export const roomBearing = (project: Pick<MeasuredRoom, 'spaces'>, view: Standing): Degrees =>
  roomMeant(project, view)?.walls[0]?.bearingDeg ?? 0;

/** The room in which a place in plan lies, its walls included; where it lies in none, the room the view is of. */
export function roomAround(project: Pick<MeasuredRoom, 'spaces'>, view: Standing, point: PlanPoint): Space | null {
  const holds = (space: Space): boolean => {
    const runs = wallRuns(space);
    if (insideLoops([runs.map((run) => run.start)], point.x, point.y)) return true;
    return runs.some((run) => {
      const along = alongWall(run, point);
      return (
        Math.abs(distanceFromWall(run, point)) <= tolerance.touchMm &&
        along >= -tolerance.touchMm &&
        along <= run.lengthMm + tolerance.touchMm
      );
    });
  };
  return project.spaces.find((space) => space.levelId === view.levelId && holds(space)) ?? roomMeant(project, view);
}
