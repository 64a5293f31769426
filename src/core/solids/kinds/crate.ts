import { block } from '../parts';
import { rule, type Kind } from '../kind';
import { equal, laid } from './helpers';

export const crate: Kind = {
  id: 'crate',
  name: 'Crate',
  group: 'storage',
  sizes: {
    width: rule(600, 200, 1500),
    depth: rule(400, 200, 1200),
    height: rule(350, 150, 1200),
    board: rule(18, 6, 50),
    gap: rule(15, 0, 60),
  },
  counts: { boards: rule(3, 1, 8) },
  refuse: (v) =>
    v.height < v.count('boards') * (v.size('gap') + 15) ? 'its boards are too many for its height' : null,
  parts: (v) => {
    const b = v.size('board');
    const boards = laid(0, equal(v.count('boards'), v.height, v.size('gap')), v.size('gap'));
    return [
      block('bottom', [b, v.width - b], [b, v.depth - b], [0, b]),
      ...boards.flatMap((z, i) => [
        block(`front-${i + 1}`, [0, v.width], [v.depth - b, v.depth], z),
        block(`back-${i + 1}`, [0, v.width], [0, b], z),
        block(`left-${i + 1}`, [0, b], [b, v.depth - b], z),
        block(`right-${i + 1}`, [v.width - b, v.width], [b, v.depth - b], z),
      ]),
      block('post-1', [b, 2.5 * b], [b, 2.5 * b], [b, v.height - b]),
      block('post-2', [v.width - 2.5 * b, v.width - b], [b, 2.5 * b], [b, v.height - b]),
      block('post-3', [v.width - 2.5 * b, v.width - b], [v.depth - 2.5 * b, v.depth - b], [b, v.height - b]),
      block('post-4', [b, 2.5 * b], [v.depth - 2.5 * b, v.depth - b], [b, v.height - b]),
    ];
  },
};
