import type { UnitSystem } from './quantity';

/** Scales a drawing is made at, by denominator, largest drawing first. */
export const DRAWING_SCALES: Readonly<Record<UnitSystem, readonly number[]>> = {
  metric: [1, 2, 5, 10, 15, 20, 25, 30, 40, 50, 75, 100, 150, 200],
  imperial: [1, 2, 4, 8, 12, 16, 24, 32, 48, 64, 96, 128, 192],
};
