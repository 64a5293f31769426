import type { PlannedView, WholeWays, WorstMarks } from '@/core/pipeline';
import type { Id, Project } from '@/core/record';

export interface PlanRequest {
  readonly project: Project;
  readonly viewId: Id;
  readonly ways: WholeWays;
  /** The plans, or the marks that may be missed by most and what would help. */
  readonly asks: 'plans' | 'worst-marks';
}

/** Plans, why there can be none, or what went wrong. */
export type PlanReply =
  | { readonly kind: 'planned'; readonly planned: PlannedView }
  | { readonly kind: 'worst-marks'; readonly worst: WorstMarks }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'failed'; readonly detail: string };

export interface PlanWorker {
  readonly plan: (request: PlanRequest, progress: (done: number) => void) => Promise<PlanReply>;
}
