import type { SchoolName } from '@/core/record';
import type { PicturePoint } from '@/core/space';
import type { SetUp } from '@/core/view';
import { byIntervals, fromPlan, type AxisFrame } from '../frame';
import type { FramePoints, PairAtHand } from '../frame-points';
import type { PlanSheet } from '../plan-sheet';
import { binarySteps } from './binary-steps';
import { diagonals } from './diagonals';
import { distancePoint } from './distance-point';
import { measuredGrid } from './measured-grid';
import { measuringPoints } from './measuring-points';
import { planAndElevation } from './plan-and-elevation';
import { planProjection } from './plan-projection';
import { sheetCorners } from './sheet-corners';
import type { School } from './school';

export type { School } from './school';

/** Every school, one line each. */
export const SCHOOLS: Readonly<Record<SchoolName, School>> = {
  'measuring-points': measuringPoints,
  'distance-point': distancePoint,
  'plan-projection': planProjection,
  'plan-and-elevation': planAndElevation,
  'measured-grid': measuredGrid,
  diagonals,
  'sheet-corners': sheetCorners,
  'binary-steps': binarySteps,
};

/** Whether a school draws from the plan, which must then lie on the table. */
export const drawsFromPlan = (school: SchoolName): boolean => fromPlan(SCHOOLS[school].depthBy);

/** Whether a school repeats an interval by diagonals. */
export const drawsByIntervals = (school: SchoolName): boolean => byIntervals(SCHOOLS[school].depthBy);

/** The points of a frame, by the school that draws in it. */
export function framePoints(
  setUp: SetUp,
  frame: AxisFrame,
  pair: PairAtHand,
  onBoard: (p: PicturePoint) => boolean,
  plan: PlanSheet | null,
): FramePoints {
  const school = Object.values(SCHOOLS).find((one) => one.draws(frame)) ?? distancePoint;
  return school.points(setUp, frame, pair, onBoard, plan);
}
