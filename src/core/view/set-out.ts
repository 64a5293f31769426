import { normaliseBearing, type Degrees, type PaperMillimetres } from '@/core/units';
import { fractionalPointU, levelVanishingU, measuringPointU, squareVanishingU } from './vanishing-point';
import type { SetUp } from './set-up';

/** Snaps turns within this of zero to one-point, degrees: far finer than any protractor, far coarser than float noise. */
const SAME_TURN_DEG = 1e-7;

/** The right-angled pair of level directions a thing in plan is built of, as seen from the station. */
export type DirectionPair =
  | {
      readonly kind: 'two-point';
      /** Turn of the right-going lines, 0 < φ < 90; the left-going ones are turned φ − 90. */
      readonly turnDeg: Degrees;
      readonly vpRight: PaperMillimetres;
      readonly vpLeft: PaperMillimetres;
      readonly mpOfRight: PaperMillimetres;
      readonly mpOfLeft: PaperMillimetres;
      readonly halfMpOfRight: PaperMillimetres;
      readonly halfMpOfLeft: PaperMillimetres;
      /** Of the diagonal of level squares that lies between the two directions. */
      readonly diagonalVp: PaperMillimetres;
      readonly vpSpread: PaperMillimetres;
    }
  | {
      readonly kind: 'one-point';
      readonly turnDeg: 0;
      /** Lines square to the picture plane vanish in the centre of vision; the distance points are their measuring points. */
      readonly vp: PaperMillimetres;
      readonly distancePoints: readonly [PaperMillimetres, PaperMillimetres];
      readonly halfDistancePoints: readonly [PaperMillimetres, PaperMillimetres];
      readonly thirdDistancePoints: readonly [PaperMillimetres, PaperMillimetres];
    };

/** The turn of a right-angled pair, φ of its right-going lines in [0, 90), from the bearing of either of its directions. */
export function turnOfPair(setUp: SetUp, bearingDeg: Degrees): Degrees {
  const turn = normaliseBearing(bearingDeg - setUp.bearingDeg) % 90;
  return turn < SAME_TURN_DEG || turn > 90 - SAME_TURN_DEG ? 0 : turn;
}

/** Vanishing, measuring, distance and diagonal points of a pair turned φ, all on the horizon: u in paper mm. */
export function directionPair(setUp: SetUp, turnDeg: Degrees): DirectionPair {
  const k = setUp.viewingDistance;
  if (turnDeg === 0) {
    return {
      kind: 'one-point',
      turnDeg: 0,
      vp: 0,
      distancePoints: [-k, k],
      halfDistancePoints: [-k / 2, k / 2],
      thirdDistancePoints: [-k / 3, k / 3],
    };
  }
  const vpRight = levelVanishingU(k, turnDeg);
  const vpLeft = squareVanishingU(k, turnDeg);
  const mpOfRight = measuringPointU(k, turnDeg);
  const mpOfLeft = measuringPointU(k, turnDeg - 90);
  return {
    kind: 'two-point',
    turnDeg,
    vpRight,
    vpLeft,
    mpOfRight,
    mpOfLeft,
    halfMpOfRight: fractionalPointU(vpRight, mpOfRight, 2),
    halfMpOfLeft: fractionalPointU(vpLeft, mpOfLeft, 2),
    diagonalVp: levelVanishingU(k, turnDeg - 45),
    vpSpread: vpRight - vpLeft,
  };
}

/** The horizon is v = 0; the ground line lies e/N below it. */
export const groundLineV = (setUp: SetUp): PaperMillimetres => -setUp.eyeHeight / setUp.scaleDenominator;
