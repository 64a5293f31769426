import * as Comlink from 'comlink';
import type { Frame, MeasuredRoom, Project } from '@/core/record';
import type { SetUp } from '@/core/view';
import type { VisibleLines } from '@/core/visibility';
import type { LinesWorker } from './protocol';
import { sendRecord } from './sent-record';
import { windowTimer, type Timer, type WorkerLike } from './timer';

/**
 * A worker that gives no sign of life for this long is ended and started anew, ms. One that works sends word between its steps, of which the longest,
 * the grid over the picture of 3,000 pieces, takes a quarter of this.
 */
const SILENCE_MS = 20_000;

/** What lines are asked for: a record, and where it is seen from. */
export interface LinesQuestion {
  readonly project: Project;
  readonly setUp: SetUp;
  readonly frame: Frame;
}

export interface LinesJob extends LinesQuestion {
  readonly done: (lines: VisibleLines) => void;
  readonly progress: (done: number) => void;
  readonly failed: (detail: string) => void;
}

export interface LinesClient {
  /** Starts a job, or takes over what was asked ahead for it; another one still running is cancelled and its result dropped. */
  readonly request: (job: LinesJob) => void;
  /** Begins what will be asked for in a moment, unless it is asked for already: while the screen is rendered the worker is at it. */
  readonly ahead: (question: LinesQuestion) => void;
  /** Gives up what runs; given a job, only where that is what runs. */
  readonly cancel: (job?: LinesJob) => void;
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
  /** What the worker holds. */
  let held: MeasuredRoom | null = null;
  let silence: ReturnType<typeof setTimeout> | null = null;
  const quiet = (): void => {
    if (silence !== null) timer.clear(silence);
    silence = null;
  };
  const dismiss = (): void => {
    quiet();
    asked = null;
    running?.worker.terminate();
    running = null;
    held = null;
  };
  /** What runs or has been answered, and who hears of it: nobody yet where it was asked ahead. */
  interface Asked {
    readonly question: LinesQuestion;
    heard: LinesJob | null;
    lines: VisibleLines | null;
  }
  let asked: Asked | null = null;

  const begin = (question: LinesQuestion, heard: LinesJob | null): void => {
    client.cancel();
    const { project, setUp, frame } = question;
    const { proxy, share } = (running ??= start());
    job += 1;
    const mine = job;
    const now: Asked = { question, heard, lines: null };
    asked = now;
    const failed = (detail: string): void => {
      if (asked === now) asked = null;
      now.heard?.failed(detail);
    };
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
    if (!held || !sameRecord(record, held)) {
      const after = held && revision;
      revision += 1;
      void proxy.keepScene({ revision, after, record: sendRecord(held, record) });
      held = record;
    }
    const heardOf = (from: number, amount: number): void => {
      if (from !== job) return;
      watch();
      now.heard?.progress(amount);
    };
    proxy.lines({ job: mine, revision, given: givenOf(setUp), frame }, share(heardOf)).then(
      (reply) => {
        if (mine !== job) return;
        quiet();
        if (reply.kind === 'failed') failed(reply.detail);
        else if (reply.kind === 'stale-scene') {
          held = null;
          failed('The worker had lost the room; asking again.');
        } else if (reply.kind === 'lines') {
          if (!now.heard) now.lines = reply.lines;
          else {
            asked = null;
            now.heard.done(reply.lines);
          }
        }
      },
      (error: unknown) => {
        if (mine === job) failed(error instanceof Error ? error.message : 'unknown');
      },
    );
  };

  const client: LinesClient = {
    request: (wanted) => {
      const known = asked;
      if (!known || known.heard || !sameQuestion(known.question, wanted)) return begin(wanted, wanted);
      known.heard = wanted;
      const { lines } = known;
      if (lines === null) return undefined;
      // Answered already. Nobody who asks is answered before the asking is over.
      queueMicrotask(() => {
        if (asked !== known) return;
        asked = null;
        wanted.done(lines);
      });
      return undefined;
    },
    // Asked for already, that goes on: somebody waits for it.
    ahead: (question) => (asked && sameQuestion(asked.question, question) ? undefined : begin(question, null)),
    cancel: (of) => {
      if (of && asked?.heard !== of) return;
      asked = null;
      if (silence === null) return;
      quiet();
      void running?.proxy.cancel(job);
      job += 1;
    },
    end: dismiss,
  };
  return client;
}

const PARTS = ['levels', 'spaces', 'openings', 'pieces', 'surfaces'] as const;
const sameRecord = (a: MeasuredRoom, b: MeasuredRoom): boolean => PARTS.every((part) => a[part] === b[part]);

const recordOf = ({ levels, spaces, openings, pieces, surfaces }: Project): MeasuredRoom => ({
  levels,
  spaces,
  openings,
  pieces,
  surfaces,
});

/** A set-up less what follows from the rest of it. */
const givenOf = ({
  stationPlan: _plan,
  forward: _forward,
  right: _right,
  eyeZ: _eye,
  viewingDistance: _k,
  ...given
}: SetUp) => given;

/** The same record, seen from the same place in the same frame. */
const sameQuestion = (one: LinesQuestion, other: LinesQuestion): boolean =>
  sameRecord(one.project, other.project) &&
  JSON.stringify([givenOf(one.setUp), one.frame]) === JSON.stringify([givenOf(other.setUp), other.frame]);

/** The browser's own worker. */
export function startLinesWorker(): StartedWorker {
  const worker = new Worker(new URL('./lines.worker.ts', import.meta.url), { type: 'module' });
  return { worker, proxy: Comlink.wrap<LinesWorker>(worker), share: (callback) => Comlink.proxy(callback) };
}
