import type { Frame } from '@/core/record';
import type { SetUpGiven } from '@/core/view';
import type { VisibleLines } from '@/core/visibility';
import type { RecordSent } from './sent-record';

/** The record a worker keeps; a drag then sends only the view. */
export interface SceneMessage {
  readonly revision: number;
  /** The revision from which the record is told, or null where it is told whole. */
  readonly after: number | null;
  readonly record: RecordSent;
}

export interface LinesRequest {
  readonly job: number;
  readonly revision: number;
  readonly given: SetUpGiven;
  readonly frame: Frame;
}

/** Errors cross as code and detail; a job cancelled, or asked of a scene no longer kept, is no error. */
export type LinesReply =
  | { readonly kind: 'lines'; readonly job: number; readonly lines: VisibleLines }
  | { readonly kind: 'cancelled'; readonly job: number }
  | { readonly kind: 'stale-scene'; readonly job: number }
  | { readonly kind: 'failed'; readonly job: number; readonly detail: string };

/** What the worker offers through comlink. */
export interface LinesWorker {
  readonly keepScene: (message: SceneMessage) => void;
  readonly lines: (request: LinesRequest, progress: (job: number, done: number) => void) => Promise<LinesReply>;
  readonly cancel: (job: number) => void;
}
