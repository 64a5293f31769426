import type * as Comlink from 'comlink';
import { browserWorker } from './browser-worker';
import { createOneJob, type StartedOnce } from './one-job';
import type { FindReply, FindRequest, FindWorker } from './find-protocol';
import { windowTimer, type Timer } from './timer';

export type StartedFinder = StartedOnce<Comlink.Remote<FindWorker> | FindWorker>;

export interface FindClient {
  /** Looks for standing places; a newer search, or `cancel`, ends the older, which then answers `null`. */
  readonly find: (request: FindRequest, progress: (done: number) => void) => Promise<FindReply | null>;
  readonly cancel: () => void;
}

export function createFindClient(start: () => StartedFinder, timer: Timer = windowTimer): FindClient {
  const { run, cancel } = createOneJob<StartedFinder['proxy'], FindRequest, FindReply>(
    start,
    (proxy, request, heard) => Promise.resolve(proxy.find(request, heard)),
    (detail) => ({ kind: 'failed', detail }),
    { silenceMs: 20_000, tooLong: 'The search showed no sign of life and was given up. Mark fewer things.' },
    timer,
  );
  return { find: run, cancel };
}

/** The browser's own worker. */
export const startFindWorker = (): StartedFinder =>
  browserWorker<FindWorker>(
    new Worker(new URL('./find.worker.ts', import.meta.url), { type: 'module' }),
    'The search stopped before it was done. Try again.',
  );
