import { picturePoint, type PicturePoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';
import { fractionalPointU } from '@/core/view';
import type { MarkId, Operation } from './operation';

/** What a point on the horizon is to the lines ruled to it. */
export type PointRole = 'vanishing-right' | 'vanishing-left' | 'vanishing-centre' | 'measuring';

/** Names of a frame's points: where its lines vanish (null where they stay level) and from where they are measured (null where the ground line does). */
export interface FramePoints {
  readonly vanishing: { readonly x: MarkId | null; readonly y: MarkId };
  readonly measuring: { readonly x: MarkId | null; readonly y: MarkId };
  /** Lengths are divided by so much before they are laid off: 1, or the parts of a fractional point. */
  readonly parts: { readonly x: number; readonly y: number };
  /** To which side of the trace on the ground line a length behind the picture plane is laid off: away from the measuring point. */
  readonly behind: { readonly x: 1 | -1; readonly y: 1 | -1 };
  readonly roles: readonly (readonly [MarkId, PointRole])[];
  /** Points that lie on strips of paper taped on beyond the board. */
  readonly strips: readonly MarkId[];
  readonly operations: readonly Operation[];
}

/** Which point of a frame is meant. */
export type FramePoint =
  'vanishing-right' | 'vanishing-left' | 'measuring-right' | 'measuring-left' | 'distance-right' | 'distance-left';

/** What brings a point within reach: it is used at 1/n of its way from the vanishing point, or lies on a strip of paper taped on beyond the board. */
export type PointAid = { readonly by: 'fraction'; readonly n: number } | { readonly by: 'strip' };

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

  /** @param onBoard whether a point lies on the board. */
  constructor(
    private readonly pair: PairAtHand,
    private readonly onBoard: (p: PicturePoint) => boolean,
  ) {}

  take(label: string, u: PaperMillimetres, which: FramePoint, role: PointRole): MarkId {
    const mark = `${label}${this.pair.suffix}`;
    this.put(mark, u, which, role);
    return mark;
  }

  /**
   * A measuring point: one that lies off the board is used at the largest part of its distance from the vanishing point that does not, if no other part was
   * chosen.
   */
  measuring(
    label: string,
    which: FramePoint,
    vanishing: PaperMillimetres,
    u: PaperMillimetres,
  ): { readonly mark: MarkId; readonly parts: number } {
    const parts = this.partsOf(which, vanishing, u);
    const whole = `${label}${this.pair.suffix}`;
    const mark = parts === 1 ? whole : `${whole}/${parts}`;
    this.put(mark, fractionalPointU(vanishing, u, parts), which, 'measuring');
    return { mark, parts };
  }

  /** Into how many parts a measuring point's distance from its vanishing point is divided. */
  partsOf(which: FramePoint, vanishing: PaperMillimetres, u: PaperMillimetres): number {
    const aid = this.pair.aids.get(which);
    if (aid) return aid.by === 'fraction' ? aid.n : 1;
    for (let n = 1; n <= MOST_PARTS; n += 1)
      if (this.onBoard(picturePoint(fractionalPointU(vanishing, u, n), 0))) return n;
    return MOST_PARTS + 1;
  }

  private put(mark: MarkId, u: PaperMillimetres, which: FramePoint, role: PointRole): void {
    this.operations.push({ op: 'take', mark, point: picturePoint(u, 0), slides: 'u' });
    this.roles.push([mark, role]);
    if (this.pair.aids.get(which)?.by === 'strip') this.strips.push(mark);
  }
}
