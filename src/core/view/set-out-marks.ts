import { footprintOf, type Id, type MeasuredRoom, type View } from '@/core/record';
import {
  boardFromSheet,
  picturePoint,
  sheetFromPicture,
  type BoardPoint,
  type PicturePoint,
  type SheetPoint,
} from '@/core/space';
import type { Degrees, PaperMillimetres } from '@/core/units';
import { coneRadius } from './cone';
import { placementOf } from './resolve';
import { directionPair, groundLineV, turnOfPair } from './set-out';
import type { SetUp } from './set-up';
import { roomBearing } from './turn-plan';

/** Where a mark falls on the table. `beyond` says over which edge of the board, and how far. */
export type Lies =
  | { readonly where: 'on-sheet' }
  | {
      readonly where: 'on-board';
      readonly beyondSheet: PaperMillimetres;
      readonly side: 'left' | 'right' | 'top' | 'bottom';
    }
  | {
      readonly where: 'off-board';
      readonly beyondBoard: PaperMillimetres;
      readonly side: 'left' | 'right' | 'top' | 'bottom';
    };

export interface SetOutMark {
  readonly id: string;
  /** Short name written on the drawing. */
  readonly label: string;
  /** The trade's name for it. */
  readonly words: string;
  readonly at: PicturePoint;
  readonly onSheet: SheetPoint;
  readonly onBoard: BoardPoint;
  readonly lies: Lies;
}

/** The points of one right-angled pair of directions and the things drawn with it. */
export interface SetOutGroup {
  readonly turnDeg: Degrees;
  readonly kind: 'one-point' | 'two-point';
  /** Ids of spaces and pieces built of these directions. */
  readonly serves: readonly Id[];
  readonly marks: readonly SetOutMark[];
}

/** Everything to lay down before the first line of the room; picture, sheet and board mm. */
export interface SetOut {
  readonly centreOfVision: SetOutMark;
  readonly horizonOnSheetY: PaperMillimetres;
  readonly groundLineV: PaperMillimetres;
  readonly groundLineOnSheetY: PaperMillimetres;
  readonly viewingDistance: PaperMillimetres;
  readonly cone60Radius: PaperMillimetres;
  readonly cone45Radius: PaperMillimetres;
  /** The room's own group first. */
  readonly groups: readonly SetOutGroup[];
}

function lies(view: View, sheet: SheetPoint, board: BoardPoint): Lies {
  const over = (x: number, y: number, width: number, height: number) =>
    (
      [
        ['left', -x],
        ['right', x - width],
        ['bottom', -y],
        ['top', y - height],
      ] as const
    ).reduce((worst, one) => (one[1] > worst[1] ? one : worst));
  const [boardSide, beyondBoard] = over(board.x, board.y, view.board.width, view.board.height);
  if (beyondBoard > 0) return { where: 'off-board', beyondBoard, side: boardSide };
  const [sheetSide, beyondSheet] = over(sheet.x, sheet.y, view.sheet.width, view.sheet.height);
  return beyondSheet > 0 ? { where: 'on-board', beyondSheet, side: sheetSide } : { where: 'on-sheet' };
}

/** Where any point of the picture falls on the table. */
export function lieOf(view: View, at: PicturePoint): Lies {
  const placement = placementOf(view);
  const sheet = sheetFromPicture(at, placement);
  return lies(view, sheet, boardFromSheet(sheet, placement));
}

/** Groups whose turns differ by less than this share their points, degrees: 0.001° moves a point 1 m away by 0.02 mm. */
const SAME_GROUP_DEG = 1e-3;

/** What tells the points of one group from the room's: nothing for the room's own, 2, 3 … for the others. */
export const groupSuffix = (index: number): string => (index <= 0 ? '' : String(index + 1));

export function setOutOf(project: MeasuredRoom, view: View, setUp: SetUp): SetOut {
  const placement = placementOf(view);
  const mark = (id: string, label: string, words: string, u: number, v = 0): SetOutMark => {
    const at = picturePoint(u, v);
    const onSheet = sheetFromPicture(at, placement);
    const onBoard = boardFromSheet(onSheet, placement);
    return { id, label, words, at, onSheet, onBoard, lies: lies(view, onSheet, onBoard) };
  };
  const turns: { turnDeg: Degrees; serves: Id[] }[] = [
    { turnDeg: turnOfPair(setUp, roomBearing(project)), serves: project.spaces.slice(0, 1).map((space) => space.id) },
  ];
  const serve = (bearingDeg: Degrees, id: Id): void => {
    const turnDeg = turnOfPair(setUp, bearingDeg);
    const apart = (a: number, b: number): number => Math.min(Math.abs(a - b), 90 - Math.abs(a - b));
    const known = turns.find((one) => apart(one.turnDeg, turnDeg) < SAME_GROUP_DEG);
    if (!known) turns.push({ turnDeg, serves: [id] });
    else if (!known.serves.includes(id)) known.serves.push(id);
  };
  for (const piece of project.pieces) {
    const footprint = footprintOf(project, piece);
    if (footprint.ok)
      serve((Math.atan2(footprint.value.widthDirection.x, footprint.value.widthDirection.y) * 180) / Math.PI, piece.id);
  }
  const groups = turns.map(({ turnDeg, serves }, index): SetOutGroup => {
    const pair = directionPair(setUp, turnDeg);
    const suffix = groupSuffix(index);
    const id = (name: string): string => (index === 0 ? name : `${name}-${index + 1}`);
    const marks =
      pair.kind === 'two-point'
        ? [
            mark(id('vp-left'), `VL${suffix}`, 'left vanishing point', pair.vpLeft),
            mark(id('vp-right'), `VR${suffix}`, 'right vanishing point', pair.vpRight),
            mark(id('mp-left'), `ML${suffix}`, 'measuring point of the left-going lines', pair.mpOfLeft),
            mark(id('mp-right'), `MR${suffix}`, 'measuring point of the right-going lines', pair.mpOfRight),
            mark(id('diagonal'), `DV${suffix}`, 'vanishing point of the diagonals of level squares', pair.diagonalVp),
          ]
        : [
            mark(id('distance-left'), `DL${suffix}`, 'left distance point', pair.distancePoints[0]),
            mark(id('distance-right'), `DR${suffix}`, 'right distance point', pair.distancePoints[1]),
          ];
    return { turnDeg, kind: pair.kind, serves, marks };
  });
  const ground = groundLineV(setUp);
  return {
    centreOfVision: mark('centre-of-vision', 'CV', 'centre of vision', 0),
    horizonOnSheetY: view.centreOfVisionOnSheet.y,
    groundLineV: ground,
    groundLineOnSheetY: view.centreOfVisionOnSheet.y + ground,
    viewingDistance: setUp.viewingDistance,
    cone60Radius: coneRadius(setUp, 60),
    cone45Radius: coneRadius(setUp, 45),
    groups,
  };
}
