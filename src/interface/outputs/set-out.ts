import { writeSetOut } from '@/core/formats/tables';
import { NO_STAND, type Output } from './output';

export const setOut: Output = {
  id: 'set-out',
  words: 'the set-out (JSON)',
  wants: 'a-stand',
  make: ({ project, view, perspective }) =>
    perspective
      ? {
          kind: 'file',
          name: [project.id, view.id],
          ending: '.set-out.json',
          type: 'application/json',
          content: writeSetOut(project, view, perspective.stand.setUp, perspective.stand.setOut),
        }
      : NO_STAND,
};
