export {
  type Id,
  type Source,
  type Claim,
  type Size,
  type NewClaim,
  SOURCES,
  SOURCE_WORDS,
  USUAL_UNCERTAINTY_MM,
  claimOf,
  mmOf,
  newSize,
  withClaim,
} from './size';
export {
  type Level,
  type Wall,
  type Space,
  type Opening,
  type PieceCorner,
  type WallOffset,
  type Place,
  type Piece,
  type PicturePlaneBinding,
  type Frame,
  type View,
  type PlanChoice,
  type Project,
  type MeasuredRoom,
  PIECE_CORNERS,
  PROJECT_KIND,
  PROJECT_VERSION,
} from './project';
export { levelOf, pieceOf, viewOf, wallOf, lengthStyleOf } from './lookup';
export { outlineOf, outlineFault, wallRuns, type Outline, type WallRun, type OutlineFault } from './outline';
export { footprintOf, wallRunOf, distanceFromWall, type Footprint, type PlaceError } from './place';
export { allSizes, type NamedSize } from './sizes';
export { findingsOf, disagreeingClaims, type Finding } from './findings';
export {
  type EditError,
  type Edit,
  type InsertedCorner,
  claimSize,
  correctSize,
  putInForce,
  renameProject,
  addOpening,
  addPiece,
  changePiece,
  turnPiece,
  removePiece,
  insertCorner,
  moveOrigin,
  changeView,
  addView,
  removeView,
  choosePiece,
  cornerPoint,
} from './edits';
export { freshId } from './fresh-id';
