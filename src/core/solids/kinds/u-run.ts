import { group, prism, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { laid } from './helpers';
import { caseDepth, refuseUnits, RUN_FRONTS, RUN_SIZES, unitFronts } from './kitchen-run';
import { IN_THE_TOP, topParts } from './worktop';

export const uRun: Kind = {
  id: 'u-run',
  name: 'Base units in a U',
  group: 'kitchen',
  backed: true,
  sizes: {
    width: rule(2700, 1900, 6000),
    depth: rule(2100, 1300, 6000),
    height: rule(910, 600, 1100),
    'unit depth': rule(620, 350, 900),
    'left depth': rule(620, 350, 900),
    'right depth': rule(620, 350, 900),
    ...RUN_SIZES,
  },
  divisions: {
    units: {
      one: 'unit',
      usual: 3,
      most: 10,
      whole: (v) => v.width - v.size('left depth') - v.size('right depth'),
      clearOf: 'both arms',
    },
    'left units': { one: 'left unit', usual: 2, most: 10, whole: (v) => v.depth - v.size('unit depth') },
    'right units': { one: 'right unit', usual: 2, most: 10, whole: (v) => v.depth - v.size('unit depth') },
  },
  counts: IN_THE_TOP,
  choices: RUN_FRONTS,
  refuse: (v) => {
    const [unit, left, right] = [v.size('unit depth'), v.size('left depth'), v.size('right depth')];
    if (v.width - left - right < 450) return 'its arms leave no way in between them';
    return refuseUnits(v, { depths: [unit, left, right], units: ['units', 'left units', 'right units'], topOf: unit });
  },
  // The run lies along the back; an arm comes forward at either end of it.
  parts: (v) => {
    const [foot, top] = [v.size('plinth height'), v.height - v.size('worktop thickness')];
    const [unit, left, right] = [v.size('unit depth'), v.size('left depth'), v.size('right depth')];
    const outline = (inset: number): [number, number][] => [
      [0, 0],
      [v.width, 0],
      [v.width, v.depth],
      [v.width - right + inset, v.depth],
      [v.width - right + inset, unit - inset],
      [left - inset, unit - inset],
      [left - inset, v.depth],
      [0, v.depth],
    ];
    const [face, thick] = [v.size('worktop overhang'), v.size('front thickness')];
    const high: Range = [foot + 3, top - 3];
    const units = laid(left, v.share('units'), 0);
    const fronts = (row: readonly Range[], deep: number) =>
      row.flatMap((x, i) =>
        unitFronts(`unit-${i + 1}`, x, [deep - face - thick, deep - face], high, v.choice('fronts')),
      );
    return [
      ...topParts(v, {
        ...{ units, foot, under: top, top: v.height },
        y: [0, caseDepth(v, unit)],
        carcass: { top: outline(0), case: outline(face + thick) },
      }),
      ...(foot > 0 ? [prism('plinth', 'z', [0, foot], outline(face + thick + v.size('plinth set-back')))] : []),
      ...fronts(units, unit),
      // Seen from inside the U the left arm's fronts run toward the viewer's back, the right arm's away from it.
      group('left-arm', [0, v.depth, 0], -90, fronts(laid(0, v.share('left units'), 0), left)),
      group('right-arm', [v.width, unit, 0], 90, fronts(laid(0, v.share('right units'), 0), right)),
    ];
  },
};
