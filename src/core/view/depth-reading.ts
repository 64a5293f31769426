import type { Millimetres, PaperMillimetres } from '@/core/units';
import { depthPerPaperMm, widthPerPaperMm } from './cone';
import { projectPoint } from './project-point';
import { eyeFromWorld, type SetUp } from './set-up';
import { planPoint, worldFromPlan } from '@/core/space';
import { dot2 } from '@/core/geometry';

/** What a step on paper means on the floor at a depth: real mm. */
export interface StepMeans {
  /** Nearer, for a step down, and farther, for a step up: both sides differ. */
  readonly nearer: Millimetres;
  /** Infinite when the step reaches the horizon. */
  readonly farther: Millimetres;
  readonly sideways: Millimetres;
}

/** Depth read off the floor from its height under the horizon: t = −k·e/v. */
export const depthAtV = (setUp: SetUp, v: PaperMillimetres): Millimetres =>
  (-setUp.viewingDistance * setUp.eyeHeight) / v;
export const vAtDepth = (setUp: SetUp, depth: Millimetres): PaperMillimetres =>
  (-setUp.viewingDistance * setUp.eyeHeight) / depth;

/** A finite step of `step` mm on paper at a depth, by t·v/(v ± step); t²/(k·e) and t/k for small ones. */
export function stepMeans(setUp: SetUp, depth: Millimetres, step: PaperMillimetres): StepMeans {
  const v = vAtDepth(setUp, depth);
  const up = v + step;
  return {
    nearer: depth - (depth * v) / (v - step),
    farther: up >= 0 ? Infinity : (depth * v) / up - depth,
    sideways: widthPerPaperMm(setUp, depth) * step,
  };
}

export interface DepthPoint {
  /** Real mm from the line's first end. */
  readonly real: Millimetres;
  /** Paper mm from the picture of the first end that is in front of the eye. */
  readonly paperMm: PaperMillimetres;
}

/**
 * Paper against real distance along a line of the floor picked in plan, from `from` to `to`: even steps in the room, as they lie on the
 * paper. What lies less than `near` in front of the eye is left out.
 */
export function depthCurve(
  setUp: SetUp,
  from: { readonly x: number; readonly y: number },
  to: { readonly x: number; readonly y: number },
  steps = 60,
  near = 200,
): readonly DepthPoint[] {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const points: DepthPoint[] = [];
  let first: { u: number; v: number } | null = null;
  for (let i = 0; i <= steps; i += 1) {
    const share = i / steps;
    const world = worldFromPlan(
      planPoint(from.x + (to.x - from.x) * share, from.y + (to.y - from.y) * share),
      setUp.floor,
    );
    if (eyeFromWorld(setUp, world).depth < near) continue;
    const at = projectPoint(setUp, world);
    if (!at) continue;
    first ??= at;
    points.push({ real: share * length, paperMm: Math.hypot(at.u - first.u, at.v - first.v) });
  }
  return points;
}

/** Real depth and width that a pencil's width stands for at a point of the floor; null behind the eye. */
export function pencilOnFloor(
  setUp: SetUp,
  point: { readonly x: number; readonly y: number },
  pencilMm: PaperMillimetres,
): { readonly depth: Millimetres; readonly width: Millimetres } | null {
  const t = dot2({ x: point.x - setUp.station.x, y: point.y - setUp.station.y }, setUp.forward);
  return t > 1 ? { depth: depthPerPaperMm(setUp, t) * pencilMm, width: widthPerPaperMm(setUp, t) * pencilMm } : null;
}
