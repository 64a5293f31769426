import { measuredGrid } from './measured-grid';
import type { School } from './school';

/**
 * By a first interval that is repeated by diagonals, halved and quartered by others: after it nothing is measured in depth. All things are counted in the
 * room's own directions. Source: job, 4; construction, 3.
 */
export const diagonals: School = {
  ...measuredGrid,
  name: 'diagonals',
  words: 'by repeated diagonals',
  depthBy: 'diagonals',
  draws: ({ depthBy }) => depthBy === 'diagonals',
};
