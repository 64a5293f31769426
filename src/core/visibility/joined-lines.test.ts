import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { runs } from '@/testing';
import { joinLines } from './index';

const join = (...rows: readonly (readonly [number, number, number, number])[]) =>
  joinLines(Float64Array.from(rows.flat()), Int32Array.from(rows.keys()));
const drawn = (joined: ReturnType<typeof join>) =>
  Array.from({ length: joined.count }, (_, i) => ({
    row: at(joined.row, i),
    line: [...joined.picture.subarray(i * 4, i * 4 + 4)],
    also: [...joined.also.subarray(joined.alsoStart[i], joined.alsoStart[i + 1])],
  }));

describe('lines that fall on one another', () => {
  it('are drawn once, and each remembers the other', () => {
    expect(drawn(join([0, 0, 10, 0], [10, 0, 0, 0]))).toEqual([{ row: 0, line: [0, 0, 10, 0], also: [1] }]);
  });
  it('a longer one is drawn whole, of the other what it leaves free', () => {
    expect(drawn(join([8, 0, 14, 0], [0, 0, 10, 0]))).toEqual([
      { row: 1, line: [0, 0, 10, 0], also: [0] },
      { row: 0, line: [10, 0, 14, 0], also: [] },
    ]);
  });
  it('one that is laid over by two from both ends keeps its middle', () => {
    const parts = drawn(join([0, 0, 12, 0], [-30, 0, 3, 0], [9, 0, 40, 0]));
    expect(parts.filter((one) => one.row === 0)).toEqual([{ row: 0, line: [3, 0, 9, 0], also: [] }]);
  });
  it('what only meets, crosses, or runs beside stays its own', () => {
    for (const other of [
      [10, 0, 20, 0],
      [5, -5, 5, 5],
      [0, 0.00001, 10, 0.00001],
      [0, 0, 10, 0.001],
    ] as const)
      expect(drawn(join([0, 0, 10, 0], other)).map((one) => one.also)).toEqual([[], []]);
  });
  it('direction does not matter, nor where the line lies: uprights, level ones, nearly level ones (seeds 1…)', () => {
    for (let seed = 1; seed <= runs(); seed += 1) {
      const random = seededRandom(seed);
      const angle = [0, Math.PI / 2, Math.PI, 1e-7, -1e-7, random() * 7][seed % 6] ?? 0;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      const [ou, ov] = [300 * (random() - 0.5), 300 * (random() - 0.5)];
      const at = (t: number): readonly [number, number] => [ou + c * t, ov + s * t];
      const [a, b, d, e] = [0, 20 + 30 * random(), 10, 60 + 10 * random()];
      const rows = [
        [...at(a), ...at(b)],
        [...at(e), ...at(d)],
      ] as unknown as readonly (readonly [number, number, number, number])[];
      const joined = join(...rows);
      const length = drawn(joined).reduce(
        (sum, { line: [u0 = 0, v0 = 0, u1 = 0, v1 = 0] }) => sum + Math.hypot(u1 - u0, v1 - v0),
        0,
      );
      expect(length, `seed ${seed}`).toBeCloseTo(e - a, 6);
      expect(joined.count).toBe(2);
    }
  });
  it('rows that are not taken are left out', () => {
    const joined = joinLines(Float64Array.from([0, 0, 5, 0, 0, 0, 9, 0]), Int32Array.from([0]));
    expect(drawn(joined)).toEqual([{ row: 0, line: [0, 0, 5, 0], also: [] }]);
  });
});
