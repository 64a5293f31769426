import type { SchoolName } from '@/core/record';
import type { PicturePoint } from '@/core/space';
import type { Degrees } from '@/core/units';
import type { SetUp } from '@/core/view';
import type { AxisFrame } from '../frame';
import type { FramePoints, PairAtHand } from '../frame-points';

/** How depth is spaced: one file for each school, and one line in the index. */
export interface School {
  readonly name: SchoolName;
  /** As a list says it. */
  readonly words: string;
  /** The turn of the frame in which a thing turned so is measured. */
  readonly measuredAt: (turnDeg: Degrees) => Degrees;
  /** Whether this school's points are those of a frame turned so. */
  readonly draws: (turnDeg: Degrees) => boolean;
  /** The points of such a frame on the horizon. @param onBoard whether a point lies on the board. */
  readonly points: (
    setUp: SetUp,
    frame: AxisFrame,
    pair: PairAtHand,
    onBoard: (p: PicturePoint) => boolean,
  ) => FramePoints;
}
