import { tolerance } from '@/core/numeric';
import { outlineOf, wallRuns, type PicturePlaneBinding, type Project, type View } from '@/core/record';
import { dot2 } from '@/core/geometry';
import { degreesFromRadians, MM_PER_INCH, normaliseBearing, type UnitSystem } from '@/core/units';
import { boundPoint, catchSetSquare, roomBearing, turnPlan, type SetUp } from '@/core/view';
import { planScreen, type Pose } from '@/interface/board';

/**
 * What a drag or a nudge makes of the view: pure, from where the drag began to where the pointer is.
 * Distances are rounded to what a person would write: 1 mm, or 1/8 inch.
 */
export const roundTo = (mm: number, units: UnitSystem): number => {
  const step = units === 'imperial' ? MM_PER_INCH / 8 : 1;
  return Math.round(mm / step) * step;
};

export type ViewChange = Partial<Omit<View, 'id'>>;

/** The station moved by lateral and forward, mm in the world. */
export function movedStation(view: View, setUp: SetUp, lateral: number, forward: number): ViewChange {
  return {
    station: {
      x: view.station.x + setUp.right.x * lateral + setUp.forward.x * forward,
      y: view.station.y + setUp.right.y * lateral + setUp.forward.y * forward,
    },
  };
}

export function dragStation(
  view: View,
  setUp: SetUp,
  pose: Pose,
  dx: number,
  dy: number,
  units: UnitSystem,
): ViewChange {
  const perPixel = setUp.scaleDenominator / pose.planScale;
  return movedStation(view, setUp, roundTo(dx * perPixel, units), roundTo(-dy * perPixel, units));
}

/** Corners and walls the picture plane catches at when it comes within this many pixels of them. */
const CATCH_PX = 7;

/** Wall or corner of the room at this depth from the station, within reach; the nearest first. */
function caught(project: Project, setUp: SetUp, depth: number, reach: number): PicturePlaneBinding | null {
  let best: { binding: PicturePlaneBinding; miss: number } | null = null;
  const offer = (binding: PicturePlaneBinding, at: { x: number; y: number }): void => {
    const miss = Math.abs(dot2({ x: at.x - setUp.station.x, y: at.y - setUp.station.y }, setUp.forward) - depth);
    if (miss <= reach && (best === null || miss < best.miss - 1e-6)) best = { binding, miss };
  };
  for (const space of project.spaces) {
    for (const run of wallRuns(space)) {
      const alongPlane = Math.abs(dot2(run.run, setUp.forward)) < tolerance.directionRad;
      if (alongPlane)
        offer(
          { through: 'wall', wallId: run.wall.id },
          { x: (run.start.x + run.end.x) / 2, y: (run.start.y + run.end.y) / 2 },
        );
    }
    for (const corner of outlineOf(space).corners) offer({ through: 'corner', cornerId: corner.id }, corner.at);
  }
  return (best as { binding: PicturePlaneBinding } | null)?.binding ?? null;
}

/** The picture plane moved back or forth along the line of sight, mm; never nearer than 100 mm to the eye. */
export function movedPlane(project: Project, view: View, setUp: SetUp, back: number, reach: number): ViewChange {
  const depth = Math.max(100, setUp.pictureDistance + back);
  if (view.picturePlane.through === 'distance') return { picturePlane: { through: 'distance', mm: depth } };
  const binding = caught(project, setUp, depth, reach);
  if (binding) return { picturePlane: binding };
  // Bound to the point of the room straight ahead: moving the station leaves it there.
  return {
    picturePlane: {
      through: 'point',
      x: setUp.station.x + setUp.forward.x * depth,
      y: setUp.station.y + setUp.forward.y * depth,
    },
  };
}

export function dragPlane(project: Project, view: View, setUp: SetUp, pose: Pose, dy: number): ViewChange {
  const perPixel = setUp.scaleDenominator / pose.planScale;
  return movedPlane(project, view, setUp, roundTo(-dy * perPixel, project.units), CATCH_PX * perPixel);
}

/** Where the plan turns about: the point the picture plane is bound to, or the foot of the centre of vision. */
export function turningPoint(
  project: Project,
  view: View,
  setUp: SetUp,
  pose: Pose,
): { readonly x: number; readonly y: number } {
  const bound = boundPoint(project, view);
  if (!bound.ok || !bound.value) return planScreen(pose, setUp, 0, setUp.pictureDistance);
  const away = { x: bound.value.x - setUp.station.x, y: bound.value.y - setUp.station.y };
  return planScreen(pose, setUp, dot2(away, setUp.right), dot2(away, setUp.forward));
}

/** The plan sheet turned so that its handle lies under the pointer; it catches at set-square angles. */
export function dragTurn(
  project: Project,
  view: View,
  pivot: { readonly x: number; readonly y: number },
  pointer: { readonly x: number; readonly y: number },
): ViewChange {
  const turn = degreesFromRadians(Math.atan2(pointer.x - pivot.x, pivot.y - pointer.y));
  return turnPlan(project, view, catchSetSquare(Math.round(turn * 4) / 4));
}

export const turnOfRoom = (project: Project, view: View): number => {
  const turn = normaliseBearing(roomBearing(project, view) - view.lineOfSightBearingDeg) % 90;
  return turn > 90 - 1e-7 ? 0 : turn;
};

export function raisedEye(view: View, up: number, units: UnitSystem, print: (mm: number) => string): ViewChange {
  const mm = Math.max(roundTo(300, units), roundTo(view.eyeHeight.mm + up, units));
  return { eyeHeight: { mm, asTyped: print(mm) } };
}

export function dragEye(
  view: View,
  setUp: SetUp,
  pose: Pose,
  dy: number,
  units: UnitSystem,
  print: (mm: number) => string,
): ViewChange {
  return raisedEye(view, (-dy * setUp.scaleDenominator) / pose.sideScale, units, print);
}
