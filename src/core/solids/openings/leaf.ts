import { equal, laid } from '../kinds/helpers';
import { barsIn, type Bars } from './lights';
import { block, prism, type Part, type Range } from '../parts';

/** How a leaf is framed: its stiles and rails, its panels, and what parts them where they are of glass. */
export interface Framed {
  readonly stile: number;
  readonly panels: number;
  readonly panes: Bars | null;
}

/** Heights of the panels of a leaf; none where there is no room for them. A leaf of glass has a pane at least. */
export function panelRows(x: Range, z: Range, { stile, panels, panes }: Framed): readonly Range[] {
  const n = panes ? Math.max(1, panels) : panels;
  const room = x[1] - x[0] > 2 * stile + 60 && z[1] - z[0] > (n + 1) * stile + n * 60;
  return n > 0 && room ? laid(z[0] + stile, equal(n, z[1] - z[0] - 2 * stile, stile), stile) : [];
}

/** A framed leaf with inset panels, x from 0 to its width, y over its thickness; of glass there are only the bars of its panes. */
export function leafParts(name: string, x: Range, y: Range, z: Range, framed: Framed): Part[] {
  const rows = panelRows(x, z, framed);
  if (rows.length === 0) return [block(name, x, y, z)];
  const across: Range = [x[0] + framed.stile, x[1] - framed.stile];
  const deep = (y[1] - y[0]) * 0.3;
  const inset: Range = [y[0] + deep, y[1] - deep];
  const { panes } = framed;
  return [
    prism(
      name,
      'y',
      y,
      [
        [x[0], z[0]],
        [x[1], z[0]],
        [x[1], z[1]],
        [x[0], z[1]],
      ],
      rows.map((row): [number, number][] => [
        [across[0], row[0]],
        [across[1], row[0]],
        [across[1], row[1]],
        [across[0], row[1]],
      ]),
    ),
    ...rows.flatMap((row, i) =>
      panes ? barsIn(name, i + 1, across, row, inset, panes) : [block(`${name}-panel-${i + 1}`, across, inset, row)],
    ),
  ];
}
