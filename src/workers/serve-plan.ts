import { planningView, worstMarks } from '@/core/pipeline';
import { inSlices } from './in-slices';
import type { PlanWorker } from './plan-protocol';

/** How long it plans before the worker tells how far it is, ms. */
const SLICE_MS = 60;

/** The planning worker's side, apart from its thread. */
export function servePlan(clock: () => number): PlanWorker {
  return {
    plan: async ({ project, viewId, ways, asks }, progress) => {
      const view = project.views.find((one) => one.id === viewId);
      if (!view) return { kind: 'failed', detail: 'The project has no such view.' };
      try {
        const how = { clock, sliceMs: SLICE_MS, progress };
        if (asks === 'worst-marks')
          return { kind: 'worst-marks', worst: await inSlices(worstMarks(project, view, ways), how) };
        const planned = await inSlices(planningView(project, view, ways), how);
        return planned.ok
          ? { kind: 'planned', planned: planned.value }
          : { kind: 'refused', message: planned.error.message };
      } catch (error) {
        return { kind: 'failed', detail: error instanceof Error ? error.message : 'unknown' };
      }
    },
  };
}
