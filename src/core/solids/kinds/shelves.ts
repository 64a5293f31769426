import { block, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { laid } from './helpers';

export const shelves: Kind = {
  id: 'shelves',
  name: 'Shelf wall',
  group: 'storage',
  caution: 'Tall shelves can tip: fixing to the wall is usual. The maker’s sheet and local rules decide.',
  sizes: {
    width: rule(1800, 300, 6000),
    depth: rule(320, 120, 700),
    height: rule(2100, 300, 3200),
    board: rule(25, 8, 60),
    'plinth height': rule(60, 0, 250),
    'plinth set-back': rule(30, 0, 120),
  },
  choices: { back: ['open', 'boarded'] },
  divisions: {
    openings: { usual: 5, most: 12, whole: (v) => v.height - v.size('plinth height') },
    bays: { usual: 3, most: 10, whole: (v) => v.width },
  },
  refuse: (v) => {
    const b = v.size('board');
    const openings = v.share('openings', v.height - v.size('plinth height'));
    if (Math.min(...openings) < b + 60) return `its lowest opening would be under ${v.show(60)} high`;
    if (Math.min(...v.share('bays', v.width)) < b + 80) return `its narrowest bay would be under ${v.show(80)} wide`;
    return v.size('plinth set-back') + 60 > v.depth ? 'its plinth is set back behind the shelves' : null;
  },
  parts: (v) => {
    const [b, foot] = [v.size('board'), v.size('plinth height')];
    const bays = v.share('bays', v.width);
    const rows = v.share('openings', v.height - foot);
    const ends = laid(0, bays, 0).map(([, to]) => to);
    const inner = ends.slice(0, -1);
    // Uprights stand on the lines of division, the outer two inside the width.
    const uprights: Range[] = [[0, b], ...inner.map((x): Range => [x - b / 2, x + b / 2]), [v.width - b, v.width]];
    const levels = laid(foot, rows, 0).map(([low]) => low);
    const boarded = v.choice('back') === 'boarded';
    const y0 = boarded ? 8 : 0;
    return [
      ...uprights.map((x, i) => block(`upright-${i + 1}`, x, [y0, v.depth], [foot, v.height])),
      ...uprights.slice(0, -1).flatMap((x, bay) => {
        const across: Range = [x[1], uprights[bay + 1]?.[0] ?? v.width];
        return [
          ...levels.map((z, i) =>
            block(
              `shelf-${bay + 1}-${i + 1}`,
              across,
              [y0, v.depth - (i === 0 ? 0 : 6)],
              [i === 0 ? z : z - b / 2, i === 0 ? z + b : z + b / 2],
            ),
          ),
          block(`top-${bay + 1}`, across, [y0, v.depth], [v.height - b, v.height]),
        ];
      }),
      ...(boarded ? [block('back', [0, v.width], [0, 8], [foot, v.height])] : []),
      ...(foot > 0 ? [block('plinth', [b, v.width - b], [y0, v.depth - v.size('plinth set-back')], [0, foot])] : []),
    ];
  },
};
