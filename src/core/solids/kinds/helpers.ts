import { block, drum, type Block, type Part, type Range, type Turned } from '../parts';

/** Four upright legs of square section, set in from the edges. */
export function legs(x: Range, y: Range, z: Range, thick: number, inset = 0): Block[] {
  const [l, r, b, f] = [x[0] + inset, x[1] - inset, y[0] + inset, y[1] - inset];
  return [
    block('leg-back-left', [l, l + thick], [b, b + thick], z),
    block('leg-back-right', [r - thick, r], [b, b + thick], z),
    block('leg-front-left', [l, l + thick], [f - thick, f], z),
    block('leg-front-right', [r - thick, r], [f - thick, f], z),
  ];
}

/** Ranges of a row of lengths laid end to end from `start` with a gap between. */
export function laid(start: number, lengths: readonly number[], gap: number): readonly Range[] {
  const ranges: Range[] = [];
  let at = start;
  for (const length of lengths) {
    ranges.push([at, at + length]);
    at += length + gap;
  }
  return ranges;
}

/** `n` equal lengths that fill `whole` with gaps between. */
export const equal = (n: number, whole: number, gap: number): number[] =>
  Array.from({ length: n }, () => (whole - gap * (n - 1)) / n);

/** A case of boards, open at the front: two sides, top, bottom between them, and a back. */
export function openCase(x: Range, y: Range, z: Range, board: number): Part[] {
  const [l, r] = [x[0] + board, x[1] - board];
  return [
    block('side-left', [x[0], l], y, z),
    block('side-right', [r, x[1]], y, z),
    block('top', [l, r], y, [z[1] - board, z[1]]),
    block('bottom', [l, r], y, [z[0], z[0] + board]),
    block('back', [l, r], [y[0], y[0] + Math.min(board, 8)], [z[0] + board, z[1] - board]),
  ];
}

/** A bar handle across the middle of a front. */
export function handle(name: string, x: Range, y: number, z: number, thick = 12): Block {
  const middle = (x[0] + x[1]) / 2;
  const half = Math.min(80, (x[1] - x[0]) / 5);
  return {
    ...block(name, [middle - half, middle + half], [y, y + 2 * thick], [z - thick / 2, z + thick / 2]),
    use: 'grip',
  };
}

/** A knob on a front, standing out of it. */
export const knob = (name: string, at: Turned['at'], radius: number, long = 22): Turned => ({
  ...drum(name, at, radius, long, 'y'),
  use: 'grip',
});
