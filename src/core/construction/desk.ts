import type { PicturePoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';
import type { HandPrecision } from './acts';
import { errorEllipse } from './error-ellipse';
import { DraftingMachine } from './machine';
import { makes, type LineId, type MarkId, type Operation } from './operation';
import { ErrorBook, FLAT_DEG } from './pencil-error';

/** What lies on the table: the board about the picture, mm of the picture, and the longest straightedge. */
export interface Table {
  readonly board: {
    readonly left: PaperMillimetres;
    readonly right: PaperMillimetres;
    readonly bottom: PaperMillimetres;
    readonly top: PaperMillimetres;
  };
  readonly straightedgeMm: PaperMillimetres;
  /** How many times more an expected error counts against ruler moves than it does otherwise; 1 when left out. */
  readonly errorIsDearer?: number;
}

/** What a way costs: by it ways to one mark are compared. */
export interface Cost {
  /** In ruler moves: moves, marks at their share, and a price on expected error above the aim. */
  readonly moves: number;
  /** Whether it crosses flatter than 8° while it goes. */
  readonly flat: boolean;
}

/** Setting a mark is quicker than laying the ruler anew. */
const MARK_IN_MOVES = 0.3;
/** An expected error (major semi-axis) up to this is as good as none, mm. */
const AIM_MM = 0.5;
/** What a millimetre of error above the aim is worth in ruler moves. */
const ERROR_IN_MOVES = 4;
/** A flat crossing is taken only where there is no other way. */
const FLAT_IN_MOVES = 1000;

const NONE: ReadonlySet<MarkId> = new Set();

/** What operations cost if nothing is missed: expected errors only add to it. */
export function leastCost(all: readonly Operation[]): number {
  let moves = 0;
  for (const one of all) {
    if ('line' in one) moves += 1;
    else if ('mark' in one) moves += MARK_IN_MOVES;
    else if (one.op === 'strip') moves += one.marks.length * MARK_IN_MOVES;
  }
  return moves;
}

/**
 * The paper as it fills: operations carried out one by one, each with its expected error, and ways tried and taken back. A way that leaves the board,
 * or asks for a longer straightedge than there is, is no way.
 */
export class Desk {
  readonly operations: Operation[] = [];
  readonly machine = new DraftingMachine();
  readonly errors: ErrorBook;
  private readonly made = new Map<LineId, Operation>();
  private readonly taped = new Set<MarkId>();
  /** Marks and lines that lie on the plan, a paper of its own. */
  readonly onPlan = new Set<string>();

  constructor(
    private readonly table: Table,
    hand: HandPrecision,
  ) {
    this.errors = new ErrorBook(this.machine, hand);
  }

  get straightedgeMm(): PaperMillimetres {
    return this.table.straightedgeMm;
  }

  has(mark: MarkId): boolean {
    return this.machine.marks.has(mark);
  }

  drawn(line: LineId): boolean {
    return this.machine.lines.has(line);
  }

  /** How a line was drawn; undefined for one that is not. */
  madeBy(line: LineId): Operation | undefined {
    return this.made.get(line);
  }

  /** Strips of paper are taped on beyond the board: these points lie on them. */
  tapeOn(marks: readonly MarkId[]): void {
    for (const mark of marks) this.taped.add(mark);
  }

  onBoard({ u, v }: PicturePoint): boolean {
    const { left, right, bottom, top } = this.table.board;
    return u >= left && u <= right && v >= bottom && v <= top;
  }

  /** Carries operations out. @returns false, with nothing changed, where one of them cannot be done at this table. */
  carryOut(all: readonly Operation[]): boolean {
    const before = this.operations.length;
    for (const one of all) {
      if (!this.carryOutOne(one)) {
        this.takeBackTo(before);
        return false;
      }
    }
    return true;
  }

  /**
   * What it would cost to carry operations out; null where they cannot be. The paper is as it was afterwards.
   * @param below only what costs less than this is of use: a way whose moves alone come to as much is null without being tried.
   * @param aside marks whose own error is of no account: what they lead to is.
   */
  priced(all: readonly Operation[], below = Infinity, aside: ReadonlySet<MarkId> = NONE): Cost | null {
    if (leastCost(all) >= below) return null;
    const before = this.operations.length;
    if (!this.carryOut(all)) return null;
    const dearer = this.table.errorIsDearer ?? 1;
    let [moves, flat] = [0, false];
    for (const one of all) {
      const { marks, line } = makes(one);
      if (line !== null) moves += 1;
      moves += marks.length * MARK_IN_MOVES;
      for (const mark of marks) {
        if (!aside.has(mark)) {
          const { major } = errorEllipse(this.errors.covarianceOf(mark));
          moves += Math.max(0, major - AIM_MM / dearer) * ERROR_IN_MOVES * dearer;
        }
        if ((this.machine.crossingDeg.get(mark) ?? 90) < FLAT_DEG) {
          flat = true;
          moves += FLAT_IN_MOVES;
        }
      }
    }
    this.takeBackTo(before);
    return { moves, flat };
  }

  /** Takes back the operation carried out last. */
  takeBackLast(): void {
    this.takeBackTo(this.operations.length - 1);
  }

  private carryOutOne(one: Operation): boolean {
    const index = this.operations.length;
    if (this.machine.carryOut(one, index) !== null) return false;
    this.errors.enter(one, index);
    this.operations.push(one);
    if ('line' in one) this.made.set(one.line, one);
    const { marks, line } = makes(one);
    if (this.isOnPlan(one)) for (const id of [...marks, ...(line === null ? [] : [line])]) this.onPlan.add(id);
    if (one.op === 'rule') {
      const [p, q] = one.through.map((mark) => this.machine.markAt(mark)) as [PicturePoint, PicturePoint];
      if (Math.hypot(q.u - p.u, q.v - p.v) > this.table.straightedgeMm) return false;
    }
    return marks.every(
      (mark) => this.taped.has(mark) || this.onPlan.has(mark) || this.onBoard(this.machine.markAt(mark)),
    );
  }

  private takeBackTo(length: number): void {
    while (this.operations.length > length) {
      const one = this.operations.pop();
      if (!one) return;
      if ('line' in one) this.made.delete(one.line);
      this.errors.takeBack(one, this.operations.length);
      this.machine.takeBack(one);
      const { marks, line } = makes(one);
      for (const id of [...marks, ...(line === null ? [] : [line])]) this.onPlan.delete(id);
    }
  }

  /** A strip alone leads from the plan to the picture: everything else stays on the paper of what it uses. */
  private isOnPlan(one: Operation): boolean {
    if (one.op === 'take') return one.paper === 'plan';
    const { usesMarks, usesLines } = makes(one);
    return one.op !== 'strip' && [...usesMarks, ...usesLines].some((id) => this.onPlan.has(id));
  }
}
