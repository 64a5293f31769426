import type { Id, MarkName } from '@/core/record';
import type { LineFamily, Parallels, RowRole } from '@/core/view';
import type { LineRole } from '@/core/visibility';
import type { ConicArc, Vector2 } from '@/core/geometry';
import type { PaperMillimetres } from '@/core/units';

/** Families of strokes; each keeps one colour and one dash through the whole application. */
export type StrokeFamily = LineFamily | 'measuring' | 'ray' | 'sheet';

/** How a stroke is drawn: what stays, construction, what is hidden, and the frame of paper and picture. */
export type StrokeWeight = 'firm' | 'faint' | 'hidden' | 'hairline';

/**
 * What a line that stays is to the eye: against something farther, between two faces that are seen, or a pattern on one; or one of many side by side,
 * nearer to each other than its pen is wide, or than a fine one is. Its pen follows from it.
 */
export type EdgeClass = 'profile' | 'inner' | 'pattern' | 'crowded' | 'dense';

/** What a stroke stands for. Its name (`of`) says the same to people and files; nothing reads the name. */
export type StrokeRole =
  /** A line of the picture, of a body. */
  | { readonly is: 'line'; readonly line: LineRole; readonly body: Id }
  | { readonly is: 'footprint'; readonly pieceId: Id }
  | { readonly is: 'grid' }
  | { readonly is: 'set-out'; readonly line: 'horizon' | 'ground-line' | 'centre-line' }
  | { readonly is: 'mark'; readonly mark: MarkName }
  | { readonly is: 'tick'; readonly mark: MarkName; readonly number: number }
  /** A row of the set-out table as it lies on the sheet. */
  | { readonly is: 'row'; readonly row: RowRole }
  | { readonly is: 'construction' }
  | { readonly is: 'outline'; readonly of: 'frame' | 'sheet' | 'board' }
  | { readonly is: 'control'; readonly which: 'across' | 'down' | 'end' | 'registration' | 'overlap' }
  | { readonly is: 'ruling' }
  | { readonly is: 'dimension' }
  /** From a mark to its name, where that stands apart. */
  | { readonly is: 'leader' }
  | { readonly is: 'sample'; readonly kind: string };

/** One stroke in sheet mm, straight unless it has a curve, x right, y up from the sheet's lower left corner. */
export interface Stroke {
  readonly x0: PaperMillimetres;
  readonly y0: PaperMillimetres;
  readonly x1: PaperMillimetres;
  readonly y1: PaperMillimetres;
  readonly family: StrokeFamily;
  readonly weight: StrokeWeight;
  readonly role: StrokeRole;
  /** The name of the edge or line it stands for; only ever written. */
  readonly of: Id;
  /** Names of further edges that fall on it in the picture, and the bodies they are of: it is drawn once for all of them. */
  readonly also?: readonly Id[];
  readonly alsoBodies?: readonly Id[];
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
  /** How it may be moved, where it would cover another; left out, it stands where it is. */
  readonly free?:
    | { readonly where: 'beside'; readonly mark: Vector2 }
    /** Along the level line at this height. */
    | { readonly where: 'along'; readonly level: PaperMillimetres }
    | { readonly where: 'rows-up' };
}

/** A filled part of the sheet: closed outlines, what lies within an odd number of them; its tone from 0, bare paper, to 1, solid. */
export interface Area {
  readonly loops: readonly (readonly Vector2[])[];
  readonly tone: number;
  readonly of: Id;
}

/** A picture laid on the sheet: its lower left corner, its size, and the picture itself as a data address. */
export interface Picture {
  readonly x: PaperMillimetres;
  readonly y: PaperMillimetres;
  readonly width: PaperMillimetres;
  readonly height: PaperMillimetres;
  readonly type: 'image/png' | 'image/jpeg';
  /** The file's bytes, base 64. */
  readonly base64: string;
  readonly of: Id;
}

/** What a layer holds, from the lowest to what lies on top. A kind of content that a sink does not know does not compile. */
export interface LayerContents {
  readonly images: readonly Picture[];
  readonly areas: readonly Area[];
  readonly strokes: readonly Stroke[];
  readonly words: readonly Word[];
}

/** What a sheet of tracing paper is for. */
export type LayerRole =
  | {
      readonly layer:
        | 'frame'
        | 'set-out'
        | 'construction'
        | 'footprints'
        | 'hidden'
        | 'patterns'
        | 'room'
        | 'openings'
        | 'control'
        | 'marks'
        | 'ticks'
        | 'table'
        | 'board'
        | 'grid'
        | 'tile'
        | 'samples'
        | 'elevation'
        | 'dimensions';
    }
  | { readonly layer: 'piece'; readonly pieceId: Id };

export interface LayerHead {
  readonly role: LayerRole;
  /** The role as one word, by which a desk remembers how it lies; only ever written. */
  readonly id: string;
  readonly name: string;
  /** Layers of one group are laid on and off together: the furniture, piece by piece. */
  readonly group?: 'furniture';
  /** Drawn faint, to be drawn over. */
  readonly dimmed?: boolean;
}

export interface Layer extends LayerHead, LayerContents {}

/** A role as one word. */
export const layerKey = (role: LayerRole): string => (role.layer === 'piece' ? `piece-${role.pieceId}` : role.layer);

const EMPTY: LayerContents = { images: [], areas: [], strokes: [], words: [] };

/** A layer of a role; of what it does not hold it has none. */
export const layerOf = (
  role: LayerRole,
  name: string,
  contents: Partial<LayerContents> = {},
  more: Pick<Partial<LayerHead>, 'group' | 'dimmed'> = {},
): Layer => ({ ...EMPTY, ...contents, role, id: layerKey(role), name, ...more });

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
