import type { SchoolName } from '@/core/record';
import type { PicturePoint } from '@/core/space';
import type { Degrees } from '@/core/units';
import type { SetUp } from '@/core/view';
import type { AxisFrame, DepthBy } from '../frame';
import type { FramePoints, PairAtHand } from '../frame-points';
import type { PlanSheet } from '../plan-sheet';

/** How depth is spaced: one file for each school, and one line in the index. */
export interface School {
  readonly name: SchoolName;
  /** As a list says it. */
  readonly words: string;
  /** The turn of the frame in which a thing turned so is measured, where the grid is turned so. */
  readonly measuredAt: (turnDeg: Degrees, gridTurnDeg: Degrees) => Degrees;
  readonly depthBy: DepthBy;
  /** Whether this school's points are those of a frame. */
  readonly draws: (frame: AxisFrame) => boolean;
  /** The points of such a frame on the horizon. @param onBoard whether a point lies on the board. @param plan the plan, where it is on the table. */
  readonly points: (
    setUp: SetUp,
    frame: AxisFrame,
    pair: PairAtHand,
    onBoard: (p: PicturePoint) => boolean,
    plan: PlanSheet | null,
  ) => FramePoints;
}
