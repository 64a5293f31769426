import { block, prism } from '../parts';
import { rule, type Kind } from '../kind';

export const wallShelf: Kind = {
  id: 'wall-shelf',
  name: 'Shelf on brackets',
  group: 'on the wall',
  lift: 1400,
  sizes: {
    width: rule(1200, 200, 4000),
    depth: rule(250, 80, 600),
    height: rule(200, 60, 500),
    board: rule(25, 8, 80),
    'bracket thickness': rule(25, 5, 60),
  },
  counts: { brackets: rule(2, 2, 8) },
  refuse: (v) => (v.size('board') + 40 > v.height ? `its brackets would be under ${v.show(40)} high` : null),
  parts: (v) => {
    const under = v.height - v.size('board');
    const t = v.size('bracket thickness');
    const n = v.count('brackets');
    return [
      block('board', [0, v.width], [0, v.depth], [under, v.height]),
      ...Array.from({ length: n }, (_, i) => {
        const x = v.width * 0.12 + ((v.width * 0.76 - t) * i) / (n - 1);
        // A right-angled bracket with a hollow curve.
        return prism(
          `bracket-${i + 1}`,
          'x',
          [x, x + t],
          [
            [0, 0],
            // Shallower where the bracket is tall and narrow, so that the curve never cuts through its back.
            [v.depth * 0.12, 0, -Math.min(0.35, (0.5 * v.depth) / under)],
            [v.depth * 0.85, under * 0.85],
            [v.depth * 0.85, under],
            [0, under],
          ],
        );
      }),
    ];
  },
};
