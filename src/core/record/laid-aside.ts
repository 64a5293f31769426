import { err, ok } from '@/core/base';
import { LONGEST_TEXT } from './bounds';
import type { Edit } from './edits';
import { freshId } from './fresh-id';
import type { LaidAside, Project, RingTold, View } from './project';
import type { Id } from './size';

/** A figure that differs by less than this is the same figure, mm: what a ring is told of is worked out anew each time. */
const SAME_MM = 1;

const sameOf = (one: Id | number | undefined, other: Id | number): boolean =>
  typeof one === 'number' && typeof other === 'number' ? Math.abs(one - other) <= SAME_MM : one === other;

/** Whether two rings are of one kind, about one thing, seen from one view. What they are told of may have changed since. */
const sameMatter = (one: RingTold, other: RingTold): boolean =>
  one.kind === other.kind && one.about === other.about && one.viewId === other.viewId;

/** Whether two rings are the same, told of the same things by the same figures: names and units do not matter. */
const sameRing = (one: RingTold, other: RingTold): boolean =>
  sameMatter(one, other) && one.of.length === other.of.length && other.of.every((of, i) => sameOf(one.of[i], of));

/** The ids among what a ring is told of: two matters of one thing, with two others, are two. */
const others = ({ of }: RingTold): string => JSON.stringify(of.filter((one) => typeof one === 'string'));

/** A contradiction of the record, by what makes it the same tomorrow. */
export const toldOfRecord = ({ kind, about, of }: Omit<RingTold, 'viewId'>): RingTold => ({
  ...{ kind, about, of },
  viewId: null,
});

/** A warning about where one stands: it is another matter as soon as one stands or frames otherwise. */
export function toldOfView(
  { id, station, lineOfSightBearingDeg, eyeHeight, frame, scaleDenominator }: View,
  { kind, about, also = [] }: Pick<RingTold, 'kind' | 'about'> & { readonly also?: readonly Id[] },
): RingTold {
  const stands = [station.x, station.y, lineOfSightBearingDeg, eyeHeight.mm];
  const frames = [frame.left, frame.right, frame.bottom, frame.top, scaleDenominator];
  return { kind, about, viewId: id, of: [...also, ...stands, ...frames] };
}

/** Rings as they are shown, and those that were laid aside. */
export interface RingsParted<R> {
  /** Still to be looked at. `before`: why it was laid aside when its figures were others. */
  readonly open: readonly (R & { readonly before: string | null })[];
  readonly aside: readonly { readonly ring: R; readonly laid: LaidAside }[];
}

/** Parts what is ringed from what was laid aside: a ring stays aside while it is told of the same. */
export function partRings<R>(
  rings: readonly R[],
  told: (ring: R) => RingTold,
  { laidAside }: Pick<Project, 'laidAside'>,
): RingsParted<R> {
  const open: (R & { readonly before: string | null })[] = [];
  const aside: { readonly ring: R; readonly laid: LaidAside }[] = [];
  for (const ring of rings) {
    const now = told(ring);
    const laid = laidAside.find((one) => sameRing(one.ring, now));
    if (laid) aside.push({ ring, laid });
    else {
      const before = laidAside.findLast((one) => sameMatter(one.ring, now) && others(one.ring) === others(now));
      open.push({ ...ring, before: before?.reason ?? null });
    }
  }
  return { open, aside };
}

/** Lays a ring aside with the reason for it. What was said of the same matter before is replaced. */
export function layAside(project: Project, ring: RingTold, reason: string): Edit {
  const said = reason.trim();
  if (said === '') return err({ reason: 'bad-value', message: 'Say why the ring may be laid aside.' });
  if (said.length > LONGEST_TEXT)
    return err({ reason: 'bad-value', message: `A reason has at most ${LONGEST_TEXT} characters.` });
  const left = project.laidAside.filter((one) => !(sameMatter(one.ring, ring) && others(one.ring) === others(ring)));
  const taken = project.laidAside.map((one) => one.id);
  return ok({ ...project, laidAside: [...left, { id: freshId('aside', taken), ring, reason: said }] });
}

/** Rings again what was laid aside. */
export const ringAgain = (project: Project, id: Id): Edit =>
  ok({ ...project, laidAside: project.laidAside.filter((one) => one.id !== id) });
