import { err, ok, type Result } from '@/core/base';
import type { PicturePoint } from '@/core/space';
import { actsOf, type Act, type HandPrecision } from './acts';
import { besideLine, DraftingMachine, footOn, sign, stripReads, type Drafted, type MachineFault } from './machine';
import { makes, type LineId, type MarkId, type Operation } from './operation';

/** Covariance of a mark, or of a difference of two, mm². */
export interface Covariance {
  readonly uu: number;
  readonly uv: number;
  readonly vv: number;
}

/** A crossing flatter than this, degrees: linear theory fails below it. Source: geometry, Pencil error. */
export const FLAT_DEG = 8;

/** What the hand's acts make of each mark, to first order. */
export interface PencilErrors {
  readonly drafted: Drafted;
  readonly acts: readonly Act[];
  readonly covarianceOf: (mark: MarkId) => Covariance;
  /** Of b − a: what both rest on falls out. */
  readonly differenceOf: (a: MarkId, b: MarkId) => Covariance;
  /** Shares of the variance by act, the greatest first; of one mark, or of b − a. They add up to 1. */
  readonly sharesOf: (a: MarkId, b?: MarkId) => readonly { readonly act: Act; readonly share: number }[];
  /** Whether a crossing it rests on is too flat for these figures to hold. */
  readonly isFlat: (mark: MarkId) => boolean;
}

/** By act: how a mark moves, mm per unit of the act. */
type Moves = ReadonlyMap<number, readonly [number, number]>;
/** By act: how a line moves square to itself at its point, and how much more with each mm along it. */
type Tilts = Moves;

/**
 * The expected error of every mark a machine has made. Each keeps its derivatives by act, so that marks that share an ancestor are correlated:
 * Σ = J·diag(σ²)·Jᵀ. Source: construction, 5.
 */
export class ErrorBook implements PencilErrors {
  readonly acts: Act[] = [];
  private readonly ofMark = new Map<MarkId, Moves>();
  private readonly ofLine = new Map<LineId, Tilts>();
  private readonly flat = new Set<string>();

  constructor(
    private readonly machine: DraftingMachine,
    private readonly hand: HandPrecision,
  ) {}

  get drafted(): Drafted {
    return this.machine;
  }

  /** Enters an operation that the machine has just carried out. */
  enter(one: Operation, index: number): void {
    const first = this.acts.length;
    this.acts.push(...actsOf(one, index, this.hand));
    switch (one.op) {
      case 'take':
        this.ofMark.set(one.mark, one.slides === 'u' ? new Map([[first, [1, 0]]]) : NONE);
        break;
      case 'rule': {
        const drawnLine = this.machine.lineOf(one.line);
        const n = besideLine(drawnLine);
        const [p, q] = [this.machine.markAt(one.through[0]), this.machine.markAt(one.through[1])];
        const length = Math.hypot(q.u - p.u, q.v - p.v);
        const [atP, atQ] = [new Map(this.across(one.through[0], n)), new Map(this.across(one.through[1], n))];
        add(atP, first, 1);
        add(atQ, first + 1, 1);
        const tilt = new Map<number, readonly [number, number]>();
        for (const act of new Set([...atP.keys(), ...atQ.keys()])) {
          const off = atP.get(act) ?? 0;
          tilt.set(act, [off, ((atQ.get(act) ?? 0) - off) / length]);
        }
        this.ofLine.set(one.line, tilt);
        if (one.through.some((id) => this.flat.has(id))) this.flat.add(one.line);
        break;
      }
      case 'level':
      case 'upright':
      case 'parallel': {
        const tilt = new Map<number, readonly [number, number]>();
        for (const [act, off] of this.across(one.through, besideLine(this.machine.lineOf(one.line))))
          tilt.set(act, [off, 0]);
        tilt.set(first, [1, 0]);
        if (one.op === 'parallel') {
          for (const [act, [, turn]] of this.tilts(one.to)) tilt.set(act, [tilt.get(act)?.[0] ?? 0, turn]);
          tilt.set(first + 1, [0, 1]);
          if (this.flat.has(one.to)) this.flat.add(one.line);
        }
        this.ofLine.set(one.line, tilt);
        if (this.flat.has(one.through)) this.flat.add(one.line);
        break;
      }
      case 'cross': {
        const at = this.machine.markAt(one.mark);
        const [a, b] = one.lines.map((id) => besideLine(this.machine.lineOf(id))) as [PicturePoint, PicturePoint];
        const [offA, offB] = one.lines.map((id) => this.besideAt(id, at)) as [Map<number, number>, Map<number, number>];
        const turn = a.u * b.v - a.v * b.u;
        const made = new Map<number, readonly [number, number]>();
        for (const act of new Set([...offA.keys(), ...offB.keys()])) {
          const [p, q] = [offA.get(act) ?? 0, offB.get(act) ?? 0];
          made.set(act, [(p * b.v - q * a.v) / turn, (q * a.u - p * b.u) / turn]);
        }
        this.ofMark.set(one.mark, made);
        if ((this.machine.crossingDeg.get(one.mark) ?? 90) < FLAT_DEG || one.lines.some((id) => this.flat.has(id)))
          this.flat.add(one.mark);
        break;
      }
      case 'lay-off':
      case 'transfer': {
        const way = sign(this.machine.lineOf(one.on).run, one.toward) ?? 1;
        const measured = new Map<number, number>([[first, way]]);
        if (one.op === 'transfer') {
          measured.set(first + 1, way);
          const [p, q] = [this.machine.markAt(one.between[0]), this.machine.markAt(one.between[1])];
          const length = Math.hypot(q.u - p.u, q.v - p.v);
          const toward = { u: (way * (q.u - p.u)) / length, v: (way * (q.v - p.v)) / length } as PicturePoint;
          for (const [act, off] of this.across(one.between[0], toward)) add(measured, act, -off);
          for (const [act, off] of this.across(one.between[1], toward)) add(measured, act, off);
          if (one.between.some((id) => this.flat.has(id))) this.flat.add(one.mark);
        }
        this.ofMark.set(one.mark, this.laid(one.on, one.from, this.machine.markAt(one.mark), measured));
        if (this.flat.has(one.from) || this.flat.has(one.on)) this.flat.add(one.mark);
        break;
      }
      case 'strip': {
        const on = this.machine.lineOf(one.on);
        const reads = stripReads(on) ?? 'u';
        const way = on.run[reads] > 0 ? 1 : -1;
        const sideways = { u: reads === 'u' ? way : 0, v: reads === 'v' ? way : 0 } as PicturePoint;
        one.marks.forEach(([id, of], i) => {
          const carried = new Map<number, number>([
            [first, way],
            [first + 1 + i, way],
          ]);
          for (const [act, off] of this.across(of, sideways)) add(carried, act, off);
          for (const [act, off] of this.across(one.zero[1], sideways)) add(carried, act, -off);
          this.ofMark.set(id, this.laid(one.on, one.zero[0], this.machine.markAt(id), carried));
          if ([of, ...one.zero, one.on].some((ground) => this.flat.has(ground))) this.flat.add(id);
        });
        break;
      }
      case 'curve':
        break;
    }
  }

  /** Takes back the operation entered last. */
  takeBack(one: Operation, index: number): void {
    const { marks, line } = makes(one);
    for (const id of [...marks, ...(line === null ? [] : [line])]) {
      this.ofMark.delete(id);
      this.ofLine.delete(id);
      this.flat.delete(id);
    }
    while (this.acts.at(-1)?.operation === index) this.acts.pop();
  }

  covarianceOf(mark: MarkId): Covariance {
    return this.covariance(this.together(mark));
  }

  differenceOf(a: MarkId, b: MarkId): Covariance {
    return this.covariance(this.together(a, b));
  }

  sharesOf(a: MarkId, b?: MarkId): readonly { readonly act: Act; readonly share: number }[] {
    const parts = [...this.together(a, b)].flatMap(([number, [u, v]]) => {
      const act = this.acts[number];
      return act ? [{ act, part: (u * u + v * v) * act.sigma ** 2 }] : [];
    });
    const whole = parts.reduce((sum, { part }) => sum + part, 0);
    return parts
      .filter(({ part }) => part > 0)
      .map(({ act, part }) => ({ act, share: part / whole }))
      .sort((one, other) => other.share - one.share);
  }

  isFlat(mark: MarkId): boolean {
    return this.flat.has(mark);
  }

  private moves(id: MarkId): Moves {
    return this.ofMark.get(id) ?? NONE;
  }

  private tilts(id: LineId): Tilts {
    return this.ofLine.get(id) ?? NONE;
  }

  /** How a line lies off to its left at a point of it, by act. */
  private besideAt(id: LineId, p: PicturePoint): Map<number, number> {
    const s = footOn(this.machine.lineOf(id), p);
    return new Map([...this.tilts(id)].map(([act, [off, turn]]) => [act, off + s * turn]));
  }

  /** A mark's own move in a direction. */
  private across(id: MarkId, n: PicturePoint): ReadonlyMap<number, number> {
    return new Map([...this.moves(id)].map(([act, [u, v]]) => [act, u * n.u + v * n.v]));
  }

  /** A mark laid along a line from the foot of another: along it by what is measured and by that foot, beside it with the line. */
  private laid(on: LineId, from: MarkId, at: PicturePoint, measured: ReadonlyMap<number, number>): Moves {
    const drawnLine = this.machine.lineOf(on);
    const { run } = drawnLine;
    const n = besideLine(drawnLine);
    const foot = this.machine.markAt(from);
    // Where `from` lies beside the line, its foot goes along when the line turns.
    const aside = (foot.u - drawnLine.at.u) * n.u + (foot.v - drawnLine.at.v) * n.v;
    const along = new Map(measured);
    for (const [act, off] of this.across(from, run)) add(along, act, off);
    for (const [act, [, turn]] of this.tilts(on)) add(along, act, aside * turn);
    const beside = this.besideAt(on, at);
    const made = new Map<number, readonly [number, number]>();
    for (const act of new Set([...along.keys(), ...beside.keys()])) {
      const [s, w] = [along.get(act) ?? 0, beside.get(act) ?? 0];
      made.set(act, [run.u * s + n.u * w, run.v * s + n.v * w]);
    }
    return made;
  }

  private together(a: MarkId, b?: MarkId): Moves {
    this.machine.markAt(a);
    if (b === undefined) return this.moves(a);
    this.machine.markAt(b);
    const difference = new Map(this.moves(b));
    for (const [act, [u, v]] of this.moves(a)) {
      const [bu, bv] = difference.get(act) ?? [0, 0];
      difference.set(act, [bu - u, bv - v]);
    }
    return difference;
  }

  private covariance(all: Moves): Covariance {
    let [uu, uv, vv] = [0, 0, 0];
    for (const [act, [u, v]] of all) {
      const variance = (this.acts[act]?.sigma ?? 0) ** 2;
      uu += u * u * variance;
      uv += u * v * variance;
      vv += v * v * variance;
    }
    return { uu, uv, vv };
  }
}

/** The expected errors of a whole list of operations. Faults are the machine's own. */
export function pencilErrors(
  operations: readonly Operation[],
  hand: HandPrecision,
): Result<PencilErrors, MachineFault> {
  const machine = new DraftingMachine();
  const book = new ErrorBook(machine, hand);
  for (const [index, one] of operations.entries()) {
    const fault = machine.carryOut(one, index);
    if (fault) return err(fault);
    book.enter(one, index);
  }
  return ok(book);
}

const NONE: Moves = new Map();

function add(into: Map<number, number>, act: number, by: number): void {
  into.set(act, (into.get(act) ?? 0) + by);
}
