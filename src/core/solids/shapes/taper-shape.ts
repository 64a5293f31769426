import { at as nth } from '@/core/base';
import type { Id } from '@/core/record';
import { directionIn, pointIn, type Axes } from '../axes';
import type { Taper } from '../parts';
import { plain, type Shaping } from './shape';

/** Between two level rectangles: six flat faces, the corners named as a block's. */
export function taperShape({ z, below, above }: Taper, axes: Axes, shaping: Shaping): void {
  const { builder, belonging, part } = shaping;
  const full = (name: string): Id => shaping.named(plain(name)).id;
  const corners = [
    { name: 'back-left', x: 0, y: 0 },
    { name: 'back-right', x: 1, y: 0 },
    { name: 'front-right', x: 1, y: 1 },
    { name: 'front-left', x: 0, y: 1 },
  ] as const;
  const levels = [
    { name: 'bottom', of: below, z: z[0], out: -1 },
    { name: 'top', of: above, z: z[1], out: 1 },
  ] as const;
  for (const level of levels)
    for (const c of corners)
      builder.vertex(
        shaping.named({ name: `${c.name}-${level.name}`, which: plain(c.name).which, level: level.name }),
        pointIn(axes, level.of.x[c.x], level.of.y[c.y], level.z),
      );
  for (const level of levels)
    builder.face({
      ...shaping.named({ name: level.name, which: '', level: level.name }),
      part,
      loops: [corners.map((c) => full(`${c.name}-${level.name}`))],
      normalToward: directionIn(axes, 0, 0, level.out),
      ...belonging,
    });
  const sides = ['back', 'right', 'front', 'left'] as const;
  const out = { back: [0, -1, 0], right: [1, 0, 0], front: [0, 1, 0], left: [-1, 0, 0] } as const;
  sides.forEach((side, i) => {
    const [a, b] = [nth(corners, i).name, nth(corners, (i + 1) % 4).name];
    const [ox, oy, oz] = out[side];
    builder.face({
      ...shaping.named(plain(side)),
      part,
      loops: [[full(`${a}-bottom`), full(`${b}-bottom`), full(`${b}-top`), full(`${a}-top`)]],
      normalToward: directionIn(axes, ox, oy, oz),
      ...belonging,
    });
    for (const level of levels)
      builder.edge(
        shaping.named(plain(`${level.name}-${side}`)),
        full(`${a}-${level.name}`),
        full(`${b}-${level.name}`),
        [full(level.name), full(side)],
      );
    builder.edge(shaping.named(plain(a)), full(`${a}-bottom`), full(`${a}-top`), [
      full(nth(sides, (i + 3) % 4)),
      full(side),
    ]);
  });
}
