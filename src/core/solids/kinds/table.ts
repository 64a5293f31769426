import { block, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { LEG_SHAPES, legs, refuseRounding, topBoard, TOP_ROUNDING } from './helpers';

export const table: Kind = {
  id: 'table',
  name: 'Table',
  group: 'tables',
  sizes: {
    width: rule(1600, 400, 4000),
    depth: rule(800, 300, 1800),
    height: rule(740, 300, 1200),
    'top thickness': rule(30, 10, 100),
    'leg thickness': rule(70, 20, 200),
    'leg inset': rule(40, 0, 300),
    apron: rule(90, 0, 250),
    ...TOP_ROUNDING,
  },
  choices: { legs: LEG_SHAPES },
  refuse: (v) => {
    const reach = 2 * (v.size('leg inset') + v.size('leg thickness'));
    if (reach + 50 > Math.min(v.width, v.depth)) return 'its legs meet under the top';
    if (v.size('apron') + v.size('top thickness') + 50 > v.height) return 'its apron reaches the floor';
    return refuseRounding(v, v.size('top thickness'));
  },
  parts: (v) => {
    const [t, inset] = [v.size('leg thickness'), v.size('leg inset')];
    const under = v.height - v.size('top thickness');
    const apron = v.size('apron');
    const [l, r, b, f] = [inset, v.width - inset, inset, v.depth - inset];
    const z: Range = [under - apron, under];
    const rails =
      apron > 0
        ? [
            block('apron-back', [l + t, r - t], [b + t * 0.15, b + t * 0.45], z),
            block('apron-front', [l + t, r - t], [f - t * 0.45, f - t * 0.15], z),
            block('apron-left', [l + t * 0.15, l + t * 0.45], [b + t, f - t], z),
            block('apron-right', [r - t * 0.45, r - t * 0.15], [b + t, f - t], z),
          ]
        : [];
    return [
      topBoard(v, 'top', [under, v.height]),
      ...legs([0, v.width], [0, v.depth], [0, under], t, inset, v.choice('legs')),
      ...rails,
    ];
  },
};
