import { at } from '@/core/base';
import { block, type Part, type Range } from '../parts';
import { rule, type Kind, type Values } from '../kind';
import { laid } from './helpers';

export const shelves: Kind = {
  id: 'shelves',
  name: 'Shelf wall',
  group: 'storage',
  backed: true,
  caution: 'Tall shelves can tip: fixing to the wall is usual. The maker’s sheet and local rules decide.',
  sizes: {
    width: rule(1800, 300, 6000),
    depth: rule(320, 120, 700),
    height: rule(2100, 300, 3200),
    board: rule(25, 8, 60),
    'plinth height': rule(60, 0, 250),
    'plinth set-back': rule(30, 0, 120),
  },
  counts: { 'books to an opening': rule(12, 2, 18) },
  choices: {
    back: ['open', 'boarded'],
    'running through': ['uprights', 'shelves'],
    books: ['none', 'in every opening', 'in every other opening'],
  },
  divisions: {
    openings: {
      one: 'opening',
      usual: 5,
      most: 12,
      whole: (v, n) => v.height - v.size('plinth height') - (n + 1) * v.size('board'),
      clearOf: 'the boards',
      each: (v) => (v.choice('running through') === 'uprights' ? 'bays' : null),
    },
    bays: {
      one: 'bay',
      usual: 3,
      most: 10,
      whole: (v, n) => v.width - (n + 1) * v.size('board'),
      clearOf: 'the boards',
      each: (v) => (v.choice('running through') === 'shelves' ? 'openings' : null),
    },
  },
  refuse: (v) => {
    const low = columnsOf(v).flatMap(({ rows }) => rows.map(([from, to]) => to - from));
    if (Math.min(...low) < 60) return `its lowest opening would be under ${v.show(60)} high`;
    const narrow = columnsOf(v).map(({ across: [from, to] }) => to - from);
    if (Math.min(...narrow) < 80) return `its narrowest bay would be under ${v.show(80)} wide`;
    return v.size('plinth set-back') + 60 > v.depth ? 'its plinth is set back behind the shelves' : null;
  },
  parts: (v) => {
    const [b, foot] = [v.size('board'), v.size('plinth height')];
    const boarded = v.choice('back') === 'boarded';
    const y0 = boarded ? 8 : 0;
    const columns = columnsOf(v);
    // Boards that do not run through stand 6 mm behind those that do.
    const inner: Range = [y0, v.depth - 6];
    const through = v.choice('running through') === 'shelves';
    const between = columns.flatMap(({ name, across, rows }, i) => {
      const next = columns[i + 1];
      return through
        ? next && next.row === columns[i]?.row
          ? [block(`upright-${name}`, [across[1], next.across[0]], inner, at(rows, 0))]
          : []
        : rows.slice(1).map(([low], k) => block(`shelf-${name}-${k + 1}`, across, inner, [low - b, low]));
    });
    const full: Range = [y0, v.depth];
    const [left, right] = [b, v.width - b];
    const high: Range = [foot + b, v.height - b];
    return [
      block('end-left', [0, left], full, [foot, v.height]),
      block('end-right', [right, v.width], full, [foot, v.height]),
      block('bottom', [left, right], full, [foot, foot + b]),
      block('top', [left, right], full, [v.height - b, v.height]),
      ...(through
        ? laid(foot + b, v.share('openings'), b)
            .slice(1)
            .map(([low], i) => block(`shelf-${i + 1}`, [left, right], full, [low - b, low]))
        : laid(b, v.share('bays'), b)
            .slice(1)
            .map(([from], i) => block(`upright-${i + 1}`, [from - b, from], full, high))),
      ...between,
      ...(boarded ? [block('back', [0, v.width], [0, 8], [foot, v.height])] : []),
      ...booksIn(v, [y0, inner[1]]),
      ...(foot > 0 ? [block('plinth', [b, v.width - b], [y0, v.depth - v.size('plinth set-back')], [0, foot])] : []),
    ];
  },
};

/** The clear spaces of a shelf wall, standing side by side: where uprights run through, each with its own shelves; else those of each row. */
function columnsOf(v: Values): readonly { name: string; row: number; across: Range; rows: readonly Range[] }[] {
  const [b, foot] = [v.size('board'), v.size('plinth height')];
  if (v.choice('running through') === 'uprights')
    return laid(b, v.share('bays'), b).map((across, bay) => ({
      ...{ name: `${bay + 1}`, row: 0, across },
      rows: laid(foot + b, v.share('openings', bay), b),
    }));
  return laid(foot + b, v.share('openings'), b).flatMap((high, row) =>
    laid(b, v.share('bays', row), b).map((across, bay) => ({
      ...{ name: `${row + 1}-${bay + 1}`, row, across },
      rows: [high],
    })),
  );
}

/** Books that fill the clear width of their openings from end to end, some shorter than others; none stands where there is no room for one. */
function booksIn(v: Values, [back, front]: Range): Part[] {
  const where = v.choice('books');
  if (where === 'none') return [];
  const n = v.count('books to an opening');
  const openings = columnsOf(v).flatMap(({ across, rows }) => rows.map((high) => ({ across, high })));
  return openings.flatMap(({ across, high: [low, top] }, o) => {
    const clear = top - low;
    if ((where === 'in every other opening' && o % 2 === 1) || clear < 90) return [];
    const tall = Math.min(clear - 20, 330);
    const deep = Math.min(front - back - 15, tall * 0.75);
    // Thick and thin by turns, and no two rows alike; a book is as deep as it is tall allows.
    const parts = Array.from({ length: n }, (_, i) => 2 + ((i * 5 + o * 3) % 4));
    const whole = parts.reduce((sum, one) => sum + one, 0);
    return laid(
      across[0],
      parts.map((one) => ((across[1] - across[0]) * one) / whole),
      0,
    ).map((x, i) => {
      const short = ((i * 3 + o) % 5) * 0.05;
      return block(`book-${o + 1}-${i + 1}`, x, [back, back + deep * (1 - short)], [low, low + tall * (1 - short)]);
    });
  });
}
