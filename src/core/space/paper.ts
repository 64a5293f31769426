import { boardPoint, picturePoint, sheetPoint, type BoardPoint, type PicturePoint, type SheetPoint } from './points';

/** Where the picture's origin (the centre of vision) lies on the sheet, and the sheet's lower left corner on the board. */
export interface PaperPlacement {
  readonly centreOfVisionOnSheet: SheetPoint;
  readonly sheetOnBoard: BoardPoint;
}

export const sheetFromPicture = (point: PicturePoint, placement: PaperPlacement): SheetPoint =>
  sheetPoint(placement.centreOfVisionOnSheet.x + point.u, placement.centreOfVisionOnSheet.y + point.v);

export const pictureFromSheet = (point: SheetPoint, placement: PaperPlacement): PicturePoint =>
  picturePoint(point.x - placement.centreOfVisionOnSheet.x, point.y - placement.centreOfVisionOnSheet.y);

export const boardFromSheet = (point: SheetPoint, placement: PaperPlacement): BoardPoint =>
  boardPoint(placement.sheetOnBoard.x + point.x, placement.sheetOnBoard.y + point.y);

/** The one place where the sheet's upward y becomes the downward y of SVG and screen. */
export const downwardFromSheet = (y: number, sheetHeight: number): number => sheetHeight - y;
