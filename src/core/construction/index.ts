export type { Operation, MarkId, LineId, CurveId, Sense, Paper } from './operation';
export { draft, type Drafted, type DrawnLine, type Hand, type Slip, type MachineFault } from './machine';
export { restsOn, restingOn } from './rests-on';
export { actsOf, ORDINARY_HAND, type Act, type HandPrecision } from './acts';
export { pencilErrors, FLAT_DEG, type Covariance, type PencilErrors } from './pencil-error';
export { errorEllipse, radiusWithin, type ErrorEllipse } from './error-ellipse';
export {
  operationsOf,
  type ConstructionPlan,
  type ConstructionError,
  type Step,
  type StepStroke,
  type StepAcross,
  type StepUpright,
  type StepMeasure,
  type StepPart,
  type Saying,
  type ClosingCheck,
} from './plan';
export type { ConstructionGiven, VisibleParts } from './given';
export { planBox } from './plan-box';
export { say } from './say';
export type { FrameSide, TargetByEye, TargetCurve, TargetEdge, TargetEnd, Targets } from './target';
export { Desk, type Table } from './desk';
export { draftWhole, type KeptCurve, type KeptEdge, type WholeDraft, type WholeGiven } from './whole-room';
export { passOf, inPasses, type Pass, type Passed } from './pass';
export { inOrder, movesOf, ORDERS, type Order, type PlannedStep } from './order';
export { lineExtents, type LineExtent } from './line-extent';
export { labelsOf } from './label';
export { tell, type Told, type ToldCrossing, type ToldMeasure } from './told';
export { wholePlan, type PlanWays, type WholeCheck, type WholePlan, type WholeStep } from './whole-plan';
