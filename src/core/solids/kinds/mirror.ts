import { block, drum, prism, ring } from '../parts';
import { rule, type Kind } from '../kind';

export const mirror: Kind = {
  id: 'mirror',
  name: 'Mirror',
  group: 'on the wall',
  caution: 'Glass low down or where people pass may have to be safety glass: local rules and the maker decide.',
  sizes: {
    width: rule(700, 150, 3000),
    depth: rule(30, 8, 120),
    height: rule(1800, 150, 2800),
    'frame width': rule(50, 0, 200),
  },
  lift: 200,
  choices: { shape: ['rectangular', 'round'] },
  refuse: (v) => {
    if (v.size('frame width') * 2 + 60 > Math.min(v.width, v.height)) return 'its frame leaves no glass';
    return v.choice('shape') === 'round' && Math.abs(v.width - v.height) > 0.5
      ? 'a round mirror is as high as it is wide'
      : null;
  },
  parts: (v) => {
    const f = v.size('frame width');
    const glass = v.depth * 0.6;
    if (v.choice('shape') === 'round') {
      const r = v.width / 2;
      return [
        drum('glass', [r, 0, r], r - f, glass, 'y'),
        ...(f > 0 ? [ring('frame', [r, 0, r], r - f, r, v.depth, 'y')] : []),
      ];
    }
    return [
      block('glass', [f, v.width - f], [0, glass], [f, v.height - f]),
      ...(f > 0
        ? [
            prism(
              'frame',
              'y',
              [0, v.depth],
              [
                [0, 0],
                [v.width, 0],
                [v.width, v.height],
                [0, v.height],
              ],
              [
                [
                  [f, f],
                  [v.width - f, f],
                  [v.width - f, v.height - f],
                  [f, v.height - f],
                ],
              ],
            ),
          ]
        : []),
    ];
  },
};
