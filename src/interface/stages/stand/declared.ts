import { BOARD_KEYS, BOARD_SHEETS, fitKey, type Seen } from '@/interface/at-board';
import type { Key, Sheet } from '@/interface/frame';
import type { AtStand } from './arrangement';
import { find } from './FindSheet';
import { TAKES, VIEWS } from './whole';

export const KEYS: readonly Key<AtStand>[] = [
  ...BOARD_KEYS,
  fitKey('fit the drawing to the paper'),
  {
    keys: '=, shift+=',
    shown: '=',
    does: 'the same magnification in all three: drops run straight',
    act: (at) => at.board.current?.equalise(),
  },
  ...VIEWS.map((view): Key<AtStand> => ({
    keys: TAKES[view].key,
    shown: TAKES[view].key,
    does: `the ${TAKES[view].name} over the whole paper, and back`,
    act: (at) => at.take(view),
  })),
];

export const SHEETS: readonly Sheet<Seen>[] = [find, ...BOARD_SHEETS];
