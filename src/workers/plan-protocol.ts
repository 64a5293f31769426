import type { PlannedView, WholeWays } from '@/core/pipeline';
import type { Id, Project } from '@/core/record';

export interface PlanRequest {
  readonly project: Project;
  readonly viewId: Id;
  readonly ways: WholeWays;
}

/** Plans, why there can be none, or what went wrong. */
export type PlanReply =
  | { readonly kind: 'planned'; readonly planned: PlannedView }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'failed'; readonly detail: string };

export interface PlanWorker {
  readonly plan: (request: PlanRequest, progress: (done: number) => void) => Promise<PlanReply>;
}
