import type { View } from '@/core/record';
import { formatAngle, formatLength, formatPaper, type LengthStyle } from '@/core/units';
import type { SetOut, SetOutMark } from './set-out-marks';
import type { SetUp } from './set-up';

/** A view with what is computed from it, before or after a change. */
export interface Standing {
  readonly view: Pick<View, 'frame' | 'centreOfVisionOnSheet' | 'sheetOnBoard' | 'scaleDenominator'>;
  readonly setUp: SetUp;
  readonly setOut: SetOut;
}

/** Less than this on paper has not moved, mm: a quarter of a pencil's line. */
const STILL_MM = 0.05;

const marksOf = (setOut: SetOut): ReadonlyMap<string, SetOutMark> =>
  new Map(setOut.room.marks.map((mark) => [mark.id, mark]));

/**
 * What a change of one thing moved besides it, as sentences with figures: station point, turn, eye, scale, and the room's points on the
 * horizon. `moved` names the mark that was moved on purpose, which needs no telling.
 */
export function whatMoved(
  before: Standing,
  after: Standing,
  moved: string | null,
  style: LengthStyle,
): readonly string[] {
  const told: string[] = [];
  const [a, b] = [before.setUp, after.setUp];
  const showPaper = (mm: number): string => formatPaper(mm, style);
  const step = Math.hypot(b.station.x - a.station.x, b.station.y - a.station.y);
  if (Math.abs(b.pictureDistance - a.pictureDistance) > 0.5)
    told.push(
      `The station point is ${formatLength(b.pictureDistance, style)} before the picture plane, it was ${formatLength(a.pictureDistance, style)}.`,
    );
  else if (step > 0.5) told.push(`The station point moved ${formatLength(step, style)}.`);
  const [turnA, turnB] = [before.setOut.room.turnDeg, after.setOut.room.turnDeg];
  if (Math.abs(turnB - turnA) > 0.005)
    told.push(`The room is turned ${formatAngle(turnB)}, it was ${formatAngle(turnA)}.`);
  if (Math.abs(b.eyeHeight - a.eyeHeight) > 0.5)
    told.push(
      `The eye is ${formatLength(b.eyeHeight, style)} above the floor, it was ${formatLength(a.eyeHeight, style)}.`,
    );
  if (b.scaleDenominator !== a.scaleDenominator)
    told.push(`The drawing is ${Math.round((a.scaleDenominator / b.scaleDenominator) * 100)} % of its size before.`);
  const was = marksOf(before.setOut);
  for (const mark of marksOf(after.setOut).values()) {
    const old = was.get(mark.id);
    if (mark.id === moved || !old) continue;
    const by = mark.onBoard.x - old.onBoard.x;
    if (Math.abs(by) > STILL_MM)
      told.push(`${mark.label} went ${showPaper(Math.abs(by))} to the ${by > 0 ? 'right' : 'left'}.`);
  }
  return told;
}
