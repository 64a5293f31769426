import type { PicturePoint } from '@/core/space';
import { picturePoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';
import type { MarkId, Operation } from './operation';
import { planAbove, planLaidAt } from './plan-on-paper';
import { PLAN_ZERO } from './plan-sheet';
import type { CurvesDrawn } from './told-finish';
import type { KeptCurve, KeptEdge, WholeDraft } from './whole';

/** A line that stays, or a part of a curve, as it is drawn. */
export type Firm = readonly [PicturePoint, PicturePoint];

/**
 * Where the plan’s zero lies straight above the centre of vision, clear of the sheet; null where the board has no room for all of it there, and it is laid
 * on a paper of its own. Source: construction, 3; job, 4.
 */
export function planStraightAbove(
  { desk, operations, onPlan }: Pick<WholeDraft, 'desk' | 'operations' | 'onPlan'>,
  centreUp: PaperMillimetres,
  sheetHeight: PaperMillimetres,
): PicturePoint | null {
  const at = planLaidAt(operations, planAbove(centreUp, sheetHeight));
  if (!at) return null;
  const fits = operations.every((one) => {
    if (one.op !== 'take' || !onPlan.has(one.mark)) return true;
    return desk.onBoard(picturePoint(one.point.u + at.u, one.point.v + at.v));
  });
  return fits ? at : null;
}

/**
 * Whether what is carried can be dropped from a plan that lies straight above: along the set square, past nothing that stays. @param mark where each comes
 * to lie. @param firm what is drawn to stay by then.
 */
export function canBeDropped(
  operations: readonly Operation[],
  planAt: PicturePoint,
  mark: (id: string) => PicturePoint,
  firm: readonly Firm[],
): boolean {
  return operations.every(
    (one) =>
      one.op !== 'strip' ||
      (one.zero[1] === PLAN_ZERO &&
        one.marks.every(([to]) => {
          const { u, v } = mark(to);
          return !firm.some((line) => crossesDrop(line, u, v, planAt.v));
        })),
  );
}

/** What stays of edges, part by part, and of curves, from mark to mark. */
export function firmOf(
  edges: readonly KeptEdge[],
  curves: readonly KeptCurve[],
  mark: (id: MarkId) => PicturePoint,
  drawn: CurvesDrawn,
): readonly Firm[] {
  const parts = edges.flatMap(({ from, to, seen }) => {
    const [p, q] = [mark(from), mark(to)];
    const at = (s: number): PicturePoint => picturePoint(p.u + s * (q.u - p.u), p.v + s * (q.v - p.v));
    return seen.map(([s, t]): Firm => [at(s), at(t)]);
  });
  const chords = curves.flatMap(({ curve }) => {
    const { through = [], closed = false } = drawn.get(curve) ?? {};
    const marks = closed ? [...through, ...through.slice(0, 1)] : through;
    return marks.slice(1).map((to, i): Firm => [mark(marks[i] ?? to), mark(to)]);
  });
  return [...parts, ...chords];
}

/** Whether a line passes through what is straight above a place, up to a height. */
function crossesDrop([p, q]: Firm, u: number, from: number, to: number): boolean {
  if ((p.u - u) * (q.u - u) > 0) return false;
  const [low, high] = [Math.min(p.v, q.v), Math.max(p.v, q.v)];
  // One that stands in the drop itself is passed along all of its length.
  if (p.u === q.u) return high > from && low < to;
  const v = p.v + ((u - p.u) / (q.u - p.u)) * (q.v - p.v);
  return v > from && v < to;
}
