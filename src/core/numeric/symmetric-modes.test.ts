import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { symmetricModes } from './symmetric-modes';

describe('modes of a symmetric matrix', () => {
  it('each vector comes out as itself, so many times as its value says, and they stand square to one another', () => {
    const m = [
      [4, 1, -2, 0.5],
      [1, 3, 0, 1],
      [-2, 0, 1, -1],
      [0.5, 1, -1, 6],
    ];
    const { values, vectors } = symmetricModes(m);
    expect([...values].sort((a, b) => a - b)).toEqual(values);
    expect(values.reduce((sum, one) => sum + one, 0)).toBeCloseTo(14, 10);
    vectors.forEach((vector, i) => {
      m.forEach((row, j) => {
        const image = row.reduce((sum, one, k) => sum + one * at(vector, k), 0);
        expect(image).toBeCloseTo(at(values, i) * at(vector, j), 10);
      });
      vectors.forEach((other, j) => {
        expect(vector.reduce((sum, one, k) => sum + one * at(other, k), 0)).toBeCloseTo(i === j ? 1 : 0, 10);
      });
    });
  });
  it('one that is square already is left as it is', () =>
    expect(
      symmetricModes([
        [2, 0],
        [0, -1],
      ]).values,
    ).toEqual([-1, 2]));
});
