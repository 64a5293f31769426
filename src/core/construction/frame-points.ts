import { picturePoint, type PicturePoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';
import { fractionalPointU } from '@/core/view';
import type { MarkId, Operation } from './operation';

/** What a point on the horizon, or the station point of the plan, is to the lines ruled to it. */
export type PointRole = 'vanishing-right' | 'vanishing-left' | 'vanishing-centre' | 'measuring' | 'station';

/**
 * How lines that run to one point of the horizon are ruled: level where there is none, to the point itself, or, for a point beyond the board, to a tick
 * on an edge of the sheet, each line to its own.
 */
export type RunsTo =
  | { readonly by: 'level' }
  | { readonly by: 'point'; readonly mark: MarkId; readonly u: PaperMillimetres }
  | { readonly by: 'ticks'; readonly label: string; readonly u: PaperMillimetres };

/** From where a frame's two measured lines are measured (level: at true size on the ground line). */
export interface Measuring {
  readonly measuring: { readonly x: RunsTo; readonly y: RunsTo };
  /** Lengths are divided by so much before they are laid off: 1, or the parts of a fractional point. */
  readonly parts: { readonly x: number; readonly y: number };
  /** To which side of the trace on the ground line a length behind the picture plane is laid off: away from the measuring point. */
  readonly behind: { readonly x: 1 | -1; readonly y: 1 | -1 };
}

/** To what a frame's lines run, and how lengths along them are measured; null where the plan gives them. */
export interface FramePoints {
  readonly vanishing: { readonly x: RunsTo; readonly y: RunsTo };
  readonly measured: Measuring | null;
  readonly roles: readonly (readonly [MarkId, PointRole])[];
  /** Points that lie on strips of paper taped on beyond the board. */
  readonly strips: readonly MarkId[];
  /** Whether a point beyond the board is served by ticks though nobody chose them: each of its lines is then a laying of the ruler by itself. */
  readonly ticksUnasked: boolean;
  readonly operations: readonly Operation[];
}

/** Which point of a frame is meant. */
export type FramePoint =
  'vanishing-right' | 'vanishing-left' | 'measuring-right' | 'measuring-left' | 'distance-right' | 'distance-left';

/**
 * What brings a point within reach: it is used at 1/n of its way from the vanishing point, lies on a strip of paper taped on beyond the board, or is
 * not used at all, but ticks on the sheet's edges that its lines run through.
 */
export type PointAid =
  { readonly by: 'fraction'; readonly n: number } | { readonly by: 'strip' } | { readonly by: 'ticks' };

/** A frame's points as the set-out has them. */
export interface PairAtHand {
  /** Written after the letters of its points, to tell them from those of other frames. */
  readonly suffix: string;
  readonly aids: ReadonlyMap<FramePoint, PointAid>;
}

/** So small a part of a measuring point's distance is still used: each division divides the accuracy too. */
const MOST_PARTS = 6;

/** Takes the points of a frame on the horizon, one by one, as the set-out has them. */
export class PointsTaken {
  readonly operations: Operation[] = [];
  readonly roles: (readonly [MarkId, PointRole])[] = [];
  readonly strips: MarkId[] = [];
  ticksUnasked = false;

  /** @param onBoard whether a point lies on the board. */
  constructor(
    private readonly pair: PairAtHand,
    private readonly onBoard: (p: PicturePoint) => boolean,
    /** Where a point is found otherwise than by its distance from the centre of vision. */
    private readonly foundBy: (mark: MarkId, which: FramePoint) => readonly Operation[] | null = () => null,
  ) {}

  /** A vanishing point: one that lies off the board is served by ticks, if nothing else was chosen. */
  vanishing(label: string, u: PaperMillimetres, role: FramePoint & PointRole): RunsTo {
    const mark = `${label}${this.pair.suffix}`;
    const aid = this.pair.aids.get(role);
    if (aid?.by === 'ticks' || (!aid && !this.onBoard(picturePoint(u, 0)))) {
      this.ticksUnasked ||= !aid;
      return { by: 'ticks', label: mark, u };
    }
    this.put(mark, u, role, role);
    return { by: 'point', mark, u };
  }

  /**
   * A measuring point: one that lies off the board is used at the largest part of its distance from the vanishing point that does not, if no other part was
   * chosen; where even a small part does, by ticks.
   */
  measuring(
    label: string,
    which: FramePoint,
    vanishing: PaperMillimetres,
    u: PaperMillimetres,
  ): { readonly runs: RunsTo; readonly parts: number } {
    const parts = this.partsOf(which, vanishing, u);
    const whole = `${label}${this.pair.suffix}`;
    if (parts === Infinity) {
      this.ticksUnasked ||= !this.pair.aids.has(which);
      return { runs: { by: 'ticks', label: whole, u }, parts: 1 };
    }
    const mark = parts === 1 ? whole : `${whole}/${parts}`;
    const at = fractionalPointU(vanishing, u, parts);
    this.put(mark, at, which, 'measuring');
    return { runs: { by: 'point', mark, u: at }, parts };
  }

  /** Into how many parts a measuring point's distance from its vanishing point is divided; Infinity where no part of it lies on the board. */
  partsOf(which: FramePoint, vanishing: PaperMillimetres, u: PaperMillimetres): number {
    const aid = this.pair.aids.get(which);
    if (aid && aid.by !== 'ticks') return aid.by === 'fraction' ? aid.n : 1;
    for (let n = 1; n <= MOST_PARTS; n += 1)
      if (this.onBoard(picturePoint(fractionalPointU(vanishing, u, n), 0))) return n;
    return Infinity;
  }

  private put(mark: MarkId, u: PaperMillimetres, which: FramePoint, role: PointRole): void {
    const found = this.foundBy(mark, which);
    this.operations.push(...(found ?? [{ op: 'take', mark, point: picturePoint(u, 0), slides: 'u' } as const]));
    this.roles.push([mark, role]);
    if (this.pair.aids.get(which)?.by === 'strip') this.strips.push(mark);
  }
}
