import { equal, laid } from '../kinds/helpers';
import { block, type Part } from '../parts';
import { RISE_SIZE, sizeRule, type Fitted, type OpeningKind } from './opening-kind';

function nicheParts(f: Fitted): Part[] {
  const n = f.count('shelves');
  const b = f.size('shelf thickness');
  return laid(0, equal(n + 1, f.height, b), b)
    .slice(1)
    .map(([low], i) => block(`shelf-${i + 1}`, [0, f.width], [-f.reveal, -8], [low - b, low]));
}

export const niche: OpeningKind = {
  id: 'niche',
  name: 'Niche',
  usual: { width: 700, sill: 600, height: 1000, reveal: 180 },
  head: 'flat',
  sizes: { ...RISE_SIZE, 'shelf thickness': sizeRule(20, 8, 60) },
  counts: { shelves: sizeRule(0, 0, 6) },
  choices: {},
  backed: () => true,
  open: 'to-the-reveal',
  parts: nicheParts,
  leaves: () => [],
  sweeps: () => [],
  walked: false,
  inPlan: { back: true, pane: false },
  sketch: 'M0,-60V-150A40,40 0 0 1 80,-150V-60ZM10,-70V-150A30,30 0 0 1 70,-150V-70Z',
};
