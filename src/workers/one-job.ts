import { windowTimer, type Timer, type WorkerLike } from './timer';

/** A worker started for a job. */
export interface StartedOnce<P> {
  readonly worker: WorkerLike;
  readonly proxy: P;
  readonly share: <F extends (done: number) => void>(callback: F) => F;
  /** Told when the worker dies of itself; a dead worker would otherwise hang for ever. */
  readonly onDeath: (heard: (detail: string) => void) => void;
}

export interface OneJob<Q, R> {
  /** Does one job in a worker. A newer job, or `cancel`, ends the older, which then answers `null`. */
  readonly run: (request: Q, progress: (done: number) => void) => Promise<R | null>;
  readonly cancel: () => void;
}

/**
 * Jobs one at a time, each watched: one that shows no sign of life for `silenceMs` is given up, in the words of `tooLong`. A worker is ended with its job,
 * or, where it `stays`, kept for the next: it is warm then. One whose job was given up or failed is ended in any case.
 */
export function createOneJob<P, Q, R>(
  start: () => StartedOnce<P>,
  ask: (proxy: P, request: Q, heard: (done: number) => void) => Promise<R>,
  failed: (detail: string) => R,
  {
    silenceMs,
    tooLong,
    after = 'ends',
  }: { readonly silenceMs: number; readonly tooLong: string; readonly after?: 'ends' | 'stays' },
  timer: Timer = windowTimer,
): OneJob<Q, R> {
  let giveUp: (() => void) | null = null;
  let idle: StartedOnce<P> | null = null;
  return {
    run: (request, progress) => {
      giveUp?.();
      return new Promise((resolve) => {
        const started = idle ?? start();
        idle = null;
        const { worker, proxy, share, onDeath } = started;
        let silence = timer.set(() => undefined, 0);
        const end = (reply: R | null, then: 'ends' | 'stays' = 'ends'): void => {
          timer.clear(silence);
          if (then === 'stays') idle = started;
          else worker.terminate();
          if (giveUp === mine) giveUp = null;
          resolve(reply);
        };
        const mine = (): void => end(null);
        giveUp = mine;
        const watch = (): void => {
          timer.clear(silence);
          silence = timer.set(() => end(failed(tooLong)), silenceMs);
        };
        watch();
        onDeath((detail) => end(failed(detail)));
        const heard = share((done: number) => {
          watch();
          progress(done);
        });
        ask(proxy, request, heard).then(
          (reply) => end(reply, after),
          (error: unknown) => end(failed(error instanceof Error ? error.message : 'unknown')),
        );
      });
    },
    cancel: () => {
      giveUp?.();
      idle?.worker.terminate();
      idle = null;
    },
  };
}
