import { Worker } from 'node:worker_threads';

/** MiB. The largest demonstration prints within 150. */
const HEAP_MB = 384;

/** A thread that makes one print. The bundler follows the address and builds the thread's own file. */
export const startPrintThread = (): Worker =>
  new Worker(new URL('./print-thread.ts', import.meta.url), {
    resourceLimits: { maxOldGenerationSizeMb: HEAP_MB, maxYoungGenerationSizeMb: 48, stackSizeMb: 4 },
  });
