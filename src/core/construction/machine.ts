import { err, invariant, ok, type Result } from '@/core/base';
import { tolerance } from '@/core/numeric';
import { picturePoint, type PicturePoint } from '@/core/space';
import { degreesFromRadians, type PaperMillimetres } from '@/core/units';
import { makes, type CurveId, type LineId, type MarkId, type Operation, type Sense } from './operation';

export interface MachineFault {
  readonly reason: 'lines-do-not-cross' | 'marks-coincide' | 'measure-along-slope' | 'no-such-way';
  /** Index of the operation that could not be done. */
  readonly operation: number;
  readonly message: string;
}

/** A line as it was drawn: through a point along a unit direction, and with which tool. */
export interface DrawnLine {
  readonly at: PicturePoint;
  readonly run: PicturePoint;
  readonly made: 'rule' | 'level' | 'upright' | 'parallel';
}

/** What lies on the papers after the operations: mm of each paper's own. */
export interface Drafted {
  readonly marks: ReadonlyMap<MarkId, PicturePoint>;
  readonly lines: ReadonlyMap<LineId, DrawnLine>;
  readonly curves: ReadonlyMap<CurveId, readonly MarkId[]>;
  /** Angle of crossing of each crossed mark, degrees, 0 to 90: flat crossings carry little certainty. */
  readonly crossingDeg: ReadonlyMap<MarkId, number>;
}

/** Moves one mark after it is made: a slip of the hand, for tests and for studying errors. */
export interface Slip {
  readonly mark: MarkId;
  readonly du: PaperMillimetres;
  readonly dv: PaperMillimetres;
}

/**
 * Whose hand draws. `misses` says by how much an act of an operation misses, mm (radians for the turn of a parallel), acts numbered as `actsOf` lists
 * them; nothing is missed by the machine's own hand.
 */
export interface Hand {
  readonly slips?: readonly Slip[];
  readonly misses?: (operation: number, act: number) => number;
}

/** Along the line, to the side that was named; null where the line has no such side. */
export function sign(run: PicturePoint, toward: Sense): 1 | -1 | null {
  const along = toward === 'right' || toward === 'left' ? run.u : run.v;
  if (Math.abs(along) < tolerance.directionRad) return null;
  return along > 0 === (toward === 'right' || toward === 'up') ? 1 : -1;
}

/** A point's foot on a line, as a distance along it from its point. */
export const footOn = ({ at, run }: DrawnLine, p: PicturePoint): number => (p.u - at.u) * run.u + (p.v - at.v) * run.v;
export const alongLine = ({ at, run }: DrawnLine, s: number): PicturePoint =>
  picturePoint(at.u + run.u * s, at.v + run.v * s);
/** Square to a line, to the left of its run. */
export const besideLine = ({ run }: DrawnLine): PicturePoint => picturePoint(-run.v, run.u);

/** Whether what lies on the plan reads sideways or up and down on a line; null on a sloping one, where a strip says nothing. */
export const stripReads = ({ run }: DrawnLine): 'u' | 'v' | null =>
  Math.abs(run.v) < tolerance.directionRad ? 'u' : Math.abs(run.u) < tolerance.directionRad ? 'v' : null;

/** The virtual drafting machine: carries operations out, one after another, with nothing but what they say. */
export class DraftingMachine implements Drafted {
  readonly marks = new Map<MarkId, PicturePoint>();
  readonly lines = new Map<LineId, DrawnLine>();
  readonly curves = new Map<CurveId, readonly MarkId[]>();
  readonly crossingDeg = new Map<MarkId, number>();
  private readonly slips: ReadonlyMap<MarkId, Slip>;
  private readonly misses: (operation: number, act: number) => number;

  constructor({ slips = [], misses = () => 0 }: Hand = {}) {
    this.slips = new Map(slips.map((one) => [one.mark, one]));
    this.misses = misses;
  }

  markAt(id: MarkId): PicturePoint {
    const mark = this.marks.get(id);
    invariant(mark, `mark ${id} was made before it is used`);
    return mark;
  }

  lineOf(id: LineId): DrawnLine {
    const line = this.lines.get(id);
    invariant(line, `line ${id} was drawn before it is used`);
    return line;
  }

  /** Takes back what an operation made: it must be the last that is there. */
  takeBack(one: Operation): void {
    const { marks, line } = makes(one);
    for (const mark of marks) {
      this.marks.delete(mark);
      this.crossingDeg.delete(mark);
    }
    if (line !== null) this.lines.delete(line);
    if (one.op === 'curve') this.curves.delete(one.curve);
  }

  /** Carries one operation out; a fault leaves the paper as it was. @param index its number among all, for its acts and its fault. */
  carryOut(one: Operation, index: number): MachineFault | null {
    const fault = (reason: MachineFault['reason'], message: string): MachineFault => ({
      reason,
      operation: index,
      message,
    });
    const miss = (act: number): number => this.misses(index, act);
    switch (one.op) {
      case 'take':
        this.put(one.mark, picturePoint(one.point.u + (one.slides === 'u' ? miss(0) : 0), one.point.v));
        break;
      case 'lay-off':
      case 'transfer': {
        const line = this.lineOf(one.on);
        if (one.op === 'lay-off' && line.made === 'rule')
          return fault(
            'measure-along-slope',
            'Only level and upright lines, and those parallel to one in the picture plane, are to scale.',
          );
        const way = sign(line.run, one.toward);
        if (way === null) return fault('no-such-way', `The line ${one.on} does not run ${one.toward}.`);
        let distance = 0;
        if (one.op === 'lay-off') distance = one.distance + miss(0);
        else {
          const [p, q] = [this.markAt(one.between[0]), this.markAt(one.between[1])];
          distance = Math.hypot(q.u - p.u, q.v - p.v) + miss(0) + miss(1);
        }
        this.put(one.mark, alongLine(line, footOn(line, this.markAt(one.from)) + way * distance));
        break;
      }
      case 'rule': {
        const [p, q] = [this.markAt(one.through[0]), this.markAt(one.through[1])];
        const length = Math.hypot(q.u - p.u, q.v - p.v);
        if (length === 0)
          return fault('marks-coincide', `The marks ${one.through.join(' and ')} coincide: nothing to rule along.`);
        const [nu, nv] = [-(q.v - p.v) / length, (q.u - p.u) / length];
        const at = picturePoint(p.u + nu * miss(0), p.v + nv * miss(0));
        const [du, dv] = [q.u + nu * miss(1) - at.u, q.v + nv * miss(1) - at.v];
        const run = Math.hypot(du, dv);
        this.draw(one.line, { at, run: picturePoint(du / run, dv / run), made: 'rule' });
        break;
      }
      case 'level':
        this.draw(one.line, this.through(one.through, picturePoint(1, 0), miss(0), 'level'));
        break;
      case 'upright':
        this.draw(one.line, this.through(one.through, picturePoint(0, 1), miss(0), 'upright'));
        break;
      case 'parallel': {
        const { run } = this.lineOf(one.to);
        const [c, s] = [Math.cos(miss(1)), Math.sin(miss(1))];
        this.draw(
          one.line,
          this.through(one.through, picturePoint(run.u * c - run.v * s, run.u * s + run.v * c), miss(0), 'parallel'),
        );
        break;
      }
      case 'cross': {
        const [first, second] = [this.lineOf(one.lines[0]), this.lineOf(one.lines[1])];
        const turn = first.run.u * second.run.v - first.run.v * second.run.u;
        if (Math.abs(turn) < tolerance.directionRad)
          return fault('lines-do-not-cross', `The lines ${one.lines.join(' and ')} do not cross.`);
        const [du, dv] = [second.at.u - first.at.u, second.at.v - first.at.v];
        this.crossingDeg.set(one.mark, degreesFromRadians(Math.asin(Math.min(1, Math.abs(turn)))));
        this.put(one.mark, alongLine(first, (du * second.run.v - dv * second.run.u) / turn));
        break;
      }
      case 'strip': {
        const line = this.lineOf(one.on);
        const reads = stripReads(line);
        if (reads === null)
          return fault('no-such-way', `A strip is carried to a level line or an upright; ${one.on} slopes.`);
        const way = line.run[reads] > 0 ? 1 : -1;
        const [zero, of] = [footOn(line, this.markAt(one.zero[0])), this.markAt(one.zero[1])];
        one.marks.forEach(([mark, from], i) => {
          const carried = this.markAt(from)[reads] - of[reads];
          this.put(mark, alongLine(line, zero + way * (carried + miss(0) + miss(i + 1))));
        });
        break;
      }
      case 'curve':
        invariant(!this.curves.has(one.curve), `curve ${one.curve} is drawn once`);
        for (const mark of one.through) this.markAt(mark);
        for (const line of one.tangents) if (line !== null) this.lineOf(line);
        this.curves.set(one.curve, one.through);
        break;
    }
    return null;
  }

  private put(id: MarkId, { u, v }: PicturePoint): void {
    invariant(!this.marks.has(id), `mark ${id} is made once`);
    const slip = this.slips.get(id);
    this.marks.set(id, slip ? picturePoint(u + slip.du, v + slip.dv) : picturePoint(u, v));
  }

  private draw(id: LineId, line: DrawnLine): void {
    invariant(!this.lines.has(id), `line ${id} is drawn once`);
    this.lines.set(id, line);
  }

  /** A line through a mark in a direction, missed by so much square to it. */
  private through(mark: MarkId, run: PicturePoint, miss: number, made: DrawnLine['made']): DrawnLine {
    const { u, v } = this.markAt(mark);
    return { at: picturePoint(u - run.v * miss, v + run.u * miss), run, made };
  }
}

/** All operations carried out by one hand. */
export function draft(operations: readonly Operation[], hand: Hand = {}): Result<Drafted, MachineFault> {
  const machine = new DraftingMachine(hand);
  for (const [index, one] of operations.entries()) {
    const fault = machine.carryOut(one, index);
    if (fault) return err(fault);
  }
  return ok(machine);
}
