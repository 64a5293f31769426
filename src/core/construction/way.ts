import type { Desk } from './desk';
import type { Place } from './frame';
import type { LineId, MarkId, Operation } from './operation';

/** Operations that lead to a place, and the places that are reached on the way. */
export class Way {
  readonly operations: Operation[] = [];
  readonly places: Place[] = [];
  private readonly marks = new Set<MarkId>();
  private readonly lines = new Set<LineId>();

  constructor(
    private readonly desk: Desk,
    /** Whether points on the board are used themselves, or ticks in place of them, because they are beyond the straightedge. */
    readonly farPoints: 'themselves' | 'by-ticks' = 'themselves',
  ) {}

  has(mark: MarkId): boolean {
    return this.marks.has(mark) || this.desk.has(mark);
  }

  drawn(line: LineId): boolean {
    return this.lines.has(line) || this.desk.drawn(line);
  }

  add(one: Operation): void {
    this.operations.push(one);
    if ('mark' in one) this.marks.add(one.mark);
    if ('line' in one) this.lines.add(one.line);
  }
}
