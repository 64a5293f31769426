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
  estimatedSize,
  mmOf,
  newSize,
  withClaim,
} from './size';
export {
  type Level,
  type Wall,
  type Space,
  type Opening,
  type NamedSizes,
  type Ceiling,
  type CeilingZone,
  type Moulding,
  type Division,
  type CheckOffset,
  type OutlineCorner,
  type BlockOutline,
  type LightRows,
  type Surface,
  type SurfaceKind,
  SURFACE_KINDS,
  type PieceCorner,
  type WallOffset,
  type Place,
  type Piece,
  type PicturePlaneBinding,
  type Frame,
  type View,
  type ScaleFigure,
  type ReachAid,
  type GridChoice,
  type LaidAside,
  type RingTold,
  type GuessedInterval,
  type SetOutZero,
  SCALE_FIGURES,
  SET_OUT_ZEROS,
  VIEW_WALLS,
  type ViewWalls,
  type Project,
  type MeasuredRoom,
  PIECE_CORNERS,
  pieceCornerAt,
  PROJECT_KIND,
  PROJECT_VERSION,
} from './project';
export {
  PLAN_BEGINS,
  SCHOOL_NAMES,
  USUAL_WAY,
  type PlanBegin,
  type PlanChoice,
  type PlanWay,
  type SchoolName,
} from './plan-way';
export { levelOf, pieceOf, viewOf, wallOf, lengthStyleOf } from './lookup';
export { outlineOf, outlineFault, wallRuns, type Outline, type WallRun, type OutlineFault } from './outline';
export { footprintOf, wallRunOf, distanceFromWall, type Footprint, type PlaceError } from './place';
export { allSizes, type NamedSize, type SizeBounds } from './sizes';
export { alongWall, leftAlongWall, onWall, spanAlongWall } from './along-wall';
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
  withoutServed,
  choosePiece,
  choosePieceWay,
  choosePlanWay,
  plansOf,
  wayOf,
  cornerPoint,
  findSizesInSteps,
} from './edits';
export { addView, copyView, moveView, removeView, renameView } from './view-edits';
export { applyChange, several, CHANGE_KINDS, type Change, type ChangeKind, type ChangeKinds } from './changes';
export { freshId } from './fresh-id';
export { PLAIN_OPENING, PLAIN_PIECE, PLAIN_SPACE, PLAIN_VIEW } from './plain';
export {
  movedSize,
  settledSize,
  movePieceBy,
  turnPieceAboutMiddle,
  duplicatePiece,
  repeatPiece,
  mirrorPiece,
  alignPieces,
  copyPieces,
  pastePieces,
  renameThing,
  withdrawClaim,
  sizeSource,
  type Clipping,
} from './piece-edits';
export {
  addSpace,
  removeSpace,
  addLevel,
  layFirstRoom,
  shareClosingError,
  closeIntoLastWall,
  changeSpace,
  changeWall,
  pushWall,
  moveCorner,
  removeCorner,
  typedWalls,
  type TypedWall,
  type PushedWall,
} from './room-edits';
export { changeOpening, moveOpening, removeOpening, addSurface, changeSurface, removeSurface } from './opening-edits';
export { findThing, nameOfThing, type Thing } from './things';
export {
  markKey,
  MARK_ROLES,
  sameMark,
  sameServed,
  SERVED_THINGS,
  type MarkName,
  type MarkRole,
  type MarkSide,
  type Served,
} from './mark-name';
export { MOST_MADE } from './amounts';
export {
  BOUNDS,
  boundsWords,
  isWithin,
  LONGEST_TEXT,
  MOST_OF,
  nameApart,
  nameWith,
  type BoundName,
  type Bounds,
} from './bounds';

export { layAside, partRings, ringAgain, toldOfRecord, toldOfView, type RingsParted } from './laid-aside';
export { roomOfRule, standByRule, standByRuleIn, type StandByRule } from './stand-by-rule';
