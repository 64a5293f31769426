import type { Degrees, InchFraction, Millimetres, PaperMillimetres, UnitSystem } from '@/core/units';
import type { MarkName } from './mark-name';
import type { PlanChoice } from './plan-way';
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

/** Sizes by the name of what they measure. */
export type NamedSizes = Readonly<Record<string, Size>>;

/** A part of a ceiling at a height of its own: a strip along a wall. */
export interface CeilingZone {
  readonly id: Id;
  readonly wallId: Id;
  /** How far the strip reaches from the wall's room face. */
  readonly depth: Size;
  readonly height: Size;
}

/**
 * How the room is closed above; `ceilingHeight` is the flat height, the eaves, or the springing line. What differs by shape is declared by
 * the shape itself (solids/ceilings): which sizes it has, whether it runs along a wall, whether it has zones.
 */
export interface Ceiling {
  /** The shape's name in the index of ceilings. */
  readonly shape: string;
  readonly wallId: Id | null;
  readonly sizes: NamedSizes;
  readonly zones: readonly CeilingZone[];
}

/** A moulding that runs along the walls: skirting at the floor, cornice under the ceiling. */
export interface Moulding {
  readonly height: Size;
  readonly thickness: Size;
}

/** A room: one closed outline of walls and what closes it above. */
export interface Space {
  readonly id: Id;
  readonly name: string;
  readonly levelId: Id;
  /** The first wall's start corner in plan, mm. */
  readonly origin: { readonly x: Millimetres; readonly y: Millimetres };
  readonly walls: readonly Wall[];
  readonly ceilingHeight: Size;
  readonly ceiling: Ceiling;
  readonly skirting: Moulding | null;
  readonly cornice: Moulding | null;
  /** Said of it by a view that draws no walls; never stored. */
  readonly bare?: boolean;
}

export interface Opening {
  readonly id: Id;
  readonly name: string;
  /** The kind's name in the index of openings. */
  readonly kind: string;
  readonly wallId: Id;
  /** The wall of another room that it also passes through, if it joins two rooms. */
  readonly throughWallId: Id | null;
  /** The end of the wall its offset is measured from. */
  readonly fromCorner: Id;
  readonly offset: Size;
  readonly width: Size;
  /** Height of the lower edge above the floor; zero for a door. */
  readonly sill: Size;
  /** Height of the opening; with an arched head to the springing line. */
  readonly height: Size;
  /** How far leaf, glass or the niche's back lies behind the wall's room face. */
  readonly reveal: Size;
  readonly head: 'flat' | 'arched';
  /** Sizes, numbers and choices of its fittings, by the names that its kind gives them. */
  readonly sizes: NamedSizes;
  readonly counts: Readonly<Record<string, number>>;
  readonly choices: Readonly<Record<string, string>>;
}

/** Corners of a piece's footprint, facing its front: back is the side turned to the first wall when the turn is 0. */
export type PieceCorner = 'back-left' | 'back-right' | 'front-left' | 'front-right';
/** Each corner of a piece's footprint in words, and how far it lies across and forward, in parts of width and depth. */
const PIECE_CORNERS_AT: Readonly<
  Record<PieceCorner, { readonly words: string; readonly across: 0 | 1; readonly forward: 0 | 1 }>
> = {
  'back-left': { words: 'back left', across: 0, forward: 0 },
  'back-right': { words: 'back right', across: 1, forward: 0 },
  'front-left': { words: 'front left', across: 0, forward: 1 },
  'front-right': { words: 'front right', across: 1, forward: 1 },
};
export const PIECE_CORNERS = Object.keys(PIECE_CORNERS_AT) as readonly PieceCorner[];
export const pieceCornerAt = (corner: PieceCorner) => PIECE_CORNERS_AT[corner];

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

/** How a front or a case is shared out, from the lowest or the leftmost. */
export type Division =
  | { readonly by: 'equal'; readonly count: number }
  | { readonly by: 'ratio'; readonly parts: readonly number[] }
  | { readonly by: 'sizes'; readonly sizes: readonly Size[] };

/** A corner of a drawn outline, mm; `bulge` is the rise of an arc to the next corner over half its chord, positive to the right, zero for straight. */
export interface OutlineCorner {
  readonly x: Millimetres;
  readonly y: Millimetres;
  readonly bulge: number;
}

/** One extrusion of a block piece: an outline in one of its three views, from one depth to another. */
export interface BlockOutline {
  readonly id: Id;
  readonly view: 'plan' | 'front' | 'side';
  readonly corners: readonly OutlineCorner[];
  /** Outlines within it that are cut out of it, all the way it is pushed. */
  readonly holes: readonly (readonly OutlineCorner[])[];
  readonly from: Millimetres;
  readonly to: Millimetres;
}

/** A further offset measured to check where a piece stands: it must agree with the two that place it. */
export interface CheckOffset {
  readonly id: Id;
  readonly pieceCorner: PieceCorner;
  readonly wallId: Id;
  readonly distance: Size;
}

export interface Piece {
  readonly id: Id;
  readonly name: string;
  /** The kind's name in the catalogue. */
  readonly kind: string;
  readonly levelId: Id;
  readonly width: Size;
  readonly depth: Size;
  readonly height: Size;
  /** Underside above the floor; zero stands on it. */
  readonly lift: Size;
  readonly place: Place;
  readonly checks: readonly CheckOffset[];
  /** Left and right changed over. */
  readonly mirrored: boolean;
  /** Sizes, numbers, choices and divisions of its kind where they differ from the usual. */
  readonly sizes: NamedSizes;
  readonly counts: Readonly<Record<string, number>>;
  readonly choices: Readonly<Record<string, string>>;
  readonly divisions: Readonly<Record<string, Division>>;
  /** Divisions that differ from part to part of another one, by its parts' numbers from 0; null: as in `divisions`. */
  readonly divisionsEach: Readonly<Record<string, readonly (Division | null)[]>>;
  /** Whether lines show where two of its boards meet in one plane, as a joiner sees them. */
  readonly seams: 'hidden' | 'shown';
  /** What a block piece is cut from; none for other kinds. */
  readonly outlines: readonly BlockOutline[];
}

export type SurfaceKind = 'boards' | 'tiles' | 'panels' | 'lights';
export const SURFACE_KINDS: readonly SurfaceKind[] = ['boards', 'tiles', 'panels', 'lights'];

/** A pattern laid on a floor, a ceiling or a wall. */
export interface Surface {
  readonly id: Id;
  readonly name: string;
  readonly kind: SurfaceKind;
  readonly spaceId: Id;
  readonly on: 'floor' | 'ceiling' | 'wall';
  /** The wall it is laid out from, and lies on where `on` is wall. */
  readonly wallId: Id;
  readonly bond: 'square' | 'broken' | 'staggered';
  /** Size of one along the wall and away from it, the joint between, and where the first begins. */
  readonly length: Size;
  readonly breadth: Size;
  readonly joint: Size;
  readonly start: Size;
  /** Clockwise from the wall's run, degrees: the way joints or a row of lights run. */
  readonly turnDeg: Degrees;
  /** How lights lie; null for a pattern, and for one row of square lights. */
  readonly lights: LightRows | null;
}

/** Oblong lights in rows. `Surface.length` is from light to light in a row, `breadth` what each is wide across it, `start` where the first begins along it. */
export interface LightRows {
  /** Of one light along its row. */
  readonly length: Size;
  /** From the wall's left corner to the first row's near side, square to the rows. */
  readonly fromWall: Size;
  /** From row to row. */
  readonly rowDistance: Size;
  readonly rows: number;
  /** How many lie in a row at most; nought: as many as there is room for. */
  readonly perRow: number;
  /** Lines along each light that part it, as lamellae or tubes do. */
  readonly innerLines: number;
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

/** Who stands beside the eye to judge its height by. */
export type ScaleFigure = 'none' | 'standing' | 'seated' | 'child';
export const SCALE_FIGURES: readonly ScaleFigure[] = ['none', 'standing', 'seated', 'child'];

/** What brings a point within reach that lies off the board: by the name of the point, so that it stays with the things it was taken for. */
export type ReachAid =
  /** A measuring or distance point drawn at 1/n of its distance from the vanishing point; lengths are laid off at L/n. */
  | { readonly by: 'fraction'; readonly mark: MarkName; readonly n: number }
  /** Converging ticks on two edges of the sheet, this far apart on the edge that is nearer to the point. */
  | { readonly by: 'ticks'; readonly mark: MarkName; readonly stepMm: PaperMillimetres }
  /** A strip of paper taped on beyond the board. */
  | { readonly by: 'strip'; readonly mark: MarkName };

/** A perspective grid of room surfaces: numbers one way, letters the other. */
export interface GridChoice {
  readonly unit: { readonly mm: Millimetres; readonly asTyped: string };
  readonly floor: boolean;
  readonly walls: boolean;
  readonly ceiling: boolean;
  /** The corner that squares are counted from; null: the first one that is in the picture. */
  readonly from: Id | null;
  /** The walls that carry it; null: all. */
  readonly on: readonly Id[] | null;
}

/** A first interval of depth judged by eye on one wall's floor line, as it was marked on the paper. */
export interface GuessedInterval {
  readonly wallId: Id;
  /** The real length the interval stands for. */
  readonly interval: { readonly mm: Millimetres; readonly asTyped: string };
  /** The mark, picture mm. */
  readonly at: { readonly u: PaperMillimetres; readonly v: PaperMillimetres };
}

/** Which mark the printed tables of distances along the horizon take for their zero. */
export type SetOutZero = 'left-edge' | 'centre-line' | 'leftmost-mark';
export const SET_OUT_ZEROS: readonly SetOutZero[] = ['left-edge', 'centre-line', 'leftmost-mark'];

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
  readonly figure: ScaleFigure;
  /** Blank margins of the sheet: a drawing placed by command keeps clear of them. */
  readonly margins: {
    readonly left: PaperMillimetres;
    readonly right: PaperMillimetres;
    readonly bottom: PaperMillimetres;
    readonly top: PaperMillimetres;
  };
  /** Length of the longest straightedge at hand. */
  readonly straightedge: PaperMillimetres;
  readonly aids: readonly ReachAid[];
  readonly grid: GridChoice | null;
  readonly guesses: readonly GuessedInterval[];
  readonly zero: SetOutZero;
  /** Whether one was put there by hand, or stands by rule before the room and goes with it as it is measured. */
  readonly standsBy: 'hand' | 'rule';
  /** Rooms that are left out of this view, with all that is in them. */
  readonly spacesAside: readonly Id[];
  /** Whether the room's walls, floor and ceiling are drawn with what opens in them, or only what stands in it, on a bare sheet. */
  readonly walls: ViewWalls;
}

export type ViewWalls = 'drawn' | 'left-out';
export const VIEW_WALLS: readonly ViewWalls[] = ['drawn', 'left-out'];

/** What is ringed on the drawing, by what makes it the same ring tomorrow: names, units and words do not matter. */
export interface RingTold {
  /** The kind of contradiction or warning. */
  readonly kind: string;
  readonly about: Id | null;
  /** The view it is told from; null for a contradiction of the record. */
  readonly viewId: Id | null;
  /** What it is told of besides: other things, and figures in mm. */
  readonly of: readonly (Id | number)[];
}

/** A ring that somebody looked at and laid aside, and why. */
export interface LaidAside {
  readonly id: Id;
  readonly ring: RingTold;
  readonly reason: string;
}

export const PROJECT_KIND = 'bathyskop-project';
export const PROJECT_VERSION = 8;

/** What bodies are made from: all of the record that is measured. Its lists keep their identity while views change. */
export type MeasuredRoom = Pick<Project, 'levels' | 'spaces' | 'openings' | 'pieces' | 'surfaces'>;

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
  readonly surfaces: readonly Surface[];
  /** Scans and drawings laid under the plan; none yet. */
  readonly underlays: readonly never[];
  readonly views: readonly View[];
  readonly plans: readonly PlanChoice[];
  readonly laidAside: readonly LaidAside[];
}
