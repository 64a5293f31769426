import { taper, turned } from '../parts';
import { rule, type Kind } from '../kind';

export const wasteBin: Kind = {
  id: 'waste-bin',
  name: 'Waste bin',
  group: 'things',
  sizes: {
    width: rule(280, 120, 600),
    depth: rule(280, 120, 600),
    height: rule(320, 150, 900),
    'narrower below by': rule(60, 0, 200),
    rim: rule(8, 2, 30),
  },
  choices: { shape: ['round', 'square'] },
  refuse: (v) => {
    if (v.choice('shape') === 'round' && Math.abs(v.width - v.depth) > 0.5)
      return 'a round bin is as deep as it is wide';
    const least = Math.min(v.width, v.depth);
    return v.size('narrower below by') + 2 * v.size('rim') + 40 > least ? 'nothing is left of it below' : null;
  },
  parts: (v) => {
    const [less, rim] = [v.size('narrower below by'), v.size('rim')];
    if (v.choice('shape') === 'square')
      return [
        taper(
          'bin',
          [0, v.height],
          { x: [less / 2, v.width - less / 2], y: [less / 2, v.depth - less / 2] },
          { x: [0, v.width], y: [0, v.depth] },
        ),
      ];
    const [above, below] = [v.width / 2, (v.width - less) / 2];
    // Hollow, with its floor a rim's thickness above the ground.
    return [
      turned(
        'bin',
        [above, above, 0],
        [
          { r: 0, h: 0 },
          { r: below, h: 0 },
          { r: above, h: v.height },
          { r: above - rim, h: v.height },
          { r: below - rim, h: rim },
          { r: 0, h: rim },
        ],
      ),
    ];
  },
};
