import { err, ok, type Result } from '@/core/base';
import type { PicturePoint } from '@/core/space';
import { actsOf, type Act, type HandPrecision } from './acts';
import { combined, eachAct, ON_NOTHING, type ByAct, type Row } from './by-act';
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

/**
 * The expected error of every mark a machine has made. Each keeps its derivatives by act, so that marks that share an ancestor are correlated:
 * Σ = J·diag(σ²)·Jᵀ. Source: construction, 5.
 */
export class ErrorBook implements PencilErrors {
  readonly acts: Act[] = [];
  /** How each mark moves along u and v, mm per unit of an act. */
  private readonly ofMark = new Map<MarkId, ByAct>();
  /** How each line moves square to itself at its point, and how much more with each mm along it. */
  private readonly ofLine = new Map<LineId, ByAct>();
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
        this.ofMark.set(one.mark, one.slides === 'u' ? [first, 1, 0] : ON_NOTHING);
        break;
      case 'rule': {
        const { u: nu, v: nv } = besideLine(this.machine.lineOf(one.line));
        const [p, q] = [this.machine.markAt(one.through[0]), this.machine.markAt(one.through[1])];
        const per = 1 / Math.hypot(q.u - p.u, q.v - p.v);
        const tilt = combined(
          this.moves(one.through[0]),
          this.moves(one.through[1]),
          [nu, nv, 0, 0],
          [-nu * per, -nv * per, nu * per, nv * per],
        );
        tilt.push(first, 1, -per, first + 1, 0, per);
        this.ofLine.set(one.line, tilt);
        if (one.through.some((id) => this.flat.has(id))) this.flat.add(one.line);
        break;
      }
      case 'level':
      case 'upright':
      case 'parallel': {
        const { u: nu, v: nv } = besideLine(this.machine.lineOf(one.line));
        const turned = one.op === 'parallel' ? this.tilts(one.to) : ON_NOTHING;
        const tilt = combined(this.moves(one.through), turned, [nu, nv, 0, 0], [0, 0, 0, 1]);
        tilt.push(first, 1, 0);
        if (one.op === 'parallel') {
          tilt.push(first + 1, 0, 1);
          if (this.flat.has(one.to)) this.flat.add(one.line);
        }
        this.ofLine.set(one.line, tilt);
        if (this.flat.has(one.through)) this.flat.add(one.line);
        break;
      }
      case 'cross': {
        const at = this.machine.markAt(one.mark);
        const [line, other] = [this.machine.lineOf(one.lines[0]), this.machine.lineOf(one.lines[1])];
        const [a, b] = [besideLine(line), besideLine(other)];
        const [sa, sb] = [footOn(line, at), footOn(other, at)];
        const turn = a.u * b.v - a.v * b.u;
        const [au, av, bu, bv] = [a.u / turn, a.v / turn, b.u / turn, b.v / turn];
        const made = combined(
          this.tilts(one.lines[0]),
          this.tilts(one.lines[1]),
          [bv, sa * bv, -av, -sb * av],
          [-bu, -sa * bu, au, sb * au],
        );
        this.ofMark.set(one.mark, made);
        if ((this.machine.crossingDeg.get(one.mark) ?? 90) < FLAT_DEG || one.lines.some((id) => this.flat.has(id)))
          this.flat.add(one.mark);
        break;
      }
      case 'lay-off': {
        const { run } = this.machine.lineOf(one.on);
        const way = sign(run, one.toward) ?? 1;
        const made = this.laid(one.on, one.from, this.machine.markAt(one.mark));
        made.push(first, run.u * way, run.v * way);
        this.ofMark.set(one.mark, made);
        if (this.flat.has(one.from) || this.flat.has(one.on)) this.flat.add(one.mark);
        break;
      }
      case 'transfer': {
        const { run } = this.machine.lineOf(one.on);
        const way = sign(run, one.toward) ?? 1;
        const [p, q] = [this.machine.markAt(one.between[0]), this.machine.markAt(one.between[1])];
        const length = Math.hypot(q.u - p.u, q.v - p.v);
        const taken = this.carried(one.between[0], one.between[1], run, {
          u: (way * (q.u - p.u)) / length,
          v: (way * (q.v - p.v)) / length,
        });
        const made = combined(this.laid(one.on, one.from, this.machine.markAt(one.mark)), taken, ...SUM);
        made.push(first, run.u * way, run.v * way, first + 1, run.u * way, run.v * way);
        this.ofMark.set(one.mark, made);
        if ([...one.between, one.from, one.on].some((id) => this.flat.has(id))) this.flat.add(one.mark);
        break;
      }
      case 'strip': {
        const on = this.machine.lineOf(one.on);
        const reads = stripReads(on) ?? 'u';
        const way = on.run[reads] > 0 ? 1 : -1;
        const sideways = { u: reads === 'u' ? way : 0, v: reads === 'v' ? way : 0 };
        one.marks.forEach(([id, of], i) => {
          const carried = this.carried(one.zero[1], of, on.run, sideways);
          const made = combined(this.laid(one.on, one.zero[0], this.machine.markAt(id)), carried, ...SUM);
          made.push(first, on.run.u * way, on.run.v * way, first + 1 + i, on.run.u * way, on.run.v * way);
          this.ofMark.set(id, made);
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
    const parts = [...eachAct(this.together(a, b))].flatMap(([number, u, v]) => {
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

  private moves(id: MarkId): ByAct {
    return this.ofMark.get(id) ?? ON_NOTHING;
  }

  private tilts(id: LineId): ByAct {
    return this.ofLine.get(id) ?? ON_NOTHING;
  }

  /** A mark laid along a line from the foot of another: along it with that foot, beside it with the line. What is measured is left to add. */
  private laid(on: LineId, from: MarkId, at: PicturePoint): number[] {
    const line = this.machine.lineOf(on);
    const { u: ru, v: rv } = line.run;
    const { u: nu, v: nv } = besideLine(line);
    const foot = this.machine.markAt(from);
    // Where `from` lies beside the line, its foot goes along when the line turns.
    const aside = (foot.u - line.at.u) * nu + (foot.v - line.at.v) * nv;
    const s = footOn(line, at);
    return combined(
      this.moves(from),
      this.tilts(on),
      [ru * ru, ru * rv, nu, ru * aside + nu * s],
      [rv * ru, rv * rv, nv, rv * aside + nv * s],
    );
  }

  /** What the distance between two marks, taken in a direction, moves a mark by that is set off with it along a line. */
  private carried(
    from: MarkId,
    to: MarkId,
    run: PicturePoint,
    { u, v }: { readonly u: number; readonly v: number },
  ): number[] {
    return combined(
      this.moves(from),
      this.moves(to),
      [-run.u * u, -run.u * v, run.u * u, run.u * v],
      [-run.v * u, -run.v * v, run.v * u, run.v * v],
    );
  }

  private together(a: MarkId, b?: MarkId): ByAct {
    this.machine.markAt(a);
    if (b === undefined) return this.moves(a);
    this.machine.markAt(b);
    return combined(this.moves(a), this.moves(b), [-1, 0, 1, 0], [0, -1, 0, 1]);
  }

  private covariance(all: ByAct): Covariance {
    let [uu, uv, vv] = [0, 0, 0];
    for (let i = 0; i < all.length; i += 3) {
      const [u, v] = [all[i + 1] ?? 0, all[i + 2] ?? 0];
      const variance = (this.acts[all[i] ?? 0]?.sigma ?? 0) ** 2;
      uu += u * u * variance;
      uv += u * v * variance;
      vv += v * v * variance;
    }
    return { uu, uv, vv };
  }
}

/** The two of one and the two of the other, added. */
const SUM: readonly [Row, Row] = [
  [1, 0, 1, 0],
  [0, 1, 0, 1],
];

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
