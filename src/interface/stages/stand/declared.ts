import { BOARD_KEYS, BOARD_SHEETS, fitKey, type AtBoard, type Seen } from '@/interface/at-board';
import type { Key, Sheet } from '@/interface/frame';
import { find } from './FindSheet';

export const KEYS: readonly Key<AtBoard>[] = [
  ...BOARD_KEYS,
  fitKey('fit the drawing to the paper'),
  {
    keys: '=, shift+=',
    shown: '=',
    does: 'the same magnification in all three: drops run straight',
    act: (at) => at.board.current?.equalise(),
  },
];

export const SHEETS: readonly Sheet<Seen>[] = [find, ...BOARD_SHEETS];
