import type { PicturePoint } from '@/core/space';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import type { GridDrawn } from './grid-at-hand';
import type { JudgedMark } from './judged-steps';
import type { LineExtent } from './line-extent';
import type { DraftingMachine } from './machine';
import type { LineId, MarkId, Operation, Sense } from './operation';
import type { FrameAtBackWall } from './reach-by-sheet-corners';
import type { Saying } from './say';

/** What a step says: sentences, and what is more than four figures as a small table. */
export interface Told {
  readonly says: readonly Saying[];
  readonly measures: readonly ToldMeasure[];
  readonly crossings: readonly ToldCrossing[];
  /** Parts of lines that stay, where they are more than a few. */
  readonly parts: readonly ToldPart[];
}

/** A part of a line that stays: from its first mark, or so far from it, to so far from it, or its last. */
export interface ToldPart {
  /** Both its marks, the one it is measured from first. */
  readonly line: string;
  readonly from: string | PaperMillimetres;
  readonly to: string | PaperMillimetres;
}

/** A mark that is laid off: both readings, and to which side of the rule's zero. */
export interface ToldMeasure {
  readonly mark: MarkId;
  readonly label: string;
  readonly real: Millimetres;
  readonly paperMm: PaperMillimetres;
  readonly toward: Sense;
}

/** A mark where two lines cross, told by their names. */
export interface ToldCrossing {
  readonly mark: MarkId;
  readonly label: string;
  readonly lines: readonly [string, string];
  /** Where it lies by the squares of a grid; null where it is not counted on one. */
  readonly counted: string | null;
}

/** What sentences are told from: the paper as it is drawn. Nothing is told from how a thing usually lies. */
export interface Telling {
  readonly machine: DraftingMachine;
  readonly labels: ReadonlyMap<MarkId, string>;
  readonly extents: ReadonlyMap<LineId, LineExtent>;
  /** Marks at which lines end that are ruled to them: points of the set-out, and ticks. */
  readonly points: ReadonlySet<MarkId>;
  readonly ticks: ReadonlySet<MarkId>;
  /** Marks and lines that lie on the plan. */
  readonly onPlan: ReadonlySet<string>;
  /** Whether the board has room for the plan straight above the sheet. */
  readonly planAbove: boolean;
  /** Marks of an elevation beside the plan, its zero among them. */
  readonly heights: ReadonlySet<MarkId>;
  /** The line lengths are measured on. */
  readonly ground: LineId;
  /** The centre of vision on the sheet, from its lower left corner, mm. */
  readonly centreOnSheet: { readonly x: PaperMillimetres; readonly y: PaperMillimetres };
  /** The sheet, mm, and whether a place lies on the board it is taped on. */
  readonly sheet: { readonly width: PaperMillimetres; readonly height: PaperMillimetres };
  readonly onBoard: (at: PicturePoint) => boolean;
  readonly scaleDenominator: number;
  /** How each line was made. */
  readonly madeBy: ReadonlyMap<LineId, Operation>;
  /** The grid that is counted on; null where none is. */
  readonly squares: GridDrawn | null;
  /** Marks that judged steps find. */
  readonly judged: ReadonlyMap<MarkId, JudgedMark>;
  /** The frame as it stands at the back wall, where depth comes from there. */
  readonly atBackWall: FrameAtBackWall | null;
  /** Names of lines that have one of their own. */
  readonly named: ReadonlyMap<LineId, string>;
}
