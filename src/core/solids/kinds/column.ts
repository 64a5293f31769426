import { block, drum } from '../parts';
import { rule, type Kind } from '../kind';

export const column: Kind = {
  id: 'column',
  name: 'Column or pier',
  group: 'things',
  sizes: {
    width: rule(320, 80, 1500),
    depth: rule(320, 80, 1500),
    height: rule(2500, 400, 6000),
    'base height': rule(120, 0, 500),
    'cap height': rule(100, 0, 500),
    'shaft set-back': rule(30, 0, 300),
  },
  choices: { shaft: ['square', 'round'] },
  refuse: (v) => {
    if (2 * v.size('shaft set-back') + 40 > Math.min(v.width, v.depth)) return 'its shaft vanishes behind base and cap';
    return v.size('base height') + v.size('cap height') + 100 > v.height ? 'base and cap meet' : null;
  },
  parts: (v) => {
    const [base, cap, s] = [v.size('base height'), v.size('cap height'), v.size('shaft set-back')];
    const [low, high] = [base, v.height - cap];
    const across = Math.min(v.width, v.depth) / 2 - s;
    return [
      ...(base > 0 ? [block('base', [0, v.width], [0, v.depth], [0, low])] : []),
      v.choice('shaft') === 'round'
        ? drum('shaft', [v.width / 2, v.depth / 2, low], across, high - low)
        : block('shaft', [s, v.width - s], [s, v.depth - s], [low, high]),
      ...(cap > 0 ? [block('cap', [0, v.width], [0, v.depth], [high, v.height])] : []),
    ];
  },
};
