import { block, prism } from '../parts';
import { rule, type Kind } from '../kind';

export const screen: Kind = {
  id: 'screen',
  name: 'Screen on a stand',
  group: 'things',
  caution: 'Large screens can tip: the maker’s fixing belongs to them.',
  sizes: {
    width: rule(1230, 300, 2500),
    depth: rule(260, 120, 600),
    height: rule(780, 250, 1600),
    'screen thickness': rule(45, 10, 120),
    bezel: rule(12, 2, 60),
    'stand height': rule(70, 20, 500),
    'foot width': rule(500, 150, 1500),
  },
  refuse: (v) => {
    if (v.size('foot width') > v.width) return 'its foot is wider than the screen';
    if (v.size('screen thickness') + 40 > v.depth) return 'its foot is not deeper than the screen';
    return v.height - v.size('stand height') < 2 * v.size('bezel') + 100 ? 'its rim leaves no screen' : null;
  },
  parts: (v) => {
    const [t, m, z] = [v.size('screen thickness'), v.size('bezel'), v.size('stand height')];
    const y = (v.depth - t) / 2;
    const half = v.size('foot width') / 2;
    const box = (k: number): [number, number][] => [
      [k, z + k],
      [v.width - k, z + k],
      [v.width - k, v.height - k],
      [k, v.height - k],
    ];
    return [
      block('foot', [v.width / 2 - half, v.width / 2 + half], [0, v.depth], [0, 12]),
      block('neck', [v.width / 2 - half / 4, v.width / 2 + half / 4], [y, y + t * 0.8], [12, z]),
      prism('bezel', 'y', [y, y + t], box(0), [box(m)]),
      block('glass', [m, v.width - m], [y, y + t - 4], [z + m, v.height - m]),
    ];
  },
};
