import type { Degrees, InchFraction, Millimetres, PaperMillimetres, UnitSystem } from '@/core/units';
import type { Id, Size } from './size';

/** A floor level; elevation is signed, mm above the project's zero. */
export interface Level {
  readonly id: Id;
  readonly name: string;
  readonly elevation: Size;
}

/**
 * One straight wall, seen from inside the room. Walls are listed clockwise seen from above, so that facing a wall from
 * inside it reads from left (its start corner) to right (the next wall's start corner), as its elevation does.
 */
export interface Wall {
  readonly id: Id;
  readonly name: string;
  /** Id of the corner at its left end. */
  readonly startCorner: Id;
  /** Bearing of the wall's run from left to right, degrees. */
  readonly bearingDeg: Degrees;
  readonly length: Size;
}

/** A room: one closed outline of walls and a flat ceiling. */
export interface Space {
  readonly id: Id;
  readonly name: string;
  readonly levelId: Id;
  /** The first wall's start corner in plan, mm. */
  readonly origin: { readonly x: Millimetres; readonly y: Millimetres };
  readonly walls: readonly Wall[];
  readonly ceilingHeight: Size;
}

export interface Opening {
  readonly id: Id;
  readonly name: string;
  readonly kind: 'door' | 'window';
  readonly wallId: Id;
  /** The end of the wall its offset is measured from. */
  readonly fromCorner: Id;
  readonly offset: Size;
  readonly width: Size;
  /** Height of the lower edge above the floor; nought for a door. */
  readonly sill: Size;
  readonly height: Size;
  /** How far leaf or glass lies behind the wall's room face. */
  readonly reveal: Size;
}

/** Corners of a piece's footprint, facing its front: back is the side turned to the first wall when the turn is 0. */
export type PieceCorner = 'back-left' | 'back-right' | 'front-left' | 'front-right';
export const PIECE_CORNERS: readonly PieceCorner[] = ['back-left', 'back-right', 'front-left', 'front-right'];

export interface WallOffset {
  readonly wallId: Id;
  /** Square to the wall's room face, positive into the room. */
  readonly distance: Size;
}

/** Where a piece stands: one of its corners by two offsets from two walls, and its turn. */
export interface Place {
  readonly pieceCorner: PieceCorner;
  readonly from: readonly [WallOffset, WallOffset];
  /** Degrees clockwise seen from above; 0 has the piece's back parallel to the first wall. */
  readonly turnDeg: Degrees;
}

export interface Piece {
  readonly id: Id;
  readonly name: string;
  readonly kind: 'box';
  readonly levelId: Id;
  readonly width: Size;
  readonly depth: Size;
  readonly height: Size;
  /** Underside above the floor; nought stands on it. */
  readonly lift: Size;
  readonly place: Place;
}

/** What fixes the picture plane. The distance from the station point is derived except in the last case. */
export type PicturePlaneBinding =
  | { readonly through: 'wall'; readonly wallId: Id }
  | { readonly through: 'corner'; readonly cornerId: Id }
  | { readonly through: 'point'; readonly x: Millimetres; readonly y: Millimetres }
  | { readonly through: 'distance'; readonly mm: Millimetres };

/** The picture's frame in picture mm about the centre of vision; it may lie off centre. */
export interface Frame {
  readonly left: PaperMillimetres;
  readonly right: PaperMillimetres;
  readonly bottom: PaperMillimetres;
  readonly top: PaperMillimetres;
}

/** A named view: what geometry calls stored, and its place on the paper. */
export interface View {
  readonly id: Id;
  readonly name: string;
  /** The level the viewer stands on: its floor carries the ground line. */
  readonly levelId: Id;
  readonly station: { readonly x: Millimetres; readonly y: Millimetres };
  readonly eyeHeight: { readonly mm: Millimetres; readonly asTyped: string };
  readonly lineOfSightBearingDeg: Degrees;
  readonly picturePlane: PicturePlaneBinding;
  readonly scaleDenominator: number;
  readonly frame: Frame;
  readonly sheet: { readonly name: string; readonly width: PaperMillimetres; readonly height: PaperMillimetres };
  /** The centre of vision on the sheet, mm from its lower left corner. */
  readonly centreOfVisionOnSheet: { readonly x: PaperMillimetres; readonly y: PaperMillimetres };
  readonly board: { readonly width: PaperMillimetres; readonly height: PaperMillimetres };
  /** The sheet's lower left corner on the board, mm from the board's lower left corner. */
  readonly sheetOnBoard: { readonly x: PaperMillimetres; readonly y: PaperMillimetres };
}

/** A chosen piece to construct in a view. */
export interface PlanChoice {
  readonly id: Id;
  readonly viewId: Id;
  readonly pieceId: Id;
  readonly school: 'measuring-points';
}

export const PROJECT_KIND = 'bathyskop-project';
export const PROJECT_VERSION = 1;

/** What bodies are made from: all of the record that is measured. Its lists keep their identity while views change. */
export type MeasuredRoom = Pick<Project, 'levels' | 'spaces' | 'openings' | 'pieces'>;

/** The measured record with its views and plans: all that is kept. What is computed is never in it. */
export interface Project {
  readonly kind: typeof PROJECT_KIND;
  readonly version: typeof PROJECT_VERSION;
  readonly id: Id;
  readonly name: string;
  readonly units: UnitSystem;
  /** Smallest inch division shown for real sizes and read on the ruler. */
  readonly fractions: { readonly real: InchFraction; readonly ruler: InchFraction };
  /** Smallest division read on a metric ruler, mm. */
  readonly rulerStepMm: 1 | 0.5 | 0.1;
  readonly levels: readonly Level[];
  readonly spaces: readonly Space[];
  readonly openings: readonly Opening[];
  readonly pieces: readonly Piece[];
  /** Boards, tiles and panels; none yet. */
  readonly surfaces: readonly never[];
  /** Scans and drawings laid under the plan; none yet. */
  readonly underlays: readonly never[];
  readonly views: readonly View[];
  readonly plans: readonly PlanChoice[];
}
