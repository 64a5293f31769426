import { writeSvg } from '@/core/formats/svg';
import { NO_STAND, type Output } from './output';

export const sheetSvg: Output = {
  id: 'sheet-svg',
  words: 'the sheet at true size (SVG)',
  wants: 'a-stand',
  make: ({ project, view, perspective }) =>
    perspective
      ? {
          kind: 'file',
          name: [project.id, view.id],
          ending: '.svg',
          type: 'image/svg+xml',
          content: writeSvg(perspective.drawing),
        }
      : NO_STAND,
};
