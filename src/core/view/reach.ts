import { sameMark, type ReachAid, type View } from '@/core/record';
import { picturePoint, type PicturePoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';
import { lieOf, markNamed, type SetOut, type SetOutGroup, type SetOutMark } from './set-out-marks';
import { fractionalPointU } from './vanishing-point';

/** How far a mark is from being used: where it lies, and what ruler it asks for. */
export interface Reach {
  readonly mark: SetOutMark;
  /** From the mark to the farthest corner of the frame: a straightedge that long rules every line to it. */
  readonly rulerNeeds: PaperMillimetres;
  readonly rulerReaches: boolean;
  /** On the sheet or board, and within the straightedge. */
  readonly within: boolean;
  /** What the person chose to do about it. */
  readonly aid: ReachAid | null;
  /** Where the point is used instead, with a fraction; where it lies, with a strip. Null with ticks: the point itself is not used. */
  readonly usedAt: PicturePoint | null;
  /** Whether it can be worked with as it stands, by itself or by its aid. */
  readonly usable: boolean;
}

/** Length of the ruler that goes from a point to every corner of the frame. */
export function rulerFor(view: Pick<View, 'frame'>, at: PicturePoint): PaperMillimetres {
  const { left, right, bottom, top } = view.frame;
  return Math.max(...[left, right].flatMap((u) => [bottom, top].map((v) => Math.hypot(u - at.u, v - at.v))));
}

/** The vanishing point of the lines a measuring or distance point measures; null for a point that measures nothing. */
export function measuredBy(setOut: SetOut, mark: SetOutMark): SetOutMark | null {
  const { role, side } = mark.name;
  if (role === 'distance') return setOut.centreOfVision;
  if (role !== 'measuring') return null;
  if (side === null) return setOut.slopes.find((one) => one.measuring.id === mark.id)?.vanishing ?? null;
  return markNamed(setOut, { ...mark.name, role: 'vanishing' }) ?? null;
}

/** A measuring or distance point at 1/n of its way from the vanishing point: M_n = V + (M − V)/n. */
export const fractionOf = (mark: SetOutMark, vanishing: SetOutMark, n: number): PicturePoint =>
  picturePoint(fractionalPointU(vanishing.at.u, mark.at.u, n), vanishing.at.v);

export function reachOf(view: View, setOut: SetOut, mark: SetOutMark): Reach {
  const aid = view.aids.find((one) => sameMark(one.mark, mark.name)) ?? null;
  const rulerNeeds = rulerFor(view, mark.at);
  const rulerReaches = rulerNeeds <= view.straightedge;
  const within = mark.lies.where !== 'off-board' && rulerReaches;
  const vanishing = measuredBy(setOut, mark);
  const usedAt =
    aid?.by === 'ticks' ? null : aid?.by === 'fraction' && vanishing ? fractionOf(mark, vanishing, aid.n) : mark.at;
  const usable =
    aid === null
      ? within
      : aid.by === 'ticks' ||
        (aid.by === 'strip' && rulerReaches) ||
        (aid.by === 'fraction' &&
          usedAt !== null &&
          lieOf(view, usedAt).where !== 'off-board' &&
          rulerFor(view, usedAt) <= view.straightedge);
  return { mark, rulerNeeds, rulerReaches, within, aid, usedAt, usable };
}

/** All marks of one pair, the room's own when none is named. */
export const reachesOf = (view: View, setOut: SetOut, group: SetOutGroup = setOut.room): readonly Reach[] =>
  group.marks.map((mark) => reachOf(view, setOut, mark));

/**
 * Marks of a pair, the room's own when none is named, that are needed and cannot be worked with as things stand. Of the two distance points
 * either serves, and the diagonal's point only saves time.
 */
export function outOfReach(view: View, setOut: SetOut, group: SetOutGroup = setOut.room): readonly Reach[] {
  const reaches = reachesOf(view, setOut, group).filter(({ mark }) => mark.name.role !== 'diagonal');
  const isDistance = ({ mark }: Reach): boolean => mark.name.role === 'distance';
  const served = reaches.some((reach) => isDistance(reach) && reach.usable);
  return reaches.filter((reach) => !reach.usable && !(served && isDistance(reach)));
}
