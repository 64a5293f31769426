import { BOARD_KEYS, BOARD_SHEETS, fitKey, type Seen } from '@/interface/at-board';
import type { Key, Sheet } from '@/interface/frame';
import type { Drawn } from './use-drawing';

export const KEYS: readonly Key<Drawn>[] = [
  ...BOARD_KEYS,
  fitKey('fit the drawing to the paper'),
  { keys: 'arrowright, space', shown: '→ or Space', does: 'next step', act: (desk) => desk.goTo('next') },
  { keys: 'arrowleft', shown: '←', does: 'step before', act: (desk) => desk.goTo('before') },
  { keys: 'home', shown: 'Home', does: 'first step', act: (desk) => desk.goTo('first') },
  { keys: 'end', shown: 'End', does: 'last step', act: (desk) => desk.goTo('last') },
];

export const SHEETS: readonly Sheet<Seen>[] = BOARD_SHEETS;
