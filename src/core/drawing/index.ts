export type { Drawing, Layer, Stroke, Word, Bounds, StrokeFamily, StrokeWeight, EdgeClass } from './drawing';
export { clipStroke, clipToSheet } from './clip-drawing';
export { visiblePartsOf } from './visible-parts';
export {
  pieceLayer,
  pictureLayers,
  setOutLayer,
  paperLayer,
  controlLayer,
  CONTROL_LINE_MM,
  REGISTRATION_MM,
} from './picture-layers';
export { constructionLayer, stepStrokes } from './construction-layer';
export { composeDrawing, type DrawingGiven } from './compose';
export { penFor, widthMm, EDGE_MM, FAMILY_PENS, WEIGHT_MM, GRAPHITE, HIDDEN_DASH_MM, type Pen } from './pens';
export {
  sceneOf,
  standOf,
  constructionOf,
  sheetOf,
  type Scene,
  type Stand,
  type Construction,
  type ConstructionRefusal,
} from './perspective';
export { thumbnailOf, type Thumbnail } from './thumbnail';
export {
  elevationOf,
  elevationDrawing,
  planLinesOf,
  ELEVATION_REACH_MM,
  type Elevation,
  type ElevationOf,
} from './elevation';
export { contactSheet } from './contact-sheet';
export { standWarnings } from './stand-warnings';
export { gridLayer } from './grid-layer';
export { setOutDrawing, boardLayer } from './set-out-drawing';
export { tablePages, type PageSize } from './table-pages';
export {
  tilePages,
  tilesOf,
  corrected,
  correctedBy,
  NO_CORRECTION,
  TILE_MARGIN_MM,
  TILE_OVERLAP_MM,
  type Correction,
  type Tile,
} from './print-pages';
export { printPages, printerPaper, PRINT_PARTS, type PrintJob, type PrintPart, type PrintError } from './print-job';
export { FURNITURE, LAID_ON, laidLayers, laidOf, layerAlone, type LayerLaid, type LayersLaid } from './layers';
export { placedStroke, strokePoints, strokeRows } from './strokes';
export { findStations, type FindStations, type FoundStation, type FoundStations } from './finder/find-stations';
export {
  measuredOn,
  onPlane,
  readLine,
  StrokeIndex,
  tapePlanes,
  type LineReading,
  type TapePlane,
} from './read-picture';
