import { invariant } from '@/core/base';
import { bearingVector, dot2, rightOf, type Vector2 } from '@/core/geometry';
import { eyePoint, planPoint, worldPoint, type EyePoint, type PlanPoint, type WorldPoint } from '@/core/space';
import type { Id } from '@/core/record';
import type { Degrees, Millimetres, PaperMillimetres } from '@/core/units';

/** What fixes a perspective, as plain figures: mm and degrees. */
export interface SetUpGiven {
  readonly station: { readonly x: Millimetres; readonly y: Millimetres };
  readonly eyeHeight: Millimetres;
  /** Elevation of the floor the viewer stands on. */
  readonly floor: Millimetres;
  readonly bearingDeg: Degrees;
  /** Station point to picture plane, along the line of sight; more than zero. */
  readonly pictureDistance: Millimetres;
  readonly scaleDenominator: number;
  /** The room the view is of, where there are several: what lies in the others is seen through its openings only. */
  readonly room?: Id;
}

/** A perspective ready to compute with. */
export interface SetUp extends SetUpGiven {
  readonly stationPlan: PlanPoint;
  /** f, the line of sight: unit, level. */
  readonly forward: Vector2;
  /** r, to the viewer's right: unit, level. */
  readonly right: Vector2;
  /** The eye's height above the project's zero. */
  readonly eyeZ: Millimetres;
  /** k = d / N: the distance from which the sheet is to be looked at. */
  readonly viewingDistance: PaperMillimetres;
}

/** @throws when the picture distance or the scale is not positive: callers check what people type. */
export function setUpFrom(given: SetUpGiven): SetUp {
  invariant(
    given.pictureDistance > 0 && given.scaleDenominator > 0,
    'picture plane in front of the eye, positive scale',
  );
  const forward = bearingVector(given.bearingDeg);
  return {
    ...given,
    stationPlan: planPoint(given.station.x, given.station.y),
    forward,
    right: rightOf(forward),
    eyeZ: given.floor + given.eyeHeight,
    viewingDistance: given.pictureDistance / given.scaleDenominator,
  };
}

/** Lateral a = (P−S)·r, depth t = (P−S)·f, rise h = z − eye. Plan arithmetic only: nothing is projected. */
export function eyeFromWorld(setUp: SetUp, point: WorldPoint): EyePoint {
  const away = { x: point.x - setUp.station.x, y: point.y - setUp.station.y };
  return eyePoint(dot2(away, setUp.right), dot2(away, setUp.forward), point.z - setUp.eyeZ);
}

/** The inverse of eyeFromWorld. */
export function worldFromEye(setUp: SetUp, point: EyePoint): WorldPoint {
  return worldPoint(
    setUp.station.x + setUp.right.x * point.lateral + setUp.forward.x * point.depth,
    setUp.station.y + setUp.right.y * point.lateral + setUp.forward.y * point.depth,
    point.rise + setUp.eyeZ,
  );
}
