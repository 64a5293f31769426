import * as Comlink from 'comlink';
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
export function startPlanWorker(): StartedPlanner {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  return {
    worker,
    proxy: Comlink.wrap<PlanWorker>(worker),
    share: (callback) => Comlink.proxy(callback),
    onDeath: (heard) => {
      worker.onerror = (event) => heard(event.message || 'The planning worker stopped.');
    },
  };
}
