import { insideLoops, type Vector2 } from '@/core/geometry';
import { mmOf, type Space } from '@/core/record';
import { ceilingShape } from './ceiling';

/** Height of the ceiling over a point of the plan, mm above the room's floor. */
export function heightOver(space: Space, p: Vector2): number {
  const shape = ceilingShape(space);
  if (shape.kind === 'vault') return shape.vault.springing;
  const region = shape.regions.find(({ outline }) => insideLoops([outline], p.x, p.y)) ?? shape.regions[0];
  return region ? region.height(p) : mmOf(space.ceilingHeight);
}
