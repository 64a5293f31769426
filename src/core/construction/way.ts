import type { Desk } from './desk';
import type { Place } from './frame';
import { makes, type LineId, type MarkId, type Operation } from './operation';

/** From where the height of a line comes: where its own plane meets the picture plane, or along the frame's reference planes. */
export type HeightsFrom = 'its-own-plane' | 'the-reference';

/** Operations that lead to a place, and the places that are reached on the way. */
export class Way {
  readonly operations: Operation[] = [];
  readonly places: Place[] = [];
  /** Marks whose own error is of no account: what they lead to is. */
  readonly aside = new Set<MarkId>();
  private readonly marks = new Set<MarkId>();
  private readonly lines = new Set<LineId>();

  constructor(
    private readonly desk: Desk,
    /** Whether points on the board are used themselves, or ticks in place of them, because they are beyond the straightedge. */
    readonly farPoints: 'themselves' | 'by-ticks' = 'themselves',
    readonly heights: HeightsFrom = 'the-reference',
  ) {}

  has(mark: MarkId): boolean {
    return this.marks.has(mark) || this.desk.has(mark);
  }

  drawn(line: LineId): boolean {
    return this.lines.has(line) || this.desk.drawn(line);
  }

  add(one: Operation): void {
    this.operations.push(one);
    const { marks, line } = makes(one);
    for (const mark of marks) this.marks.add(mark);
    if (line !== null) this.lines.add(line);
  }
}
