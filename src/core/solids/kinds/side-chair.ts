import { block, prism, type Part, type Range } from '../parts';
import { rule, type Kind, type Values } from '../kind';
import { equal, laid } from './helpers';

export const sideChair: Kind = {
  id: 'side-chair',
  name: 'Side chair',
  group: 'seats',
  sizes: {
    width: rule(450, 300, 700),
    depth: rule(520, 350, 800),
    height: rule(850, 600, 1300),
    'seat height': rule(450, 250, 700),
    'seat thickness': rule(40, 15, 120),
    'leg thickness': rule(38, 15, 70),
    rake: rule(80, 0, 200),
    // Nought: as they fill the back.
    'slat height': rule(0, 0, 300),
    'gap between slats': rule(0, 0, 400),
    'lowest slat above the seat': rule(60, 0, 600),
  },
  counts: { slats: rule(3, 1, 8) },
  refuse: (v) => {
    if (v.size('seat height') + 120 > v.height) return `its back must rise at least ${v.show(120)} above the seat`;
    if (v.size('rake') + 4 * v.size('leg thickness') > v.depth) return 'its back leans farther than the seat is deep';
    if (v.size('seat height') < v.size('seat thickness') + 60) return 'its seat is thicker than it stands high';
    const slats = slatsOf(v);
    return slats.some(([low, high]) => high - low < 8) || (slats.at(-1)?.[1] ?? 0) > v.height + 0.05
      ? 'its slats do not go into its back at that height, gap and place'
      : null;
  },
  parts: (v) => {
    const t = v.size('leg thickness');
    const top = v.size('seat height');
    const under = top - v.size('seat thickness');
    const lean = v.size('rake');
    // The seat's back edge stands forward of the footprint by the lean, so that the raked back stays inside it.
    const back = lean;
    const y = (z: number): number => back - (lean * (z - top)) / (v.height - top);
    const post = (name: string, x0: number): Part =>
      prism(
        name,
        'x',
        [x0, x0 + t],
        [
          [back, 0],
          [back + t, 0],
          [back + t, top],
          [y(v.height) + t, v.height],
          [y(v.height), v.height],
          [back, top],
        ],
      );
    const slats = slatsOf(v).map(([low, high], i) =>
      prism(
        `slat-${i + 1}`,
        'x',
        [t, v.width - t],
        [
          [y(low) + t * 0.3, low],
          [y(low) + t * 0.8, low],
          [y(high) + t * 0.8, high],
          [y(high) + t * 0.3, high],
        ],
      ),
    );
    const [x0, x1, f] = [0, v.width, v.depth];
    return [
      post('post-left', x0),
      post('post-right', x1 - t),
      block('leg-front-left', [x0, t], [f - t, f], [0, under]),
      block('leg-front-right', [x1 - t, x1], [f - t, f], [0, under]),
      block('seat', [x0, x1], [back + t, f], [under, top]),
      block('rail-left', [t * 0.25, t * 0.75], [back + t, f - t], [under * 0.45, under * 0.45 + t * 0.7]),
      block('rail-right', [x1 - t * 0.75, x1 - t * 0.25], [back + t, f - t], [under * 0.45, under * 0.45 + t * 0.7]),
      ...slats,
    ];
  },
};

/** Heights of the slats from the lowest up: as high and as far apart as was measured; what was not follows from the room there is. */
function slatsOf(v: Values): readonly Range[] {
  const n = v.count('slats');
  const from = v.size('seat height') + v.size('lowest slat above the seat');
  const room = v.height - from;
  const [high, between] = [v.size('slat height'), v.size('gap between slats')];
  const spread = high > 0 ? (room - n * high) / Math.max(1, n - 1) : Math.min(40, room / (2 * n + 2));
  const gap = between > 0 ? between : Math.max(0, spread);
  return laid(from, high > 0 ? Array.from({ length: n }, () => high) : equal(n, room, gap), gap);
}
