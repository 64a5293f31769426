import { block, prism } from '../parts';
import { rule, type Kind } from '../kind';
import { lieWithin, meet, outlineCrossesItself } from '../outline-check';
import type { OutlineCorner } from '@/core/record';

const rowsOf = (corners: readonly OutlineCorner[]) => corners.map(({ x, y, bulge }) => [x, y, bulge] as const);

const VIEW_AXIS = { plan: 'z', front: 'y', side: 'x' } as const;

/** Cut freely: outlines drawn or typed in plan, front and side view, each pushed through from one depth to another. */
export const blockKind: Kind = {
  id: 'block',
  name: 'Block, freely cut',
  group: 'blocks',
  sizes: { width: rule(600, 1, 100000), depth: rule(400, 1, 100000), height: rule(400, 1, 100000) },
  refuse: (v) => {
    for (const outline of v.outlines) {
      if (outline.corners.length < 2) return `its ${outline.view} outline has fewer than two corners`;
      if (Math.abs(outline.to - outline.from) < 0.5) return `its ${outline.view} outline is pushed through by nothing`;
      if (outlineCrossesItself(outline.corners))
        return `its ${outline.view} outline crosses itself or encloses nothing`;
      if (outline.holes.some((hole) => !lieWithin(outline.corners, hole)))
        return `a hole of its ${outline.view} outline crosses itself or does not lie within it`;
      if (outline.holes.some((hole, i) => outline.holes.slice(i + 1).some((other) => meet(hole, other))))
        return `two holes of its ${outline.view} outline run into each other`;
    }
    return null;
  },
  parts: (v) =>
    v.outlines.length === 0
      ? [block('block', [0, v.width], [0, v.depth], [0, v.height])]
      : v.outlines.map(({ id, view, corners, holes, from, to }) =>
          prism(id, VIEW_AXIS[view], [Math.min(from, to), Math.max(from, to)], rowsOf(corners), holes.map(rowsOf)),
        ),
};
