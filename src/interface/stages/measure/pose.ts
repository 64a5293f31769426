import { screenPoint, type ScreenPoint } from '@/core/space';
import { type Elevation } from '@/core/pipeline';
import { dot2, type Vector2 } from '@/core/geometry';
import { footprintOf, outlineOf, wallOf, wallRunOf, type Id, type MeasuredRoom } from '@/core/record';

/** How the paper is shared out in Measure: plan above, the elevation of what is chosen under it. CSS pixels. */
export interface MeasureLayout {
  readonly width: number;
  readonly height: number;
  readonly plan: { readonly y: number; readonly height: number };
  readonly elevation: { readonly y: number; readonly height: number };
}

export function measureLayout(width: number, height: number): MeasureLayout {
  const planHeight = Math.round(height * 0.655);
  return {
    width,
    height,
    plan: { y: 0, height: planHeight },
    elevation: { y: planHeight, height: height - planHeight },
  };
}

/**
 * One magnification for plan and elevation, and one direction across for both: every corner of the plan drops straight into the
 * elevation under it.
 */
export interface MeasurePose {
  /** The plan point at (x, y) on the screen. */
  readonly centre: Vector2;
  readonly x: number;
  readonly y: number;
  /** Unit directions in the world that run to the right and up on the plan. */
  readonly right: Vector2;
  readonly up: Vector2;
  /** Pixels for each real mm. */
  readonly scale: number;
  /** Screen y of the floor in the elevation. */
  readonly floorY: number;
}

export const planToScreen = (pose: MeasurePose, p: Vector2): ScreenPoint => {
  const away = { x: p.x - pose.centre.x, y: p.y - pose.centre.y };
  return screenPoint(pose.x + pose.scale * dot2(away, pose.right), pose.y - pose.scale * dot2(away, pose.up));
};

export const screenToPlan = (pose: MeasurePose, x: number, y: number): Vector2 => {
  const [a, b] = [(x - pose.x) / pose.scale, (pose.y - y) / pose.scale];
  return {
    x: pose.centre.x + pose.right.x * a + pose.up.x * b,
    y: pose.centre.y + pose.right.y * a + pose.up.y * b,
  };
};

/** A move on the screen as a move in the plan, mm. */
export const planMove = (pose: MeasurePose, dx: number, dy: number): Vector2 => ({
  x: (pose.right.x * dx - pose.up.x * dy) / pose.scale,
  y: (pose.right.y * dx - pose.up.y * dy) / pose.scale,
});

/** A point of an elevation: across from its left end and up from the floor. */
export const elevationToScreen = (
  pose: MeasurePose,
  elevation: Elevation,
  across: number,
  height: number,
): ScreenPoint => {
  const { origin, right } = elevation.axes;
  const foot = planToScreen(pose, { x: origin.x + right.x * across, y: origin.y + right.y * across });
  return screenPoint(foot.x, pose.floorY - pose.scale * height);
};

/** Which way the plan is turned: what is chosen lies at the top, looked at from below, as its elevation is. */
export function turnFor(
  project: MeasuredRoom,
  chosen: Id | null,
  side: 'front' | 'side',
): { right: Vector2; up: Vector2 } {
  const opening = project.openings.find((one) => one.id === chosen);
  const run = chosen === null ? undefined : wallRunOf(project, opening?.wallId ?? chosen);
  if (run) return { right: run.run, up: { x: -run.intoRoom.x, y: -run.intoRoom.y } };
  const piece = project.pieces.find((one) => one.id === chosen);
  const footprint = piece && footprintOf(project, piece);
  if (footprint?.ok) {
    const { widthDirection: w, depthDirection: d } = footprint.value;
    return side === 'front'
      ? { right: w, up: { x: -d.x, y: -d.y } }
      : { right: { x: -d.x, y: -d.y }, up: { x: -w.x, y: -w.y } };
  }
  return { right: { x: 1, y: 0 }, up: { x: 0, y: 1 } };
}

const PADDING = 46;

/** Fits the rooms in plan and the highest of them in elevation, at one scale. */
export function fitMeasure(
  layout: MeasureLayout,
  project: MeasuredRoom,
  turn: { readonly right: Vector2; readonly up: Vector2 },
  about: Id | null,
  highest: number,
): MeasurePose {
  // The room of what is chosen fills the paper; the rest lies beside it.
  const opening = project.openings.find((one) => one.id === about);
  const piece = project.pieces.find((one) => one.id === about);
  const wallId = opening?.wallId ?? piece?.place.from[0].wallId ?? about ?? '';
  const home = wallOf(project, wallId)?.space ?? project.spaces.find((space) => space.id === about);
  const spaces = home ? [home] : project.spaces;
  const points: Vector2[] = spaces.flatMap((space) => outlineOf(space).corners.map((corner) => corner.at));
  const span = (d: Vector2): readonly [number, number] => {
    const values = points.map((p) => dot2(p, d));
    return [Math.min(...values), Math.max(...values)];
  };
  const [a, b] = [span(turn.right), span(turn.up)];
  const scale = Math.max(
    0.005,
    Math.min(
      (layout.width - 2 * PADDING - 60) / Math.max(1, a[1] - a[0]),
      (layout.plan.height - 2 * PADDING) / Math.max(1, b[1] - b[0]),
      (layout.elevation.height - 52) / Math.max(1, highest),
    ),
  );
  const [ma, mb] = [(a[0] + a[1]) / 2, (b[0] + b[1]) / 2];
  return {
    centre: { x: turn.right.x * ma + turn.up.x * mb, y: turn.right.y * ma + turn.up.y * mb },
    x: layout.width / 2,
    y: layout.plan.y + layout.plan.height / 2,
    ...turn,
    scale,
    floorY: layout.elevation.y + layout.elevation.height - 26,
  };
}

/** Magnified about a point of the paper: plan and elevation together, so that drops stay straight. */
export function magnifyMeasure(
  pose: MeasurePose,
  factor: number,
  x: number,
  y: number,
  inElevation: boolean,
): MeasurePose {
  const scale = Math.min(2, Math.max(0.004, pose.scale * factor));
  const k = scale / pose.scale;
  return {
    ...pose,
    scale,
    x: x + (pose.x - x) * k,
    y: inElevation ? pose.y : y + (pose.y - y) * k,
    floorY: inElevation ? y + (pose.floorY - y) * k : pose.floorY,
  };
}
