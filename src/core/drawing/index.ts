export type { Drawing, Layer, Stroke, Word, Bounds, StrokeFamily, StrokeWeight } from './drawing';
export { clipStroke, clipToSheet } from './clip-drawing';
export { visiblePartsOf } from './visible-parts';
export { pictureLayers, setOutLayer, paperLayer, controlLayer, CONTROL_LINE_MM } from './picture-layers';
export { constructionLayer, stepStrokes } from './construction-layer';
export { composeDrawing, type DrawingGiven } from './compose';
export { penFor, FAMILY_PENS, WEIGHT_MM, GRAPHITE, HIDDEN_DASH_MM, type Pen } from './pens';
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
