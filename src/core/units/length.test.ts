import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '@/testing';
import {
  formatAngle,
  formatBareLength,
  formatFeetInches,
  formatInches,
  formatPaper,
  formatScale,
  IMPERIAL_STYLE,
  METRIC_STYLE,
  parseAngle,
  parseLength,
  parseScale,
  type LengthErrorReason,
  type UnitSystem,
} from './index';

const IN = 25.4;
const mm = (text: string, units: UnitSystem = 'metric', negative = false): number => {
  const read = parseLength(text, { units, ...(negative ? { negative: 'allowed', zero: 'allowed' } : {}) });
  if (!read.ok) throw new Error(`${text}: ${read.error.message}`);
  return read.value.mm;
};
const refusal = (text: string, units: UnitSystem = 'metric') => {
  const read = parseLength(text, { units });
  if (read.ok) throw new Error(`${text} was read as ${read.value.mm}`);
  return read.error;
};

describe('lengths as people type them', () => {
  it.each<[string, number]>([
    ['2400', 2400],
    ['2.4 m', 2400],
    ['2,4 m', 2400],
    ['240 cm', 2400],
    ['2400mm', 2400],
    ['2,4', 2.4],
    ['1 840', 1840],
    ['1\u202f840 mm', 1840],
    ['12,3456', 12.3456],
    ['.5 m', 500],
    [`7'-10 1/2"`, 94.5 * IN],
    [`7' 10.5"`, 94.5 * IN],
    ['7ft 10in', 94 * IN],
    ['94 1/2"', 94.5 * IN],
    [`7.875'`, 94.5 * IN],
    ['7\' 10½"', 94.5 * IN],
    ['7′-10½″', 94.5 * IN],
    ['7’ 10”', 94 * IN],
    ["7'", 84 * IN],
    ['½"', 0.5 * IN],
    ['600 + 3 x 450', 1950],
    ['600+3×450', 1950],
    ['2.4 m - 40', 2360],
    ['3 x 18"', 54 * IN],
    [`2 x 1'-6" + 40`, 36 * IN + 40],
  ])('%s is %d mm in a metric project', (text, expected) => expect(mm(text)).toBeCloseTo(expected, 9));

  it.each<[string, number]>([
    ['94 1/2', 94.5 * IN],
    ['24 + 3 x 18', 78 * IN],
    ['18', 18 * IN],
    ['1/2', 0.5 * IN],
    ['2.4 m', 2400],
    [`1'-3" + 2 x 20"`, 55 * IN],
  ])('%s is %d mm in an imperial project', (text, expected) => expect(mm(text, 'imperial')).toBeCloseTo(expected, 9));

  it('keeps what was typed, and reads signed levels where they are legal', () => {
    const read = parseLength(' 600 + 3 x 450 ', { units: 'metric' });
    expect(read.ok && read.value.asTyped).toBe('600 + 3 x 450');
    expect(mm('-450', 'metric', true)).toBe(-450);
    expect(mm('−450', 'metric', true)).toBe(-450);
    expect(mm(`-1'-6"`, 'imperial', true)).toBeCloseTo(-18 * IN, 9);
    expect(mm('0', 'metric', true)).toBe(0);
  });

  it.each<[string, LengthErrorReason]>([
    ['', 'empty'],
    ['   ', 'empty'],
    ['2,400', 'ambiguous-comma'],
    [`7'14"`, 'inches-over-eleven'],
    [`7.5'6"`, 'fraction-of-feet-with-inches'],
    ['1/0"', 'zero-denominator'],
    ['2,4,0', 'several-commas'],
    ['1e9', 'exponent'],
    ['1E3 mm', 'exponent'],
    ['NaN', 'not-a-length'],
    ['abc', 'not-a-length'],
    ['one metre', 'not-a-length'],
    ['-450', 'not-positive'],
    ['0', 'not-positive'],
    ['9999999', 'out-of-range'],
    ['94 1/2', 'fraction-without-inch-mark'],
    ['3 m x 4 m', 'unit-missing-in-product'],
    ['600 +', 'not-a-length'],
    ['3 x', 'not-a-length'],
    ['94 3/2"', 'improper-fraction'],
    ['Infinity', 'not-a-length'],
    ['--5', 'not-a-length'],
  ])('%s is refused: %s', (text, reason) => {
    const error = refusal(text);
    expect(error.reason).toBe(reason);
    expect(error.message.length).toBeGreaterThan(10);
  });

  it('offers both readings of a comma with three digits, and the right form of too many inches', () => {
    expect(refusal('2,400').offers).toEqual(['2400', '2.4']);
    expect(refusal(`7'14"`).offers).toEqual([`8'-2"`]);
    expect(mm(refusal(`7'14"`).offers[0] ?? '')).toBeCloseTo(98 * IN, 9);
    expect(refusal('abc', 'imperial').message).toContain(`7'-10 1/2"`);
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.stringMatching(/^[0-9'"., /x+ftinmc½-]{0,14}$/)),
        fc.constantFrom<UnitSystem>('metric', 'imperial'),
        (text, units) => {
          const read = parseLength(text, { units });
          expect(read.ok ? Number.isFinite(read.value.mm) && read.value.mm > 0 : read.error.message.length > 0).toBe(
            true,
          );
        },
      ),
      { numRuns: 10 * runs(), seed: 11 },
    );
  });
});

describe('lengths as they are shown', () => {
  it('rounds imperial to the fraction, ties to even, with carry: never 6\'-12"', () => {
    expect(formatFeetInches(2133, 16)).toBe(`7'-0"`);
    expect(formatFeetInches(2133, 32)).toBe(`6'-11 31/32"`);
    expect(formatFeetInches(94.5 * IN, 16)).toBe(`7'-10 1/2"`);
    expect(formatFeetInches(IN / 16, 8)).toBe('0"');
    expect(formatFeetInches((3 * IN) / 16, 8)).toBe('1/4"');
    expect(formatFeetInches(-18 * IN, 8)).toBe(`−1'-6"`);
    expect(formatInches(94.5 * IN, 32)).toBe('94 1/2"');
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.constantFrom(8, 16, 32, 64) as fc.Arbitrary<8 | 16 | 32 | 64>,
        (length, fraction) => {
          const shown = formatFeetInches(length, fraction);
          expect(/'-1[2-9]/.test(shown)).toBe(false);
          if (!/^0"$/.test(shown)) expect(Math.abs(mm(shown) - length)).toBeLessThanOrEqual(IN / fraction / 2 + 1e-6);
        },
      ),
      { numRuns: 5 * runs(), seed: 12 },
    );
  });

  it('groups metric digits, and its own print can be typed back', () => {
    expect(formatBareLength(1840, METRIC_STYLE)).toBe('1\u00a0840');
    expect(formatBareLength(12.5, METRIC_STYLE)).toBe('12.5');
    expect(formatBareLength(4532.6, METRIC_STYLE)).toBe('4\u00a0533');
    expect(formatPaper(43.25, METRIC_STYLE)).toBe('43.2 mm');
    expect(formatPaper(-43.25, METRIC_STYLE)).toBe('−43.2 mm');
    expect(formatPaper(43.25, { ...METRIC_STYLE, rulerStepMm: 0.5 })).toBe('43.0 mm');
    expect(formatPaper(42.8625, IMPERIAL_STYLE)).toBe('1 11/16"');
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 999_999 }), (whole) => {
        expect(mm(formatBareLength(whole, METRIC_STYLE))).toBe(whole);
      }),
      { numRuns: runs(), seed: 13 },
    );
  });
});

describe('scales and angles', () => {
  it.each<[string, number]>([
    ['1:20', 20],
    ['1/25', 25],
    ['1 : 50', 50],
    [`1" = 1'-0"`, 12],
    [`3/4" = 1'-0"`, 16],
    [`1/2"=1'`, 24],
    [`3/8" = 1'-0"`, 32],
    [`1/4" = 1'-0"`, 48],
  ])('%s is 1:%d', (text, expected) => {
    const read = parseScale(text);
    expect(read.ok && read.value).toBe(expected);
  });
  it('refuses what is no scale, and prints an imperial one in inches to the foot', () => {
    for (const text of ['', 'abc', '2:1', '1:0', '1:5000', `1/2" = `, '1:20:30'])
      expect(parseScale(text).ok, text).toBe(false);
    expect(formatScale(24, 'imperial')).toBe(`1/2" = 1'-0"`);
    expect(formatScale(12, 'imperial')).toBe(`1" = 1'-0"`);
    expect(formatScale(8, 'imperial')).toBe(`1 1/2" = 1'-0"`);
    expect(formatScale(25, 'imperial')).toBe('1:25');
    expect(formatScale(20, 'metric')).toBe('1:20');
  });
  it('reads angles in degrees with point or comma', () => {
    expect(parseAngle('22,5°')).toEqual({ ok: true, value: 22.5 });
    expect(parseAngle('−15')).toEqual({ ok: true, value: -15 });
    expect([parseAngle(''), parseAngle('thirty')].map((one) => one.ok)).toEqual([false, false]);
    expect(formatAngle(-22.504)).toBe('−22.5°');
  });

  it.each([
    ['metric', 'room', '2.4 m'],
    ['metric', 'paper', '92.5'],
    ['imperial', 'room', `94 1/2"`],
    ['imperial', 'paper', '7 1/2'],
  ] as const)('what is no length is answered with examples, %s, of the %s: each can be typed', (units, on, like) => {
    const read = parseLength('wide', { units, on });
    if (read.ok) throw new Error('“wide” is no length');
    expect(read.error.message).toContain(like);
    const examples = / like (.+)\.$/.exec(read.error.message)?.[1]?.split(/, | or /) ?? [];
    expect(examples).toHaveLength(4);
    for (const example of examples) {
      const typed = parseLength(example, { units, on });
      expect(typed.ok && typed.value.mm < (on === 'paper' ? 500 : 5000), example).toBe(true);
    }
  });
});
