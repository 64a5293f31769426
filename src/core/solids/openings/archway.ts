import { CURTAINS, curtainParts } from './curtains';
import { RISE_SIZE, TRIM_SIZES, type OpeningKind } from './opening-kind';
import { trimParts } from './trim';

export const archway: OpeningKind = {
  id: 'archway',
  name: 'Archway or passage',
  usual: { width: 1000, sill: 0, height: 2050, reveal: 150 },
  head: 'arched',
  sizes: { ...RISE_SIZE, ...TRIM_SIZES },
  counts: {},
  choices: CURTAINS,
  backed: () => false,
  open: 'through',
  parts: (f) => [...trimParts(f, false), ...curtainParts(f)],
  leaves: () => [],
  sweeps: () => [],
  walked: true,
  inPlan: { back: false, pane: false },
  sketch: 'M0,0V-150A50,50 0 0 1 100,-150V0',
};
