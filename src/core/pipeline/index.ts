export { sceneOf, wholeSceneInSteps, sheetOf, type Scene } from './perspective';
export { thumbnailOf, type Thumbnail } from './thumbnail';
export {
  elevationInSteps,
  elevationOf,
  elevationDrawing,
  planLinesOf,
  planLinesInSteps,
  ELEVATION_REACH_MM,
  leftOutOf,
  type Elevation,
  type ElevationOf,
} from './elevation';
export { standWarnings } from './stand-warnings';
export { printPages, printerPaper, type PrintJob } from './print-job';
export {
  CARD_PAPER_NAMES,
  cardPaper,
  PRINTED,
  PRINT_PARTS,
  type PlanPrint,
  type Printed,
  type PrintPart,
  type PrintError,
} from './printed';
export { planSheetDrawing, planStrokes, elevationEdge } from './plan-sheet-drawing';
export type { HeldTo } from './finder/candidates';
export { findStations, type FindStations, type FoundStation, type FoundStations } from './finder/find-stations';
export { targetsOf, boardAbout } from './targets';
export { worstMarks, type Helped, type WorstMark, type WorstMarks } from './worst-marks';
export {
  wholeDraftOf,
  wholePlanOf,
  planningView,
  planShownFrom,
  namesIn,
  handWith,
  DETAIL_MM,
  type PlannedView,
  type WholeWays,
} from './whole-draft';
export { planRows, type PlanRows, type Rows } from './plan-rows';
export { firstInterval, type FirstInterval } from './first-interval';
export { gridAtHand, usualGrid } from './grid-at-hand';
