import { picturePoint, screenPoint, type ScreenPoint } from '@/core/space';
import { pictureScreen, sheetScreen, type Placing } from '@/interface/board';

export type FrameSide = 'left' | 'right' | 'bottom' | 'top';
export const FRAME_SIDES: readonly FrameSide[] = ['left', 'right', 'bottom', 'top'];

/** Where the handles of Set out lie: sheet, horizon, sides of the frame, the room's points, marks judged by eye. */
export function setOutPlaces({
  view,
  setOut,
  pose,
  layout,
}: Omit<Placing, 'project' | 'setUp'>): Readonly<Record<string, ScreenPoint>> {
  const k = pose.pictureScale;
  const corner = sheetScreen(pose, view, 0, view.sheet.height);
  const horizon = sheetScreen(pose, view, view.sheet.width, view.centreOfVisionOnSheet.y);
  const middle = { u: (view.frame.left + view.frame.right) / 2, v: (view.frame.bottom + view.frame.top) / 2 };
  const side = (which: FrameSide): ScreenPoint =>
    which === 'left' || which === 'right'
      ? screenPoint(pose.axisX + k * view.frame[which], pose.horizonY - k * middle.v - 34)
      : screenPoint(pose.axisX + k * middle.u + 40, pose.horizonY - k * view.frame[which]);
  return {
    sheet: screenPoint(corner.x + 26, corner.y + 26),
    horizon: screenPoint(Math.min(horizon.x + 16, layout.picture.x + layout.picture.width - 16), horizon.y),
    ...Object.fromEntries(FRAME_SIDES.map((which) => [`frame-${which}`, side(which)])),
    ...Object.fromEntries(
      [...setOut.room.marks, setOut.centreOfVision].map((mark) => [mark.id, pictureScreen(pose, mark.at)]),
    ),
    ...Object.fromEntries(
      view.guesses.map((guess) => [`guess-${guess.wallId}`, pictureScreen(pose, picturePoint(guess.at.u, guess.at.v))]),
    ),
  };
}
