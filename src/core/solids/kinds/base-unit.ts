import { rule, type Kind } from '../kind';
import { refuseRun, runParts } from './kitchen-run';
import { IN_THE_TOP } from './worktop';

export const baseUnit: Kind = {
  id: 'base-unit',
  name: 'Base units in a row',
  group: 'kitchen',
  sizes: {
    width: rule(1800, 300, 6000),
    depth: rule(620, 350, 900),
    height: rule(910, 600, 1100),
    'plinth height': rule(150, 0, 250),
    'plinth set-back': rule(50, 0, 150),
    'worktop thickness': rule(40, 10, 100),
    'worktop overhang': rule(20, 0, 350),
    'front thickness': rule(20, 8, 40),
  },
  divisions: { units: { one: 'unit', usual: 3, most: 10, whole: (v) => v.width } },
  counts: IN_THE_TOP,
  choices: { fronts: ['doors', 'drawers', 'drawer over door'] },
  refuse: (v) => refuseRun(v, 'units'),
  parts: (v) => runParts(v, v.width, 'units', 0),
};
