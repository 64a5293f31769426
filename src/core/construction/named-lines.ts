import type { LineId } from './operation';
import { PLAN_PLANE } from './plan-sheet';
import { CENTRE, edgeOf, HORIZON_LINE } from './set-out-operations';

/** The lines that have names of their own. */
export const NAMED_LINES: ReadonlyMap<LineId, string> = new Map([
  [HORIZON_LINE, 'the horizon'],
  [CENTRE, 'the centre line'],
  [PLAN_PLANE, 'the picture plane'],
  [edgeOf('left').line, 'the sheet’s left edge'],
  [edgeOf('right').line, 'the sheet’s right edge'],
  ['frame-left', 'the picture’s left side'],
  ['frame-right', 'the picture’s right side'],
  ['frame-bottom', 'the picture’s lower side'],
  ['frame-top', 'the picture’s upper side'],
]);
