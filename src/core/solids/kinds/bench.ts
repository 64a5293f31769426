import { block, prism } from '../parts';
import { rule, type Kind } from '../kind';
import { equal, laid } from './helpers';

export const bench: Kind = {
  id: 'bench',
  name: 'Bench',
  group: 'seats',
  sizes: {
    width: rule(1400, 500, 4000),
    depth: rule(380, 250, 800),
    height: rule(450, 300, 1200),
    'board thickness': rule(32, 12, 80),
    'end inset': rule(120, 0, 400),
  },
  counts: { boards: rule(3, 1, 6) },
  choices: { ends: ['boards', 'cut in'] },
  refuse: (v) => (v.width < 2 * v.size('end inset') + 250 ? 'its ends meet in the middle' : null),
  parts: (v) => {
    const b = v.size('board thickness');
    const inset = v.size('end inset');
    const under = v.height - b;
    const end = (name: string, x: number) =>
      v.choice('ends') === 'cut in'
        ? prism(
            name,
            'x',
            [x, x + b * 1.4],
            [
              [v.depth * 0.08, 0],
              // A round cut between the feet.
              [v.depth * 0.32, 0, -0.8],
              [v.depth * 0.68, 0],
              [v.depth * 0.92, 0],
              [v.depth * 0.92, under],
              [v.depth * 0.08, under],
            ],
          )
        : block(name, [x, x + b * 1.4], [v.depth * 0.08, v.depth * 0.92], [0, under]);
    const n = v.count('boards');
    return [
      end('end-left', inset),
      end('end-right', v.width - inset - b * 1.4),
      block(
        'stretcher',
        [inset + b * 1.4, v.width - inset - b * 1.4],
        [v.depth / 2 - b / 2, v.depth / 2 + b / 2],
        [under * 0.45, under * 0.45 + 3 * b],
      ),
      ...laid(0, equal(n, v.depth, n > 1 ? 8 : 0), 8).map((y, i) =>
        block(`board-${i + 1}`, [0, v.width], y, [under, v.height]),
      ),
    ];
  },
};
