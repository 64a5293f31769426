import { degreesFromRadians, normaliseBearing, type Degrees, type PaperMillimetres } from '@/core/units';
import type { SetUp } from './set-up';

/**
 * How a thing is to be turned, clockwise seen from above, so that lines of it that vanish at one place of the horizon vanish at another: what vanishes at
 * u runs atan(u/k) to the right of the line of sight. Source: geometry, vanishing points.
 * @param turnDeg how it is turned now.
 * @returns the turn from 0 to below 360.
 */
export function turnToVanish(
  { viewingDistance: k }: Pick<SetUp, 'viewingDistance'>,
  turnDeg: Degrees,
  from: PaperMillimetres,
  to: PaperMillimetres,
): Degrees {
  const change = degreesFromRadians(Math.atan2(to, k) - Math.atan2(from, k));
  // To a billionth of a degree, so that a square turn that is reached so is square.
  return normaliseBearing(Math.round((turnDeg + change) * 1e9) / 1e9);
}
