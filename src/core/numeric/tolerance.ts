/**
 * Tolerances that more than one part of the core shares, each with its unit and its reason. One that belongs to a single algorithm stands beside
 * it, named.
 */
export const tolerance = {
  /** mm in the world. Faces closer than this count as touching: far below any saw cut, far above float noise at 100 m. */
  touchMm: 1e-6,
  /** Radians. Directions closer than this are one direction: 1e-9 rad is 0.01 mm at 10 km. */
  directionRad: 1e-9,
  /** mm in the world. A room outline that closes better than this closes: a tape reads to 1 mm. */
  closingMm: 1,
  /** Depth in front of the eye, mm, nearer than which nothing is drawn: keeps homogeneous cuts away from t = 0. */
  nearMm: 1e-3,
  /** mm on paper. Strokes shorter than this leave no mark a pencil can make. */
  strokeMm: 1e-4,
  /** mm in the world. Points nearer than this are one, and a stretch shorter than this is none: below any saw cut, above what sums of sizes lose. */
  samePointMm: 1e-3,
  /** mm in the world. Heights of neighbouring ceilings that agree this nearly join without a step. */
  sameHeightMm: 1e-4,
  /** 1 − |cos| below which two unit directions are one: an angle of 45 µrad, 0.45 mm in 10 m. For faces and walls, which are measured. */
  sameCosine: 1e-9,
  /** 1 − |cos| at which unit directions differ by float noise only. For what must be the same direction by construction. */
  noiseCosine: 1e-12,
  /** Radians. An arc this near to a whole turn is one. */
  wholeTurnRad: 1e-9,
  /** A quotient this near to a whole number is that number before it is rounded up or down: noise of a division is smaller. */
  wholeNumber: 1e-9,
  /** Least divisor: what is smaller is nought by rounding. */
  nought: 1e-9,
  /** A part of a segment shorter than this, over the whole of it, is a touch: it comes from rounding where a segment ends on what it is cut by. */
  touchShare: 1e-12,
  /** Degrees. Turns that agree this nearly are one: what is typed has fewer places, what is computed more. */
  sameTurnDeg: 1e-6,
} as const;
