export { makes, type Makes } from './operation';
export type { Operation, MarkId, LineId, CurveId, Sense, Paper } from './operation';
export { draft, type Drafted, type DrawnLine, type Hand, type Slip, type MachineFault } from './machine';
export { restsOn, restingOn, restingOnLine } from './rests-on';
export { actsOf, ORDINARY_HAND, type Act, type HandPrecision } from './acts';
export { pencilErrors, FLAT_DEG, type Covariance, type PencilErrors } from './pencil-error';
export { errorEllipse, radiusWithin, type ErrorEllipse } from './error-ellipse';
export { say, type Saying } from './say';
export type { FrameSide, TargetByEye, TargetCurve, TargetEdge, TargetEnd, Targets } from './target';
export { Desk, type Table } from './desk';
export { draftingWhole } from './whole-room';
export type { KeptCurve, KeptEdge, WholeDraft, WholeGiven } from './whole';
export { passOf, inPasses, type Pass, type Passed } from './pass';
export { inOrder, movesOf, ORDER_WORDS, ORDERS, type Order, type PlannedStep } from './order';
export { lineExtents, type LineExtent } from './line-extent';
export { ALPHABET, labelsOf } from './label';
export { tell } from './told';
export type { Told, ToldCrossing, ToldMeasure, ToldPart } from './telling';
export {
  minutesAt,
  operationsOf,
  ORDINARY_PACE,
  strokesOf,
  wholePlan,
  type Pace,
  type PlanWays,
  type WholeCheck,
  type WholePlan,
  type WholeStep,
} from './whole-plan';
export { planAbove, planOnPaper, type MarkOnPaper, type PlanOnPaper } from './plan-on-paper';
export type { FramePoint, PairAtHand, PointAid, PointRole } from './frame-points';
export { ELEVATION_ZERO, PLAN_ZERO, STATION } from './plan-sheet';
export { drawsByIntervals, drawsFromPlan, SCHOOLS, type School } from './schools';
export { realError, type RealError } from './real-error';
export { lyingWords, marksByPass, type ListedMark, type ListedPass, type MarkMade } from './marks-list';
export type { GridAtHand, GridDrawn, GridLineAtHand, GriddedWall } from './grid-at-hand';
export { timeWords } from './time-words';
export { cameOutWrong, PENCIL_LINE_MM, type CameOutWrong, type LikelyStep, type OffMark } from './came-out-wrong';
export { wrongWords } from './wrong-words';
export { stillToDraw, type StillToDraw } from './still-to-draw';
