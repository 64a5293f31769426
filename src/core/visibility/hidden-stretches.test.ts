import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '@/testing';
import { HiddenStretches } from './hidden-stretches';

type Given = readonly [side: 'both' | 'left' | 'right', from: number, to: number];
function put(given: readonly Given[], lengthMm = 100): readonly (readonly [number, number, number])[] {
  const hidden = new HiddenStretches();
  hidden.clear(lengthMm);
  given.forEach(([side, from, to], by) => hidden.add(side, from, to, by));
  const out: [number, number, number][] = [];
  hidden.each((from, to, by) => out.push([from, to, by]));
  return out;
}

describe('stretches that faces hide', () => {
  it('are joined where they overlap or meet, and named by the first', () => {
    expect(
      put([
        ['both', 0.5, 0.7],
        ['both', 0.1, 0.3],
        ['both', 0.3, 0.4],
        ['both', 0.65, 0.9],
      ]),
    ).toEqual([
      [0.1, 0.4, 1],
      [0.5, 0.9, 0],
    ]);
  });
  it('hidden on one side only is seen; on both sides, by whichever faces, is not', () => {
    expect(put([['left', 0.2, 0.8]])).toEqual([]);
    expect(
      put([
        ['left', 0.2, 0.8],
        ['right', 0.5, 1],
      ]),
    ).toEqual([[0.5, 0.8, 0]]);
    // On the left it goes from the face's own into what is hidden on both.
    expect(
      put([
        ['left', 0.2, 0.5],
        ['both', 0.5, 0.9],
        ['right', 0.1, 0.5],
      ]).map(([from, to]) => [from, to]),
    ).toEqual([[0.2, 0.9]]);
  });
  it('what reaches beyond the edge is cut to it; a hair at either end is taken for the whole', () => {
    expect(put([['both', -3, 0.4]])).toEqual([[0, 0.4, 0]]);
    // A thousandth of a micrometre of 100 mm.
    expect(put([['both', 1e-9, 1 - 1e-9]])).toEqual([[0, 1, 0]]);
    expect(put([['both', 1e-7, 1]])[0]?.[0]).toBe(1e-7);
    expect(put([['both', 0.5, 0.5 + 1e-9]])).toEqual([]);
  });
  it('one that hides all of it is told at once', () => {
    const hidden = new HiddenStretches();
    hidden.clear(10);
    hidden.add('left', 0, 1, 0);
    expect(hidden.whole).toBe(false);
    hidden.add('both', -1, 2, 1);
    expect(hidden.whole).toBe(true);
    hidden.clear(10);
    expect([hidden.whole, hidden.empty]).toEqual([false, true]);
  });
  it('agrees with asking every point by itself, however many there are (seed 71)', () => {
    const side = fc.constantFrom<Given[0]>('both', 'both', 'left', 'right');
    const grid = fc.integer({ min: 0, max: 40 });
    fc.assert(
      fc.property(fc.array(fc.tuple(side, grid, grid), { maxLength: 60 }), (list) => {
        const given = list.map(([which, a, b]): Given => [which, Math.min(a, b) / 40, Math.max(a, b) / 40]);
        const out = put(given);
        for (let i = 0; i + 1 < out.length; i += 1) expect(out[i]?.[1]).toBeLessThan(out[i + 1]?.[0] ?? 0);
        for (let cell = 0; cell < 40; cell += 1) {
          const x = (cell + 0.5) / 40;
          const on = (wanted: Given[0]): boolean =>
            given.some(([which, from, to]) => (which === wanted || which === 'both') && from < x && x < to);
          expect(
            out.some(([from, to]) => from < x && x < to),
            `${x}`,
          ).toBe(on('left') && on('right'));
        }
      }),
      { numRuns: runs(), seed: 71 },
    );
  });
});
