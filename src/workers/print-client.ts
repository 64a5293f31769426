import * as Comlink from 'comlink';
import type { PrintReply, PrintRequest, PrintWorker } from './print-protocol';
import { windowTimer, type Timer, type WorkerLike } from './timer';

/** A print that shows no sign of life for this long is given up, ms: the largest demonstration takes a tenth of it. */
const SILENCE_MS = 30_000;

export interface StartedPrinter {
  readonly worker: WorkerLike;
  readonly proxy: Comlink.Remote<PrintWorker> | PrintWorker;
  readonly share: <F extends (done: number) => void>(callback: F) => F;
  /** Told when the worker dies of itself; a dead worker would otherwise hang for ever. */
  readonly onDeath: (heard: (detail: string) => void) => void;
}

export interface PrintClient {
  /** Makes one PDF; a worker for each print, ended after it. A newer print, or `cancel`, ends the older, which then answers `null`. */
  readonly print: (request: PrintRequest, progress: (done: number) => void) => Promise<PrintReply | null>;
  readonly cancel: () => void;
}

export function createPrintClient(start: () => StartedPrinter, timer: Timer = windowTimer): PrintClient {
  let giveUp: (() => void) | null = null;
  return {
    print: (request, progress) => {
      giveUp?.();
      return new Promise((resolve) => {
        const { worker, proxy, share, onDeath } = start();
        let silence = timer.set(() => undefined, 0);
        const end = (reply: PrintReply | null): void => {
          timer.clear(silence);
          worker.terminate();
          if (giveUp === mine) giveUp = null;
          resolve(reply);
        };
        const mine = (): void => end(null);
        giveUp = mine;
        const watch = (): void => {
          timer.clear(silence);
          silence = timer.set(
            () =>
              end({ kind: 'failed', detail: 'The print took too long and was given up. Print fewer parts at a time.' }),
            SILENCE_MS,
          );
        };
        watch();
        onDeath((detail) => end({ kind: 'failed', detail }));
        const heard = share((done: number) => {
          watch();
          progress(done);
        });
        Promise.resolve(proxy.print(request, heard)).then(end, (error: unknown) =>
          end({ kind: 'failed', detail: error instanceof Error ? error.message : 'unknown' }),
        );
      });
    },
    cancel: () => giveUp?.(),
  };
}

/** The browser's own worker. */
export function startPrintWorker(): StartedPrinter {
  const worker = new Worker(new URL('./print.worker.ts', import.meta.url), { type: 'module' });
  return {
    worker,
    proxy: Comlink.wrap<PrintWorker>(worker),
    share: (callback) => Comlink.proxy(callback),
    onDeath: (heard) => {
      worker.onerror = (event) => heard(event.message || 'The printing worker stopped.');
    },
  };
}
