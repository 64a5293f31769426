import { block, group, prism, type Part, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { handle, laid } from './helpers';

export const cornerWallUnit: Kind = {
  id: 'corner-wall-unit',
  name: 'Wall units round a corner',
  group: 'kitchen',
  hangs: true,
  lift: 1450,
  sizes: {
    width: rule(2400, 800, 6000),
    depth: rule(1500, 800, 6000),
    height: rule(720, 300, 1200),
    'unit depth': rule(350, 200, 600),
    'side depth': rule(350, 200, 600),
    'front thickness': rule(20, 8, 40),
  },
  divisions: {
    units: { one: 'unit', usual: 3, most: 10, whole: (v) => v.width - v.size('side depth') },
    'side units': { one: 'side unit', usual: 2, most: 10, whole: (v) => v.depth - v.size('unit depth') },
  },
  refuse: (v) => {
    const narrowest = Math.min(...v.share('units'), ...v.share('side units'));
    if (narrowest < 150) return `its narrowest unit would be under ${v.show(150)}`;
    return Math.min(v.size('unit depth'), v.size('side depth')) < v.size('front thickness') + 100
      ? 'nothing is left of its depth behind its doors'
      : null;
  },
  // The units lie along the back, and their arm comes forward along the left.
  parts: (v) => {
    const face = v.size('front thickness');
    const [unit, side] = [v.size('unit depth'), v.size('side depth')];
    const doors = (row: readonly Range[], deep: number): Part[] =>
      row.flatMap((x, i) => [
        block(`door-${i + 1}`, [x[0] + 2, x[1] - 2], [deep - face, deep], [2, v.height - 2]),
        handle(`handle-${i + 1}`, x, deep, 45),
      ]);
    return [
      prism(
        'carcass',
        'z',
        [0, v.height],
        [
          [0, 0],
          [v.width, 0],
          [v.width, unit - face],
          [side - face, unit - face],
          [side - face, v.depth],
          [0, v.depth],
        ],
      ),
      ...doors(laid(side, v.share('units'), 0), unit),
      group('arm', [0, v.depth, 0], -90, doors(laid(0, v.share('side units'), 0), side)),
    ];
  },
};
