import type { Id } from '@/core/record';
import type { LineFamily } from '@/core/view';
import type { PaperMillimetres } from '@/core/units';

/** Families of strokes; each keeps one colour and one dash through the whole application. */
export type StrokeFamily = LineFamily | 'measuring' | 'ray' | 'sheet';

/** How a stroke is drawn: what stays, construction, what is hidden, and the frame of paper and picture. */
export type StrokeWeight = 'firm' | 'faint' | 'hidden' | 'hairline';

/** One straight stroke in sheet mm, x right, y up from the sheet's lower left corner. */
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
  readonly strokes: readonly Stroke[];
  readonly words: readonly Word[];
}

/** What every output reads: layers as sheets of tracing paper, lowest first. */
export interface Drawing {
  readonly title: string;
  readonly width: PaperMillimetres;
  readonly height: PaperMillimetres;
  readonly layers: readonly Layer[];
}

export interface Bounds {
  readonly left: PaperMillimetres;
  readonly right: PaperMillimetres;
  readonly bottom: PaperMillimetres;
  readonly top: PaperMillimetres;
}
