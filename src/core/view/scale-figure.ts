import type { ScaleFigure } from '@/core/record';
import type { Millimetres, UnitSystem } from '@/core/units';

/** A figure to judge the eye by: its height and its eyes' height above the floor. Usual figures, not anybody's measure. */
export interface FigureSize {
  readonly figure: Exclude<ScaleFigure, 'none'>;
  readonly words: string;
  readonly tall: Millimetres;
  readonly eyes: Millimetres;
}

const IN = 25.4;

/** Standing adult, seated adult on a usual chair, standing child of about six; in round figures of either system. */
export const figureSizes = (units: UnitSystem): readonly FigureSize[] =>
  units === 'imperial'
    ? [
        { figure: 'standing', words: 'standing', tall: 67 * IN, eyes: 63 * IN },
        { figure: 'seated', words: 'seated', tall: 51 * IN, eyes: 47 * IN },
        { figure: 'child', words: 'a child', tall: 46 * IN, eyes: 42 * IN },
      ]
    : [
        { figure: 'standing', words: 'standing', tall: 1700, eyes: 1600 },
        { figure: 'seated', words: 'seated', tall: 1300, eyes: 1200 },
        { figure: 'child', words: 'a child', tall: 1160, eyes: 1060 },
      ];

/**
 * The outline of a figure from the side, for one of unit height: x to the front, y up, as a closed line. Drawn as a draughtsman puts a figure
 * beside a door: head, trunk and legs, no more.
 */
export const FIGURE_OUTLINE: Readonly<Record<Exclude<ScaleFigure, 'none'>, readonly (readonly [number, number])[]>> = {
  standing: standingOutline(),
  child: standingOutline(),
  seated: [
    [-0.13, 0.34],
    [-0.15, 0.62],
    [-0.1, 0.78],
    [-0.03, 0.81],
    [-0.03, 0.85],
    [-0.09, 0.89],
    [-0.09, 0.96],
    [-0.03, 1],
    [0.05, 0.98],
    [0.08, 0.92],
    [0.06, 0.86],
    [0.02, 0.84],
    [0.03, 0.8],
    [0.08, 0.72],
    [0.08, 0.46],
    [0.36, 0.44],
    [0.38, 0.4],
    [0.35, 0.05],
    [0.44, 0.03],
    [0.44, 0],
    [0.26, 0],
    [0.25, 0.32],
    [0.0, 0.3],
  ],
};

function standingOutline(): readonly (readonly [number, number])[] {
  return [
    [-0.05, 0],
    [-0.04, 0.05],
    [-0.05, 0.28],
    [-0.07, 0.48],
    [-0.08, 0.62],
    [-0.09, 0.76],
    [-0.05, 0.83],
    [-0.015, 0.85],
    [-0.02, 0.88],
    [-0.055, 0.91],
    [-0.06, 0.96],
    [-0.02, 1],
    [0.03, 0.99],
    [0.055, 0.95],
    [0.05, 0.9],
    [0.02, 0.87],
    [0.02, 0.84],
    [0.06, 0.78],
    [0.07, 0.64],
    [0.05, 0.5],
    [0.05, 0.3],
    [0.02, 0.05],
    [0.1, 0.02],
    [0.1, 0],
  ];
}
