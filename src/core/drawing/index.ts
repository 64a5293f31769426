export {
  layerKey,
  layerOf,
  type Area,
  type Bounds,
  type Drawing,
  type EdgeClass,
  type Layer,
  type LayerContents,
  type LayerHead,
  type LayerRole,
  type Picture,
  type Stroke,
  type StrokeFamily,
  type StrokeRole,
  type StrokeWeight,
  type Word,
} from './drawing';
export { byPen, mapContents, walk, type Sink } from './walk';
export { picturePath } from './picture-path';
export { clipStroke, clipToSheet } from './clip-drawing';
export {
  pieceLayer,
  pictureLayers,
  setOutLayer,
  paperLayer,
  controlLayer,
  controlStroke,
  type PictureGiven,
  CONTROL_LINE_MM,
  REGISTRATION_MM,
} from './picture-layers';
export { constructionLayer, marksAtHand, stepStrokes, type Constructed } from './construction-layer';
export { laidStrokes, type Chain, type LaidStroke } from './laid-strokes';
export { offBy, planChange, type PlanChange, type WrongStroke } from './plan-change';
export { placeLabels, type LabelSizes, type PlacedLabel, type ToName } from './place-labels';
export { composeDrawing, type DrawingGiven } from './compose';
export { penFor, widthMm, EDGE_MM, FAMILY_PENS, WEIGHT_MM, GRAPHITE, HIDDEN_DASH_MM, type Pen } from './pens';
export { contactSheet } from './contact-sheet';
export { gridLayer, gridSystemOf, gridZeroOf, isInPicture, seenGrid, type SeenGridLine } from './grid-layer';
export { setOutDrawing, boardLayer } from './set-out-drawing';
export { tablePages, type PageSize } from './table-pages';
export { marksPages, type MarksGiven } from './marks-pages';
export { overviewPages, type OverviewGiven } from './overview-pages';
export { CARDS_PER_PAGE, stepCards, type CardsGiven, type CardsPerPage } from './step-cards';
export { stepRows, type StepRow } from './step-rows';
export { settleWords } from './settle-words';
export { crossAt } from './picture-layers';
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
export { FURNITURE, LAID_ON, laidLayers, laidOf, layerAlone, type LayerLaid, type LayersLaid } from './layers';
export { endsOf, placedStroke, strokePoints, strokeRows, type Drawn } from './strokes';
export {
  measuredOn,
  onPlane,
  readLine,
  StrokeIndex,
  tapePlanes,
  type LineReading,
  type TapePlane,
} from './read-picture';
