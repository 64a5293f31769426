import type { Key } from '@/interface/frame';
import type { AtBoard } from './use-at-board';

/** Keys of every stage at the board. */
export const BOARD_KEYS: readonly Key<AtBoard>[] = [
  { keys: 'c', shown: 'C', does: 'next corner, shown and spoken', act: (at) => at.walkCorners(1) },
  { keys: 'shift+c', shown: 'Shift C', does: 'corner before', act: (at) => at.walkCorners(-1) },
  { keys: 'e', shown: 'E', does: 'next edge, shown and spoken', act: (at) => at.walkLines(1) },
  { keys: 'shift+e', shown: 'Shift E', does: 'edge before', act: (at) => at.walkLines(-1) },
  { keys: 'p', shown: 'P', does: 'choose the next piece', act: (at) => at.walkPieces(1) },
  { keys: 'shift+p', shown: 'Shift P', does: 'choose the piece before', act: (at) => at.walkPieces(-1) },
  { keys: '1', shown: '1', does: 'the sheet at true size on this screen', act: (at) => at.trueSize() },
];

/** What the key for fitting is, told by each stage in its own words. */
export const fitKey = (does: string): Key<AtBoard> => ({
  keys: 'f',
  shown: 'F',
  does,
  act: (at) => at.board.current?.fit(),
});
