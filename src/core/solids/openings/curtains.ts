import { drum, prism, type Part, type Range } from '../parts';
import type { Fitted } from './opening-kind';

export const CURTAINS = { curtains: ['none', 'open', 'drawn'] } as const;

/** Curtains in round folds, hung from a pole over the opening: drawn back to the sides, or across it. */
export function curtainParts(f: Fitted): Part[] {
  const how = f.choice('curtains');
  if (how === 'none') return [];
  const top = f.height + f.rise + 120;
  const [from, to] = [-180, f.width + 180];
  const spans: readonly Range[] =
    how === 'drawn'
      ? [
          [from + 20, f.width / 2 - 5],
          [f.width / 2 + 5, to - 20],
        ]
      : [
          [from + 20, from + 240],
          [to - 240, to - 20],
        ];
  return [
    drum('pole', [from, 110, top], 14, to - from, 'x'),
    ...spans.map((x, i) => {
      const folds = Math.max(2, Math.round((x[1] - x[0]) / 70));
      const step = (x[1] - x[0]) / folds;
      const front = Array.from({ length: folds }, (_, k): [number, number, number] => [
        x[0] + step * k,
        128,
        k % 2 === 0 ? 0.45 : -0.45,
      ]);
      // Along the front with folds out and in, back along a straight line behind.
      return prism(
        `curtain-${i + 1}`,
        'z',
        [-60, top - 14],
        [...front.map(([p, q, b]): [number, number, number] => [p, q, -b]), [x[1], 128], [x[1], 92], [x[0], 92]],
      );
    }),
  ];
}
