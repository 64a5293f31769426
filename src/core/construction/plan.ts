import type { Id } from '@/core/record';
import type { LineFamily } from '@/core/view';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import type { LineId, MarkId, Operation, Sense } from './operation';

/** A sentence with its figures still figures, so that each reader prints them in its own units. */
export type Saying = readonly (string | { readonly paperMm: PaperMillimetres } | { readonly real: Millimetres })[];

/** One stroke the step draws: along a line between two marks. */
export interface StepStroke {
  readonly line: LineId;
  readonly from: MarkId;
  readonly to: MarkId;
  readonly family: LineFamily | 'measuring';
}

/** A line drawn across the whole sheet: horizon, ground line, centre line. */
export interface StepAcross {
  readonly line: LineId;
  readonly through: MarkId;
  readonly way: 'level' | 'upright';
}

/** An upright drawn as long as it is needed: from its foot to the marks that later lie on it. */
export interface StepUpright {
  readonly line: LineId;
  readonly foot: MarkId;
  readonly reaches: readonly MarkId[];
}

/** What is measured in a step, from where: the straightedge lies there with its zero. */
export interface StepMeasure {
  readonly mark: MarkId;
  readonly from: MarkId;
  readonly on: LineId;
  readonly toward: Sense;
  readonly paperMm: PaperMillimetres;
  /** Real length for the scale rule, or null where the distance is of the paper only. */
  readonly real: Millimetres | null;
}

export type StepPart = 'set-out' | 'footprint' | 'heights' | 'finish';

export interface Step {
  readonly id: Id;
  readonly part: StepPart;
  readonly says: Saying;
  /** Why, for somebody who learns it. */
  readonly because: Saying;
  readonly operations: readonly Operation[];
  readonly strokes: readonly StepStroke[];
  readonly across: readonly StepAcross[];
  readonly uprights: readonly StepUpright[];
  readonly measures: readonly StepMeasure[];
  /** Edges that stay, with the parts of each that are seen, as fractions of its length on paper. */
  readonly keeps: readonly {
    readonly edge: Id;
    readonly from: MarkId;
    readonly to: MarkId;
    readonly parts: readonly (readonly [number, number])[];
  }[];
}

/** Two routes to one point that must meet. */
export interface ClosingCheck {
  readonly step: Id;
  readonly mark: MarkId;
  readonly byOtherRoute: MarkId;
}

export interface ConstructionPlan {
  readonly pieceId: Id;
  readonly method: 'measuring-points' | 'distance-point';
  readonly steps: readonly Step[];
  readonly checks: readonly ClosingCheck[];
  /** Short names to write beside the marks. */
  readonly labels: Readonly<Record<MarkId, string>>;
}

export const operationsOf = (plan: ConstructionPlan): readonly Operation[] =>
  plan.steps.flatMap((step) => step.operations);

export interface ConstructionError {
  readonly reason: 'behind-eye' | 'floor-at-eye-level';
  readonly message: string;
}
