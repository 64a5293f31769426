import { describe, expect, it } from 'vitest';
import { picturePoint } from '@/core/space';
import { bendsUntold, placesAmong, pointsKept, pointsOfCurve } from './round-targets';

const TURN = 2 * Math.PI;
const everywhere = (): boolean => true;
const whole = { from: 0, to: TURN };

describe('points of round things', () => {
  it('a whole circle has twelve, the four in which its square touches it tried first', () => {
    const { angles, closed, inOrder } = pointsOfCurve(whole, [[0, TURN]], everywhere);
    expect(closed).toBe(true);
    expect(angles).toHaveLength(12);
    expect(inOrder.slice(0, 4).map((i) => angles[i])).toEqual([0, 1, 2, 3].map((q) => (q * Math.PI) / 2));
    expect([...inOrder].sort((a, b) => a - b)).toEqual(Array.from({ length: 12 }, (_, i) => i));
  });
  it('an arc has its ends and what lies between them', () => {
    const { angles, closed, inOrder } = pointsOfCurve({ from: 0.1, to: 2 }, [[0.1, 2]], everywhere);
    expect(closed).toBe(false);
    expect(angles.map((one) => Number(one.toFixed(3)))).toEqual([0.1, 0.644, 0.927, 1.571, 2]);
    // A short one has places between them, five in all.
    const short = pointsOfCurve({ from: 0.1, to: 0.5 }, [[0.1, 0.5]], everywhere).angles;
    expect(short.map((one) => Number(one.toFixed(3)))).toEqual([0.1, 0.2, 0.3, 0.4, 0.5]);
    // The ends first: without them it cannot be drawn.
    expect(inOrder.slice(0, 2)).toEqual([0, 4]);
  });
  it('of what leaves the board only what is seen is measured', () => {
    const { angles, closed } = pointsOfCurve(whole, [[1, 3]], (angle) => angle < 4);
    expect(closed).toBe(false);
    expect([angles[0], angles.at(-1)]).toEqual([1, 3]);
  });
  it('four are enough for a circle, three quarters of one are not, and an arc wants both its ends', () => {
    const points = pointsOfCurve(whole, [[0, TURN]], everywhere);
    const only = (...at: readonly number[]): readonly boolean[] => points.angles.map((_, i) => at.includes(i));
    expect(pointsKept(points, only(0, 3, 6, 9))?.angles).toHaveLength(4);
    expect(pointsKept(points, only(0, 3, 6))).toBeNull();
    expect(pointsKept(points, only(0, 1, 2, 3, 4, 5))).toBeNull();
    expect(pointsKept(points, only())).toBeNull();
    const arc = pointsOfCurve({ from: 0, to: 1.5 }, [[0, 1.5]], everywhere);
    expect(arc.angles).toHaveLength(5);
    expect(pointsKept(arc, [true, false, false, false, true])).toBeNull();
    expect(pointsKept(arc, [true, false, true, false, true])?.angles).toHaveLength(3);
    expect(pointsKept(arc, [false, true, true, true, true])).toBeNull();
    expect(pointsKept(arc, [true, true, true, true, false])).toBeNull();
  });
  it('parts are places among the points, counted on across the seam of a closed curve', () => {
    const four = { angles: [0, 1, 2, 3].map((q) => (q * Math.PI) / 2), closed: true };
    expect(placesAmong(four, [0, TURN])).toEqual([0, 4]);
    expect(placesAmong(four, [Math.PI / 4, Math.PI])).toEqual([0.5, 2]);
    const [from, to] = placesAmong(four, [(7 / 4) * Math.PI, (9 / 4) * Math.PI]);
    expect(from).toBeCloseTo(3.5, 9);
    expect(to).toBeCloseTo(4.5, 9);
    // What begins before the first is counted from the last.
    const [early, late] = placesAmong(four, [-Math.PI / 4, Math.PI / 4]);
    expect(early).toBeCloseTo(3.5, 9);
    expect(late).toBeCloseTo(4.5, 9);
    expect(placesAmong({ angles: [1, 2, 4], closed: false }, [1, 3])).toEqual([0, 1.5]);
  });
});

describe('a curve of which the ends alone are measured', () => {
  /** A circle's arc pressed flat across its chord. */
  const pressed = (by: number) => (angle: number) => picturePoint(Math.cos(angle), by * Math.sin(angle));
  const sixth = [Math.PI / 3, (2 * Math.PI) / 3];
  it('is told by them as far as a sixth of a circle bends, and left to the eye beyond', () => {
    expect(bendsUntold(sixth, pressed(1))).toBe(false);
    // By hand: an arc of a right angle rises by (1 - cos 45°)/(2 sin 45°) = 0.21 of its chord.
    expect(bendsUntold([Math.PI / 4, (3 * Math.PI) / 4], pressed(1))).toBe(true);
    expect(bendsUntold([Math.PI / 4, (3 * Math.PI) / 4], pressed(0.5))).toBe(false);
    // Seen from aside the same sixth may rise more over its foreshortened chord.
    expect(bendsUntold(sixth, pressed(1.5))).toBe(true);
  });
  it('three marks tell how it bends', () => expect(bendsUntold([0, Math.PI / 2, Math.PI], pressed(1))).toBe(false));
});
