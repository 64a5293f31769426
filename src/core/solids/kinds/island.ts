import { block } from '../parts';
import { rule, type Kind } from '../kind';
import { laid, refuseRounding, topBoard, TOP_ROUNDING } from './helpers';
import { RUN_SIZES, unitFronts } from './kitchen-run';

export const island: Kind = {
  id: 'island',
  name: 'Island',
  group: 'kitchen',
  sizes: {
    width: rule(2000, 800, 4000),
    depth: rule(1000, 600, 1600),
    height: rule(910, 700, 1100),
    ...RUN_SIZES,
    'seating overhang': rule(280, 0, 450),
    ...TOP_ROUNDING,
  },
  divisions: { units: { one: 'unit', usual: 3, most: 10, whole: (v) => v.width - 2 * v.size('worktop overhang') } },
  choices: { fronts: ['drawers', 'doors', 'drawer over door'] },
  refuse: (v) => {
    const clear = v.depth - v.size('seating overhang') - v.size('worktop overhang') - v.size('front thickness');
    if (clear < 2 * v.size('plinth set-back') + 200) return 'nothing is left of its depth under the overhangs';
    if (v.width < 2 * (v.size('worktop overhang') + v.size('plinth set-back')) + 300)
      return 'nothing is left of its width';
    if (Math.min(...v.share('units')) < 150) return `its narrowest unit would be under ${v.show(150)}`;
    if (v.height < v.size('plinth height') + v.size('worktop thickness') + 250)
      return `its doors would be under ${v.show(250)} high`;
    return refuseRounding(v, v.size('worktop thickness'));
  },
  parts: (v) => {
    const [over, foot, top] = [
      v.size('worktop overhang'),
      v.size('plinth height'),
      v.height - v.size('worktop thickness'),
    ];
    const [x0, x1, y0] = [over, v.width - over, v.size('seating overhang')];
    const face = v.depth - over;
    const carcass = face - v.size('front thickness');
    const back = v.size('plinth set-back');
    return [
      topBoard(v, 'worktop', [top, v.height]),
      block('carcass', [x0, x1], [y0, carcass], [foot, top]),
      ...(foot > 0 ? [block('plinth', [x0 + back, x1 - back], [y0 + back, carcass - back], [0, foot])] : []),
      ...laid(x0, v.share('units'), 0).flatMap((x, i) =>
        unitFronts(`unit-${i + 1}`, x, [carcass, face], [foot + 3, top - 3], v.choice('fronts')),
      ),
    ];
  },
};
