import type * as Comlink from 'comlink';
import type { Project } from '@/core/record';
import { browserWorker } from './browser-worker';
import { createOneJob, type StartedOnce } from './one-job';
import type { SmallPictureReply, SmallPictureWorker } from './small-picture-protocol';
import { windowTimer, type Timer } from './timer';

export type StartedSmallPicture = StartedOnce<Comlink.Remote<SmallPictureWorker> | SmallPictureWorker>;

export interface SmallPictureClient {
  /** Draws one; a newer one, or `cancel`, ends the older, which then answers `null`. */
  readonly draw: (project: Project) => Promise<SmallPictureReply | null>;
  readonly cancel: () => void;
}

/** A picture the size of a card is worth so long and no longer, ms. */
const LIMIT_MS = 8000;

export function createSmallPictureClient(
  start: () => StartedSmallPicture,
  timer: Timer = windowTimer,
): SmallPictureClient {
  const { run, cancel } = createOneJob<StartedSmallPicture['proxy'], Project, SmallPictureReply>(
    start,
    (proxy, project, heard) => Promise.resolve(proxy.draw(project, heard)),
    (detail) => ({ kind: 'failed', detail }),
    { silenceMs: LIMIT_MS, tooLong: 'It takes too long for a small picture.', after: 'stays' },
    timer,
  );
  return { draw: (project) => run(project, () => undefined), cancel };
}

/** The browser's own worker. */
export const startSmallPictureWorker = (): StartedSmallPicture =>
  browserWorker<SmallPictureWorker>(
    new Worker(new URL('./small-picture.worker.ts', import.meta.url), { type: 'module' }),
    'It stopped before it was done.',
  );
