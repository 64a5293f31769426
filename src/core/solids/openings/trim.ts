import { prism, type Part } from '../parts';
import { headed } from './headed';
import { mmOf, type Opening } from '@/core/record';
import { TRIM_SIZES, TRIM_WIDTH, type Fitted } from './opening-kind';

/** How broad the trim of an opening is, mm; nought where it has none. */
export const trimWidthOf = ({ sizes }: Opening): number => {
  const own = sizes[TRIM_WIDTH];
  return own ? mmOf(own) : TRIM_SIZES[TRIM_WIDTH].usual;
};

/** Trim on the wall's face round the opening: both sides and the head, and under a sill. */
export function trimParts(f: Fitted, allRound: boolean): Part[] {
  const wide = f.size(TRIM_WIDTH);
  if (wide <= 0) return [];
  const thick = f.size('trim thickness');
  if (allRound) {
    const outer = headed(f, wide, -wide);
    return [prism('trim', 'y', [0, thick], outer, [headed(f, 0, 0)])];
  }
  const outer = headed(f, wide, 0);
  const inner = headed(f, 0, 0);
  // Open below: out along the outer line and back along the inner one, its arc bent the other way.
  const [, , outerHead, outerLeft] = outer;
  const [, , innerHead, innerLeft] = inner;
  if (!outerHead || !outerLeft || !innerHead || !innerLeft) return [];
  return [
    prism(
      'trim',
      'y',
      [0, thick],
      [
        [f.width, 0],
        [f.width + wide, 0],
        outerHead,
        [outerLeft[0], outerLeft[1]],
        [-wide, 0],
        [0, 0],
        [innerLeft[0], innerLeft[1], -(innerHead[2] ?? 0)],
        [innerHead[0], innerHead[1]],
      ],
    ),
  ];
}
