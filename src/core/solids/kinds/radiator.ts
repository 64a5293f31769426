import { block, drum } from '../parts';
import { rule, type Kind } from '../kind';
import { equal, laid } from './helpers';

export const radiator: Kind = {
  id: 'radiator',
  name: 'Radiator',
  group: 'on the wall',
  lift: 120,
  sizes: {
    width: rule(1000, 200, 3000),
    depth: rule(120, 40, 300),
    height: rule(600, 200, 2200),
    pipe: rule(16, 5, 40),
  },
  counts: { columns: rule(14, 2, 60) },
  refuse: (v) => {
    if (v.width / v.count('columns') < 25) return 'its columns are too many for its width';
    return 2 * v.size('pipe') + 10 > v.depth ? 'its pipe is thicker than it' : null;
  },
  parts: (v) => {
    const pipe = v.size('pipe');
    const n = v.count('columns');
    return [
      ...laid(0, equal(n, v.width, 8), 8).map((x, i) =>
        block(`column-${i + 1}`, x, [v.depth * 0.1, v.depth], [0, v.height]),
      ),
      drum('pipe-low', [0, v.depth / 2, 40], pipe / 2, v.width, 'x'),
      drum('pipe-high', [0, v.depth / 2, v.height - 40], pipe / 2, v.width, 'x'),
    ];
  },
};
