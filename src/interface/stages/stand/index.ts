import type { Stage } from '@/interface/frame';
import { KEYS, SHEETS } from './declared';
import { StandScreen } from './StandScreen';

/** Where one stands and looks: plan, side view and picture, linked. */
export const stand: Stage = {
  id: 'stand',
  name: 'Stand',
  key: { keys: 's', shown: 'S', does: 'go to Stand' },
  order: 'in-the-work',
  invites: () => 'Choose where to stand',
  lacks: () => null,
  keys: KEYS,
  sheets: SHEETS,
  picture: 'worked-in',
  Screen: StandScreen,
};
