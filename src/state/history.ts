import type { Change } from '@/core/record';

/** One step back or forward: what it was called, what was changed, and the state it leads to. */
export interface Entry<T> {
  readonly label: string;
  readonly state: T;
  /** What was done, in order: from it the way can be told, and gone again elsewhere. Entries of older saves have none. */
  readonly changes: readonly Change[];
  /** Entries of one run of nudges share a key and are one entry. */
  readonly run: string | null;
  readonly atMs: number;
}

/** Undo and redo over whole states; states share what did not change, so an entry costs what it changed. */
export interface History<T> {
  readonly past: readonly Entry<T>[];
  readonly present: T;
  readonly future: readonly Entry<T>[];
}

export const LONGEST_HISTORY = 100;
/** Nudges farther apart than this are separate runs. */
const RUN_PAUSE_MS = 900;

export const startHistory = <T>(present: T): History<T> => ({ past: [], present, future: [] });

export interface Step<T> {
  readonly label: string;
  readonly state: T;
  readonly changes?: readonly Change[];
  readonly run?: string;
  readonly atMs: number;
}

/** Takes a new state; within one run of nudges the entry before the run stays the one to return to. */
export function record<T>(history: History<T>, step: Step<T>): History<T> {
  if (step.state === history.present) return history;
  const last = history.past[history.past.length - 1];
  const run = step.run ?? null;
  const sameRun =
    last !== undefined &&
    run !== null &&
    last.run === run &&
    step.atMs - last.atMs < RUN_PAUSE_MS &&
    history.future.length === 0;
  const { changes = [] } = step;
  const past = sameRun
    ? [...history.past.slice(0, -1), { ...last, changes: [...last.changes, ...changes], atMs: step.atMs }]
    : [...history.past, { label: step.label, state: history.present, changes, run, atMs: step.atMs }].slice(
        -LONGEST_HISTORY,
      );
  return { past, present: step.state, future: [] };
}

export function undo<T>(history: History<T>): History<T> {
  const last = history.past[history.past.length - 1];
  if (!last) return history;
  const forward: Entry<T> = { ...last, state: history.present, run: null };
  return { past: history.past.slice(0, -1), present: last.state, future: [forward, ...history.future] };
}

export function redo<T>(history: History<T>): History<T> {
  const [next, ...rest] = history.future;
  if (!next) return history;
  return { past: [...history.past, { ...next, state: history.present, run: null }], present: next.state, future: rest };
}
