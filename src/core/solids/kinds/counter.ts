import { block, prism } from '../parts';
import { rule, type Kind } from '../kind';
import { equal, laid, refuseRounding, topBoard, TOP_ROUNDING } from './helpers';

export const counter: Kind = {
  id: 'counter',
  name: 'Shop counter',
  group: 'tables',
  sizes: {
    width: rule(2400, 600, 6000),
    depth: rule(650, 350, 1200),
    height: rule(1050, 700, 1300),
    'top thickness': rule(40, 15, 100),
    overhang: rule(60, 0, 350),
    'kick height': rule(100, 0, 250),
    'kick set-back': rule(70, 0, 200),
    'panel frame': rule(90, 40, 200),
    ...TOP_ROUNDING,
  },
  counts: { panels: rule(4, 0, 12) },
  refuse: (v) => {
    if (v.depth < v.size('overhang') + v.size('kick set-back') + 150) return 'nothing is left under its overhang';
    const n = v.count('panels');
    if (n > 0 && v.width < (n + 1) * v.size('panel frame') + n * 60) return 'its panels are too many for its width';
    return refuseRounding(v, v.size('top thickness'));
  },
  parts: (v) => {
    const under = v.height - v.size('top thickness');
    const [kick, back] = [v.size('kick height'), v.size('kick set-back')];
    const front = v.depth - v.size('overhang');
    const frame = v.size('panel frame');
    const n = v.count('panels');
    const deep = 15;
    const opening = equal(n || 1, v.width - 2 * frame, frame);
    const holes = laid(frame, opening, frame).map(([a, b]): [number, number][] => [
      [a, kick + frame],
      [b, kick + frame],
      [b, under - frame],
      [a, under - frame],
    ]);
    const body = n > 0 ? front - deep : front;
    return [
      topBoard(v, 'top', [under, v.height]),
      block('body', [0, v.width], [0, body], [kick, under]),
      // The frame stands before the panels, which are the body's own face.
      ...(n > 0
        ? [
            prism(
              'frame',
              'y',
              [body, front],
              [
                [0, kick],
                [v.width, kick],
                [v.width, under],
                [0, under],
              ],
              holes,
            ),
          ]
        : []),
      ...(kick > 0 ? [block('kick', [0, v.width], [0, front - back], [0, kick])] : []),
    ];
  },
};
