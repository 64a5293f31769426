import { dot2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { wallRuns, type MeasuredRoom, type View } from '@/core/record';
import { worldFromPlan } from '@/core/space';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import { roomMeant } from './room-meant';
import { eyeFromWorld, type SetUp } from './set-up';

/** Sides of a rectangle about the centre of vision, paper mm from it; right and top are positive. */
type Sides = View['frame'];

/**
 * The back wall of a one-point room by the corners of the frame: lines from them to the centre of vision hold the corners of every section of the room
 * that stands in the frame. A section D behind the picture plane is drawn at s = d/(d + D) of the frame, d from station to picture plane. Source: job, 4.
 */
export interface BackWall {
  /** How wide it is drawn. */
  readonly widthMm: PaperMillimetres;
  /** Where its sides lie on the paper, from the centre of vision. */
  readonly sides: Sides;
  /** How far behind the picture plane it stands, seen from this station. */
  readonly depth: Millimetres;
}

const widthOf = ({ left, right }: Sides): PaperMillimetres => right - left;

function drawnAt(frame: Sides, s: number, depth: Millimetres): BackWall {
  const { left, right, bottom, top } = frame;
  return {
    widthMm: widthOf(frame) * s,
    sides: { left: left * s, right: right * s, bottom: bottom * s, top: top * s },
    depth,
  };
}

/** The back wall of a room so deep behind the picture plane. @param depth zero or more. */
export const backWallAt = ({ frame }: Pick<View, 'frame'>, setUp: SetUp, depth: Millimetres): BackWall =>
  drawnAt(frame, setUp.pictureDistance / (setUp.pictureDistance + depth), depth);

/** What a back wall that is drawn so wide stands for; null where it is as wide as the frame, or wider: it would stand in the picture plane or before it. */
export function backWallDrawn(
  { frame }: Pick<View, 'frame'>,
  setUp: SetUp,
  widthMm: PaperMillimetres,
): BackWall | null {
  const s = widthMm / widthOf(frame);
  if (!(s > 0 && s < 1)) return null;
  return drawnAt(frame, s, setUp.pictureDistance * (1 / s - 1));
}

/** How far from the picture plane one must stand for a room so deep to be drawn with a back wall so wide: d = D·s/(1 − s). */
export const stationFor = (
  { frame }: Pick<View, 'frame'>,
  widthMm: PaperMillimetres,
  depth: Millimetres,
): Millimetres => (depth * widthMm) / (widthOf(frame) - widthMm);

/** How far behind the picture plane the last wall square to the line of sight stands, of the room a view is of; null where none does. */
export function backWallDepth(project: Pick<MeasuredRoom, 'spaces'>, view: View, setUp: SetUp): Millimetres | null {
  const room = roomMeant(project, view);
  const depths = (room ? wallRuns(room) : []).flatMap(({ run, start }) =>
    Math.abs(dot2(run, setUp.forward)) < tolerance.directionRad
      ? [eyeFromWorld(setUp, worldFromPlan(start, setUp.floor)).depth - setUp.pictureDistance]
      : [],
  );
  const most = Math.max(...depths);
  return most > tolerance.touchMm ? most : null;
}
