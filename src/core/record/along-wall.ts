import { along2, type Vector2 } from '@/core/geometry';
import type { WallRun } from './outline';
import type { Opening } from './project';
import { mmOf } from './size';

/**
 * Where along a wall something lies: mm from the wall's left corner as one faces it from inside. The one place that says so.
 */
export const alongWall = (run: Pick<WallRun, 'start' | 'run'>, p: Vector2): number =>
  (p.x - run.start.x) * run.run.x + (p.y - run.start.y) * run.run.y;

/** Left end of an opening, from whichever corner its offset is measured. It may lie beyond the wall. */
export const leftAlongWall = (
  opening: Pick<Opening, 'fromCorner' | 'offset' | 'width'>,
  run: Pick<WallRun, 'endCorner' | 'lengthMm'>,
): number =>
  opening.fromCorner === run.endCorner
    ? run.lengthMm - mmOf(opening.offset) - mmOf(opening.width)
    : mmOf(opening.offset);

/** Left and right end of an opening. */
export function spanAlongWall(
  opening: Pick<Opening, 'fromCorner' | 'offset' | 'width'>,
  run: Pick<WallRun, 'endCorner' | 'lengthMm'>,
): readonly [left: number, right: number] {
  const left = leftAlongWall(opening, run);
  return [left, left + mmOf(opening.width)];
}

/** A point of the plan: so far along a wall, and so far into the room. */
export const onWall = (run: Pick<WallRun, 'start' | 'run' | 'intoRoom'>, along: number, into = 0): Vector2 =>
  along2(along2(run.start, run.run, along), run.intoRoom, into);
