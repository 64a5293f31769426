import { orient2d } from 'robust-predicates';

/**
 * The side of c as seen from a toward b: 1 to the left, -1 to the right, 0 exactly on the line.
 * The sign is exact for the doubles given (x right, y up).
 */
export function sideOfLine(ax: number, ay: number, bx: number, by: number, cx: number, cy: number): -1 | 0 | 1 {
  // robust-predicates works with y down: its sign is the negative of ours.
  const signed = -orient2d(ax, ay, bx, by, cx, cy);
  return signed > 0 ? 1 : signed < 0 ? -1 : 0;
}
