import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import { along2, type Vector2 } from '@/core/geometry';
import type { Id, Space } from '@/core/record';
import { worldFromPlan, planPoint, type WorldPoint } from '@/core/space';
import type { BodyBuilder } from '../body-builder';
import type { CeilingRegion } from '../ceilings';
import type { Corners } from './corners';
import { DOWN, opposite } from './directions';
import { ceilingJoint, ceilingOf } from './room-names';

/** Flat parts of the ceiling, with the uprights where two heights meet and the creases where two slopes do. */
export function ceilingRegions(
  builder: BodyBuilder,
  corners: Corners,
  space: Space,
  regions: readonly CeilingRegion[],
  floorZ: number,
): void {
  const regionId = (region: number): Id => ceilingOf(space, region).id;
  const point = (p: Vector2, height: number): WorldPoint => worldFromPlan(planPoint(p.x, p.y), floorZ + height);
  regions.forEach(({ outline, height }, r) => {
    builder.face({
      ...ceilingOf(space, r),
      part: space.id,
      loops: [outline.map((p, k) => corners.at(point(p, height(p)), ceilingOf(space, r, `corner-${k + 1}`)))],
      normalToward: DOWN,
      seen: 'room-side',
    });
  });
  let meeting = 0;
  regions.forEach((one, r) => {
    regions.slice(r + 1).forEach((other, o) => {
      for (const [p, q] of sharedStretches(one.outline, other.outline)) {
        meeting += 1;
        const joint = meeting;
        const named = (place: 'crease' | 'upright' | 'edge' | 'corner', own: string) =>
          ceilingJoint(space, joint, place, own);
        const heights = [one.height(p), one.height(q), other.height(p), other.height(q)] as const;
        const ids = [regionId(r), regionId(r + 1 + o)] as const;
        const [a, b] = [
          corners.at(point(p, heights[0]), named('corner', '1')),
          corners.at(point(q, heights[1]), named('corner', '2')),
        ];
        if (
          Math.abs(heights[0] - heights[2]) < tolerance.sameHeightMm &&
          Math.abs(heights[1] - heights[3]) < tolerance.sameHeightMm
        ) {
          builder.edge(named('crease', 'ridge'), a, b, ids);
          continue;
        }
        const [c, d] = [
          corners.at(point(p, heights[2]), named('corner', '3')),
          corners.at(point(q, heights[3]), named('corner', '4')),
        ];
        // Clockwise outlines have their inside to the right of each side. The upright looks to where the ceiling is higher.
        const toRight = { x: q.y - p.y, y: p.x - q.x, z: 0 };
        const upright = named('upright', 'upright');
        builder.face({
          ...upright,
          part: `${space.id}/joint-${joint}`,
          loops: [[a, b, d, c]],
          normalToward: heights[0] > heights[2] ? toRight : opposite(toRight),
          seen: 'room-side',
        });
        builder.edge(named('edge', 'edge-1'), a, b, [ids[0], upright.id]);
        builder.edge(named('edge', 'edge-2'), c, d, [ids[1], upright.id]);
      }
    });
  });
}

/** Stretches where sides of two outlines lie on each other, in opposite senses, in the first one's sense. */
function sharedStretches(one: readonly Vector2[], other: readonly Vector2[]): readonly (readonly [Vector2, Vector2])[] {
  const stretches: [Vector2, Vector2][] = [];
  one.forEach((a, i) => {
    const b = at(one, (i + 1) % one.length);
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const run = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
    const off = (p: Vector2): number => Math.abs((p.x - a.x) * run.y - (p.y - a.y) * run.x);
    const along = (p: Vector2): number => (p.x - a.x) * run.x + (p.y - a.y) * run.y;
    other.forEach((c, k) => {
      const d = at(other, (k + 1) % other.length);
      if (off(c) > tolerance.sameHeightMm || off(d) > tolerance.sameHeightMm || along(c) < along(d)) return;
      const [from, to] = [Math.max(0, along(d)), Math.min(length, along(c))];
      if (to - from > tolerance.samePointMm) stretches.push([along2(a, run, from), along2(a, run, to)]);
    });
  });
  return stretches;
}
