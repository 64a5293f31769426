import { block, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { laid } from './helpers';

export const railing: Kind = {
  id: 'railing',
  name: 'Guard rail with balusters',
  group: 'stairs',
  caution: 'Guard height and the gaps between balusters are set by local codes; a licensed professional decides.',
  sizes: {
    width: rule(1800, 300, 8000),
    depth: rule(60, 25, 200),
    height: rule(1000, 400, 1300),
    'gap between balusters': rule(90, 20, 300),
    baluster: rule(18, 8, 60),
    post: rule(60, 25, 150),
  },
  refuse: (v) => {
    if (v.size('baluster') > v.depth || v.size('post') * 2 + v.size('gap between balusters') > v.width)
      return 'its posts leave no room for balusters';
    return null;
  },
  parts: (v) => {
    const [p, b] = [v.size('post'), v.size('baluster')];
    const clear = v.width - 2 * p;
    const n = Math.max(1, Math.ceil((clear - v.size('gap between balusters')) / (v.size('gap between balusters') + b)));
    const gap = (clear - n * b) / (n + 1);
    const y: Range = [(v.depth - b) / 2, (v.depth + b) / 2];
    return [
      block('post-left', [0, p], [0, v.depth], [0, v.height - 50]),
      block('post-right', [v.width - p, v.width], [0, v.depth], [0, v.height - 50]),
      block('rail', [0, v.width], [0, v.depth], [v.height - 50, v.height]),
      block('foot-rail', [p, v.width - p], y, [80, 110]),
      ...laid(
        p + gap,
        Array.from({ length: n }, () => b),
        gap,
      ).map((x, i) => block(`baluster-${i + 1}`, x, y, [110, v.height - 50])),
    ];
  },
};
