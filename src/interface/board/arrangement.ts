import type { ReactNode } from 'react';
import type { Id, View } from '@/core/record';
import type { Scene } from '@/core/pipeline';
import type { PicturePoint } from '@/core/space';
import type { LengthStyle } from '@/core/units';
import type { SetUp } from '@/core/view';
import type { Look } from '@/interface/theme';
import type { Placing, Transforms } from './handle-places';
import type { BoardLayout } from './layout';
import type { Corner, ViewName } from './lit';
import type { BoardMotion, Moved } from './motion';
import type { Painters } from './paint';
import type { Pose } from './pose';

/** What a fit has to bring into sight. */
export interface Fitting {
  readonly layout: BoardLayout;
  readonly view: View;
  readonly setUp: SetUp;
  readonly scene: Scene;
}

/** What is under the pointer. */
export interface Pointed {
  readonly inView: ViewName | null;
  readonly corner: Corner | null;
  /** A line of the picture; a corner comes before a line, it is the smaller mark. */
  readonly line: Id | null;
  /** The place in the picture, hooked onto a corner that is near; null outside the picture. */
  readonly place: PicturePoint | null;
  /** The same without hooking, and how far the pointer reaches about it, picture mm. */
  readonly bare: { readonly at: PicturePoint; readonly reachMm: number } | null;
}

export interface PointerHandlers {
  /** The pointer moves and nothing is pressed. */
  readonly moves: (pointed: Pointed) => void;
  readonly leaves: () => void;
  readonly presses: (pointed: Pointed, by: 'mouse' | 'touch') => void;
}

/** What is laid over the drawing is told where everything lies. */
export interface Overlaid extends Moved {
  readonly layout: BoardLayout;
  readonly look: Look;
  readonly style: LengthStyle;
}

/** Handles are told besides how the board moves and is laid elsewhere. */
export interface Handled extends Overlaid {
  readonly motion: BoardMotion;
  readonly setPose: (pose: Pose) => void;
}

/**
 * How the board is arranged for some work: how the paper is shared out, what is painted besides the drawing, what is laid over it, what the pointer
 * does. The board itself knows no stage.
 */
export interface Arrangement {
  readonly layout: (width: number, height: number) => BoardLayout;
  /** What the fit command shows: how the board lies at first, and by the same command again the next. */
  readonly fits: readonly [(fitting: Fitting) => Pose, ...((fitting: Fitting) => Pose)[]];
  /** What keeps its place on the screen when the sheet or the centre of vision is moved. */
  readonly lies: 'the-board' | 'the-centre-of-vision';
  readonly painters: Painters;
  /** Where what the board moves in a drag lies, by name. */
  readonly places: (placing: Placing) => Transforms;
  /** Words and dimensions: they follow a drag a few times a second, after the paper. */
  readonly words: (overlaid: Overlaid) => ReactNode;
  /** Handles and instruments. */
  readonly over: (handled: Handled) => ReactNode;
  readonly pointer: PointerHandlers;
}
