import { equal, laid } from '../kinds/helpers';
import { block, prism, type Part, type Range } from '../parts';
import type { Fitted } from './opening-kind';

export const rectangle = (x: Range, z: Range): [number, number][] => [
  [x[0], z[0]],
  [x[1], z[0]],
  [x[1], z[1]],
  [x[0], z[1]],
];

/** Bars that part a pane: level ones across it, upright ones up it, each so broad, mm. */
export interface Bars {
  readonly across: number;
  readonly up: number;
  readonly bar: number;
}

/** The glazing bars of one pane, by its number, over a depth; those of a way in which there is no room for them are left out. */
export function barsIn(name: string, pane: number, px: Range, pz: Range, y: Range, { across, up, bar }: Bars): Part[] {
  const spots = (range: Range, n: number): number[] =>
    (range[1] - range[0]) / (n + 1) < bar * 1.5
      ? []
      : laid(range[0], equal(n + 1, range[1] - range[0], bar), bar)
          .slice(1)
          .map(([from]) => from - bar / 2);
  const ups = spots(px, up);
  // Level bars run between the upright ones, so that no two fill one place.
  const edges = [px[0], ...ups.flatMap((at) => [at - bar / 2, at + bar / 2]), px[1]];
  return [
    ...ups.map((at, k) => block(`${name}-bar-up-${pane}-${k + 1}`, [at - bar / 2, at + bar / 2], y, pz)),
    ...spots(pz, across).flatMap((at, k) =>
      Array.from({ length: ups.length + 1 }, (_, j) =>
        block(`${name}-bar-${pane}-${k + 1}-${j + 1}`, [edges[2 * j] ?? px[0], edges[2 * j + 1] ?? px[1]], y, [
          at - bar / 2,
          at + bar / 2,
        ]),
      ),
    ),
  ];
}

/** A frame with panes between mullions and transoms, and glazing bars in the panes. */
export function lightParts(
  name: string,
  x: Range,
  z: Range,
  y: Range,
  f: Fitted,
  outline: readonly (readonly [number, number, number?])[],
  columns: number,
  rows: number,
): Part[] {
  const frame = f.size('frame width');
  const [wide, high] = [x[1] - x[0], z[1] - z[0]];
  if (wide < (columns + 1) * frame + columns * 20 || high < (rows + 1) * frame + rows * 20)
    return [prism(name, 'y', y, outline)];
  const across = laid(x[0] + frame, equal(columns, wide - 2 * frame, frame), frame);
  const upward = laid(z[0] + frame, equal(rows, high - 2 * frame, frame), frame);
  const panes = across.flatMap((px) => upward.map((pz) => ({ px, pz })));
  const bar = f.size('bar');
  const [barsAcross, barsUp] = [f.count('bars across'), f.count('bars up')];
  const middle: Range = [y[0] + (y[1] - y[0]) * 0.3, y[1] - (y[1] - y[0]) * 0.3];
  const bars = panes.flatMap(({ px, pz }, i) =>
    barsIn(name, i + 1, px, pz, middle, { across: barsAcross, up: barsUp, bar }),
  );
  return [
    prism(
      name,
      'y',
      y,
      outline,
      panes.map(({ px, pz }) => rectangle(px, pz)),
    ),
    ...bars,
  ];
}
