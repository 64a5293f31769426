export { useAtBoard, seenOf, type AtBoard, type Seen } from './use-at-board';
export { BoardPaper } from './BoardPaper';
export { BOARD_KEYS, fitKey } from './board-keys';
export { BOARD_SHEETS } from './sheets';
export { print as printSheet } from './PrintSheet';
export { LitSentence } from './LitSentence';
export { useStandOf } from './use-stand-of';
