import { equal, laid } from '../kinds/helpers';
import { block, prism, type Part, type Range } from '../parts';

/** A framed leaf with inset panels, x from 0 to its width, y over its thickness. */
export function leafParts(name: string, x: Range, y: Range, z: Range, stile: number, panels: number): Part[] {
  const wide = x[1] - x[0];
  if (panels === 0 || wide < 2 * stile + 60 || z[1] - z[0] < (panels + 1) * stile + panels * 60)
    return [block(name, x, y, z)];
  const rows = laid(z[0] + stile, equal(panels, z[1] - z[0] - 2 * stile, stile), stile);
  const across: Range = [x[0] + stile, x[1] - stile];
  const deep = (y[1] - y[0]) * 0.3;
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
    ...rows.map((row, i) => block(`${name}-panel-${i + 1}`, across, [y[0] + deep, y[1] - deep], row)),
  ];
}
