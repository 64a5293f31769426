import { BOARD_KEYS, BOARD_SHEETS, fitKey, type Seen } from '@/interface/at-board';
import type { Key, Sheet } from '@/interface/frame';
import { guess } from './GuessSheet';
import { reach } from './ReachSheet';
import { report } from './ReportSheet';
import type { SettingOut } from './use-setting-out';

export const KEYS: readonly Key<SettingOut>[] = [
  ...BOARD_KEYS,
  fitKey('fit the board to the paper, then the sheet'),
  { keys: 'g', shown: 'G', does: 'lay a grid, or take it off', act: (desk) => desk.toggleGrid() },
];

/** In the order of their buttons. */
export const SHEETS: readonly Sheet<Seen>[] = [...BOARD_SHEETS, reach, report, guess];
