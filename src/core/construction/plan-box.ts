import { bearingOf } from '@/core/geometry';
import { err, ok, type Result } from '@/core/base';
import { PIECE_CORNERS } from '@/core/record';
import { worldFromPlan } from '@/core/space';
import { directionPair, eyeFromWorld, turnOfPair } from '@/core/view';
import { planBoxOnePoint } from './box-one-point';
import { planBoxTwoPoint } from './box-two-point';
import type { ConstructionGiven, MeasuredCorner } from './given';
import type { ConstructionError, ConstructionPlan } from './plan';

/** A floor nearer to eye level than this on paper shows as a line: nothing can be measured on it, mm. */
const LEAST_DROP_PAPER = 0.5;
/** Corners must lie at least this far in front of the eye, mm. */
const LEAST_DEPTH = 1;

/**
 * The construction of one box: by measuring points where it is turned to the picture plane, by distance point where it is square
 * to it. Reads plan measures only (lateral and depth of the footprint's corners); nothing is projected.
 */
export function planBox(given: ConstructionGiven): Result<ConstructionPlan, ConstructionError> {
  const { setUp, footprint, piece, floorZ } = given;
  const corners = PIECE_CORNERS.map((name): MeasuredCorner => {
    const eye = eyeFromWorld(setUp, worldFromPlan(footprint.corners[name], floorZ));
    return { name, lateral: eye.lateral, depth: eye.depth, behindPlane: eye.depth - setUp.pictureDistance };
  });
  if (corners.some((corner) => corner.depth < LEAST_DEPTH)) {
    return err({
      reason: 'behind-eye',
      message: `Part of ${piece.name} lies beside or behind your eye, where nothing can be constructed. Stand farther back, or turn toward it.`,
    });
  }
  if (Math.abs(setUp.eyeZ - floorZ) / setUp.scaleDenominator < LEAST_DROP_PAPER) {
    return err({
      reason: 'floor-at-eye-level',
      message: `The floor under ${piece.name} lies at eye level and shows as one line: its footprint cannot be measured there. Raise or lower the eye.`,
    });
  }
  const bearing = bearingOf(footprint.widthDirection);
  const pair = directionPair(setUp, turnOfPair(setUp, bearing));
  return ok(pair.kind === 'one-point' ? planBoxOnePoint(given, corners) : planBoxTwoPoint(given, corners, pair));
}
