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
export { printPages, printerPaper, PRINT_PARTS, type PrintJob, type PrintPart, type PrintError } from './print-job';
export type { HeldTo } from './finder/candidates';
export { findStations, type FindStations, type FoundStation, type FoundStations } from './finder/find-stations';
export { targetsOf, boardAbout } from './targets';
export { worstMarks, type Helped, type WorstMark, type WorstMarks } from './worst-marks';
export {
  wholeDraftOf,
  wholePlanOf,
  planningView,
  handWith,
  DETAIL_MM,
  type PlannedView,
  type WholeWays,
} from './whole-draft';
export { planRows, type PlanRows, type Rows } from './plan-rows';
