import * as Comlink from 'comlink';
import type { Drawing } from '@/core/drawing';
import { createOneJob, type StartedOnce } from './one-job';
import { windowTimer, type Timer } from './timer';

export type RasterReply =
  | { readonly kind: 'png'; readonly bytes: Uint8Array<ArrayBuffer> }
  | { readonly kind: 'failed'; readonly detail: string };

export interface RasterWorker {
  readonly raster: (drawing: Drawing, dotsPerInch: number) => Promise<RasterReply>;
}
export type StartedRaster = StartedOnce<Comlink.Remote<RasterWorker> | RasterWorker>;

/** Makes a picture of dots of a sheet, in a worker of its own. */
export function createRasterClient(
  start: () => StartedRaster,
  timer: Timer = windowTimer,
): (drawing: Drawing, dotsPerInch: number) => Promise<RasterReply> {
  const { run } = createOneJob<StartedRaster['proxy'], { drawing: Drawing; dotsPerInch: number }, RasterReply>(
    start,
    (proxy, { drawing, dotsPerInch }) => Promise.resolve(proxy.raster(drawing, dotsPerInch)),
    (detail) => ({ kind: 'failed', detail }),
    {
      silenceMs: 30_000,
      tooLong: 'It showed no sign of life and was given up. Try again, or choose fewer dots to the inch.',
    },
    timer,
  );
  return async (drawing, dotsPerInch) =>
    (await run({ drawing, dotsPerInch }, () => undefined)) ?? {
      kind: 'failed',
      detail: 'a newer picture was asked for',
    };
}

/** The browser's own worker. */
export function startRasterWorker(): StartedRaster {
  const worker = new Worker(new URL('./raster.worker.ts', import.meta.url), { type: 'module' });
  return {
    worker,
    proxy: Comlink.wrap<RasterWorker>(worker),
    share: (callback) => callback,
    onDeath: (heard) => {
      worker.onerror = () => heard('It stopped before it was done. Try again.');
    },
  };
}
