import type { View } from '@/core/record';
import { radiansFromDegrees, type Degrees, type PaperMillimetres } from '@/core/units';

export interface WidestSetOut {
  /** k, paper mm: the longest viewing distance, and with the scale the farthest station, whose points this board holds. */
  readonly viewingDistance: PaperMillimetres;
  readonly sheetOnBoard: View['sheetOnBoard'];
  /** What stops it from being wider. */
  readonly limit: 'board' | 'sheet-left' | 'sheet-right' | 'straightedge';
}

/** Points are kept this far inside the board's edge: a pin and half a ruler's width. */
export const BOARD_EDGE_MM = 5;

/**
 * The widest set-out a board allows at a turn of the room: the longest k for which the outermost points on the horizon, a·k to the left and
 * b·k to the right of the centre of vision, lie on the board while the whole sheet stays on it and the straightedge reaches. With the centre
 * of vision at c on the board, the conditions are linear in (c, k): c − a·k ≥ m, c + b·k ≤ W − m, s ≤ c ≤ W − w + s (s: the centre's place on
 * the sheet, w the sheet's width); their least bound on k is the answer.
 * @returns null when the sheet does not fit on the board.
 */
export function widestSetOut(view: View, turnDeg: Degrees): WidestSetOut | null {
  const { board, sheet, centreOfVisionOnSheet: cv, frame, straightedge } = view;
  if (sheet.width > board.width || sheet.height > board.height) return null;
  // In one-point the distance points lie k to each side, and either serves: only one of them is needed.
  const turn = radiansFromDegrees(turnDeg);
  const a = turnDeg === 0 ? 0 : 1 / Math.tan(turn);
  const b = turnDeg === 0 ? 1 : Math.tan(turn);
  const W = board.width;
  const m = BOARD_EDGE_MM;
  const bounds: [number, WidestSetOut['limit']][] = [
    [(W - 2 * m) / (a + b), 'board'],
    [(W - m - cv.x) / b, 'sheet-left'],
    ...(a > 0 ? [[(W - m - (sheet.width - cv.x)) / a, 'sheet-right'] as [number, WidestSetOut['limit']]] : []),
    [reachable(frame, straightedge, b, 'left'), 'straightedge'],
    ...(a > 0 ? [[reachable(frame, straightedge, a, 'right'), 'straightedge'] as [number, WidestSetOut['limit']]] : []),
  ];
  const [k, limit] = bounds.reduce((least, one) => (one[0] < least[0] ? one : least));
  if (!(k > 0)) return null;
  // Between the bounds left for the centre of vision, the place nearest to the board's middle.
  const low = Math.max(m + a * k, cv.x);
  const high = Math.min(W - m - b * k, W - sheet.width + cv.x);
  const centred = (W - sheet.width) / 2 + cv.x;
  const c = Math.min(Math.max(centred, low), Math.max(low, high));
  return {
    viewingDistance: k,
    sheetOnBoard: {
      x: c - cv.x,
      y: Math.min(board.height - sheet.height, Math.max(0, view.sheetOnBoard.y)),
    },
    limit,
  };
}

/** The longest k whose point, times·k out on one side, is within the straightedge of the frame's far corners. */
function reachable(frame: View['frame'], straightedge: number, times: number, farSide: 'left' | 'right'): number {
  const across = farSide === 'left' ? -frame.left : frame.right;
  const up = Math.max(Math.abs(frame.bottom), Math.abs(frame.top));
  return straightedge <= up ? 0 : (Math.sqrt(straightedge ** 2 - up ** 2) - across) / times;
}
