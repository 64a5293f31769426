import { at as nth } from '@/core/base';
import type { Axes } from '../axes';
import type { Block, OutlinePoint } from '../parts';
import { prismShape, type PrismNames } from './prism-shape';
import { plain, type Shaping } from './shape';

export const CORNERS = ['back-left', 'back-right', 'front-right', 'front-left'] as const;
export const SIDES = ['back', 'right', 'front', 'left'] as const;
const LEVEL = ['bottom', 'top'] as const;
const NAMES: PrismNames = {
  corner: (end, _, i) => ({
    name: `${nth(CORNERS, i)}-${LEVEL[end]}`,
    which: plain(nth(CORNERS, i)).which,
    level: LEVEL[end],
  }),
  side: (_, i) => plain(nth(SIDES, i)),
  cap: (end) => ({ name: LEVEL[end], which: '', level: LEVEL[end] }),
  rim: (end, _, i) => plain(`${LEVEL[end]}-${nth(SIDES, i)}`),
  long: (_, i) => plain(nth(CORNERS, i)),
};

const corner = (p: number, q: number): OutlinePoint => ({ p, q });

/** A block is a prism whose corners have names of their own: back left, back right, front right, front left. */
export function blockShape({ name, x, y, z }: Block, axes: Axes, shaping: Shaping): void {
  const outline = [corner(x[0], y[0]), corner(x[1], y[0]), corner(x[1], y[1]), corner(x[0], y[1])];
  prismShape({ part: 'prism', name, along: 'z', range: z, outline }, axes, shaping, NAMES);
}
