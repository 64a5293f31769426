import type { Stage } from '@/interface/frame';
import { KEYS, SHEETS } from './declared';
import { MeasureScreen } from './MeasureScreen';

/** The record: plan and elevations, with every size that was measured. */
export const measure: Stage = {
  id: 'measure',
  name: 'Measure',
  key: { keys: 'm', shown: 'M', does: 'go to Measure' },
  order: 'in-the-work',
  invites: () => 'Measure the room',
  lacks: () => null,
  keys: KEYS,
  sheets: SHEETS,
  picture: 'beside',
  Screen: MeasureScreen,
};
