import { pointIn, type Axes } from '../axes';
import type { Ball } from '../parts';
import { plain, type Shaping } from './shape';

/** A whole sphere, its top and its foot as corners one can point at. */
export function ballShape(
  { at: [x, y, z], radius }: Ball,
  axes: Axes,
  { builder, belonging, part, named }: Shaping,
): void {
  builder.vertex(named({ name: 'top', which: '', level: 'top' }), pointIn(axes, x, y, z + radius));
  builder.vertex(named(plain('foot')), pointIn(axes, x, y, z - radius));
  builder.round({
    ...named(plain('surface')),
    part,
    surface: 'sphere',
    centre: pointIn(axes, x, y, z),
    axis: axes.z,
    first: axes.x,
    second: axes.y,
    from: { along: -radius, radius: 0 },
    to: { along: radius, radius: 0 },
    radius,
    sector: [0, 2 * Math.PI],
    looks: 'away',
    ...belonging,
  });
}
