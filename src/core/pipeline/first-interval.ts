import { dot2, type Vector2 } from '@/core/geometry';
import { wallRuns, type GuessedInterval, type Project, type View } from '@/core/record';
import type { Millimetres } from '@/core/units';
import { roomMeant } from '@/core/view';

/** The interval along a room's directions, and where on the paper it was judged. */
export interface FirstInterval {
  readonly along: Vector2;
  readonly mm: Millimetres;
  readonly judged: GuessedInterval | null;
}

/** So many first intervals go into the room at most: each that is repeated adds to the error of the one before. */
const MOST_IN_ROOM = 2;
const STEP_MM = { metric: 500, imperial: 304.8 } as const;

/**
 * The interval that diagonals repeat, along the directions of the room: the one that was judged on the paper, where one was; else half metres, or feet, so
 * many that two of them span the room. Null where there is no room.
 */
export function firstInterval(project: Project, view: View): FirstInterval | null {
  const room = roomMeant(project, view);
  const runs = room ? wallRuns(room) : [];
  const [first] = runs;
  if (!first) return null;
  const judged = view.guesses.find(({ wallId }) => runs.some((run) => run.wall.id === wallId));
  if (judged) return { along: first.run, mm: judged.interval.mm, judged };
  const reach = (way: Vector2): Millimetres => {
    const along = runs.map(({ start }) => dot2(start, way));
    return Math.max(...along) - Math.min(...along);
  };
  const step = STEP_MM[project.units];
  const span = Math.max(reach(first.run), reach(first.intoRoom));
  return { along: first.run, mm: step * Math.max(1, Math.ceil(span / MOST_IN_ROOM / step)), judged: null };
}
