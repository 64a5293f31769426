import { tablePages } from '@/core/drawing';
import { lacksNothing, type Printed } from './printed';

export const table: Printed = {
  part: 'table',
  words: 'the set-out table, with the board',
  size: 'the-paper',
  lacks: lacksNothing,
  *pages({ project, view, stand, style, page }) {
    yield 0;
    return tablePages(project, view, stand, style, page);
  },
};
