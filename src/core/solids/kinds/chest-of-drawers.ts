import { block, type Part, type Range } from '../parts';
import { rule, type Kind, type Values } from '../kind';
import { castors, handle, knob, laid } from './helpers';

export const chestOfDrawers: Kind = {
  id: 'chest-of-drawers',
  name: 'Chest or wall of drawers',
  group: 'storage',
  backed: true,
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
    // Nought: it stands on its plinth.
    'castor height': rule(0, 0, 150),
  },
  choices: { pulls: ['knobs', 'bars', 'none'], 'running through': ['rows', 'columns'] },
  divisions: {
    drawers: {
      one: 'drawer',
      usual: 4,
      most: 14,
      whole: (v, n) => v.height - footOf(v) - 2 * v.size('board') - (n + 1) * v.size('gap'),
      clearOf: 'the case and the gaps',
      each: (v) => (v.choice('running through') === 'columns' ? 'columns' : null),
    },
    columns: {
      one: 'column',
      usual: 1,
      most: 14,
      whole: (v, n) => v.width - (n + 1) * v.size('board') - 2 * n * v.size('gap'),
      clearOf: 'the case and the gaps',
      each: (v) => (v.choice('running through') === 'rows' ? 'drawers' : null),
    },
  },
  refuse: (v) => {
    const wheels = v.size('castor height');
    if (wheels > 0 && (wheels < 25 || 3 * wheels + 80 > v.depth))
      return `its castors are under ${v.show(25)} high, or too large for its depth`;
    if (v.size('plinth set-back') + 100 > v.depth) return 'its plinth is set back behind the case';
    const fronts = frontsOf(v);
    if (Math.min(...fronts.map(({ x }) => x[1] - x[0])) < 60) return 'its columns are too narrow';
    return Math.min(...fronts.map(({ z }) => z[1] - z[0])) < 35
      ? `its lowest drawer front would be under ${v.show(35)}`
      : null;
  },
  parts: (v) => {
    const [b, foot] = [v.size('board'), footOf(v)];
    const front = v.depth;
    const face = 18;
    const pulls = v.choice('pulls');
    return [
      block('case', [0, v.width], [0, front - face], [foot, v.height]),
      ...(v.size('castor height') > 0
        ? castors([0, v.width], [0, front], foot)
        : foot > 0
          ? [block('plinth', [b, v.width - b], [b, front - v.size('plinth set-back') - face], [0, foot])]
          : []),
      // Boards come forward round the fronts.
      block('edge-left', [0, b], [front - face, front], [foot, v.height]),
      block('edge-right', [v.width - b, v.width], [front - face, front], [foot, v.height]),
      block('edge-top', [b, v.width - b], [front - face, front], [v.height - b, v.height]),
      block('edge-bottom', [b, v.width - b], [front - face, front], [foot, foot + b]),
      ...frontsOf(v).flatMap(({ name, x, z }): Part[] => {
        const [mx, mz] = [(x[0] + x[1]) / 2, (z[0] + z[1]) / 2];
        const drawer = block(`drawer-${name}`, x, [front - face, front - 3], z);
        if (pulls === 'none') return [drawer];
        if (pulls === 'bars') return [drawer, handle(`pull-${name}`, x, front - 3, mz)];
        return [drawer, knob(`knob-${name}`, [mx, front - 3, mz], Math.min(16, (z[1] - z[0]) / 5))];
      }),
    ];
  },
};

/** How high its case stands: on castors where it has them, else on its plinth. */
const footOf = (v: Values): number => v.size('castor height') || v.size('plinth height');

/** Fronts of the drawers, column by column and row by row from below, each with a gap all round. */
function frontsOf(v: Values): readonly { readonly name: string; readonly x: Range; readonly z: Range }[] {
  const [b, gap, foot] = [v.size('board'), v.size('gap'), footOf(v)];
  const rows = (column: number) => laid(foot + b + gap, v.share('drawers', column), gap);
  const columns = (row: number) => laid(b + gap, v.share('columns', row), b + 2 * gap);
  return v.choice('running through') === 'rows'
    ? rows(0).flatMap((z, r) => columns(r).map((x, c) => ({ name: `${c + 1}-${r + 1}`, x, z })))
    : columns(0).flatMap((x, c) => rows(c).map((z, r) => ({ name: `${c + 1}-${r + 1}`, x, z })));
}
