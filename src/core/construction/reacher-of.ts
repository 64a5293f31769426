import type { Millimetres } from '@/core/units';
import type { Desk } from './desk';
import { byIntervals, type AxisFrame, type Place } from './frame';
import type { FramePoints } from './frame-points';
import { countedIn, squaresSeen } from './grid-at-hand';
import { measuredCorner, nearestCorner } from './measured-corner';
import type { LineId } from './operation';
import type { PlanSheet } from './plan-sheet';
import { intervalsFrom, ReachByDiagonals } from './reach-by-diagonals';
import { ReachByGrid } from './reach-by-grid';
import { ReachByMeasure } from './reach-by-measure';
import { ReachByPlan } from './reach-by-plan';
import { countedFrom, isSection, ReachBySheetCorners } from './reach-by-sheet-corners';
import type { SquaresCounted } from './reach-by-squares';
import type { ReachPlace } from './reach-place';
import type { FrameSide } from './target';
import type { WholeGiven } from './whole';

/** What lies on the table when a frame is begun. */
export interface BegunWith {
  readonly given: WholeGiven;
  readonly desk: Desk;
  /** The level plane that is measured on. */
  readonly plane: Millimetres;
  /** The plan, where it is on the table. */
  readonly plan: PlanSheet | null;
  /** Sides of the picture as lines. */
  readonly side: (side: FrameSide) => LineId;
}

/** How places of a frame are reached, and how it is counted where its intervals are repeated from a corner that is measured. */
export interface FrameReached {
  readonly reacher: ReachPlace;
  readonly counts: SquaresCounted | null;
  /** How they are reached where that cannot be begun at this table; null where there is nothing else. */
  readonly otherwise: FrameReached | null;
}

/** How places of a frame are reached by its school; null where it has no corner to begin from. @param wanted all of its places. */
export function reacherOf(
  frame: AxisFrame,
  points: FramePoints,
  wanted: readonly Place[],
  { given, desk, plane, plan, side }: BegunWith,
): FrameReached | null {
  const { setUp, table, hand, grid, interval, backWall, sheet } = given;
  const { vanishing, measured: measuring } = points;
  const alone = (reacher: ReachPlace | null): FrameReached | null =>
    reacher && { reacher, counts: null, otherwise: null };
  if (!measuring) return alone(plan && new ReachByPlan(desk, setUp, frame, vanishing, plane, sheet, plan, wanted));
  const from = { setUp, table, hand, plane, measuring, edges: sheet };
  const own = [desk, setUp, frame, vanishing, measuring] as const;
  const counted = grid && frame.depthBy === 'grid' ? countedIn(grid, frame, setUp) : null;
  if (grid && counted) {
    // Measured through a corner of the grid's squares, so that its whole lines are measured and all else is counted.
    const corner = measuredCorner(frame, points, squaresSeen(grid, counted, frame, setUp), from);
    if (corner) return alone(new ReachByGrid({ grid, counted, side }, ...own, corner, sheet));
  }
  if (byIntervals(frame.depthBy) && interval) {
    const nearest = nearestCorner(frame, points, wanted, from);
    const counts = nearest && intervalsFrom(nearest, { x: interval.mm, y: interval.mm }, wanted);
    const repeated = counts && {
      reacher: new ReachByDiagonals(counts, ...own, nearest, sheet),
      counts,
      otherwise: null,
    };
    const section = backWall === null ? null : { sides: given.frame, side, backWall };
    if (frame.depthBy !== 'sheet-corners' || frame.turnDeg !== 0 || !section || !isSection(section)) return repeated;
    const zero = { x: given.frame[countedFrom(section)] * setUp.scaleDenominator, y: setUp.pictureDistance, z: plane };
    const counted = intervalsFrom(zero, { x: interval.mm, y: section.backWall }, wanted);
    return {
      ...{ reacher: new ReachBySheetCorners(section, counted, ...own, zero, sheet), counts: null },
      otherwise: repeated,
    };
  }
  const reference = measuredCorner(frame, points, wanted, from);
  return alone(reference && new ReachByMeasure(...own, reference, sheet));
}
