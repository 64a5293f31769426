import { block, prism, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { equal, laid } from './helpers';

export const wardrobe: Kind = {
  id: 'wardrobe',
  name: 'Wardrobe with panelled doors',
  group: 'storage',
  backed: true,
  caution: 'Tall cupboards can tip: fixing to the wall is usual. The maker’s sheet and local rules decide.',
  sizes: {
    width: rule(1200, 500, 4000),
    depth: rule(600, 300, 800),
    height: rule(2100, 1200, 3000),
    'plinth height': rule(90, 0, 250),
    'cornice overhang': rule(30, 0, 120),
    'stile width': rule(90, 40, 160),
  },
  counts: { panels: rule(2, 1, 4) },
  divisions: { doors: { one: 'door', usual: 2, most: 8, whole: (v) => v.width - 2 * v.size('cornice overhang') } },
  refuse: (v) => {
    const stile = v.size('stile width');
    if (Math.min(...v.share('doors')) < 2 * stile + 70) return 'its narrowest door leaves no panel between the stiles';
    const high = v.height - v.size('plinth height') - 60;
    return high < (v.count('panels') + 1) * stile + v.count('panels') * 80
      ? 'its doors are too low for the panels'
      : null;
  },
  parts: (v) => {
    const [foot, over, stile] = [v.size('plinth height'), v.size('cornice overhang'), v.size('stile width')];
    const top = v.height - 60;
    const front = v.depth - over - 22;
    const n = v.count('panels');
    return [
      block('case', [over, v.width - over], [0, front], [foot, top]),
      block('cornice', [0, v.width], [0, v.depth], [top, v.height]),
      ...(foot > 0 ? [block('plinth', [over, v.width - over], [0, front], [0, foot])] : []),
      ...laid(over, v.share('doors'), 0).flatMap(([l, r], i) => {
        const x: Range = [l + 2, r - 2];
        const panels = laid(foot + stile, equal(n, top - foot - stile * 2, stile), stile);
        return [
          prism(
            `door-${i + 1}`,
            'y',
            [front, front + 22],
            [
              [x[0], foot + 3],
              [x[1], foot + 3],
              [x[1], top - 3],
              [x[0], top - 3],
            ],
            panels.map((z): [number, number][] => [
              [x[0] + stile, z[0]],
              [x[1] - stile, z[0]],
              [x[1] - stile, z[1]],
              [x[0] + stile, z[1]],
            ]),
          ),
          ...panels.map((z, k) =>
            block(`panel-${i + 1}-${k + 1}`, [x[0] + stile, x[1] - stile], [front, front + 8], z),
          ),
        ];
      }),
    ];
  },
};
