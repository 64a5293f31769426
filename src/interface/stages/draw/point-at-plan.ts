import { restingOn, restingOnLine, type LineId, type MarkId, type Operation } from '@/core/construction';
import type { PicturePoint } from '@/core/space';
import type { LaidPlan } from './laid-plan';

/** A mark or a line of the construction that is pointed at. */
export type PlanPointed =
  { readonly is: 'mark'; readonly mark: MarkId } | { readonly is: 'line'; readonly line: LineId };

export const samePointed = (a: PlanPointed | null, b: PlanPointed | null): boolean =>
  a === b ||
  (a?.is === 'mark' && b?.is === 'mark' && a.mark === b.mark) ||
  (a?.is === 'line' && b?.is === 'line' && a.line === b.line);

/** What lies nearest to a place of the picture, of all that is drawn up to a step; a mark comes before a line, it is smaller. */
export function pointAtPlan(
  { plan, paper, marks, stepOfLine }: LaidPlan,
  step: number,
  place: PicturePoint,
  reachMm: number,
): PlanPointed | null {
  let mark: MarkId | null = null;
  let nearest = reachMm;
  for (const id of marks.slice(0, step).flat()) {
    const at = paper.marks.get(id)?.at;
    const distance = at ? Math.hypot(at.u - place.u, at.v - place.v) : Infinity;
    if (distance < nearest) [mark, nearest] = [id, distance];
  }
  if (mark !== null) return { is: 'mark', mark };
  let line: LineId | null = null;
  nearest = reachMm / 2;
  for (const [id, [from, to]] of plan.extents) {
    if ((stepOfLine.get(id) ?? Infinity) >= step) continue;
    const [p, q] = [paper.marks.get(from)?.at, paper.marks.get(to)?.at];
    const distance = p && q ? fromSegment(place, p, q) : Infinity;
    if (distance < nearest) [line, nearest] = [id, distance];
  }
  return line === null ? null : { is: 'line', line };
}

function fromSegment(at: PicturePoint, p: PicturePoint, q: PicturePoint): number {
  const [du, dv] = [q.u - p.u, q.v - p.v];
  const s = ((at.u - p.u) * du + (at.v - p.v) * dv) / (du * du + dv * dv);
  const t = Math.min(1, Math.max(0, s));
  return Math.hypot(p.u + du * t - at.u, p.v + dv * t - at.v);
}

/** Marks that rest on what is pointed at, itself left out. */
export function restingOnPointed(operations: readonly Operation[], pointed: PlanPointed): ReadonlySet<MarkId> {
  if (pointed.is === 'line') return restingOnLine(operations, pointed.line);
  const all = new Set(restingOn(operations, pointed.mark));
  all.delete(pointed.mark);
  return all;
}
