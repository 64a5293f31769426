import { distancePoint } from './distance-point';
import { measuringPoints } from './measuring-points';
import type { School } from './school';

/**
 * By a grid of unit squares on floor and walls, on which everything is counted. Its whole lines are set out by the points that measure the direction it runs
 * in; all things are counted on the one grid, however they are turned. Source: job, 4; construction, 3.
 */
export const measuredGrid: School = {
  name: 'measured-grid',
  words: 'by squares of a grid',
  measuredAt: (_, gridTurnDeg) => gridTurnDeg,
  depthBy: 'grid',
  draws: ({ depthBy }) => depthBy === 'grid',
  points: (setUp, frame, ...given) =>
    (frame.turnDeg === 0 ? distancePoint : measuringPoints).points(setUp, frame, ...given),
};
