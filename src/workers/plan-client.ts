import type * as Comlink from 'comlink';
import { browserWorker } from './browser-worker';
import { createOneJob, type StartedOnce } from './one-job';
import type { PlanReply, PlanRequest, PlanWorker } from './plan-protocol';
import { windowTimer, type Timer } from './timer';

export type StartedPlanner = StartedOnce<Comlink.Remote<PlanWorker> | PlanWorker>;

export interface PlanClient {
  /** Plans a view; a newer request, or `cancel`, ends the older, which then answers `null`. */
  readonly plan: (request: PlanRequest, progress: (done: number) => void) => Promise<PlanReply | null>;
  readonly cancel: () => void;
}

export function createPlanClient(start: () => StartedPlanner, timer: Timer = windowTimer): PlanClient {
  const { run, cancel } = createOneJob<StartedPlanner['proxy'], PlanRequest, PlanReply>(
    start,
    (proxy, request, heard) => Promise.resolve(proxy.plan(request, heard)),
    (detail) => ({ kind: 'failed', detail }),
    { silenceMs: 20_000, tooLong: 'The plan showed no sign of life and was given up.', after: 'stays' },
    timer,
  );
  return { plan: run, cancel };
}

/** The browser's own worker. */
export const startPlanWorker = (): StartedPlanner =>
  browserWorker<PlanWorker>(
    new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' }),
    'The planning stopped before it was done. Try again.',
  );
