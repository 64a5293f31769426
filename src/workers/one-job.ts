import { windowTimer, type Timer, type WorkerLike } from './timer';

/** A worker started for one job. */
export interface StartedOnce<P> {
  readonly worker: WorkerLike;
  readonly proxy: P;
  readonly share: <F extends (done: number) => void>(callback: F) => F;
  /** Told when the worker dies of itself; a dead worker would otherwise hang for ever. */
  readonly onDeath: (heard: (detail: string) => void) => void;
}

export interface OneJob<Q, R> {
  /** Does one job in a worker of its own, ended after it. A newer job, or `cancel`, ends the older, which then answers `null`. */
  readonly run: (request: Q, progress: (done: number) => void) => Promise<R | null>;
  readonly cancel: () => void;
}

/** Jobs one at a time, each watched: one that shows no sign of life for `silenceMs` is given up, in the words of `tooLong`. */
export function createOneJob<P, Q, R>(
  start: () => StartedOnce<P>,
  ask: (proxy: P, request: Q, heard: (done: number) => void) => Promise<R>,
  failed: (detail: string) => R,
  { silenceMs, tooLong }: { readonly silenceMs: number; readonly tooLong: string },
  timer: Timer = windowTimer,
): OneJob<Q, R> {
  let giveUp: (() => void) | null = null;
  return {
    run: (request, progress) => {
      giveUp?.();
      return new Promise((resolve) => {
        const { worker, proxy, share, onDeath } = start();
        let silence = timer.set(() => undefined, 0);
        const end = (reply: R | null): void => {
          timer.clear(silence);
          worker.terminate();
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
        ask(proxy, request, heard).then(end, (error: unknown) =>
          end(failed(error instanceof Error ? error.message : 'unknown')),
        );
      });
    },
    cancel: () => giveUp?.(),
  };
}
