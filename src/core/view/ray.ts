import type { WorldPoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';
import { eyeFromWorld, type SetUp } from './set-up';

/**
 * Plan projection, as on the board: the ray in plan from the station point cuts the picture plane at lateral d·a/t,
 * which the paper strip carries down as u = d·a/(t·N). Worked from the plan alone, without heights.
 */
export function planRayU(setUp: SetUp, point: WorldPoint): PaperMillimetres | null {
  const { lateral, depth } = eyeFromWorld(setUp, point);
  return depth > 0 ? (setUp.pictureDistance * lateral) / (depth * setUp.scaleDenominator) : null;
}

/** The same in the side view: the ray from the eye cuts the plane on edge at rise d·h/t, carried across as v. */
export function sideRayV(setUp: SetUp, point: WorldPoint): PaperMillimetres | null {
  const { rise, depth } = eyeFromWorld(setUp, point);
  return depth > 0 ? (setUp.pictureDistance * rise) / (depth * setUp.scaleDenominator) : null;
}
