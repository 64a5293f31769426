export { Board, type BoardCommands } from './Board';
export type { Arrangement, Fitting, Handled, Overlaid, Pointed, PointerHandlers } from './arrangement';
export { BoardWords } from './BoardWords';
export { cornersOf, type Corner, type ViewName } from './lit';
export { Handle, type HandleDrag } from './Handle';
export { KeptPicture } from './kept-picture';
export { allOn, putBetween, putOn, type Placing, type Transforms } from './handle-places';
export {
  contains,
  hasRoom,
  pictureLayout,
  linkedLayout,
  bandsLayout,
  WHOLE,
  type BoardLayout,
  type Rect,
} from './layout';
export { markScreen, paintConeInPicture, strokeScreen, type BoardPainting, type Painter, type Painters } from './paint';
export { strokeAll, type Segment } from './stroke-all';
export { paintRoomRows } from './paint-views';
export { standsInPlan } from './use-pose';
export type { BoardMotion, Moved } from './motion';
export {
  fitBoardPose,
  fitPlanPose,
  fitPose,
  fitSidePose,
  fitSheetPose,
  keepStill,
  eyeFromPlanScreen,
  pictureFromScreen,
  pictureScreen,
  planScreen,
  sheetScreen,
  sideScreen,
  wholeInBands,
  type Pose,
} from './pose';
export { PencilRings } from './PencilRings';
export { boxOf, sharedRings, type RingedBox, type SharedRing } from './shared-rings';
