import { type Project, type View } from '@/core/record';
import { picturePoint, screenPoint, type ScreenPoint } from '@/core/space';
import { radiansFromDegrees, degreesFromRadians } from '@/core/units';
import type { SetOut, SetUp } from '@/core/view';
import type { BoardLayout } from './layout';
import { turningPoint, turnOfRoom } from './moves';
import { pictureScreen, planScreen, sheetScreen, sideScreen, type Pose } from './pose';

/** Everything a handle's place depends on. */
export interface Placing {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly setOut: SetOut;
  readonly pose: Pose;
  readonly layout: BoardLayout;
}

/** The turn's handle sits on the room's second direction, to the viewer's right, where the paper is mostly empty. */
const TURN_HANDLE_PX = 150;

/** Where the handles of Stand lie: by name, as the board moves them; and what else moves along with them. */
export function standPlaces({ project, view, setUp, pose, layout }: Omit<Placing, 'setOut'>) {
  const inPlan = (y: number): number =>
    Math.min(layout.plan.y + layout.plan.height - 14, Math.max(layout.plan.y + 14, y));
  const pivot = turningPoint(project, view, setUp, pose);
  const radians = radiansFromDegrees(turnOfRoom(project, view) + 90);
  return {
    station: planScreen(pose, setUp, 0, 0),
    plane: screenPoint(layout.plan.x + 24, inPlan(pose.planeY)),
    turn: screenPoint(
      pivot.x + Math.sin(radians) * TURN_HANDLE_PX,
      inPlan(pivot.y - Math.cos(radians) * TURN_HANDLE_PX),
    ),
    eye: screenPoint(layout.vStrip.x + layout.vStrip.width / 2, pose.horizonY),
    pivot: screenPoint(pivot.x, pivot.y),
    'eye-in-side': sideScreen(pose, setUp, 0, 0),
  };
}

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

/** Puts a thing of the SVG on a place. */
export const putOn = ({ x, y }: { readonly x: number; readonly y: number }): string => `translate(${x} ${y})`;

/** Puts a line one pixel long, from zero to the right, between two places. */
export function putBetween(from: ScreenPoint, to: ScreenPoint): string {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const turn = degreesFromRadians(Math.atan2(dy, dx));
  return `${putOn(from)} rotate(${turn}) scale(${Math.hypot(dx, dy)} 1)`;
}
