export {
  sceneOf,
  constructionOf,
  sheetOf,
  type Scene,
  type Construction,
  type ConstructionRefusal,
} from './perspective';
export { thumbnailOf, type Thumbnail } from './thumbnail';
export { visiblePartsOf } from './visible-parts';
export {
  elevationOf,
  elevationDrawing,
  planLinesOf,
  ELEVATION_REACH_MM,
  type Elevation,
  type ElevationOf,
} from './elevation';
export { standWarnings } from './stand-warnings';
export { printPages, printerPaper, PRINT_PARTS, type PrintJob, type PrintPart, type PrintError } from './print-job';
export { findStations, type FindStations, type FoundStation, type FoundStations } from './finder/find-stations';
export { targetsOf, boardAbout } from './targets';
export { wholeDraftOf, wholePlanOf, handWith, DETAIL_MM, type WholeWays } from './whole-draft';
