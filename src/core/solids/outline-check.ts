import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import { insideLoops, isSimple, loopsTouch } from '@/core/geometry';
import { arcOf } from './shapes';

interface Corner {
  readonly x: number;
  readonly y: number;
  readonly bulge: number;
}

/** Corners of an outline with its arcs followed closely enough to see whether they cross another side. */
function followed(corners: readonly Corner[]): { x: number; y: number }[] {
  return corners.flatMap((corner, i) => {
    const next = at(corners, (i + 1) % corners.length);
    if (corner.bulge === 0) return [{ x: corner.x, y: corner.y }];
    const arc = arcOf({ p: corner.x, q: corner.y }, { p: next.x, q: next.y }, corner.bulge);
    const steps = 24;
    const points = Array.from({ length: steps - 1 }, (_, k) => {
      const share = (k + 1) / steps;
      const angle = corner.bulge > 0 ? arc.from + (arc.to - arc.from) * share : arc.to - (arc.to - arc.from) * share;
      return { x: arc.p + arc.radius * Math.cos(angle), y: arc.q + arc.radius * Math.sin(angle) };
    });
    return [{ x: corner.x, y: corner.y }, ...points];
  });
}

/** Whether a drawn outline crosses or touches itself, has a side of no length, or encloses nothing. */
export function outlineCrossesItself(corners: readonly Corner[]): boolean {
  const stuck = corners.some((corner, i) => {
    const next = at(corners, (i + 1) % corners.length);
    return Math.hypot(next.x - corner.x, next.y - corner.y) < tolerance.samePointMm;
  });
  if (stuck) return true;
  const outline = followed(corners);
  return outline.length < 3 || !isSimple(outline);
}

/** Whether a hole is an outline of its own that lies within another, touching it nowhere. */
export function lieWithin(outline: readonly Corner[], hole: readonly Corner[]): boolean {
  if (outlineCrossesItself(hole)) return false;
  const [outer, inner] = [followed(outline), followed(hole)];
  return !loopsTouch(outer, inner) && inner.every(({ x, y }) => insideLoops([outer], x, y));
}

/** Whether two holes touch each other, or one lies within the other. */
export function meet(one: readonly Corner[], other: readonly Corner[]): boolean {
  const [a, b] = [followed(one), followed(other)];
  const holds = (p: readonly { x: number; y: number }[], q: readonly { x: number; y: number }[]): boolean =>
    q.some(({ x, y }) => insideLoops([p], x, y));
  return loopsTouch(a, b) || holds(a, b) || holds(b, a);
}
