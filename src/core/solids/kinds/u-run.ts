import { group, prism, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { laid } from './helpers';
import { unitFronts } from './kitchen-run';
import { IN_THE_TOP, refuseInTop, topParts } from './worktop';

export const uRun: Kind = {
  id: 'u-run',
  name: 'Base units in a U',
  group: 'kitchen',
  sizes: {
    width: rule(2700, 1900, 6000),
    depth: rule(2100, 1300, 6000),
    height: rule(910, 600, 1100),
    'unit depth': rule(620, 350, 900),
    'left depth': rule(620, 350, 900),
    'right depth': rule(620, 350, 900),
    'plinth height': rule(150, 0, 250),
    'plinth set-back': rule(50, 0, 150),
    'worktop thickness': rule(40, 10, 100),
    'worktop overhang': rule(20, 0, 350),
    'front thickness': rule(20, 8, 40),
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
  choices: { fronts: ['doors', 'drawers', 'drawer over door'] },
  refuse: (v) => {
    const least = v.size('worktop overhang') + v.size('front thickness') + v.size('plinth set-back') + 150;
    if (Math.min(v.size('unit depth'), v.size('left depth'), v.size('right depth')) < least)
      return 'nothing is left of its depth behind overhang and set-back';
    if (v.width - v.size('left depth') - v.size('right depth') < 450) return 'its arms leave no way in between them';
    const narrowest = Math.min(...['units', 'left units', 'right units'].flatMap((name) => v.share(name)));
    if (narrowest < 150) return `its narrowest unit would be under ${v.show(150)}`;
    const under = v.height - v.size('worktop thickness') - v.size('plinth height');
    if (under < 250) return `its doors would be under ${v.show(250)} high`;
    return refuseInTop(v, v.share('units'), v.size('unit depth'), under);
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
        y: [0, unit],
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
