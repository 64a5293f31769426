import { block } from '../parts';
import { rule, type Kind } from '../kind';
import { handle, laid, openCase } from './helpers';

export const wallUnit: Kind = {
  id: 'wall-unit',
  name: 'Wall units in a row',
  group: 'kitchen',
  hangs: true,
  lift: 1450,
  sizes: {
    width: rule(1800, 300, 6000),
    depth: rule(350, 200, 600),
    height: rule(720, 300, 1200),
    'front thickness': rule(20, 8, 40),
  },
  divisions: { units: { one: 'unit', usual: 3, most: 10, whole: (v) => v.width } },
  choices: { doors: ['shut', 'open shelves'] },
  refuse: (v) => (Math.min(...v.share('units')) < 150 ? `its narrowest unit would be under ${v.show(150)}` : null),
  parts: (v) => {
    const face = v.size('front thickness');
    const units = laid(0, v.share('units'), 0);
    if (v.choice('doors') === 'shut')
      return [
        block('carcass', [0, v.width], [0, v.depth - face], [0, v.height]),
        ...units.flatMap((x, i) => [
          block(`door-${i + 1}`, [x[0] + 2, x[1] - 2], [v.depth - face, v.depth], [2, v.height - 2]),
          handle(`handle-${i + 1}`, x, v.depth, 45),
        ]),
      ];
    const inner = units
      .slice(0, -1)
      .map(([, x], i) => block(`divider-${i + 1}`, [x - 9, x + 9], [8, v.depth], [18, v.height - 18]));
    return [
      ...openCase([0, v.width], [0, v.depth], [0, v.height], 18),
      ...inner,
      ...units.map((x, i) =>
        block(
          `shelf-${i + 1}`,
          [i === 0 ? 18 : x[0] + 9, i === units.length - 1 ? v.width - 18 : x[1] - 9],
          [8, v.depth - 10],
          [v.height / 2 - 9, v.height / 2 + 9],
        ),
      ),
    ];
  },
};
