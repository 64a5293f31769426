import { block, drum, group, prism, type Part, type Range } from '../parts';
import type { Fitted } from './opening-kind';

export const CURTAINS = { curtains: ['none', 'open', 'drawn', 'tied back'] } as const;

/** Curtains in round folds, hung from a pole over the opening: drawn back to the sides, or across it. */
export function curtainParts(f: Fitted): Part[] {
  const how = f.choice('curtains');
  if (how === 'none') return [];
  const top = f.height + f.rise + 120;
  const [from, to] = [-180, f.width + 180];
  const pole = drum('pole', [from, 110, top], 14, to - from, 'x');
  if (how === 'tied back') return [pole, ...tiedBack(f, [from + 20, to - 20], top - 14)];
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
    pole,
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

/** Folds of one curtain that is tied back; how far it is gathered at its tie, how high the tie is, and how far below the sill it ends, mm. */
const [FOLDS, GATHERED, TIE, BELOW] = [4, 140, 60, 60];

/**
 * Two curtains that meet under the pole and are gathered to the sides by a tie two fifths up: from there they hang straight. Each is folded: its
 * folds run together in the tie, every other one a little before its neighbour.
 */
function tiedBack(f: Fitted, [from, to]: Range, top: number): Part[] {
  const tie = f.height * 0.4;
  const half = (to - from) / 2 - 3;
  // In axes of its own, x from the curtain's outer edge inward.
  const curtain = (mirrored: boolean): Part[] => {
    const at = (x: number): number => (mirrored ? -x : x);
    const strip = (k: number): Part => {
      const share = (whole: number, n: number): number => (whole * n) / FOLDS;
      const y: Range = k % 2 === 0 ? [96, 120] : [96, 128];
      const last = k === FOLDS - 1;
      // The inner edge sags from the pole to the tie.
      const sag = last ? 0.18 : 0;
      const low = GATHERED + 60;
      const outline: [number, number, number?][] = [
        [at(share(low, k)), -BELOW],
        [at(share(low, k + 1)), -BELOW],
        [at(share(GATHERED, k + 1)), tie, mirrored ? -sag : sag],
        [at(share(half, k + 1)), top],
        [at(share(half, k)), top],
        [at(share(GATHERED, k)), tie],
      ];
      return prism(`fold-${k + 1}`, 'y', y, outline);
    };
    const across: Range = mirrored ? [-GATHERED - 6, 6] : [-6, GATHERED + 6];
    return [
      ...Array.from({ length: FOLDS }, (_, k) => strip(k)),
      block('tie', across, [128, 134], [tie - TIE / 2, tie + TIE / 2]),
    ];
  };
  return [group('curtain-1', [from, 0, 0], 0, curtain(false)), group('curtain-2', [to, 0, 0], 0, curtain(true))];
}
