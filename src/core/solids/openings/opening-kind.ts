import type { Opening } from '@/core/record';
import type { Degrees } from '@/core/units';
import type { CountRule, SizeRule } from '../kind';
import type { Part } from '../parts';

/** An opening as its kind reads it: mm in its own axes, x along the wall from its left end, y into the room from the wall's face, z up from its sill. */
export interface Fitted {
  readonly opening: Opening;
  readonly width: number;
  /** Height of the straight sides: to the head, or to an arch's springing line. */
  readonly height: number;
  readonly rise: number;
  readonly reveal: number;
  readonly size: (name: string) => number;
  readonly count: (name: string) => number;
  readonly choice: (name: string) => string;
}

/** A leaf that stands open: where it is hinged, mm from the opening's left end, and its turn from the wall's run, clockwise. */
export interface OpenLeaf {
  readonly hinge: number;
  readonly turnDeg: Degrees;
}

/** What a leaf passes over as it is opened: about its hinge, mm from the opening's left end at the back of the reveal, between two turns as of an open leaf. */
export interface Sweep {
  readonly hinge: number;
  readonly radius: number;
  readonly fromDeg: Degrees;
  readonly toDeg: Degrees;
}

/** One kind of opening, declared in one file: what it measures, what it is fitted with, and how it is drawn in plan. */
export interface OpeningKind {
  readonly id: string;
  readonly name: string;
  readonly usual: { readonly width: number; readonly sill: number; readonly height: number; readonly reveal: number };
  /** The head a new one has. */
  readonly head: Opening['head'];
  /** Sizes, numbers and choices beyond its own five, with their usual values. */
  readonly sizes: Readonly<Record<string, SizeRule>>;
  readonly counts: Readonly<Record<string, CountRule>>;
  /** The first of each is the usual one. */
  readonly choices: Readonly<Record<string, readonly string[]>>;
  /** Whether the wall's own body closes it at the back: by a shut leaf, or by the back of a recess. */
  readonly backed: (opening: Opening) => boolean;
  /** Whether one can reach through it, or only as far as its reveal is deep. */
  readonly open: 'through' | 'to-the-reveal';
  /** What stands in and round it. */
  readonly parts: (fitted: Fitted) => readonly Part[];
  /** Its leaves that stand open: each has vanishing points of its own. */
  readonly leaves: (fitted: Fitted) => readonly OpenLeaf[];
  /** What its leaves pass over, whether they stand open or not. */
  readonly sweeps: (fitted: Fitted) => readonly Sweep[];
  /** Whether people walk through it. */
  readonly walked: boolean;
  /** In plan: a fine line at the back of the reveal, and one in its middle for a pane. */
  readonly inPlan: { readonly back: boolean; readonly pane: boolean };
  /** On the template sheet: an SVG path in a box of 170 by 220, its foot at y = 0. */
  readonly sketch: string;
}

export const sizeRule = (usual: number, least: number, most: number): SizeRule => ({ usual, least, most });
export const TRIM_WIDTH = 'trim width';
export const TRIM_SIZES = { [TRIM_WIDTH]: sizeRule(0, 0, 250), 'trim thickness': sizeRule(18, 4, 80) };
export const RISE_SIZE = { rise: sizeRule(450, 20, 3000) };
