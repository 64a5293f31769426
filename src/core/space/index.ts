export {
  type PlanPoint,
  type WorldPoint,
  type EyePoint,
  type PicturePoint,
  type SheetPoint,
  type BoardPoint,
  type ScreenPoint,
  planPoint,
  worldPoint,
  eyePoint,
  picturePoint,
  sheetPoint,
  boardPoint,
  screenPoint,
  worldFromPlan,
  planFromWorld,
} from './points';
export { type PaperPlacement, sheetFromPicture, pictureFromSheet, boardFromSheet, downwardFromSheet } from './paper';
