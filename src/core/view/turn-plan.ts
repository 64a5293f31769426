import type { Vector2 } from '@/core/geometry';
import type { Project, View } from '@/core/record';
import { planPoint, type PlanPoint } from '@/core/space';
import { normaliseBearing, radiansFromDegrees, type Degrees } from '@/core/units';
import { boundPoint, resolveSetUp } from './resolve';
import { roomBearing } from './room-meant';

/** Set-square angles at which the turned plan catches, degrees. */
export const SET_SQUARE_ANGLES: readonly Degrees[] = [0, 15, 30, 45, 60, 75];

/** The nearest set-square angle within reach, else the angle itself; [0, 90). */
export function catchSetSquare(turnDeg: Degrees, within: Degrees = 1.5): Degrees {
  const turn = ((turnDeg % 90) + 90) % 90;
  for (const angle of [...SET_SQUARE_ANGLES, 90]) if (Math.abs(turn - angle) <= within) return angle % 90;
  return turn;
}

function rotatedAbout(point: Vector2, pivot: Vector2, clockwiseDeg: Degrees): PlanPoint {
  const radians = radiansFromDegrees(clockwiseDeg);
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const x = point.x - pivot.x;
  const y = point.y - pivot.y;
  return planPoint(pivot.x + x * cos + y * sin, pivot.y - x * sin + y * cos);
}

/**
 * Turning the plan sheet under a fixed picture plane and station: in the room, the viewer walks round the bound point by
 * the opposite angle, the line of sight with him, so that distance and place of the bound point on the paper stay.
 * Where the plane is bound by its distance, the pivot is the foot of the centre of vision on the picture plane.
 */
export function turnPlan(
  project: Project,
  view: View,
  roomTurnDeg: Degrees,
): Pick<View, 'station' | 'lineOfSightBearingDeg'> {
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) return { station: view.station, lineOfSightBearingDeg: view.lineOfSightBearingDeg };
  const bound = boundPoint(project, view);
  const foot = {
    x: setUp.value.station.x + setUp.value.forward.x * setUp.value.pictureDistance,
    y: setUp.value.station.y + setUp.value.forward.y * setUp.value.pictureDistance,
  };
  const pivot = bound.ok && bound.value ? bound.value : foot;
  const now = normaliseBearing(roomBearing(project, view) - view.lineOfSightBearingDeg) % 90;
  // Keep to the nearer way round, so that a drag through 0° does not swing the room by a quarter.
  let change = roomTurnDeg - now;
  if (change > 45) change -= 90;
  if (change < -45) change += 90;
  // Rounded to 1e-9°, so that a quarter turn reached by dragging is a quarter turn and keeps its exact vectors.
  const bearing = normaliseBearing(Math.round((view.lineOfSightBearingDeg - change) * 1e9) / 1e9);
  const station = rotatedAbout(view.station, pivot, -change);
  return { station: { x: station.x, y: station.y }, lineOfSightBearingDeg: bearing };
}
