export { setUpFrom, eyeFromWorld, worldFromEye, type SetUp, type SetUpGiven } from './set-up';
export { projectPoint, pictureFromEye, eyeFromPicture, worldFromPicture } from './project-point';
export { projectSegment, frameInterval, type CutSegment } from './project-segment';
export { projectSegments } from './project-many';
export {
  vanishingPoint,
  levelVanishingU,
  squareVanishingU,
  measuringPointU,
  fractionalPointU,
  type Vanishing,
} from './vanishing-point';
export { directionPair, turnOfPair, groundLineV, type DirectionPair } from './set-out';
export { coneRadius, angleOffSight, depthPerPaperMm, widthPerPaperMm } from './cone';
export { resolveSetUp, boundPoint, placementOf, type SetUpError } from './resolve';
export { planRayU, sideRayV } from './ray';
export { familyOf, type LineFamily } from './family';
export { type ViewWarning, type ViewWarningKind, PENCIL_LINE_MM, CLEAR_MM } from './view-warning';
export { warnViewingDistance, warnCone, warnFrame, LEAST_VIEWING_DISTANCE_MM, HALF_CONE_DEG } from './warn-cone';
export { warnEyeLevel } from './warn-eye-level';
export { warnEdgeOn } from './warn-edge-on';
export { warnOneLine, type SeenPart } from './warn-one-line';
export { warnMargins, warnReach, OVER_MARGIN_MM } from './warn-paper';
export { warnBackWall, backOfRoom, CORRIDOR_SHARE, BOX_SHARE, type BackOfRoom } from './warn-back-wall';
export type { ViewChange } from './view-change';
export {
  SHEET_FAMILIES,
  SHEET_SIZES,
  USUAL_BOARDS,
  namedSheet,
  usualPrinterPaper,
  type SheetSize,
  type SheetFamily,
} from './sheets';
export {
  insideMargins,
  proposeScale,
  rescaled,
  centredDrawing,
  centredSheet,
  overMargins,
  onSheet,
  type ScaleProposal,
} from './place-on-paper';
export { standAt, slideCentreOfVision, raiseHorizon, type StandingPlace } from './stand-at';
export { solvePoint, type SolvedPoint, type Held, type Solved, type SolveError } from './solve-point';
export { whatMoved, type Standing } from './what-moved';
export { reachOf, reachesOf, outOfReach, rulerFor, measuredBy, fractionOf, type Reach } from './reach';
export { edgeTicks, TICK_ERROR_MM, type TickLadder, type TickPair } from './edge-ticks';
export { widestSetOut, BOARD_EDGE_MM, type WidestSetOut } from './widest-set-out';
export { reachRemedies, withAid, withoutAid, stripPlace, type ReachRemedy, type RemedyKind } from './reach-remedies';
export { ofOwnRoom, withinCone, offSightInFrame, frameOffSight, offSightOf, type OffSight } from './cone-parts';
export { bodySegments } from './body-segments';
export {
  wallLine,
  readGuess,
  guessesAgree,
  intervalEnd,
  intervalSign,
  onWallLine,
  type WallLine,
  type GuessReading,
  type GuessVerdict,
  type GuessError,
} from './guessed-interval';
export {
  depthAtV,
  vAtDepth,
  stepMeans,
  depthCurve,
  pencilOnFloor,
  type StepMeans,
  type DepthPoint,
} from './depth-reading';
export { reachReport, stretchAt, PENCIL_MM, type PieceReading } from './reach-report';
export { turnPlan, catchSetSquare, SET_SQUARE_ANGLES } from './turn-plan';
export { roomAround, roomBearing, roomMeant } from './room-meant';
export { backWallAt, backWallDepth, backWallDrawn, stationFor, type BackWall } from './sheet-corner';
export {
  setOutOf,
  lieOf,
  groupServing,
  markNamed,
  allMarks,
  type SetOut,
  type SetOutGroup,
  type SetOutMark,
  type SetOutSlope,
  type Lies,
} from './set-out-marks';
export { paperFraction, realFraction } from './division';
export {
  setOutTable,
  bothReadings,
  namesServed,
  type RowRole,
  type SetOutTable,
  type SetOutSection,
  type SetOutRow,
} from './set-out-table';
export { measuredPlanes, type MeasuredPlanes } from './measured-plane';
export { figureSizes, FIGURE_OUTLINE, type FigureSize } from './scale-figure';
export { movePoint, isMovable } from './move-point';
export { ParallelsOf, type Parallels } from './parallels';
export { standOf, type Stand } from './stand';
export { joinedTo, seenIn, spacesAsideOf } from './seen-in';
export { turnToVanish } from './turn-to-vanish';
