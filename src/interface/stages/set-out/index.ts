import type { Stage } from '@/interface/frame';
import { KEYS, SHEETS } from './declared';
import { SetOutScreen } from './SetOutScreen';

/** The sheet on the board, with all the points the picture is worked from. */
export const setOut: Stage = {
  id: 'set-out',
  name: 'Set out',
  key: { keys: 'b', shown: 'B', does: 'go to Set out, the board' },
  order: 'in-the-work',
  invites: ({ perspective }) => (perspective.ok ? 'Set out the sheet' : null),
  lacks: ({ perspective }) =>
    perspective.ok ? null : { says: perspective.error.message, way: 'Stand elsewhere', stage: 'stand' },
  keys: KEYS,
  sheets: SHEETS,
  picture: 'worked-in',
  Screen: SetOutScreen,
};
