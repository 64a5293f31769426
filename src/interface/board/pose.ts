import type { Body } from '@/core/solids';
import { screenPoint, type EyePoint, type PicturePoint, type ScreenPoint, picturePoint } from '@/core/space';
import type { View } from '@/core/record';
import { eyeFromWorld, type SetUp } from '@/core/view';
import { clamp } from '@/core/numeric';
import type { BoardLayout } from './layout';

/**
 * Where the three views lie on the screen and how large: pixels for each paper millimetre. The centre of vision is at axisX in plan and
 * picture, at horizonY in side view and picture; the picture plane is level at planeY in plan, upright at planeX in the side view.
 */
export interface Pose {
  readonly axisX: number;
  readonly planeY: number;
  readonly horizonY: number;
  readonly planeX: number;
  readonly planScale: number;
  readonly sideScale: number;
  readonly pictureScale: number;
}

export const planScreen = (pose: Pose, setUp: SetUp, lateral: number, depth: number): ScreenPoint =>
  screenPoint(
    pose.axisX + (pose.planScale * lateral) / setUp.scaleDenominator,
    pose.planeY - (pose.planScale * (depth - setUp.pictureDistance)) / setUp.scaleDenominator,
  );

export const sideScreen = (pose: Pose, setUp: SetUp, depth: number, rise: number): ScreenPoint =>
  screenPoint(
    pose.planeX + (pose.sideScale * (depth - setUp.pictureDistance)) / setUp.scaleDenominator,
    pose.horizonY - (pose.sideScale * rise) / setUp.scaleDenominator,
  );

/** The picture's upward v becomes the screen's downward y here. */
export const pictureScreen = (pose: Pose, point: PicturePoint): ScreenPoint =>
  screenPoint(pose.axisX + pose.pictureScale * point.u, pose.horizonY - pose.pictureScale * point.v);

export const pictureFromScreen = (pose: Pose, x: number, y: number): PicturePoint =>
  picturePoint((x - pose.axisX) / pose.pictureScale, (pose.horizonY - y) / pose.pictureScale);

export const sheetScreen = (pose: Pose, view: View, x: number, y: number): ScreenPoint =>
  screenPoint(
    pose.axisX + pose.pictureScale * (x - view.centreOfVisionOnSheet.x),
    pose.horizonY - pose.pictureScale * (y - view.centreOfVisionOnSheet.y),
  );

/** A screen point of the plan back to lateral and depth, mm in the world. */
export const eyeFromPlanScreen = (
  pose: Pose,
  setUp: SetUp,
  x: number,
  y: number,
): Pick<EyePoint, 'lateral' | 'depth'> => ({
  lateral: ((x - pose.axisX) / pose.planScale) * setUp.scaleDenominator,
  depth: setUp.pictureDistance - ((y - pose.planeY) / pose.planScale) * setUp.scaleDenominator,
});

const PADDING = 26;

interface Extent {
  readonly low: number;
  readonly high: number;
}
const extent = (values: readonly number[]): Extent => ({ low: Math.min(...values), high: Math.max(...values) });

/** All that plan and side view have to show: the bodies, the eye, the floor and the picture plane, mm in the eye's directions. */
function extentsOf(setUp: SetUp, bodies: readonly Body[]): Readonly<Record<'depth' | 'lateral' | 'rise', Extent>> {
  const points = bodies.flatMap((body) => body.vertices.map((vertex) => eyeFromWorld(setUp, vertex.at)));
  return {
    depth: extent([0, setUp.pictureDistance, ...points.map((p) => p.depth)]),
    lateral: extent([-1, 1, ...points.map((p) => p.lateral)]),
    rise: extent([0, -setUp.eyeHeight, ...points.map((p) => p.rise)]),
  };
}

/**
 * Fits all three views to their places: a command, never done by itself while something is dragged. The picture's place is filled with the
 * frame and with what else must be in sight, such as the marks of a construction.
 */
export function fitPose(
  layout: BoardLayout,
  view: View,
  setUp: SetUp,
  bodies: readonly Body[],
  inSight: readonly PicturePoint[] = [],
): Pose {
  const N = setUp.scaleDenominator;
  const { left, right, bottom, top } = view.frame;
  const shown = {
    left: Math.min(left, ...inSight.map((p) => p.u)) - 8,
    right: Math.max(right, ...inSight.map((p) => p.u)) + 8,
    bottom: Math.min(bottom, ...inSight.map((p) => p.v)) - 8,
    top: Math.max(top, ...inSight.map((p) => p.v)) + 8,
  };
  const { picture, plan, side } = layout;
  const pictureScale = Math.max(
    0.05,
    Math.min(
      (picture.width - 2 * PADDING) / (shown.right - shown.left),
      (picture.height - PADDING) / (shown.top - shown.bottom),
    ),
  );
  const axisX = picture.x + picture.width / 2 - (pictureScale * (shown.left + shown.right)) / 2;
  const horizonY = picture.y + picture.height / 2 + (pictureScale * (shown.bottom + shown.top)) / 2;
  const { depth, lateral, rise } = extentsOf(setUp, bodies);
  const planScale = Math.max(
    0.02,
    N *
      Math.min(
        (plan.height - 2 * PADDING) / (depth.high - depth.low),
        (axisX - plan.x - PADDING) / -lateral.low,
        (plan.x + plan.width - axisX - PADDING) / lateral.high,
      ),
  );
  const planeY = plan.y + PADDING + (planScale * (depth.high - setUp.pictureDistance)) / N;
  const sideScale = Math.max(
    0.02,
    N *
      Math.min(
        (side.width - 2 * PADDING) / (depth.high - depth.low),
        (side.height - PADDING) / (rise.high - rise.low),
        pictureScale / N,
      ),
  );
  const planeX = side.x + PADDING + (sideScale * (setUp.pictureDistance - depth.low)) / N;
  return { axisX, planeY, horizonY, planeX, planScale, sideScale, pictureScale };
}

/** The plan alone fitted to the paper: as large as it can be, its middle in the middle. */
export function fitPlanPose(layout: BoardLayout, view: View, setUp: SetUp, bodies: readonly Body[]): Pose {
  const { plan } = layout;
  const { depth, lateral } = extentsOf(setUp, bodies);
  const each = Math.min(
    (plan.width - 2 * PADDING) / (lateral.high - lateral.low),
    (plan.height - 2 * PADDING) / (depth.high - depth.low),
  );
  const [across, down] = [(lateral.low + lateral.high) / 2, (depth.low + depth.high) / 2];
  return {
    ...fitPose(layout, view, setUp, bodies),
    planScale: Math.max(0.02, each * setUp.scaleDenominator),
    axisX: plan.x + plan.width / 2 - each * across,
    planeY: plan.y + plan.height / 2 + each * (down - setUp.pictureDistance),
  };
}

/** The side view alone fitted to the paper. */
export function fitSidePose(layout: BoardLayout, view: View, setUp: SetUp, bodies: readonly Body[]): Pose {
  const { side } = layout;
  const { depth, rise } = extentsOf(setUp, bodies);
  const each = Math.min(
    (side.width - 2 * PADDING) / (depth.high - depth.low),
    (side.height - 2 * PADDING) / (rise.high - rise.low),
  );
  const [along, up] = [(depth.low + depth.high) / 2, (rise.low + rise.high) / 2];
  return {
    ...fitPose(layout, view, setUp, bodies),
    sideScale: Math.max(0.02, each * setUp.scaleDenominator),
    planeX: side.x + side.width / 2 - each * (along - setUp.pictureDistance),
    horizonY: side.y + side.height / 2 + each * up,
  };
}

/**
 * Board and sheet fitted to the picture's place; plan and side view at the same magnification, so that drops and levels run straight, with the
 * picture plane near the strip.
 */
export function fitBoardPose(layout: BoardLayout, view: View): Pose {
  const { picture, plan, side } = layout;
  const scale = Math.max(
    0.05,
    Math.min((picture.width - 2 * PADDING) / view.board.width, (picture.height - 2 * PADDING) / view.board.height),
  );
  const left = picture.x + (picture.width - scale * view.board.width) / 2;
  const bottom = picture.y + picture.height - (picture.height - scale * view.board.height) / 2;
  return {
    axisX: left + scale * (view.sheetOnBoard.x + view.centreOfVisionOnSheet.x),
    horizonY: bottom - scale * (view.sheetOnBoard.y + view.centreOfVisionOnSheet.y),
    planeY: plan.y + plan.height - 18,
    planeX: side.x + side.width - 18,
    planScale: scale,
    sideScale: scale,
    pictureScale: scale,
  };
}

/** Blank edge of a band, px. */
const BAND_PADDING = 7;

/** The same pose with plan and side view so small that all of them is seen in their bands; their drops and levels fan out across the strips. */
export function wholeInBands(pose: Pose, layout: BoardLayout, setUp: SetUp, bodies: readonly Body[]): Pose {
  const N = setUp.scaleDenominator;
  const { plan, side } = layout;
  const { depth, lateral, rise } = extentsOf(setUp, bodies);
  const inPlan = Math.min(
    pose.pictureScale / N,
    (plan.height - 2 * BAND_PADDING) / (depth.high - depth.low),
    (pose.axisX - plan.x - BAND_PADDING) / -lateral.low,
    (plan.x + plan.width - pose.axisX - BAND_PADDING) / lateral.high,
  );
  const inSide = Math.min(
    pose.pictureScale / N,
    (side.width - 2 * BAND_PADDING) / (depth.high - depth.low),
    ...(rise.high > 0 ? [(pose.horizonY - side.y - BAND_PADDING) / rise.high] : []),
    (side.y + side.height - pose.horizonY - BAND_PADDING) / -rise.low,
  );
  // Where the axis or the horizon has left the paper there is nothing to fit them to.
  return {
    ...pose,
    ...(inPlan > 0
      ? { planScale: inPlan * N, planeY: plan.y + BAND_PADDING + inPlan * (depth.high - setUp.pictureDistance) }
      : {}),
    ...(inSide > 0
      ? { sideScale: inSide * N, planeX: side.x + BAND_PADDING + inSide * (setUp.pictureDistance - depth.low) }
      : {}),
  };
}

/** The sheet alone fitted to the picture's place: for looking closely at what lies on it. */
export function fitSheetPose(layout: BoardLayout, view: View): Pose {
  const { picture } = layout;
  return middleOfSheet(
    layout,
    view,
    Math.max(
      0.05,
      Math.min((picture.width - 2 * PADDING) / view.sheet.width, (picture.height - 2 * PADDING) / view.sheet.height),
    ),
  );
}

/** The same pose after the sheet moved on the board or the centre of vision on the sheet: the board keeps its place on the screen. */
export function onStillBoard(pose: Pose, before: View, now: View): Pose {
  const centre = (view: View) => ({
    x: view.sheetOnBoard.x + view.centreOfVisionOnSheet.x,
    y: view.sheetOnBoard.y + view.centreOfVisionOnSheet.y,
  });
  const [was, is] = [centre(before), centre(now)];
  return {
    ...pose,
    axisX: pose.axisX + pose.pictureScale * (is.x - was.x),
    horizonY: pose.horizonY - pose.pictureScale * (is.y - was.y),
  };
}

/** The sheet at true size: the picture's magnification becomes the screen's own, its sheet's middle in the middle. */
export const truePose = (layout: BoardLayout, view: View, pixelsPerMm: number): Pose =>
  middleOfSheet(layout, view, pixelsPerMm);

function middleOfSheet({ picture, plan, side }: BoardLayout, view: View, scale: number): Pose {
  const { sheet, centreOfVisionOnSheet: cv } = view;
  return {
    axisX: picture.x + picture.width / 2 + (cv.x - sheet.width / 2) * scale,
    horizonY: picture.y + picture.height / 2 - (cv.y - sheet.height / 2) * scale,
    planeY: plan.y + plan.height - 18,
    planeX: side.x + side.width - 18,
    planScale: scale,
    sideScale: scale,
    pictureScale: scale,
  };
}

/** All three views at the picture's magnification: drops and levels then run straight across the strips. */
export function equalPose(pose: Pose, layout: BoardLayout, setUp: SetUp, bodies: readonly Body[]): Pose {
  const scale = pose.pictureScale;
  const points = bodies.flatMap((body) => body.vertices.map((vertex) => eyeFromWorld(setUp, vertex.at)));
  const deepest = Math.max(setUp.pictureDistance, ...points.map((p) => p.depth));
  const { plan, side } = layout;
  // Kept in sight: the picture plane, with as much of what lies behind it as there is room for.
  const planeY = clamp(
    plan.y + PADDING + (scale * (deepest - setUp.pictureDistance)) / setUp.scaleDenominator,
    plan.y + PADDING,
    plan.y + plan.height - PADDING,
  );
  const planeX = clamp(
    side.x + PADDING + scale * setUp.viewingDistance,
    side.x + PADDING,
    side.x + side.width - PADDING,
  );
  return { ...pose, planScale: scale, sideScale: scale, planeY, planeX };
}

/**
 * Keeps the plan and the floor still on the screen while station, eye or picture plane move, so that a handle stays under the pointer.
 * The centre of vision, with the picture under it, follows sideways as far as its place allows.
 */
export function keepStill(pose: Pose, before: SetUp, after: SetUp, layout: BoardLayout): Pose {
  const moved = { x: after.station.x - before.station.x, y: after.station.y - before.station.y };
  const N = before.scaleDenominator;
  const sideways = moved.x * before.right.x + moved.y * before.right.y;
  const forward = moved.x * before.forward.x + moved.y * before.forward.y;
  const behindPlane = -forward - (after.pictureDistance - before.pictureDistance);
  const { picture } = layout;
  const axisX = clamp(pose.axisX + (pose.planScale * sideways) / N, picture.x + 40, picture.x + picture.width - 40);
  const horizonY = clamp(
    pose.horizonY - (pose.sideScale * (after.eyeHeight - before.eyeHeight)) / N,
    picture.y + 20,
    picture.y + picture.height - 20,
  );
  return {
    ...pose,
    axisX,
    horizonY,
    planeY: pose.planeY + (pose.planScale * behindPlane) / N,
    planeX: pose.planeX - (pose.sideScale * behindPlane) / N,
  };
}

/** Magnifies one view about a point of the screen; the shared axis and horizon stay where they are. */
export function magnify(pose: Pose, which: 'plan' | 'side' | 'picture', factor: number, x: number, y: number): Pose {
  const limited = (scale: number): number => clamp(scale * factor, 0.05, 40);
  switch (which) {
    case 'plan': {
      const planScale = limited(pose.planScale);
      return { ...pose, planScale, planeY: y + (pose.planeY - y) * (planScale / pose.planScale) };
    }
    case 'side': {
      const sideScale = limited(pose.sideScale);
      return { ...pose, sideScale, planeX: x + (pose.planeX - x) * (sideScale / pose.sideScale) };
    }
    case 'picture':
      return { ...pose, pictureScale: limited(pose.pictureScale) };
  }
}
