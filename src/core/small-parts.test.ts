import { describe, expect, it } from 'vitest';
import { at, err, invariant, ok, seededRandom } from '@/core/base';
import { clamp, finite, roundEven } from '@/core/numeric';
import {
  boardFromSheet,
  boardPoint,
  downwardFromSheet,
  picturePoint,
  pictureFromSheet,
  planFromWorld,
  planPoint,
  sheetFromPicture,
  sheetPoint,
  worldFromPlan,
} from '@/core/space';

describe('base and numbers', () => {
  it('results are values, bugs throw', () => {
    expect(ok(1)).toEqual({ ok: true, value: 1 });
    expect(err('no')).toEqual({ ok: false, error: 'no' });
    expect(() => invariant(false, 'the roof')).toThrow('the roof');
    expect(() => at([1, 2], 2)).toThrow('index 2 of 2');
    expect(at(new Float64Array([5]), 0)).toBe(5);
    expect(() => finite(Infinity, 'a width')).toThrow('a width');
    expect(() => finite(NaN)).toThrow();
    expect(finite(-0.5)).toBe(-0.5);
    expect([clamp(5, 0, 3), clamp(-5, 0, 3), clamp(2, 0, 3)]).toEqual([3, 0, 2]);
  });
  it('ties go to the even number, on both sides of nought', () => {
    expect([0.5, 1.5, 2.5, -0.5, -1.5, 2.4999, 2.5001].map(roundEven).map((n) => n + 0)).toEqual([
      0, 2, 2, 0, -2, 2, 3,
    ]);
    // Division noise around a half is still a half.
    expect(roundEven(0.5 + 1e-12)).toBe(0);
    // A mark worked out in two ways is told alike.
    expect([122.5 - 4e-7, 122.5 + 4e-7].map(roundEven)).toEqual([122, 122]);
  });
  it('seeded chance repeats itself, differs by seed, and fills its range evenly', () => {
    const draw = (seed: number, count: number): number[] => {
      const random = seededRandom(seed);
      return Array.from({ length: count }, () => random());
    };
    expect(draw(7, 5)).toEqual(draw(7, 5));
    expect(draw(7, 5)).not.toEqual(draw(8, 5));
    const tenths = draw(3, 10_000).reduce((bins, value) => {
      bins[Math.floor(value * 10)] = (bins[Math.floor(value * 10)] ?? 0) + 1;
      return bins;
    }, Array<number>(10).fill(0));
    expect(Math.min(...tenths)).toBeGreaterThan(880);
    expect(Math.max(...tenths)).toBeLessThan(1120);
  });
});

describe('spaces', () => {
  const placement = { centreOfVisionOnSheet: sheetPoint(210, 155), sheetOnBoard: boardPoint(290, 200) };
  it('picture, sheet and board turn into each other; up stays up until the one flip', () => {
    const picture = picturePoint(-43.2, -18.6);
    const sheet = sheetFromPicture(picture, placement);
    expect([sheet.x, sheet.y]).toEqual([210 - 43.2, 155 - 18.6]);
    const back = pictureFromSheet(sheet, placement);
    expect(back.u).toBeCloseTo(picture.u, 12);
    expect(back.v).toBeCloseTo(picture.v, 12);
    expect(boardFromSheet(sheet, placement)).toEqual({ x: 290 + 210 - 43.2, y: 200 + 155 - 18.6 });
    expect(downwardFromSheet(0, 297)).toBe(297);
    expect(downwardFromSheet(297, 297)).toBe(0);
  });
  it('plan and world share x and y', () => {
    expect(planFromWorld(worldFromPlan(planPoint(3, 4), 5))).toEqual({ x: 3, y: 4 });
  });
});
