export {
  draft,
  restsOn,
  type Operation,
  type Drafted,
  type Slip,
  type MachineFault,
  type MarkId,
  type LineId,
} from './machine';
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
