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

/** What part of the paper's height the plan has at least and at most. */
const PLAN_SHARE = { least: 0.45, usual: 0.655, most: 0.72 } as const;

export function measureLayout(width: number, height: number, share: number = PLAN_SHARE.usual): MeasureLayout {
  const planHeight = Math.round(height * Math.min(PLAN_SHARE.most, Math.max(PLAN_SHARE.least, share)));
  return {
    width,
    height,
    plan: { y: 0, height: planHeight },
    elevation: { y: planHeight, height: height - planHeight },
  };
}

/**
 * One magnification for plan and elevation. Where the elevation's direction across is the plan's, every corner of the plan drops straight into it;
 * else it stands by itself: the plan turns when it is told to, and not by choosing.
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
  /** Screen x of the middle of an elevation that does not hang under the plan. */
  readonly elevationX: number;
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

/** Whether an elevation hangs straight under the plan, corner under corner. */
export const dropsInto = (pose: Pick<MeasurePose, 'right'>, { axes }: Pick<Elevation, 'axes'>): boolean =>
  dot2(pose.right, axes.right) > 1 - 1e-9;

/** A point of an elevation: across from its left end and up from the floor. */
export const elevationToScreen = (
  pose: MeasurePose,
  elevation: Elevation,
  across: number,
  height: number,
): ScreenPoint => {
  const { origin, right } = elevation.axes;
  const x = dropsInto(pose, elevation)
    ? planToScreen(pose, { x: origin.x + right.x * across, y: origin.y + right.y * across }).x
    : pose.elevationX + pose.scale * (across - elevation.across / 2);
  return screenPoint(x, pose.floorY - pose.scale * height);
};

/** Which way a plan is turned: directions of the world that run right and up on it. */
export type Turn = Pick<MeasurePose, 'right' | 'up'>;

/** Which way the plan is turned to drop into an elevation: what it is of lies at the top, looked at from below. */
export function turnFor(project: MeasuredRoom, chosen: Id | null, side: 'front' | 'side'): Turn {
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
  return NORTH_UP;
}

export const NORTH_UP = { right: { x: 1, y: 0 }, up: { x: 0, y: 1 } } as const;
export const isNorthUp = ({ up }: Turn): boolean => up.y > 1 - 1e-9;

/** Blank round the plan, round the elevation above and below together, and under its floor, px. */
const [PADDING, UNDER, FLOOR_FROM_FOOT] = [46, 52, 26];

/** Fits the rooms in plan and the highest of them in elevation at one scale, the largest that the paper has room for, and shares the paper out for it. */
export function fitMeasure(
  paper: Pick<MeasureLayout, 'width' | 'height'>,
  project: MeasuredRoom,
  { right, up }: Turn,
  about: Id | null,
  highest: number,
): { readonly layout: MeasureLayout; readonly pose: MeasurePose } {
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
  const [a, b] = [span(right), span(up)];
  const [deep, high] = [Math.max(1, b[1] - b[0]), Math.max(1, highest)];
  const across = (paper.width - 2 * PADDING - 60) / Math.max(1, a[1] - a[0]);
  const both = Math.min(across, (paper.height - 2 * PADDING - UNDER) / (deep + high));
  // What is left over goes to both alike.
  const spare = paper.height - both * (deep + high) - 2 * PADDING - UNDER;
  const layout = measureLayout(paper.width, paper.height, (both * deep + 2 * PADDING + spare / 2) / paper.height);
  const fits = [across, (layout.plan.height - 2 * PADDING) / deep, (layout.elevation.height - UNDER) / high];
  const scale = Math.max(0.005, Math.min(...fits));
  const [ma, mb] = [(a[0] + a[1]) / 2, (b[0] + b[1]) / 2];
  const pose = {
    centre: { x: right.x * ma + up.x * mb, y: right.y * ma + up.y * mb },
    x: layout.width / 2,
    y: layout.plan.y + layout.plan.height / 2,
    ...{ right, up },
    scale,
    floorY: layout.elevation.y + layout.elevation.height - FLOOR_FROM_FOOT,
    elevationX: layout.width / 2,
  };
  return { layout, pose };
}

/** The same on a paper of another size: what lay in the middle still does, at the same magnification. */
export function onPaper(
  { layout, pose }: { readonly layout: MeasureLayout; readonly pose: MeasurePose },
  width: number,
  height: number,
): { readonly layout: MeasureLayout; readonly pose: MeasurePose } {
  const next = measureLayout(width, height, layout.plan.height / layout.height);
  const aside = (width - layout.width) / 2;
  return {
    layout: next,
    pose: {
      ...pose,
      x: pose.x + aside,
      y: pose.y + (next.plan.height - layout.plan.height) / 2,
      elevationX: pose.elevationX + aside,
      floorY: pose.floorY + (height - layout.height),
    },
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
    elevationX: inElevation ? x + (pose.elevationX - x) * k : pose.elevationX,
  };
}

/** Moved over the paper: the plan about, or the elevation up and down; to the side what hangs together goes together. */
export function panMeasure(
  pose: MeasurePose,
  [dx, dy]: readonly [number, number],
  on: 'plan' | 'elevation' | 'elevation under the plan',
): MeasurePose {
  if (on === 'plan') return { ...pose, x: pose.x + dx, y: pose.y + dy };
  const floorY = pose.floorY + dy;
  return on === 'elevation'
    ? { ...pose, floorY, elevationX: pose.elevationX + dx }
    : { ...pose, floorY, x: pose.x + dx };
}
