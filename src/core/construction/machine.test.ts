import { describe, expect, it } from 'vitest';
import { picturePoint } from '@/core/space';
import { IMPERIAL_STYLE, METRIC_STYLE } from '@/core/units';
import { draft, restsOn, say, type Operation } from './index';

/** A horizon with a vanishing point, a ground line 80 below, and a receding line from a trace on it. */
const beginning: readonly Operation[] = [
  { op: 'take', mark: 'cv', point: picturePoint(0, 0) },
  { op: 'take', mark: 'vp', point: picturePoint(200, 0) },
  { op: 'level', line: 'horizon', through: 'cv' },
  { op: 'upright', line: 'centre', through: 'cv' },
  { op: 'lay-off', mark: 'zero', on: 'centre', from: 'cv', distance: 80, toward: 'down' },
  { op: 'level', line: 'ground', through: 'zero' },
  { op: 'lay-off', mark: 'trace', on: 'ground', from: 'zero', distance: 40, toward: 'left' },
  { op: 'rule', line: 'side', through: ['trace', 'vp'] },
];

function marksOf(operations: readonly Operation[]) {
  const paper = draft(operations);
  if (!paper.ok) throw new Error(paper.error.message);
  return paper.value;
}

describe('the operations of the drafting machine', () => {
  it('lay off to all four sides of a mark', () => {
    const { marks } = marksOf([
      ...beginning,
      { op: 'lay-off', mark: 'right', on: 'ground', from: 'trace', distance: 7, toward: 'right' },
      { op: 'lay-off', mark: 'left', on: 'ground', from: 'trace', distance: 7, toward: 'left' },
      { op: 'upright', line: 'up-line', through: 'trace' },
      { op: 'lay-off', mark: 'up', on: 'up-line', from: 'trace', distance: 7, toward: 'up' },
      { op: 'lay-off', mark: 'down', on: 'up-line', from: 'trace', distance: 7, toward: 'down' },
    ]);
    expect(marks.get('zero')).toEqual({ u: 0, v: -80 });
    expect(marks.get('trace')).toEqual({ u: -40, v: -80 });
    expect(marks.get('right')).toEqual({ u: -33, v: -80 });
    expect(marks.get('left')).toEqual({ u: -47, v: -80 });
    expect(marks.get('up')).toEqual({ u: -40, v: -73 });
    expect(marks.get('down')).toEqual({ u: -40, v: -87 });
  });

  it('cross lines where they meet and tell the angle', () => {
    const { marks, crossingDeg } = marksOf([...beginning, { op: 'cross', mark: 'on-axis', lines: ['side', 'centre'] }]);
    // From (−40, −80) to (200, 0): a sixth of the way at the axis.
    expect(marks.get('on-axis')?.u).toBeCloseTo(0, 12);
    expect(marks.get('on-axis')?.v).toBeCloseTo(-80 + 80 / 6, 12);
    expect(crossingDeg.get('on-axis')).toBeCloseTo(90 - (Math.atan2(80, 240) * 180) / Math.PI, 9);
  });

  it.each<[string, Operation, string]>([
    ['parallel lines do not cross', { op: 'cross', mark: 'x', lines: ['horizon', 'ground'] }, 'lines-do-not-cross'],
    ['a line does not cross itself', { op: 'cross', mark: 'x', lines: ['ground', 'ground'] }, 'lines-do-not-cross'],
    ['one mark gives no line', { op: 'rule', line: 'x', through: ['vp', 'vp'] }, 'marks-coincide'],
    [
      'a receding line is not to scale',
      { op: 'lay-off', mark: 'x', on: 'side', from: 'trace', distance: 5, toward: 'right' },
      'measure-along-slope',
    ],
  ])('%s', (_, operation, reason) => {
    const paper = draft([...beginning, operation]);
    expect(paper.ok ? 'drawn' : paper.error.reason).toBe(reason);
    expect(paper.ok ? -1 : paper.error.operation).toBe(beginning.length);
  });

  it('using what was never drawn, or drawing a mark twice, is a bug and throws', () => {
    expect(() => draft([{ op: 'level', line: 'x', through: 'nowhere' }])).toThrow('nowhere');
    expect(() => draft([...beginning, { op: 'cross', mark: 'x', lines: ['side', 'nowhere'] }])).toThrow('nowhere');
    expect(() => draft([...beginning, { op: 'take', mark: 'cv', point: picturePoint(1, 1) }])).toThrow('cv');
  });

  it('knows what a mark rests on', () => {
    const operations: readonly Operation[] = [
      ...beginning,
      { op: 'cross', mark: 'on-axis', lines: ['side', 'centre'] },
    ];
    expect([...restsOn(operations, 'trace')].sort()).toEqual(['cv', 'trace', 'zero']);
    expect([...restsOn(operations, 'on-axis')].sort()).toEqual(['cv', 'on-axis', 'trace', 'vp', 'zero']);
    expect([...restsOn(operations, 'vp')]).toEqual(['vp']);
    expect(restsOn(operations, 'unheard-of').size).toBe(0);
  });

  it('a slip moves its mark by just so much, and a slip of nothing moves nothing', () => {
    const right = marksOf(beginning);
    const slipped = draft(beginning, { slips: [{ mark: 'zero', du: 0, dv: -1 }] });
    if (!slipped.ok) throw new Error('drawn');
    expect(slipped.value.marks.get('zero')).toEqual({ u: 0, v: -81 });
    expect(slipped.value.marks.get('trace')).toEqual({ u: -40, v: -81 });
    expect(slipped.value.marks.get('vp')).toEqual(right.marks.get('vp'));
    const still = draft(beginning, { slips: [{ mark: 'zero', du: 0, dv: 0 }] });
    expect(still.ok && [...still.value.marks]).toEqual([...right.marks]);
  });
});

describe('sentences', () => {
  it('give the real size first and say which figure is of the paper only where they could be mixed up', () => {
    expect(say(['Lay off ', { real: 1900 }, ': ', { paperMm: 95 }, ' to the right.'], METRIC_STYLE)).toBe(
      'Lay off 1\u00a0900 mm: 95.0 mm on paper to the right.',
    );
    expect(say(['The horizon lies ', { paperMm: 155 }, ' above the edge.'], METRIC_STYLE)).toBe(
      'The horizon lies 155.0 mm above the edge.',
    );
    expect(say(['Lay off ', { real: 1574.8 }, ': ', { paperMm: 65.6167 }, ' down.'], IMPERIAL_STYLE)).toBe(
      `Lay off 5'-2": 2 19/32" on paper down.`,
    );
  });
});
