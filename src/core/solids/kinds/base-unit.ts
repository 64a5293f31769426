import { rule, type Kind } from '../kind';
import { refuseUnits, RUN_FRONTS, RUN_SIZES, runParts } from './kitchen-run';
import { IN_THE_TOP } from './worktop';

export const baseUnit: Kind = {
  id: 'base-unit',
  name: 'Base units in a row',
  group: 'kitchen',
  backed: true,
  sizes: {
    width: rule(1800, 300, 6000),
    depth: rule(620, 350, 900),
    height: rule(910, 600, 1100),
    ...RUN_SIZES,
  },
  divisions: { units: { one: 'unit', usual: 3, most: 10, whole: (v) => v.width } },
  counts: IN_THE_TOP,
  choices: RUN_FRONTS,
  refuse: (v) => refuseUnits(v, { depths: [v.depth], units: ['units'], topOf: v.depth }),
  parts: (v) => runParts(v, v.width, 'units', 0),
};
