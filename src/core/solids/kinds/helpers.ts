import { block, drum, prism, type Block, type Part, type Range, type Turned } from '../parts';
import type { Values } from '../kind';

/** The choice every kind with four plain legs has. */
export const LEG_SHAPES = ['square', 'round'] as const;

/** Four upright legs, set in from the edges: of square section, or round ones of the same thickness. */
export function legs(x: Range, y: Range, z: Range, thick: number, inset = 0, shape = 'square'): Part[] {
  const square = squareLegs(x, y, z, thick, inset);
  const middle = ([from, to]: Range): number => (from + to) / 2;
  return shape === 'round'
    ? square.map((leg) => drum(leg.name, [middle(leg.x), middle(leg.y), z[0]], thick / 2, z[1] - z[0]))
    : square;
}

function squareLegs(x: Range, y: Range, z: Range, thick: number, inset: number): Block[] {
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

type Corner = [p: number, q: number, bulge?: number];
/** A quarter of a circle, as a bulge: tan(90°/4). */
const QUARTER = Math.SQRT2 - 1;

/** A rectangle whose named corners are rounded, counter-clockwise; corners that touch are one. */
export function roundedRectangle(
  [p0, p1]: Range,
  [q0, q1]: Range,
  radius: number,
  rounded: { readonly low: 'both' | 'second' | 'none'; readonly high: 'both' | 'second' | 'none' },
): Corner[] {
  const r = Math.min(radius, (p1 - p0) / 2, (q1 - q0) / 2);
  const at = (row: 'low' | 'high', end: 'first' | 'second'): boolean =>
    r > 0 && (rounded[row] === 'both' || (rounded[row] === 'second' && end === 'second'));
  const corners: Corner[] = [
    ...(at('low', 'second') ? [[p1 - r, q0, QUARTER] as Corner, [p1, q0 + r] as Corner] : [[p1, q0] as Corner]),
    ...(at('high', 'second') ? [[p1, q1 - r, QUARTER] as Corner, [p1 - r, q1] as Corner] : [[p1, q1] as Corner]),
    ...(at('high', 'first') ? [[p0 + r, q1, QUARTER] as Corner, [p0, q1 - r] as Corner] : [[p0, q1] as Corner]),
    ...(at('low', 'first') ? [[p0, q0 + r, QUARTER] as Corner, [p0 + r, q0] as Corner] : [[p0, q0] as Corner]),
  ];
  // Where a side is all rounding its two corners are one, which keeps the bend that begins there.
  return corners.filter(([p, q], i) => {
    const [p2, q2] = corners[(i + 1) % corners.length] as Corner;
    return Math.hypot(p2 - p, q2 - q) > 0.01;
  });
}

/** Sizes of a top whose corners or edges are rounded; nought: they are sharp. */
export const TOP_ROUNDING = {
  'corner radius': { usual: 0, least: 0, most: 600 },
  'edge radius': { usual: 0, least: 0, most: 50 },
} as const;

/** Why the top of these values cannot be rounded as it is said to be, or null. */
export function refuseRounding(v: Values, thick: number): string | null {
  const [corner, edge] = [v.size('corner radius'), v.size('edge radius')];
  if (corner > 0 && edge > 0) return 'either the corners or the edges of its top are rounded, not both';
  if (corner * 2 > Math.min(v.width, v.depth)) return 'the corners of its top are rounder than it is deep';
  return edge * 2 > thick ? 'the edges of its top are rounder than it is thick' : null;
}

/** A top over all of a piece: sharp, with rounded corners in plan, or with its front and back edge rounded. */
export function topBoard(v: Values, name: string, z: Range): Part {
  const [corner, edge] = [v.size('corner radius'), v.size('edge radius')];
  const [x, y]: [Range, Range] = [
    [0, v.width],
    [0, v.depth],
  ];
  const all = { low: 'both', high: 'both' } as const;
  if (corner > 0) return prism(name, 'z', z, roundedRectangle(x, y, corner, all));
  if (edge > 0) return prism(name, 'x', x, roundedRectangle(y, z, edge, all));
  return block(name, x, y, z);
}

/** A wheel on a fork under each corner of a case, all `high`. */
export function castors(x: Range, y: Range, high: number): Part[] {
  const wheel = high * 0.4;
  const [inset, wide] = [20 + high / 2, Math.max(12, high * 0.35)];
  const places = [
    ['back-left', x[0] + inset, y[0] + inset],
    ['back-right', x[1] - inset, y[0] + inset],
    ['front-left', x[0] + inset, y[1] - inset],
    ['front-right', x[1] - inset, y[1] - inset],
  ] as const;
  return places.flatMap(([name, cx, cy]) => [
    drum(`castor-${name}`, [cx - wide / 2, cy, wheel], wheel, wide, 'x'),
    block(`fork-${name}`, [cx - wide / 2, cx + wide / 2], [cy - wide / 2, cy + wide / 2], [2 * wheel, high]),
  ]);
}
