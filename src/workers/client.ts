import * as Comlink from 'comlink';
import type { Frame, Project } from '@/core/record';
import type { SetUp } from '@/core/view';
import type { VisibleLines } from '@/core/visibility';
import type { LinesWorker } from './protocol';
import { windowTimer, type Timer, type WorkerLike } from './timer';

/** A worker that gives no sign of life for this long is ended and started anew, ms. */
const SILENCE_MS = 5000;

export interface LinesJob {
  readonly project: Project;
  readonly setUp: SetUp;
  readonly frame: Frame;
  readonly done: (lines: VisibleLines) => void;
  readonly progress: (done: number) => void;
  readonly failed: (detail: string) => void;
}

export interface LinesClient {
  /** Starts a job; an older one still running is cancelled and its result dropped. */
  readonly request: (job: LinesJob) => void;
  readonly cancel: () => void;
  readonly end: () => void;
}

/** A started worker: its proxy, and how a callback is handed over to it. */
export interface StartedWorker {
  readonly worker: WorkerLike;
  readonly proxy: Comlink.Remote<LinesWorker> | LinesWorker;
  readonly share: <F extends (job: number, done: number) => void>(callback: F) => F;
}

/**
 * Asks a worker for visible lines. `start` makes the worker; it is called again when a worker fell silent.
 */
export function createLinesClient(start: () => StartedWorker, timer: Timer = windowTimer): LinesClient {
  // Started at the first request: most rooms never need it.
  let running: StartedWorker | null = null;
  let job = 0;
  let revision = 0;
  let keptRecord: readonly unknown[] = [];
  let silence: ReturnType<typeof setTimeout> | null = null;
  const quiet = (): void => {
    if (silence !== null) timer.clear(silence);
    silence = null;
  };
  const dismiss = (): void => {
    quiet();
    running?.worker.terminate();
    running = null;
    keptRecord = [];
  };
  const recordOf = ({ levels, spaces, openings, pieces, surfaces }: Project) => ({
    levels,
    spaces,
    openings,
    pieces,
    surfaces,
  });

  const client: LinesClient = {
    request: ({ project, setUp, frame, done, progress, failed }) => {
      client.cancel();
      const { proxy, share } = (running ??= start());
      job += 1;
      const mine = job;
      const watch = (): void => {
        quiet();
        silence = timer.set(() => {
          if (mine !== job) return;
          dismiss();
          failed('The computation fell silent and was started anew.');
        }, SILENCE_MS);
      };
      watch();
      const record = recordOf(project);
      const parts = Object.values(record);
      if (parts.some((part, index) => part !== keptRecord[index])) {
        keptRecord = parts;
        revision += 1;
        void proxy.keepScene({ revision, record });
      }
      const { stationPlan: _plan, forward: _forward, right: _right, eyeZ: _eye, viewingDistance: _k, ...given } = setUp;
      const heard = (from: number, amount: number): void => {
        if (from !== job) return;
        watch();
        progress(amount);
      };
      proxy.lines({ job: mine, revision, given, frame }, share(heard)).then(
        (reply) => {
          if (mine !== job) return;
          quiet();
          if (reply.kind === 'lines') done(reply.lines);
          else if (reply.kind === 'failed') failed(reply.detail);
          else if (reply.kind === 'stale-scene') {
            keptRecord = [];
            failed('The worker had lost the room; asking again.');
          }
        },
        (error: unknown) => {
          if (mine === job) failed(error instanceof Error ? error.message : 'unknown');
        },
      );
    },
    cancel: () => {
      if (silence === null) return;
      quiet();
      void running?.proxy.cancel(job);
      job += 1;
    },
    end: dismiss,
  };
  return client;
}

/** The browser's own worker. */
export function startLinesWorker(): StartedWorker {
  const worker = new Worker(new URL('./lines.worker.ts', import.meta.url), { type: 'module' });
  return { worker, proxy: Comlink.wrap<LinesWorker>(worker), share: (callback) => Comlink.proxy(callback) };
}
