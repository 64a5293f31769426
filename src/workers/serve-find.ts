import { findStations, sceneOf } from '@/core/pipeline';
import { seenIn } from '@/core/view';
import { inSlices } from './in-slices';
import type { FindWorker } from './find-protocol';

/** How long the search runs before the worker tells how far it is, ms. */
const SLICE_MS = 60;

/** The searching worker's side, apart from its thread. */
export function serveFind(clock: () => number): FindWorker {
  return {
    find: async ({ project, asked }, progress) => {
      try {
        const view = project.views.find((one) => one.id === asked.viewId);
        const seen = view ? seenIn(project, view) : project;
        const steps = findStations(seen, sceneOf(seen), asked);
        const stations = await inSlices(steps, { clock, sliceMs: SLICE_MS, progress });
        return { kind: 'found', stations };
      } catch (error) {
        return { kind: 'failed', detail: error instanceof Error ? error.message : 'unknown' };
      }
    },
  };
}
