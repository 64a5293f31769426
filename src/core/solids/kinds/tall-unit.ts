import { block } from '../parts';
import { rule, type Kind } from '../kind';
import { handle, knob, laid } from './helpers';

export const tallUnit: Kind = {
  id: 'tall-unit',
  name: 'Tall unit',
  group: 'kitchen',
  backed: true,
  caution: 'Tall units can tip: fixing to the wall is usual. The maker’s sheet and local rules decide.',
  sizes: {
    width: rule(600, 300, 1200),
    depth: rule(600, 350, 800),
    height: rule(2100, 1400, 2700),
    'plinth height': rule(150, 0, 250),
    'plinth set-back': rule(50, 0, 150),
    'front thickness': rule(20, 8, 40),
  },
  divisions: { fronts: { one: 'front', usual: 2, most: 8, whole: (v) => v.height - v.size('plinth height') } },
  choices: { oven: ['none', 'built in'] },
  refuse: (v) => {
    const least = v.choice('oven') === 'built in' ? 400 : 80;
    return Math.min(...v.share('fronts')) < least ? `its lowest front would be under ${v.show(least)}` : null;
  },
  parts: (v) => {
    const foot = v.size('plinth height');
    const carcass = v.depth - v.size('front thickness');
    const fronts = laid(foot, v.share('fronts'), 0);
    const oven = v.choice('oven') === 'built in' ? Math.floor(fronts.length / 2) : -1;
    return [
      block('carcass', [0, v.width], [0, carcass], [foot, v.height]),
      ...(foot > 0 ? [block('plinth', [0, v.width], [0, carcass - v.size('plinth set-back')], [0, foot])] : []),
      ...fronts.flatMap((z, i) => {
        const front = block(`front-${i + 1}`, [2, v.width - 2], [carcass, v.depth], [z[0] + 2, z[1] - 2]);
        if (i !== oven) return [front, handle(`handle-${i + 1}`, [0, v.width], v.depth, z[1] - 60)];
        return [
          front,
          block('oven-glass', [60, v.width - 60], [v.depth, v.depth + 6], [z[0] + 60, z[1] - 130]),
          block('oven-handle', [60, v.width - 60], [v.depth, v.depth + 40], [z[1] - 110, z[1] - 95]),
          knob('oven-knob-left', [v.width * 0.3, v.depth, z[1] - 50], 18),
          knob('oven-knob-right', [v.width * 0.7, v.depth, z[1] - 50], 18),
        ];
      }),
    ];
  },
};
