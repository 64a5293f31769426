import { block, type Part, type Range } from '../parts';
import { rule, type Refusing, type Values } from '../kind';
import { handle, laid } from './helpers';
import { refuseInTop, straight, topParts } from './worktop';

/** Sizes that all base units have, round a corner or not. */
export const RUN_SIZES = {
  'plinth height': rule(150, 0, 250),
  'plinth set-back': rule(50, 0, 150),
  'worktop thickness': rule(40, 10, 100),
  'worktop overhang': rule(20, 0, 350),
  'front thickness': rule(20, 8, 40),
};
export const RUN_FRONTS = { fronts: ['doors', 'drawers', 'drawer over door'] };

/** What is left of a unit's depth for its case, behind the worktop's overhang and the fronts. */
export const caseDepth = (v: Values, deep: number): number =>
  deep - v.size('worktop overhang') - v.size('front thickness');

/** Why base units so deep cannot be made, or hold what lies in their top: every run of a piece by its depth. */
export function refuseUnits(
  v: Refusing,
  {
    depths,
    units,
    topOf,
  }: { readonly depths: readonly number[]; readonly units: readonly string[]; readonly topOf: number },
): string | null {
  if (Math.min(...depths.map((deep) => caseDepth(v, deep))) < v.size('plinth set-back') + 150)
    return 'nothing is left of its depth behind overhang and set-back';
  for (const name of units)
    if (Math.min(...v.share(name)) < 150)
      return `its narrowest ${name.replace(/s$/, '')} would be under ${v.show(150)}`;
  const under = v.height - v.size('worktop thickness') - v.size('plinth height');
  if (under < 250) return `its doors would be under ${v.show(250)} high`;
  return refuseInTop(v, v.share(units[0] ?? ''), caseDepth(v, topOf), under);
}

/** Fronts of one unit: a door, drawers, or a drawer over a door, with bar handles. */
export function unitFronts(name: string, x: Range, y: Range, z: Range, fronts: string): Part[] {
  const [a, b] = [x[0] + 2, x[1] - 2];
  const drawer = Math.min(160, (z[1] - z[0]) / 3);
  const gap = 4;
  const rows =
    fronts === 'drawers'
      ? laid(
          z[0],
          [1, 1, 1].map((one) => (one * (z[1] - z[0] - 2 * gap)) / 3),
          gap,
        )
      : fronts === 'drawer over door'
        ? ([
            [z[0], z[1] - drawer - gap],
            [z[1] - drawer, z[1]],
          ] as const)
        : [z];
  return rows.flatMap((row, i) => [
    block(`${name}-front-${i + 1}`, [a, b], y, row),
    handle(`${name}-handle-${i + 1}`, [a, b], y[1], row[1] - 45),
  ]);
}

/** A row of base units along x: carcass, plinth set back, fronts, and the worktop over them with its overhang. `from` is where fronts begin. */
export function runParts(v: Values, width: number, division: string, from: number): Part[] {
  const [foot, top] = [v.size('plinth height'), v.height - v.size('worktop thickness')];
  const carcass = caseDepth(v, v.depth);
  const face = carcass + v.size('front thickness');
  const units = laid(from, v.share(division), 0);
  return [
    ...topParts(v, {
      ...{ units, foot, under: top, top: v.height },
      y: [0, carcass],
      carcass: { top: straight([0, width], [0, v.depth]), case: straight([0, width], [0, carcass]) },
    }),
    ...(foot > 0 ? [block('plinth', [0, width], [0, carcass - v.size('plinth set-back')], [0, foot])] : []),
    ...units.flatMap((x, i) =>
      unitFronts(`unit-${i + 1}`, x, [carcass, face], [foot + 3, top - 3], v.choice('fronts')),
    ),
  ];
}
