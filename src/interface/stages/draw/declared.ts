import { BOARD_KEYS, BOARD_SHEETS, fitKey, type Seen } from '@/interface/at-board';
import type { Key, Sheet } from '@/interface/frame';
import type { Drawn } from './use-drawing';
import { since } from './SinceSheet';
import { worst } from './WorstSheet';
import { wrong } from './WrongSheet';

export const KEYS: readonly Key<Drawn>[] = [
  ...BOARD_KEYS,
  fitKey('fit the drawing to the paper'),
  {
    keys: 'space',
    shown: 'Space',
    does: 'this step is drawn: tick it off, on to the next',
    act: (desk) => desk.doneAndNext(),
  },
  { keys: 'arrowright', shown: '→', does: 'next step', act: (desk) => desk.goTo('next') },
  { keys: 'arrowleft', shown: '←', does: 'step before', act: (desk) => desk.goTo('before') },
  { keys: 'home', shown: 'Home', does: 'first step', act: (desk) => desk.goTo('first') },
  { keys: 'end', shown: 'End', does: 'last step', act: (desk) => desk.goTo('last') },
  { keys: 'j', shown: 'J', does: 'tick this step off, or take the tick back', act: (desk) => desk.tick() },
  { keys: 'k', shown: 'K', does: 'next mark of this step, shown and spoken', act: (desk) => desk.walkMarks(1) },
  { keys: 'shift+k', shown: 'Shift K', does: 'mark before', act: (desk) => desk.walkMarks(-1) },
  {
    keys: 'o',
    shown: 'O',
    does: 'the other order: by piece, or by pass',
    act: (desk) => desk.chooseOrder(desk.drawn?.order === 'by-piece' ? 'by-pass' : 'by-piece'),
  },
  { keys: 'u', shown: 'U', does: 'the finished picture beneath, or aside', act: (desk) => desk.layBeneath() },
  { keys: 'a', shown: 'A', does: 'where the pencil’s error is largest', act: (desk) => desk.showErrors() },
];

export const SHEETS: readonly Sheet<Seen & Drawn>[] = [...BOARD_SHEETS, worst, wrong, since];
