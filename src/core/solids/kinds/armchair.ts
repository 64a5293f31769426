import { block, prism, type Part, type Range } from '../parts';
import { rule, type Kind, type Values } from '../kind';
import { equal, laid, LEG_SHAPES, legs } from './helpers';

/** Thickness of an open arm's pad, mm. */
const ARM_PAD = 40;

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
    'foot thickness': rule(50, 20, 120),
    'foot inset': rule(30, 0, 200),
    'cushion drop in front': rule(0, 0, 120),
  },
  counts: { cushions: rule(1, 1, 4) },
  choices: { arms: ['closed', 'open'], feet: LEG_SHAPES },
  refuse: (v) => {
    if (v.width < 2 * v.size('arm width') + 250 * v.count('cushions')) return 'no room is left between its arms';
    if (v.depth < v.size('back thickness') + 300) return 'no seat is left in front of its back';
    if (v.size('seat height') < v.size('cushion thickness') + v.size('foot height') + 40)
      return 'its cushion and feet are higher than the seat';
    if (v.size('arm height') < v.size('seat height') + 20) return 'its arms are lower than the seat';
    if (v.height < v.size('arm height') + 20) return 'its back is not higher than its arms';
    if (v.size('cushion drop in front') > v.size('cushion thickness') - 20)
      return 'its cushion drops by more than it is thick';
    if (2 * (v.size('foot inset') + v.size('foot thickness')) + 50 > Math.min(v.width, v.depth))
      return 'its feet meet under the seat';
    const deck = v.size('seat height') - v.size('cushion thickness');
    return v.choice('arms') === 'open' && v.size('arm height') - ARM_PAD < deck + 60
      ? `its arms leave under ${v.show(60)} open`
      : null;
  },
  parts: (v) => {
    const [arm, back, foot] = [v.size('arm width'), v.size('back thickness'), v.size('foot height')];
    const seat = v.size('seat height');
    const deck = seat - v.size('cushion thickness');
    const inside = v.width - 2 * arm;
    const n = v.count('cushions');
    return [
      ...legs([0, v.width], [0, v.depth], [0, foot], v.size('foot thickness'), v.size('foot inset'), v.choice('feet')),
      ...armParts(v, 'left', [0, arm], deck),
      ...armParts(v, 'right', [v.width - arm, v.width], deck),
      block('base', [arm, v.width - arm], [0, v.depth - 20], [foot, deck]),
      block('back', [arm, v.width - arm], [0, back], [deck, v.height]),
      ...laid(arm + 5, equal(n, inside - 10, 10), 10).map((x, i) =>
        cushion(`cushion-${i + 1}`, x, [back, v.depth], [deck, seat], v.size('cushion drop in front')),
      ),
    ];
  },
};

/** An arm: closed down to the feet, or a pad on a post before and behind, open above the seat's own height. */
function armParts(v: Values, side: string, x: Range, deck: number): Part[] {
  const [foot, top] = [v.size('foot height'), v.size('arm height')];
  if (v.choice('arms') === 'closed') return [block(`arm-${side}`, x, [0, v.depth], [foot, top])];
  const under = top - ARM_PAD;
  const post = Math.min(60, v.depth / 6);
  return [
    block(`arm-${side}`, x, [0, v.depth], [under, top]),
    block(`post-front-${side}`, x, [v.depth - post, v.depth], [foot, under]),
    block(`post-back-${side}`, x, [0, post], [foot, under]),
    block(`rail-${side}`, x, [post, v.depth - post], [foot, deck]),
  ];
}

/** A cushion, level or lower in front. */
const cushion = (name: string, x: Range, y: Range, z: Range, drop: number): Part =>
  drop === 0
    ? block(name, x, y, z)
    : prism(name, 'x', x, [
        [y[0], z[0]],
        [y[1], z[0]],
        [y[1], z[1] - drop],
        [y[0], z[1]],
      ]);
