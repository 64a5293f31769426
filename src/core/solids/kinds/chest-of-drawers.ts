import { block, type Part } from '../parts';
import { rule, type Kind } from '../kind';
import { equal, handle, knob, laid } from './helpers';

export const chestOfDrawers: Kind = {
  id: 'chest-of-drawers',
  name: 'Chest or wall of drawers',
  group: 'storage',
  caution:
    'Tall chests with open drawers can tip: fixing to the wall is usual. The maker’s sheet and local rules decide.',
  sizes: {
    width: rule(900, 300, 4000),
    depth: rule(480, 200, 800),
    height: rule(900, 300, 2600),
    board: rule(20, 8, 50),
    'plinth height': rule(80, 0, 200),
    'plinth set-back': rule(40, 0, 150),
    gap: rule(4, 1, 12),
  },
  counts: { columns: rule(1, 1, 14) },
  choices: { pulls: ['knobs', 'bars', 'none'] },
  divisions: {
    drawers: { usual: 4, most: 14, whole: (v) => v.height - v.size('plinth height') - 2 * v.size('board') },
  },
  refuse: (v) => {
    if (v.size('plinth set-back') + 100 > v.depth) return 'its plinth is set back behind the case';
    if ((v.width - v.size('board')) / v.count('columns') < v.size('board') + 80) return 'its columns are too narrow';
    const clear = v.height - v.size('plinth height') - 2 * v.size('board');
    return Math.min(...v.share('drawers', clear)) < 40 ? `its lowest drawer front would be under ${v.show(40)}` : null;
  },
  parts: (v) => {
    const [b, gap, foot] = [v.size('board'), v.size('gap'), v.size('plinth height')];
    const front = v.depth;
    const face = 18;
    const clear = v.height - foot - 2 * b;
    const rows = v.share('drawers', clear);
    const fit = (clear - gap * (rows.length + 1)) / clear;
    const columns = v.count('columns');
    const wide = equal(columns, v.width - 2 * b, b);
    const pulls = v.choice('pulls');
    return [
      block('case', [0, v.width], [0, front - face], [foot, v.height]),
      ...(foot > 0
        ? [block('plinth', [b, v.width - b], [b, front - v.size('plinth set-back') - face], [0, foot])]
        : []),
      // Boards come forward round the fronts.
      block('edge-left', [0, b], [front - face, front], [foot, v.height]),
      block('edge-right', [v.width - b, v.width], [front - face, front], [foot, v.height]),
      block('edge-top', [b, v.width - b], [front - face, front], [v.height - b, v.height]),
      block('edge-bottom', [b, v.width - b], [front - face, front], [foot, foot + b]),
      ...laid(b, wide, b).flatMap((x, c) =>
        laid(
          foot + b + gap,
          rows.map((row) => row * fit),
          gap,
        ).flatMap((z, r): Part[] => {
          const name = `drawer-${c + 1}-${r + 1}`;
          const [mx, mz] = [(x[0] + x[1]) / 2, (z[0] + z[1]) / 2];
          const front2 = block(name, [x[0] + gap, x[1] - gap], [front - face, front - 3], z);
          if (pulls === 'none') return [front2];
          if (pulls === 'bars') return [front2, handle(`pull-${c + 1}-${r + 1}`, x, front - 3, mz)];
          return [front2, knob(`knob-${c + 1}-${r + 1}`, [mx, front - 3, mz], Math.min(16, (z[1] - z[0]) / 5))];
        }),
      ),
    ];
  },
};
