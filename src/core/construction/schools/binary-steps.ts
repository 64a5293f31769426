import { diagonals } from './diagonals';
import type { School } from './school';

/**
 * By diagonals in binary steps: what stands by itself is judged, the nearest half, quarter or eighth of an interval in place of another ratio, within 1/16
 * of it. Those places stand outside the exactness of the plan, and it says which they are. Source: construction, 3; job, 4.
 */
export const binarySteps: School = {
  ...diagonals,
  name: 'binary-steps',
  words: 'in binary steps, judged',
  depthBy: 'binary-steps',
  draws: ({ depthBy }) => depthBy === 'binary-steps',
};
