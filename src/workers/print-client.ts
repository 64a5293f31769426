import type * as Comlink from 'comlink';
import { browserWorker } from './browser-worker';
import { createOneJob, type StartedOnce } from './one-job';
import type { PrintReply, PrintRequest, PrintWorker } from './print-protocol';
import { windowTimer, type Timer } from './timer';

export type StartedPrinter = StartedOnce<Comlink.Remote<PrintWorker> | PrintWorker>;

export interface PrintClient {
  /** Makes one PDF; a worker for each print, ended after it. A newer print, or `cancel`, ends the older, which then answers `null`. */
  readonly print: (request: PrintRequest, progress: (done: number) => void) => Promise<PrintReply | null>;
  readonly cancel: () => void;
}

export function createPrintClient(start: () => StartedPrinter, timer: Timer = windowTimer): PrintClient {
  const { run, cancel } = createOneJob<StartedPrinter['proxy'], PrintRequest, PrintReply>(
    start,
    (proxy, request, heard) => Promise.resolve(proxy.print(request, heard)),
    (detail) => ({ kind: 'failed', detail }),
    // The largest demonstration takes a tenth of it.
    {
      silenceMs: 30_000,
      tooLong: 'it showed no sign of life and was given up. Try again, or print fewer parts at a time.',
    },
    timer,
  );
  return { print: run, cancel };
}

/** The browser's own worker. */
export const startPrintWorker = (): StartedPrinter =>
  browserWorker<PrintWorker>(
    new Worker(new URL('./print.worker.ts', import.meta.url), { type: 'module' }),
    'it stopped before it was done. Try again.',
  );
