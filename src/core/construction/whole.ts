import type { Vector2 } from '@/core/geometry';
import type { Id, PlanBegin, SchoolName } from '@/core/record';
import type { PicturePoint, WorldPoint } from '@/core/space';
import type { Degrees, Millimetres, PaperMillimetres } from '@/core/units';
import type { SetUp } from '@/core/view';
import type { HandPrecision } from './acts';
import type { Desk, Table } from './desk';
import type { AxisFrame } from './frame';
import type { PairAtHand, PointRole, RunsTo } from './frame-points';
import type { GridAtHand, GridDrawn } from './grid-at-hand';
import type { InclinedPoint } from './inclined';
import type { JudgedMark } from './judged-steps';
import type { CurveId, LineId, MarkId, Operation } from './operation';
import type { FrameAtBackWall } from './reach-by-sheet-corners';
import type { SheetEdges } from './set-out-operations';
import type { FrameSide, TargetCurve, TargetEdge, Targets } from './target';

/** All that a whole drawing is planned from. */
export interface WholeGiven {
  readonly setUp: SetUp;
  readonly table: Table;
  /** Sides of the picture, mm. */
  readonly frame: Readonly<Record<FrameSide, PaperMillimetres>>;
  /** The sheet's edges, mm of the picture: ticks for points beyond the board are set on them. */
  readonly sheet: SheetEdges;
  readonly hand: HandPrecision;
  readonly targets: Targets;
  /** A pair's points as the set-out has them, by the pair's turn; null for a pair it does not have. */
  readonly pairAt: (turnDeg: Degrees) => PairAtHand | null;
  /** What the set-out calls the point above or below the horizon to which lines climb; null where it has none there. */
  readonly inclinedAt: (at: PicturePoint) => string | null;
  /** The grid as it lies in the room; null where nothing is counted on one. */
  readonly grid: GridAtHand | null;
  /** Along which direction of the room intervals are repeated, and how long the first is; null where none are. */
  readonly interval: { readonly along: Vector2; readonly mm: Millimetres } | null;
  /** How deep behind the picture plane the last wall square to the line of sight stands; null where none does. */
  readonly backWall: Millimetres | null;
  /** By which school a thing is drawn, and what it is begun with; null where it is begun with nothing but its own lines. */
  readonly wayOf: (thing: Id) => { readonly school: SchoolName; readonly begin: PlanBegin | null };
  /** Things in the order in which they are drawn; what is not named comes after them. */
  readonly order: readonly Id[];
}

/** A line that stays, between two marks, with its seen parts as fractions of its length on paper. */
export interface KeptEdge {
  readonly edge: Id;
  readonly of: Id;
  readonly from: MarkId;
  readonly to: MarkId;
  readonly line: LineId;
  readonly seen: TargetEdge['seen'];
}

export interface KeptCurve {
  readonly edge: Id;
  readonly of: Id;
  readonly curve: CurveId;
  readonly seen: TargetCurve['seen'];
}

/** What lies on the paper when all is drawn, with where each mark stands in the room. */
export interface WholeDraft {
  readonly desk: Desk;
  /** What is carried out, in an order in which it can be: all that something which stays rests on. */
  readonly operations: readonly Operation[];
  /** The place of each among all that was carried out at the desk, by which acts are counted. */
  readonly numbers: readonly number[];
  /** Marks and lines that lie on the plan. */
  readonly onPlan: ReadonlySet<string>;
  readonly frames: readonly AxisFrame[];
  /** The level plane that is measured on: the floor, or one sunk below it. */
  readonly plane: Millimetres;
  readonly stands: ReadonlyMap<MarkId, WorldPoint>;
  readonly edges: readonly KeptEdge[];
  readonly curves: readonly KeptCurve[];
  /** Marks found a second time by another way: they must meet. */
  readonly checks: readonly {
    readonly of: Id;
    readonly marks: readonly [MarkId, MarkId];
    /** How far apart they may lie in nineteen cases of twenty, mm. */
    readonly allowMm: PaperMillimetres;
  }[];
  /** Marks and lines of footprints and crates, which things are begun with. */
  readonly begun: ReadonlySet<string>;
  /** For each operation the thing it was first needed for; null for the set-out. */
  readonly madeFor: readonly (Id | null)[];
  /** Marks of the set-out on the horizon: lines are ruled to them, and end before them. */
  readonly points: ReadonlySet<MarkId>;
  /** Ticks on the sheet's edges, each for a line that runs to a point beyond the board. */
  readonly ticks: ReadonlySet<MarkId>;
  readonly roles: ReadonlyMap<MarkId, PointRole>;
  /** Level directions of the frames, and what they run to. */
  readonly vanishing: readonly { readonly direction: Vector2; readonly to: RunsTo }[];
  /** Points above or below the horizon to which lines climb. */
  readonly inclined: readonly Pick<InclinedPoint, 'mark' | 'at'>[];
  /** What no way at this table leads to. */
  readonly unreached: readonly { readonly edge: Id; readonly of: Id }[];
  /** The grid that things are counted on; null where none is. */
  readonly squares: GridDrawn | null;
  /** How parts of squares are found: points of the horizon that edges are divided from, diagonals, and those that repeat an interval. */
  readonly parted: {
    readonly divided: ReadonlySet<MarkId>;
    readonly diagonals: ReadonlySet<LineId>;
    readonly repeats: ReadonlySet<LineId>;
  };
  /** The frame as it stands at the back wall, where depth comes from there; null where it does not. */
  readonly atBackWall: FrameAtBackWall | null;
  /** Marks that are judged in binary steps, or lie on what is: how far off the measured place in the room. None where nothing is judged. */
  readonly judged: ReadonlyMap<MarkId, Millimetres>;
  /** Those that a step itself finds: what else is judged rests on them. */
  readonly stepsJudged: ReadonlyMap<MarkId, JudgedMark>;
  /** Level lines above the floor, or below it, on which lengths are measured where the floor itself lies beyond the board. */
  readonly ownLevels: ReadonlySet<LineId>;
}
