import { describe, expect, it } from 'vitest';
import { picturePoint } from '@/core/space';
import { Desk, ORDINARY_HAND, type Operation } from './index';
import { lineBetween } from './line-between';

const BOARD = { left: -400, right: 400, bottom: -300, top: 300 };
const desk = (straightedgeMm: number): Desk => new Desk({ board: BOARD, straightedgeMm }, ORDINARY_HAND);
const BEGUN: readonly Operation[] = [
  { op: 'take', mark: 'CV', point: picturePoint(0, 0), slides: 'none' },
  { op: 'level', line: 'horizon', through: 'CV' },
  { op: 'upright', line: 'centre', through: 'CV' },
  { op: 'take', mark: 'VR', point: picturePoint(350, 0), slides: 'u' },
  { op: 'lay-off', mark: 'O', on: 'centre', from: 'CV', distance: 80, toward: 'down' },
  { op: 'level', line: 'ground', through: 'O' },
  { op: 'lay-off', mark: 'T', on: 'ground', from: 'O', distance: 250, toward: 'left' },
];
/** From T to VR it is 605.3 mm. */
const LONG: Operation = { op: 'rule', line: 'side', through: ['T', 'VR'] };

describe('the desk', () => {
  it('a line longer than the straightedge cannot be ruled, and one just within it can', () => {
    for (const [straightedge, can] of [
      [605.2, false],
      [605.4, true],
    ] as const) {
      const one = desk(straightedge);
      expect(one.carryOut(BEGUN)).toBe(true);
      expect(one.priced([LONG]) !== null).toBe(can);
      expect(one.carryOut([LONG])).toBe(can);
      expect(one.drawn('side')).toBe(can);
      expect(one.operations).toHaveLength(BEGUN.length + (can ? 1 : 0));
    }
  });
  it('the plan is a paper of its own: it may reach beyond the board, and no line of it joins marks of the picture', () => {
    const one = desk(2000);
    one.carryOut(BEGUN);
    const plan: readonly Operation[] = [
      { op: 'take', mark: 'SP', point: picturePoint(0, -500), slides: 'none', paper: 'plan' },
      { op: 'take', mark: 'C', point: picturePoint(0, 0), slides: 'none', paper: 'plan' },
      { op: 'take', mark: 'P', point: picturePoint(350, 0), slides: 'none', paper: 'plan' },
      { op: 'rule', line: 'on-the-plan', through: ['C', 'P'] },
    ];
    expect(one.carryOut(plan)).toBe(true);
    expect(plan.flatMap((op) => ('mark' in op ? [one.onPlan.has(op.mark)] : []))).toEqual([true, true, true]);
    expect([one.onPlan.has('on-the-plan'), one.onPlan.has('horizon')]).toEqual([true, false]);
    // A line of the plan may run through the same figures as two marks of the picture: it is no line of theirs.
    expect(lineBetween(one, 'CV', 'VR')).toBe('horizon');
    const alone = desk(2000);
    alone.carryOut(BEGUN);
    alone.carryOut([
      { op: 'take', mark: 'Q', point: picturePoint(30, 120), slides: 'none', paper: 'plan' },
      { op: 'take', mark: 'R', point: picturePoint(-250, -80), slides: 'none', paper: 'plan' },
      { op: 'rule', line: 'plan-line', through: ['Q', 'R'] },
      { op: 'lay-off', mark: 'b', on: 'centre', from: 'CV', distance: 98.57142857142857, toward: 'up' },
    ]);
    expect(lineBetween(alone, 'T', 'b')).toBe('edge:T~b');
  });
  it('a way that leaves the board, or cannot be drawn, changes nothing at all', () => {
    const one = desk(1000);
    one.carryOut(BEGUN);
    const [marks, acts] = [one.machine.marks.size, one.errors.acts.length];
    const off: readonly Operation[] = [
      LONG,
      { op: 'upright', line: 'T-up', through: 'T' },
      { op: 'lay-off', mark: 'far', on: 'ground', from: 'O', distance: 401, toward: 'right' },
    ];
    expect(one.carryOut(off)).toBe(false);
    expect(one.carryOut([{ op: 'cross', mark: 'nowhere', lines: ['horizon', 'ground'] }])).toBe(false);
    expect([one.drawn('side'), one.drawn('T-up'), one.has('far'), one.has('nowhere')]).toEqual([
      false,
      false,
      false,
      false,
    ]);
    expect([one.machine.marks.size, one.errors.acts.length, one.operations.length]).toEqual([
      marks,
      acts,
      BEGUN.length,
    ]);
    expect(one.carryOut([LONG])).toBe(true);
  });
  it('a flat crossing costs more than any other way, a large error more than a small one, and pricing leaves the paper as it was', () => {
    const one = desk(1000);
    one.carryOut([
      ...BEGUN,
      LONG,
      { op: 'lay-off', mark: 'near', on: 'ground', from: 'T', distance: 40, toward: 'right' },
      { op: 'upright', line: 'near-up', through: 'near' },
      { op: 'lay-off', mark: 'low', on: 'centre', from: 'O', distance: 12, toward: 'up' },
    ]);
    const steep = one.priced([{ op: 'cross', mark: 'x', lines: ['side', 'near-up'] }]);
    const flat = one.priced([
      { op: 'rule', line: 'shallow', through: ['low', 'T'] },
      { op: 'cross', mark: 'x', lines: ['shallow', 'ground'] },
    ]);
    expect(steep?.flat).toBe(false);
    expect(flat?.flat).toBe(true);
    expect(flat?.moves ?? 0).toBeGreaterThan(100 * (steep?.moves ?? Infinity));
    // The same crossing by a line ruled from marks close together misses by more.
    const crossedFrom = (apart: number) =>
      one.priced([
        { op: 'lay-off', mark: 'p', on: 'ground', from: 'T', distance: apart, toward: 'right' },
        { op: 'upright', line: 'p-up', through: 'p' },
        { op: 'lay-off', mark: 'q', on: 'p-up', from: 'p', distance: apart, toward: 'up' },
        { op: 'rule', line: 'short', through: ['T', 'q'] },
        { op: 'cross', mark: 'x', lines: ['short', 'centre'] },
      ]);
    const [far, sure] = [crossedFrom(3), crossedFrom(200)];
    expect(far?.moves ?? 0).toBeGreaterThan((sure?.moves ?? Infinity) + 10);
    expect(one.has('x')).toBe(false);
  });
});
