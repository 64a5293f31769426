/**
 * Every tolerance of the core, each with its unit and its reason. No other file may invent one.
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
} as const;
