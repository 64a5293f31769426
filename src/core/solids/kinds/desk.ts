import { block } from '../parts';
import { rule, type Kind } from '../kind';
import { handle, laid, refuseRounding, topBoard, TOP_ROUNDING } from './helpers';

/** Height of the plinth under the pedestal, and the gap between two drawers, mm. */
const [PLINTH, GAP] = [60, 4];

export const desk: Kind = {
  id: 'desk',
  name: 'Desk with drawers',
  group: 'tables',
  sizes: {
    width: rule(1400, 900, 2400),
    depth: rule(700, 450, 1000),
    height: rule(740, 600, 1150),
    board: rule(22, 10, 60),
    'pedestal width': rule(400, 250, 600),
    ...TOP_ROUNDING,
  },
  divisions: {
    drawers: {
      one: 'drawer',
      usual: 3,
      most: 6,
      whole: (v, n) => v.height - 2 * v.size('board') - PLINTH - (n - 1) * GAP,
      clearOf: 'the case and the gaps',
    },
  },
  choices: { pedestal: ['right', 'left'] },
  refuse: (v) => {
    if (v.width < v.size('pedestal width') + 450) return 'no room is left for the knees';
    return refuseRounding(v, v.size('board'));
  },
  parts: (v) => {
    const b = v.size('board');
    const under = v.height - b;
    const wide = v.size('pedestal width');
    const right = v.choice('pedestal') === 'right';
    const [x0, x1] = right ? [v.width - wide, v.width] : [0, wide];
    const leg = right ? 0 : v.width - b;
    return [
      topBoard(v, 'top', [under, v.height]),
      block('end', [leg, leg + b], [20, v.depth - 20], [0, under]),
      block('modesty', right ? [b, x0] : [x1, leg], [40, 40 + b], [under * 0.45, under]),
      block('pedestal', [x0, x1], [20, v.depth - 20 - b], [PLINTH, under]),
      block('plinth', [x0 + b, x1 - b], [40, v.depth - 80], [0, PLINTH]),
      ...laid(PLINTH, v.share('drawers'), GAP).flatMap((z, i) => [
        block(`drawer-${i + 1}`, [x0 + 2, x1 - 2], [v.depth - 20 - b, v.depth - 20], z),
        handle(`handle-${i + 1}`, [x0, x1], v.depth - 20, z[1] - 40),
      ]),
    ];
  },
};
