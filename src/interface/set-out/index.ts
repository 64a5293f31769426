export { SetOutSheets } from './SetOutSheets';
export { SetOutSentences } from './SetOutSentences';
export type { SetOutPaper } from './set-out-paper';
export { usePixelRatio } from './use-pixel-ratio';
export { usualGrid } from './usual-grid';
