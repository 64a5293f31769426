import type { Id } from '@/core/record';
import type { LineFamily, Parallels } from '@/core/view';
import type { ConicArc } from '@/core/geometry';
import type { PaperMillimetres } from '@/core/units';

/** Families of strokes; each keeps one colour and one dash through the whole application. */
export type StrokeFamily = LineFamily | 'measuring' | 'ray' | 'sheet';

/** How a stroke is drawn: what stays, construction, what is hidden, and the frame of paper and picture. */
export type StrokeWeight = 'firm' | 'faint' | 'hidden' | 'hairline';

/** What a line that stays is to the eye: against something farther, between two faces that are seen, or a pattern on one. Its pen follows from it. */
export type EdgeClass = 'profile' | 'inner' | 'pattern';

/** One stroke in sheet mm, straight unless it has a curve, x right, y up from the sheet's lower left corner. */
export interface Stroke {
  readonly x0: PaperMillimetres;
  readonly y0: PaperMillimetres;
  readonly x1: PaperMillimetres;
  readonly y1: PaperMillimetres;
  readonly family: StrokeFamily;
  readonly weight: StrokeWeight;
  /** The edge or line it stands for. */
  readonly of: Id;
  /** Further edges that fall on it in the picture: it is drawn once for all of them. */
  readonly also?: readonly Id[];
  readonly edge?: EdgeClass;
  /** Its family of parallels, by its place in the drawing's list. */
  readonly parallels?: number;
  /** Of a stroke that is not straight: what it follows, sheet mm; x0, y0 and x1, y1 are its ends. */
  readonly curve?: ConicArc;
}

/** A word on the drawing; x, y is the middle of its baseline's start, middle or end. */
export interface Word {
  readonly x: PaperMillimetres;
  readonly y: PaperMillimetres;
  readonly text: string;
  readonly heightMm: PaperMillimetres;
  readonly anchor: 'start' | 'middle' | 'end';
}

export interface Layer {
  readonly id: string;
  readonly name: string;
  /** Layers of one group are laid on and off together: the furniture, piece by piece. */
  readonly group?: 'furniture';
  /** Drawn faint, to be drawn over. */
  readonly dimmed?: boolean;
  readonly strokes: readonly Stroke[];
  readonly words: readonly Word[];
}

/** What every output reads: layers as sheets of tracing paper, lowest first. */
export interface Drawing {
  readonly title: string;
  readonly width: PaperMillimetres;
  readonly height: PaperMillimetres;
  readonly layers: readonly Layer[];
  /** The families of parallels of what is drawn, each known by its vanishing point: picture mm. */
  readonly parallels?: readonly Parallels[];
}

export interface Bounds {
  readonly left: PaperMillimetres;
  readonly right: PaperMillimetres;
  readonly bottom: PaperMillimetres;
  readonly top: PaperMillimetres;
}
