import { tolerance } from '@/core/numeric';
import type { Frame, View } from '@/core/record';
import { DRAWING_SCALES, type PaperMillimetres, type UnitSystem } from '@/core/units';
import type { ViewChange } from './view-change';

/** The part of the sheet inside its margins, sheet mm. */
export interface Printable {
  readonly left: PaperMillimetres;
  readonly bottom: PaperMillimetres;
  readonly width: PaperMillimetres;
  readonly height: PaperMillimetres;
}

/** Null when the margins leave nothing of the sheet. */
export function insideMargins({ sheet, margins }: Pick<View, 'sheet' | 'margins'>): Printable | null {
  const width = sheet.width - margins.left - margins.right;
  const height = sheet.height - margins.bottom - margins.top;
  return width > 0 && height > 0 ? { left: margins.left, bottom: margins.bottom, width, height } : null;
}

const widthOf = (frame: Frame): number => frame.right - frame.left;
const heightOf = (frame: Frame): number => frame.top - frame.bottom;
const timesFrame = (frame: Frame, times: number): Frame => ({
  left: frame.left * times,
  right: frame.right * times,
  bottom: frame.bottom * times,
  top: frame.top * times,
});

export interface ScaleProposal {
  /** The largest usual scale at which what the frame shows stays inside the margins. */
  readonly denominator: number;
  /** What of the space inside the margins the frame then takes, the fuller of its two sides, 0 to 1. */
  readonly fills: number;
  /** The scale that would fill it to the edge. */
  readonly exact: number;
}

/**
 * The scale that fills the sheet with what the frame shows now. What the frame cuts out of the room stays the same: the frame grows and
 * shrinks with the scale (enlarging m times makes 1:N into m:N and the viewing distance m times as long).
 * @returns null when the margins leave nothing, or no usual scale is small enough.
 */
export function proposeScale(view: View, units: UnitSystem): ScaleProposal | null {
  const area = insideMargins(view);
  if (!area) return null;
  const exact = view.scaleDenominator * Math.max(widthOf(view.frame) / area.width, heightOf(view.frame) / area.height);
  // A hair of tolerance: a frame made to fill the margins at 1:20 proposes 1:20 again.
  const denominator = DRAWING_SCALES[units].find((one) => one >= exact * (1 - tolerance.wholeNumber));
  return denominator === undefined ? null : { denominator, fills: exact / denominator, exact };
}

/** Another scale with the same cut of the room: the frame grows with it about its own middle, which keeps its place on the sheet. */
export function rescaled(view: View, denominator: number): ViewChange {
  const times = view.scaleDenominator / denominator;
  const frame = timesFrame(view.frame, times);
  const middle = { u: (view.frame.left + view.frame.right) / 2, v: (view.frame.bottom + view.frame.top) / 2 };
  return {
    scaleDenominator: denominator,
    frame,
    centreOfVisionOnSheet: {
      x: view.centreOfVisionOnSheet.x + middle.u * (1 - times),
      y: view.centreOfVisionOnSheet.y + middle.v * (1 - times),
    },
    guesses: view.guesses.map((guess) => ({ ...guess, at: { u: guess.at.u * times, v: guess.at.v * times } })),
  };
}

/** The frame's middle on the middle of what the margins leave of the sheet. */
export function centredDrawing(view: View): ViewChange {
  const area = insideMargins(view) ?? { left: 0, bottom: 0, width: view.sheet.width, height: view.sheet.height };
  const { frame } = view;
  return {
    centreOfVisionOnSheet: {
      x: area.left + area.width / 2 - (frame.left + frame.right) / 2,
      y: area.bottom + area.height / 2 - (frame.bottom + frame.top) / 2,
    },
  };
}

/** The sheet in the middle of the board. */
export const centredSheet = ({ sheet, board }: View): ViewChange => ({
  sheetOnBoard: { x: (board.width - sheet.width) / 2, y: (board.height - sheet.height) / 2 },
});

/** Where the frame lies outside the margins, sheet mm over each edge; zero where it keeps clear. */
export function overMargins(view: View): Readonly<Record<'left' | 'right' | 'bottom' | 'top', PaperMillimetres>> {
  const { sheet, margins, frame, centreOfVisionOnSheet: cv } = view;
  return {
    left: Math.max(0, margins.left - (cv.x + frame.left)),
    right: Math.max(0, cv.x + frame.right - (sheet.width - margins.right)),
    bottom: Math.max(0, margins.bottom - (cv.y + frame.bottom)),
    top: Math.max(0, cv.y + frame.top - (sheet.height - margins.top)),
  };
}

/** Another sheet: the drawing is centred on it, the sheet put where its middle was, kept on the board as far as it fits. */
export function onSheet(view: View, sheet: View['sheet']): ViewChange {
  const middle = {
    x: view.sheetOnBoard.x + view.sheet.width / 2,
    y: view.sheetOnBoard.y + view.sheet.height / 2,
  };
  const keep = (at: number, size: number, board: number): number =>
    size >= board ? (board - size) / 2 : Math.min(board - size, Math.max(0, at - size / 2));
  return {
    sheet,
    ...centredDrawing({ ...view, sheet }),
    sheetOnBoard: {
      x: keep(middle.x, sheet.width, view.board.width),
      y: keep(middle.y, sheet.height, view.board.height),
    },
  };
}
