import { block } from '../parts';
import { rule, type Kind } from '../kind';
import { equal, laid, legs } from './helpers';

export const armchair: Kind = {
  id: 'armchair',
  name: 'Armchair or sofa',
  group: 'seats',
  sizes: {
    width: rule(850, 600, 3200),
    depth: rule(850, 600, 1200),
    height: rule(900, 550, 1300),
    'seat height': rule(430, 250, 600),
    'cushion thickness': rule(150, 50, 250),
    'arm width': rule(130, 50, 300),
    'arm height': rule(620, 350, 900),
    'back thickness': rule(180, 80, 350),
    'foot height': rule(100, 20, 200),
  },
  counts: { cushions: rule(1, 1, 4) },
  refuse: (v) => {
    if (v.width < 2 * v.size('arm width') + 250 * v.count('cushions')) return 'no room is left between its arms';
    if (v.depth < v.size('back thickness') + 300) return 'no seat is left in front of its back';
    if (v.size('seat height') < v.size('cushion thickness') + v.size('foot height') + 40)
      return 'its cushion and feet are higher than the seat';
    if (v.size('arm height') < v.size('seat height') + 20) return 'its arms are lower than the seat';
    return v.height < v.size('arm height') + 20 ? 'its back is not higher than its arms' : null;
  },
  parts: (v) => {
    const [arm, back, foot] = [v.size('arm width'), v.size('back thickness'), v.size('foot height')];
    const seat = v.size('seat height');
    const deck = seat - v.size('cushion thickness');
    const inside = v.width - 2 * arm;
    const n = v.count('cushions');
    return [
      ...legs([0, v.width], [0, v.depth], [0, foot], 50, 30),
      block('arm-left', [0, arm], [0, v.depth], [foot, v.size('arm height')]),
      block('arm-right', [v.width - arm, v.width], [0, v.depth], [foot, v.size('arm height')]),
      block('base', [arm, v.width - arm], [0, v.depth - 20], [foot, deck]),
      block('back', [arm, v.width - arm], [0, back], [deck, v.height]),
      ...laid(arm + 5, equal(n, inside - 10, 10), 10).map((x, i) =>
        block(`cushion-${i + 1}`, x, [back, v.depth], [deck, seat]),
      ),
    ];
  },
};
