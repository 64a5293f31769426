import { invariant, ok, type Result } from '@/core/base';
import type { PicturePoint } from '@/core/space';
import { actsOf, type Act, type HandPrecision } from './acts';
import {
  besideLine,
  draft,
  footOn,
  sign,
  stripReads,
  type Drafted,
  type DrawnLine,
  type MachineFault,
} from './machine';
import type { LineId, MarkId, Operation } from './operation';

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
 * The expected error of every mark. Each keeps its derivatives by act, so that marks that share an ancestor are correlated: Σ = J·diag(σ²)·Jᵀ.
 * Source: construction, 5. Faults are the machine's own.
 */
export function pencilErrors(
  operations: readonly Operation[],
  hand: HandPrecision,
): Result<PencilErrors, MachineFault> {
  const drawn = draft(operations);
  if (!drawn.ok) return drawn;
  const drafted = drawn.value;
  const acts: Act[] = [];
  const ofMark = new Map<MarkId, Moves>();
  const ofLine = new Map<LineId, Tilts>();
  const flat = new Set<string>();
  const mark = (id: MarkId): PicturePoint => {
    const at = drafted.marks.get(id);
    invariant(at, `mark ${id} was made`);
    return at;
  };
  const line = (id: LineId): DrawnLine => {
    const one = drafted.lines.get(id);
    invariant(one, `line ${id} was drawn`);
    return one;
  };
  const moves = (id: MarkId): Moves => ofMark.get(id) ?? NONE;
  const tilts = (id: LineId): Tilts => ofLine.get(id) ?? NONE;
  /** How a line lies off to its left at a point of it, by act. */
  const besideAt = (id: LineId, p: PicturePoint): ReadonlyMap<number, number> => {
    const s = footOn(line(id), p);
    return new Map([...tilts(id)].map(([act, [off, turn]]) => [act, off + s * turn]));
  };
  /** A mark's own move to the left of a line. */
  const across = (id: MarkId, n: PicturePoint): ReadonlyMap<number, number> =>
    new Map([...moves(id)].map(([act, [u, v]]) => [act, u * n.u + v * n.v]));

  operations.forEach((one, index) => {
    const first = acts.length;
    acts.push(...actsOf(one, index, hand));
    switch (one.op) {
      case 'take':
        ofMark.set(one.mark, one.slides === 'u' ? new Map([[first, [1, 0]]]) : NONE);
        break;
      case 'rule': {
        const drawnLine = line(one.line);
        const n = besideLine(drawnLine);
        const [p, q] = [mark(one.through[0]), mark(one.through[1])];
        const length = Math.hypot(q.u - p.u, q.v - p.v);
        const [atP, atQ] = [new Map(across(one.through[0], n)), new Map(across(one.through[1], n))];
        add(atP, first, 1);
        add(atQ, first + 1, 1);
        const tilt = new Map<number, readonly [number, number]>();
        for (const act of new Set([...atP.keys(), ...atQ.keys()])) {
          const off = atP.get(act) ?? 0;
          tilt.set(act, [off, ((atQ.get(act) ?? 0) - off) / length]);
        }
        ofLine.set(one.line, tilt);
        if (one.through.some((id) => flat.has(id))) flat.add(one.line);
        break;
      }
      case 'level':
      case 'upright':
      case 'parallel': {
        const tilt = new Map<number, readonly [number, number]>();
        for (const [act, off] of across(one.through, besideLine(line(one.line)))) tilt.set(act, [off, 0]);
        tilt.set(first, [1, 0]);
        if (one.op === 'parallel') {
          for (const [act, [, turn]] of tilts(one.to)) tilt.set(act, [tilt.get(act)?.[0] ?? 0, turn]);
          tilt.set(first + 1, [0, 1]);
          if (flat.has(one.to)) flat.add(one.line);
        }
        ofLine.set(one.line, tilt);
        if (flat.has(one.through)) flat.add(one.line);
        break;
      }
      case 'cross': {
        const at = mark(one.mark);
        const [a, b] = one.lines.map((id) => besideLine(line(id))) as [PicturePoint, PicturePoint];
        const [offA, offB] = one.lines.map((id) => besideAt(id, at)) as [Map<number, number>, Map<number, number>];
        const turn = a.u * b.v - a.v * b.u;
        const made = new Map<number, readonly [number, number]>();
        for (const act of new Set([...offA.keys(), ...offB.keys()])) {
          const [p, q] = [offA.get(act) ?? 0, offB.get(act) ?? 0];
          made.set(act, [(p * b.v - q * a.v) / turn, (q * a.u - p * b.u) / turn]);
        }
        ofMark.set(one.mark, made);
        if ((drafted.crossingDeg.get(one.mark) ?? 90) < FLAT_DEG || one.lines.some((id) => flat.has(id)))
          flat.add(one.mark);
        break;
      }
      case 'lay-off':
      case 'transfer': {
        const way = sign(line(one.on).run, one.toward) ?? 1;
        const measured = new Map<number, number>([[first, way]]);
        if (one.op === 'transfer') {
          measured.set(first + 1, way);
          const [p, q] = [mark(one.between[0]), mark(one.between[1])];
          const length = Math.hypot(q.u - p.u, q.v - p.v);
          const toward = { u: (way * (q.u - p.u)) / length, v: (way * (q.v - p.v)) / length } as PicturePoint;
          for (const [act, off] of across(one.between[0], toward)) add(measured, act, -off);
          for (const [act, off] of across(one.between[1], toward)) add(measured, act, off);
          if (one.between.some((id) => flat.has(id))) flat.add(one.mark);
        }
        ofMark.set(one.mark, laid(one.on, one.from, mark(one.mark), measured));
        if (flat.has(one.from) || flat.has(one.on)) flat.add(one.mark);
        break;
      }
      case 'strip': {
        const on = line(one.on);
        const reads = stripReads(on) ?? 'u';
        const way = on.run[reads] > 0 ? 1 : -1;
        const sideways = { u: reads === 'u' ? way : 0, v: reads === 'v' ? way : 0 } as PicturePoint;
        one.marks.forEach(([id, of], i) => {
          const carried = new Map<number, number>([
            [first, way],
            [first + 1 + i, way],
          ]);
          for (const [act, off] of across(of, sideways)) add(carried, act, off);
          for (const [act, off] of across(one.zero[1], sideways)) add(carried, act, -off);
          ofMark.set(id, laid(one.on, one.zero[0], mark(id), carried));
          if ([of, ...one.zero, one.on].some((ground) => flat.has(ground))) flat.add(id);
        });
        break;
      }
      case 'curve':
        break;
    }
  });

  /** A mark laid along a line from the foot of another: along it by what is measured and by that foot, beside it with the line. */
  function laid(on: LineId, from: MarkId, at: PicturePoint, measured: Map<number, number>): Moves {
    const drawnLine = line(on);
    const { run } = drawnLine;
    const n = besideLine(drawnLine);
    const foot = mark(from);
    // Where `from` lies beside the line, its foot goes along when the line turns.
    const aside = (foot.u - drawnLine.at.u) * n.u + (foot.v - drawnLine.at.v) * n.v;
    const along = new Map(measured);
    for (const [act, off] of across(from, run)) add(along, act, off);
    for (const [act, [, turn]] of tilts(on)) add(along, act, aside * turn);
    const beside = besideAt(on, at);
    const made = new Map<number, readonly [number, number]>();
    for (const act of new Set([...along.keys(), ...beside.keys()])) {
      const [s, w] = [along.get(act) ?? 0, beside.get(act) ?? 0];
      made.set(act, [run.u * s + n.u * w, run.v * s + n.v * w]);
    }
    return made;
  }

  const together = (a: MarkId, b?: MarkId): Moves => {
    mark(a);
    if (b === undefined) return moves(a);
    mark(b);
    const difference = new Map(moves(b));
    for (const [act, [u, v]] of moves(a)) {
      const [bu, bv] = difference.get(act) ?? [0, 0];
      difference.set(act, [bu - u, bv - v]);
    }
    return difference;
  };
  const covariance = (all: Moves): Covariance => {
    let [uu, uv, vv] = [0, 0, 0];
    for (const [act, [u, v]] of all) {
      const variance = (acts[act]?.sigma ?? 0) ** 2;
      uu += u * u * variance;
      uv += u * v * variance;
      vv += v * v * variance;
    }
    return { uu, uv, vv };
  };
  return ok({
    drafted,
    acts,
    covarianceOf: (id) => covariance(together(id)),
    differenceOf: (a, b) => covariance(together(a, b)),
    sharesOf: (a, b) => {
      const parts = [...together(a, b)].flatMap(([number, [u, v]]) => {
        const act = acts[number];
        return act ? [{ act, part: (u * u + v * v) * act.sigma ** 2 }] : [];
      });
      const whole = parts.reduce((sum, { part }) => sum + part, 0);
      return parts
        .filter(({ part }) => part > 0)
        .map(({ act, part }) => ({ act, share: part / whole }))
        .sort((one, other) => other.share - one.share);
    },
    isFlat: (id) => flat.has(id),
  });
}

const NONE: Moves = new Map();

function add(into: Map<number, number>, act: number, by: number): void {
  into.set(act, (into.get(act) ?? 0) + by);
}
