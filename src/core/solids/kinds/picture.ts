import { block, prism } from '../parts';
import { rule, type Kind } from '../kind';

export const picture: Kind = {
  id: 'picture',
  name: 'Framed picture or board',
  group: 'on the wall',
  lift: 1300,
  sizes: {
    width: rule(600, 60, 4000),
    depth: rule(25, 4, 120),
    height: rule(450, 60, 2500),
    'frame width': rule(30, 4, 200),
    mount: rule(60, 0, 300),
  },
  refuse: (v) =>
    2 * (v.size('frame width') + v.size('mount')) + 20 > Math.min(v.width, v.height)
      ? 'frame and mount leave no picture'
      : null,
  parts: (v) => {
    const f = v.size('frame width');
    const inner = f + v.size('mount');
    const box = (m: number): [number, number][] => [
      [m, m],
      [v.width - m, m],
      [v.width - m, v.height - m],
      [m, v.height - m],
    ];
    return [
      prism('frame', 'y', [0, v.depth], box(0), [box(f)]),
      ...(inner > f
        ? [
            prism('mount', 'y', [0, v.depth * 0.5], box(f), [box(inner)]),
            block('sheet', [inner, v.width - inner], [0, v.depth * 0.4], [inner, v.height - inner]),
          ]
        : [block('sheet', [f, v.width - f], [0, v.depth * 0.5], [f, v.height - f])]),
    ];
  },
};
