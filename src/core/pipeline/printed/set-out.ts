import { setOutDrawing } from '@/core/drawing';
import { lacksNothing, type Printed } from './printed';

export const setOut: Printed = {
  part: 'set-out',
  words: 'the set-out at true size',
  size: 'true',
  lacks: lacksNothing,
  *pages({ project, view, stand, style }) {
    yield 0;
    return [setOutDrawing(project, view, stand, style)];
  },
};
