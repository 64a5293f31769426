import { planProjection } from './plan-projection';
import type { School } from './school';

/**
 * Plan projection with its heights from an elevation at the same scale set beside the plan: nothing is measured, all is carried. Source: construction, 3;
 * job, 4; geometry, Plan projection.
 */
export const planAndElevation: School = {
  ...planProjection,
  name: 'plan-and-elevation',
  words: 'by the plan and an elevation',
  depthBy: 'plan-and-elevation',
  draws: ({ depthBy }) => depthBy === 'plan-and-elevation',
};
