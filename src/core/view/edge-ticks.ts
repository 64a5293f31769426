import { tolerance } from '@/core/numeric';
import { clipParameter } from '@/core/geometry';
import { picturePoint, type PicturePoint } from '@/core/space';
import { MOST_MADE, type View } from '@/core/record';
import type { PaperMillimetres } from '@/core/units';

/** One rung of the ladder: a line ruled through both marks goes to the point that is out of reach. */
export interface TickPair {
  /** Nought on the horizon, or at the middle where the point lies above or below; counted away from it to both sides. */
  readonly number: number;
  /** On the edge nearer to the point. */
  readonly near: PicturePoint;
  /** Where the same line leaves the sheet again. */
  readonly far: PicturePoint;
}

export interface TickLadder {
  readonly edge: 'left' | 'right' | 'top' | 'bottom';
  readonly stepMm: PaperMillimetres;
  readonly pairs: readonly TickPair[];
  /** What a tick 0.2 mm out of place costs in the middle of the frame: one tick alone, and both, as independent errors. */
  readonly cost: { readonly oneTickMm: PaperMillimetres; readonly bothTicksMm: PaperMillimetres };
}

/** A tick is laid off with an error of this size: the same as any measured mark. */
export const TICK_ERROR_MM = 0.2;

interface Edges {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

/** The sheet's edges in picture mm. */
function sheetEdges({ sheet, centreOfVisionOnSheet: cv }: Pick<View, 'sheet' | 'centreOfVisionOnSheet'>): Edges {
  return { left: -cv.x, right: sheet.width - cv.x, bottom: -cv.y, top: sheet.height - cv.y };
}

/**
 * The point on the line from `from` to `vanishing` continued the other way, where it leaves the sheet. From
 * v_e = v₀ + (v_V − v₀)(u_e − u₀)/(u_V − u₀) with the edges taken in turn, written as from + (from − vanishing)·λ.
 */
function leaves(edges: Edges, from: PicturePoint, vanishing: PicturePoint): PicturePoint | null {
  const du = from.u - vanishing.u;
  const dv = from.v - vanishing.v;
  // Far enough to have left any sheet: its two sides together.
  const far = (edges.right - edges.left + edges.top - edges.bottom) / Math.max(tolerance.nought, Math.hypot(du, dv));
  const end = { u: from.u + du * far, v: from.v + dv * far };
  const interval = clipParameter([
    [from.u - edges.left, end.u - edges.left],
    [edges.right - from.u, edges.right - end.u],
    [from.v - edges.bottom, end.v - edges.bottom],
    [edges.top - from.v, edges.top - end.v],
  ]);
  if (!interval || interval[1] * far * Math.hypot(du, dv) < 1) return null;
  return picturePoint(from.u + du * far * interval[1], from.v + dv * far * interval[1]);
}

/**
 * Converging ticks on the sheet's edges for a point beyond one of them: rung by rung `stepMm` apart on the nearer edge, each with its fellow
 * where the line from the point leaves the sheet. What does not lie on the sheet has no rung.
 * @returns null when the point lies on the sheet itself, where it needs no ladder.
 */
export function edgeTicks(view: View, vanishing: PicturePoint, stepMm: PaperMillimetres): TickLadder | null {
  const edges = sheetEdges(view);
  const beyond = (
    [
      ['left', edges.left - vanishing.u],
      ['right', vanishing.u - edges.right],
      ['bottom', edges.bottom - vanishing.v],
      ['top', vanishing.v - edges.top],
    ] as const
  ).reduce((worst, one) => (one[1] > worst[1] ? one : worst));
  const [edge, by] = beyond;
  if (by <= 0) return null;
  const upright = edge === 'left' || edge === 'right';
  const [low, high] = upright ? [edges.bottom, edges.top] : [edges.left, edges.right];
  const step = Math.max(stepMm, (high - low) / MOST_MADE.edgeTicks);
  const at = (along: number): PicturePoint =>
    upright ? picturePoint(edges[edge], along) : picturePoint(along, edges[edge]);
  // From the horizon where it lies on this edge, else from the middle of the edge.
  const zero = low <= 0 && high >= 0 ? 0 : (low + high) / 2;
  const pairs: TickPair[] = [];
  for (let number = Math.ceil((low - zero) / step); zero + number * step <= high; number += 1) {
    const near = at(zero + number * step);
    const far = leaves(edges, near, vanishing);
    if (far) pairs.push({ number, near, far });
  }
  return { edge, stepMm: step, pairs, cost: tickCost(view, vanishing, edges, edge) };
}

/** A line ruled through two ticks, each out by σ: σ(λ) = σ·√((1−λ)² + λ²) at λ of the way between them. */
function tickCost(view: View, vanishing: PicturePoint, edges: Edges, edge: TickLadder['edge']): TickLadder['cost'] {
  const middle = {
    u: (view.frame.left + view.frame.right) / 2,
    v: (view.frame.bottom + view.frame.top) / 2,
  };
  const upright = edge === 'left' || edge === 'right';
  // The line from the point through the frame's middle, to the near edge and on to where it leaves the sheet.
  const towards = upright
    ? (edges[edge] - vanishing.u) / (middle.u - vanishing.u)
    : (edges[edge] - vanishing.v) / (middle.v - vanishing.v);
  const near = picturePoint(
    vanishing.u + (middle.u - vanishing.u) * towards,
    vanishing.v + (middle.v - vanishing.v) * towards,
  );
  const far = leaves(edges, near, vanishing);
  if (!far) return { oneTickMm: TICK_ERROR_MM, bothTicksMm: TICK_ERROR_MM };
  const along = Math.hypot(middle.u - near.u, middle.v - near.v) / Math.hypot(far.u - near.u, far.v - near.v);
  const share = Math.max(along, 1 - along);
  return { oneTickMm: TICK_ERROR_MM * share, bothTicksMm: TICK_ERROR_MM * Math.hypot(along, 1 - along) };
}
