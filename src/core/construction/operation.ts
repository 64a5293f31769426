import type { PicturePoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';

export type MarkId = string;
export type LineId = string;
export type CurveId = string;
export type Sense = 'right' | 'left' | 'up' | 'down';
/** The drawing, or the plan pinned above or beside it, which has coordinates of its own. */
export type Paper = 'picture' | 'plan';

/**
 * What a draughtsman does with pencil, straightedge, set squares, scale rule, dividers and a strip of paper: the whole vocabulary. Each operation names
 * earlier marks and lines by id; the only figures that enter are paper distances and the set-out's points. Source: construction, 1.
 */
export type Operation =
  /** A point of the set-out: its place on the sheet was laid down before the first line of the room. One measured along the horizon `slides` in it. */
  | {
      readonly op: 'take';
      readonly mark: MarkId;
      readonly point: PicturePoint;
      readonly slides?: 'u' | 'none';
      readonly paper?: Paper;
    }
  /** Scale rule along a line that is to scale: the mark lies on the line as drawn, at the distance, above 0, from the foot of `from`. */
  | {
      readonly op: 'lay-off';
      readonly mark: MarkId;
      readonly on: LineId;
      readonly from: MarkId;
      readonly distance: PaperMillimetres;
      readonly toward: Sense;
    }
  /** Straightedge through two marks. */
  | { readonly op: 'rule'; readonly line: LineId; readonly through: readonly [MarkId, MarkId] }
  /** Parallel rule: a level line through a mark. */
  | { readonly op: 'level'; readonly line: LineId; readonly through: MarkId }
  /** Set square on the parallel rule: an upright through a mark. */
  | { readonly op: 'upright'; readonly line: LineId; readonly through: MarkId }
  /** Two set squares, or an adjustable one: through a mark, parallel to a line that is there. */
  | { readonly op: 'parallel'; readonly line: LineId; readonly through: MarkId; readonly to: LineId }
  /** Where two lines cross. */
  | { readonly op: 'cross'; readonly mark: MarkId; readonly lines: readonly [LineId, LineId] }
  /** Dividers: the distance between two marks, set off on a line from the foot of `from`. */
  | {
      readonly op: 'transfer';
      readonly mark: MarkId;
      readonly on: LineId;
      readonly from: MarkId;
      readonly toward: Sense;
      readonly between: readonly [MarkId, MarkId];
    }
  /**
   * A paper strip: marks of the plan carried to a line of the picture, each as far from the zero as it is there. On a level line it carries
   * what lies sideways in the plan, on an upright what lies up and down.
   */
  | {
      readonly op: 'strip';
      readonly marks: readonly (readonly [mark: MarkId, of: MarkId])[];
      readonly on: LineId;
      readonly zero: readonly [mark: MarkId, of: MarkId];
    }
  /** A line through marks by hand or with a French curve; `tangents` are lines it must touch at its marks, or null. */
  | {
      readonly op: 'curve';
      readonly curve: CurveId;
      readonly through: readonly MarkId[];
      readonly closed: boolean;
      readonly tangents: readonly (LineId | null)[];
    };

/** What an operation puts on the paper, and what it uses of what is there. */
export interface Makes {
  readonly marks: readonly MarkId[];
  readonly line: LineId | null;
  readonly usesMarks: readonly MarkId[];
  readonly usesLines: readonly LineId[];
}

export function makes(one: Operation): Makes {
  const none = { marks: [], line: null, usesMarks: [], usesLines: [] };
  switch (one.op) {
    case 'take':
      return { ...none, marks: [one.mark] };
    case 'lay-off':
      return { ...none, marks: [one.mark], usesMarks: [one.from], usesLines: [one.on] };
    case 'rule':
      return { ...none, line: one.line, usesMarks: one.through };
    case 'level':
    case 'upright':
      return { ...none, line: one.line, usesMarks: [one.through] };
    case 'parallel':
      return { ...none, line: one.line, usesMarks: [one.through], usesLines: [one.to] };
    case 'cross':
      return { ...none, marks: [one.mark], usesLines: one.lines };
    case 'transfer':
      return { ...none, marks: [one.mark], usesMarks: [one.from, ...one.between], usesLines: [one.on] };
    case 'strip':
      return {
        ...none,
        marks: one.marks.map(([mark]) => mark),
        usesMarks: [...one.zero, ...one.marks.map(([, of]) => of)],
        usesLines: [one.on],
      };
    case 'curve':
      return { ...none, usesMarks: one.through, usesLines: one.tangents.filter((line) => line !== null) };
  }
}
