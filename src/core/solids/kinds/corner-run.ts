import { group, prism, type Range } from '../parts';
import { IN_THE_TOP, topParts } from './worktop';
import { rule, type Kind } from '../kind';
import { laid } from './helpers';
import { caseDepth, refuseUnits, RUN_FRONTS, RUN_SIZES, unitFronts } from './kitchen-run';

export const cornerRun: Kind = {
  id: 'corner-run',
  name: 'Base units round a corner',
  group: 'kitchen',
  backed: true,
  sizes: {
    width: rule(2400, 1300, 6000),
    depth: rule(1800, 1300, 6000),
    height: rule(910, 600, 1100),
    'unit depth': rule(620, 350, 900),
    'side depth': rule(620, 350, 900),
    ...RUN_SIZES,
  },
  divisions: {
    units: { one: 'unit', usual: 3, most: 10, whole: (v) => v.width - v.size('side depth') },
    'side units': { one: 'side unit', usual: 2, most: 10, whole: (v) => v.depth - v.size('unit depth') },
  },
  counts: IN_THE_TOP,
  choices: RUN_FRONTS,
  refuse: (v) =>
    refuseUnits(v, {
      ...{ depths: [v.size('unit depth'), v.size('side depth')], units: ['units', 'side units'] },
      topOf: v.size('unit depth'),
    }),
  // The run lies along the back, and its arm comes forward along the left.
  parts: (v) => {
    const [foot, top] = [v.size('plinth height'), v.height - v.size('worktop thickness')];
    const el = (inset: number): [number, number][] => {
      const [across, deep] = [v.size('side depth') - inset, v.size('unit depth') - inset];
      return [
        [0, 0],
        [v.width, 0],
        [v.width, deep],
        [across, deep],
        [across, v.depth],
        [0, v.depth],
      ];
    };
    const face = v.size('worktop overhang');
    const thick = v.size('front thickness');
    const high: Range = [foot + 3, top - 3];
    const [unit, side] = [v.size('unit depth'), v.size('side depth')];
    const units = laid(side, v.share('units'), 0);
    return [
      ...topParts(v, {
        ...{ units, foot, under: top, top: v.height },
        y: [0, caseDepth(v, unit)],
        carcass: { top: el(0), case: el(face + thick) },
      }),
      ...(foot > 0 ? [prism('plinth', 'z', [0, foot], el(face + thick + v.size('plinth set-back')))] : []),
      ...units.flatMap((x, i) =>
        unitFronts(`unit-${i + 1}`, x, [unit - face - thick, unit - face], high, v.choice('fronts')),
      ),
      // Seen from inside the corner the arm's fronts run toward the viewer: its own x is the depth.
      group('arm', [0, v.depth, 0], -90, [
        ...laid(0, v.share('side units'), 0).flatMap((x, i) =>
          unitFronts(`unit-${i + 1}`, x, [side - face - thick, side - face], high, v.choice('fronts')),
        ),
      ]),
    ];
  },
};
