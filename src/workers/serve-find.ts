import { findStations, sceneOf } from '@/core/pipeline';
import type { FindWorker } from './find-protocol';

/** How long the search runs before the worker tells how far it is, ms. */
const SLICE_MS = 60;

/** The searching worker's side, apart from its thread. */
export function serveFind(clock: () => number): FindWorker {
  return {
    find: async ({ project, asked }, progress) => {
      try {
        const steps = findStations(project, sceneOf(project), asked);
        let told = clock();
        let step = steps.next();
        while (!step.done) {
          if (clock() - told > SLICE_MS) {
            progress(step.value);
            told = clock();
            await new Promise<void>((resume) => setTimeout(resume, 0));
          }
          step = steps.next();
        }
        progress(1);
        return { kind: 'found', stations: step.value };
      } catch (error) {
        return { kind: 'failed', detail: error instanceof Error ? error.message : 'unknown' };
      }
    },
  };
}
