import { diagonals } from './diagonals';
import type { School } from './school';

/**
 * One-point, by the corners of the frame: lines from them to the centre of vision hold every section of the room that stands in it; the back wall's is drawn
 * by its size, and its depth is the interval that diagonals halve and repeat. What has no wall square to the line of sight is drawn by diagonals as else.
 * Source: construction, 3; job, 4.
 */
export const sheetCorners: School = {
  ...diagonals,
  name: 'sheet-corners',
  words: 'by the corners of the frame',
  depthBy: 'sheet-corners',
  draws: ({ depthBy }) => depthBy === 'sheet-corners',
};
