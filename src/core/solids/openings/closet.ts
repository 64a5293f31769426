import { equal, laid } from '../kinds/helpers';
import { drum, type Part, type Range } from '../parts';
import { leafParts } from './leaf';
import { sizeRule, TRIM_SIZES, type Fitted, type OpeningKind } from './opening-kind';
import { trimParts } from './trim';

function closetParts(f: Fitted): Part[] {
  const n = f.count('leaves');
  const y: Range = [-f.reveal - f.size('leaf thickness'), -f.reveal];
  return [
    ...laid(3, equal(n, f.width - 6, 4), 4).flatMap((x, i) => [
      ...leafParts(`leaf-${i + 1}`, x, y, [4, f.height - 4], {
        ...{ stile: f.size('stile width'), panels: f.count('panels'), panes: null },
      }),
      drum(`knob-${i + 1}`, [i % 2 === 0 ? x[1] - 35 : x[0] + 35, y[1], Math.min(1000, f.height / 2)], 16, 30, 'y'),
    ]),
    ...trimParts(f, false),
  ];
}

export const closet: OpeningKind = {
  id: 'closet',
  name: 'Closet with panelled doors',
  usual: { width: 1500, sill: 0, height: 2050, reveal: 40 },
  head: 'flat',
  sizes: { 'leaf thickness': sizeRule(28, 15, 80), 'stile width': sizeRule(85, 40, 200), ...TRIM_SIZES },
  counts: { leaves: sizeRule(2, 1, 8), panels: sizeRule(2, 1, 5) },
  choices: {},
  backed: () => false,
  open: 'through',
  parts: closetParts,
  leaves: () => [],
  sweeps: () => [],
  walked: false,
  inPlan: { back: true, pane: false },
  sketch: 'M0,0V-200H150V0ZM75,0V-200M8,-8V-90H67V-8ZM8,-105V-192H67V-105ZM83,-8V-90H142V-8ZM83,-105V-192H142V-105Z',
};
