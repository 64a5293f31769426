import { degreesFromRadians, radiansFromDegrees, type Degrees, type PaperMillimetres } from '@/core/units';
import type { WorldPoint } from '@/core/space';
import { eyeFromWorld, type SetUp } from './set-up';

/** Radius on the sheet of a cone of vision of the given whole angle: k·tan(angle/2). */
export const coneRadius = (setUp: SetUp, wholeAngleDeg: Degrees): PaperMillimetres =>
  setUp.viewingDistance * Math.tan(radiansFromDegrees(wholeAngleDeg / 2));

/** Angle between the line of sight and the ray to a point, degrees; above 90 for what lies behind. */
export function angleOffSight(setUp: SetUp, point: WorldPoint): Degrees {
  const eye = eyeFromWorld(setUp, point);
  return degreesFromRadians(Math.atan2(Math.hypot(eye.lateral, eye.rise), eye.depth));
}

/** What one paper millimetre up or down, and sideways, stands for on the floor at depth t: to first order t²/(k·e) and t/k. */
export const depthPerPaperMm = (setUp: SetUp, depth: number): number =>
  (depth * depth) / (setUp.viewingDistance * setUp.eyeHeight);
export const widthPerPaperMm = (setUp: SetUp, depth: number): number => depth / setUp.viewingDistance;
