import { trigonometricRoots, type Trigonometric, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { circlePoint } from '@/core/solids';
import type { WorldPoint } from '@/core/space';
import type { PreparedFace } from './scene';

/**
 * Points in which a face's loops pass through the plane normal · P = offset, arcs followed as arcs. What lies in the plane within a touch counts as
 * lying above it when `zeroUp`, else below: of a side in the plane either both ends pass or none. Their number on each loop is even.
 */
export function loopCrossings(
  face: PreparedFace,
  normal: Vector3,
  offset: number,
  zeroUp: boolean,
): readonly WorldPoint[] {
  const found: WorldPoint[] = [];
  const side = (p: Vector3): number => normal.x * p.x + normal.y * p.y + normal.z * p.z - offset;
  const up = (s: number): boolean => s > tolerance.touchMm || (s >= -tolerance.touchMm && zeroUp);
  const straight = (p: WorldPoint, q: WorldPoint): void => {
    const [sp, sq] = [side(p), side(q)];
    if (up(sp) === up(sq)) return;
    const [dp, dq] = [Math.abs(sp) <= tolerance.touchMm ? 0 : sp, Math.abs(sq) <= tolerance.touchMm ? 0 : sq];
    const share = dp === dq ? 0.5 : dp / (dp - dq);
    found.push({
      x: p.x + (q.x - p.x) * share,
      y: p.y + (q.y - p.y) * share,
      z: p.z + (q.z - p.z) * share,
    } as WorldPoint);
  };
  if (face.shape?.kind !== 'planar') {
    for (const loop of face.loops) loop.forEach((q, i) => straight(loop[(i + loop.length - 1) % loop.length] ?? q, q));
    return found;
  }
  for (const loop of face.shape.loops)
    for (const { from, to, arc } of loop) {
      if (!arc) {
        straight(from, to);
        continue;
      }
      const { circle } = arc;
      const along = (d: Vector3): number => normal.x * d.x + normal.y * d.y + normal.z * d.z;
      const row: Trigonometric = [
        side(circle.centre),
        circle.radius * along(circle.first),
        circle.radius * along(circle.second),
      ];
      const [low, high] = arc.from < arc.to ? [arc.from, arc.to] : [arc.to, arc.from];
      // Between the highest and the lowest point of the circle it passes at most once.
      const turned = Math.atan2(row[2], row[1]);
      const marks = [low];
      for (let k = Math.ceil((low - turned) / Math.PI); turned + k * Math.PI < high; k += 1)
        if (turned + k * Math.PI > low) marks.push(turned + k * Math.PI);
      marks.push(high);
      const [start, end] = arc.from < arc.to ? [from, to] : [to, from];
      const value = (angle: number): number => row[0] + row[1] * Math.cos(angle) + row[2] * Math.sin(angle);
      for (let i = 0; i + 1 < marks.length; i += 1) {
        const [a, b] = [marks[i] ?? low, marks[i + 1] ?? high];
        // The loop's own corners tell their sides, so that neighbours agree.
        const first = i === 0 ? side(start) : value(a);
        const last = i + 2 === marks.length ? side(end) : value(b);
        if (up(first) === up(last)) continue;
        const [root] = trigonometricRoots(row, a, b);
        const touching =
          Math.abs(first) <= tolerance.touchMm ? a : Math.abs(last) <= tolerance.touchMm ? b : (a + b) / 2;
        found.push(circlePoint(circle, root ?? touching));
      }
    }
  return found;
}
