import type { WorldPoint } from '@/core/space';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import { eyeFromWorld, type SetUp } from '@/core/view';
import { radiusWithin } from './error-ellipse';
import type { Covariance } from './pencil-error';

/** What a mark's expected error stands for, in nineteen cases of twenty. */
export interface RealError {
  /** On paper. */
  readonly paperMm: PaperMillimetres;
  /** In the room, in a plane parallel to the picture where the mark stands. */
  readonly besides: Millimetres;
  /** In the room, nearer or farther on the level it stands on; null where that shows as one line, at eye level. */
  readonly deep: Millimetres | null;
}

const SHARE = 0.95;
/** Of a normal error nineteen of twenty lie within so many deviations. */
const DEVIATIONS = 1.96;
/** A level nearer to eye level than this on paper shows as one line, mm. */
const LEAST_RISE_MM = 0.5;

/**
 * The real size of an expected error. Beside the line of sight a paper millimetre stands for t/k; on a level h from the eye t = k·h/v, so that one up or
 * down stands for t²/(k·h). Source: geometry, Seeing.
 */
export function realError(setUp: SetUp, stands: WorldPoint, covariance: Covariance): RealError {
  const { depth: t, rise: h } = eyeFromWorld(setUp, stands);
  const k = setUp.pictureDistance / setUp.scaleDenominator;
  const paperMm = radiusWithin(covariance, SHARE);
  const flat = Math.abs((k * h) / t) < LEAST_RISE_MM;
  return {
    paperMm,
    besides: (paperMm * t) / k,
    deep: flat ? null : (DEVIATIONS * Math.sqrt(covariance.vv) * t * t) / (k * Math.abs(h)),
  };
}
