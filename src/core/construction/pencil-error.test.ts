import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { picturePoint } from '@/core/space';
import { drawnByHand, radiusOf, runs } from '@/testing';
import vectors from '@/testing/vectors/pencil.json';
import {
  actsOf,
  draft,
  errorEllipse,
  ORDINARY_HAND,
  pencilErrors,
  radiusWithin,
  restingOn,
  restsOn,
  type HandPrecision,
  type MarkId,
  type Operation,
} from './index';

type Vector = (typeof vectors)[number];
/** A vector's operations in the machine's words. */
const operationsOf = ({ operations }: Vector): readonly Operation[] =>
  operations.map((one) =>
    'point' in one ? { ...one, point: picturePoint(at(one.point, 0), at(one.point, 1)) } : one,
  ) as readonly Operation[];
const handOf = ({ sigmas }: Vector): HandPrecision => ({
  markMm: sigmas.mark,
  ruleMm: sigmas.rule,
  rulerStepMm: sigmas.step,
  parallelRad: 0,
});
function errorsOf(operations: readonly Operation[], hand = ORDINARY_HAND) {
  const errors = pencilErrors(operations, hand);
  if (!errors.ok) throw new Error(errors.error.message);
  return errors.value;
}

/** Every tool once, on lines that slope, marks beside their lines and a plan pinned above. */
const EVERY_TOOL: readonly Operation[] = [
  { op: 'take', mark: 'CV', point: picturePoint(0, 0) },
  { op: 'take', mark: 'VR', point: picturePoint(230, 0), slides: 'u' },
  { op: 'level', line: 'horizon', through: 'CV' },
  { op: 'upright', line: 'centre', through: 'CV' },
  { op: 'lay-off', mark: 'O', on: 'centre', from: 'CV', toward: 'down', distance: 70 },
  { op: 'level', line: 'ground', through: 'O' },
  { op: 'lay-off', mark: 'T', on: 'ground', from: 'CV', toward: 'left', distance: 35 },
  { op: 'rule', line: 'side', through: ['T', 'VR'] },
  { op: 'lay-off', mark: 'P', on: 'ground', from: 'T', toward: 'right', distance: 52 },
  { op: 'parallel', line: 'beside', through: 'P', to: 'side' },
  { op: 'cross', mark: 'Q', lines: ['beside', 'centre'] },
  { op: 'lay-off', mark: 'R', on: 'beside', from: 'T', toward: 'up', distance: 44 },
  { op: 'transfer', mark: 'D', on: 'side', from: 'R', toward: 'right', between: ['Q', 'P'] },
  { op: 'take', mark: 'plan-zero', point: picturePoint(12, 300), slides: 'u', paper: 'plan' },
  { op: 'take', mark: 'plan-corner', point: picturePoint(61, 300), slides: 'u', paper: 'plan' },
  { op: 'strip', marks: [['K', 'plan-corner']], on: 'ground', zero: ['O', 'plan-zero'] },
  { op: 'rule', line: 'K-Q', through: ['K', 'Q'] },
  { op: 'cross', mark: 'X', lines: ['K-Q', 'side'] },
  { op: 'curve', curve: 'round', through: ['Q', 'R', 'X'], closed: false, tangents: [null, 'beside', null] },
];
const TURNING_HAND: HandPrecision = { ...ORDINARY_HAND, parallelRad: 0.004 };

describe('the pencil’s error', () => {
  it.each(vectors.map((_, i) => i))('agrees with independent covariances and closing differences, vector %i', (i) => {
    const vector = at(vectors, i);
    const errors = errorsOf(operationsOf(vector), handOf(vector));
    const close = (mine: number, theirs: number, scale: number): void =>
      expect(Math.abs(mine - theirs)).toBeLessThanOrEqual(1e-9 * scale);
    for (const [id, { at: place, covariance, semiMajor, radius68, radius95 }] of Object.entries(vector.marks)) {
      const { u, v } = errors.drafted.marks.get(id) ?? picturePoint(NaN, NaN);
      close(u, at(place, 0), Math.max(1, Math.abs(u)));
      close(v, at(place, 1), Math.max(1, Math.abs(v)));
      const mine = errors.covarianceOf(id);
      const scale = at(at(covariance, 0), 0) + at(at(covariance, 1), 1);
      close(mine.uu, at(at(covariance, 0), 0), scale);
      close(mine.uv, at(at(covariance, 0), 1), scale);
      close(mine.vv, at(at(covariance, 1), 1), scale);
      close(errorEllipse(mine).major, semiMajor, semiMajor);
      // Their radii are counted over 20,000 drawings.
      if (errors.isFlat(id)) continue;
      expect(Math.abs(radiusWithin(mine, 0.68) / radius68 - 1), `${id} 68 %`).toBeLessThan(0.04);
      expect(Math.abs(radiusWithin(mine, 0.95) / radius95 - 1), `${id} 95 %`).toBeLessThan(0.04);
    }
    const { marks, covarianceOfDifference: theirs } = vector.closing;
    const mine = errors.differenceOf(at(marks, 0), at(marks, 1));
    const scale = at(at(theirs, 0), 0) + at(at(theirs, 1), 1);
    close(mine.uu, at(at(theirs, 0), 0), scale);
    close(mine.uv, at(at(theirs, 0), 1), scale);
    close(mine.vv, at(at(theirs, 1), 1), scale);
  });

  it('is what the machine does when one act misses by a hair, with every tool', () => {
    const errors = errorsOf(EVERY_TOOL, TURNING_HAND);
    const hair = 1e-5;
    const marks = [...errors.drafted.marks.keys()];
    const summed = new Map<MarkId, { uu: number; uv: number; vv: number }>(
      marks.map((id) => [id, { uu: 0, uv: 0, vv: 0 }]),
    );
    for (const [operation, one] of EVERY_TOOL.entries())
      for (const { act, sigma } of actsOf(one, operation, TURNING_HAND)) {
        const missed = (by: number) => {
          const drawn = draft(EVERY_TOOL, { misses: (o, a) => (o === operation && a === act ? by : 0) });
          if (!drawn.ok) throw new Error(drawn.error.message);
          return drawn.value.marks;
        };
        const [plus, minus] = [missed(hair), missed(-hair)];
        for (const id of marks) {
          const [a, b, sum] = [plus.get(id), minus.get(id), summed.get(id)];
          if (!a || !b || !sum) throw new Error(id);
          const [du, dv] = [((a.u - b.u) / (2 * hair)) * sigma, ((a.v - b.v) / (2 * hair)) * sigma];
          sum.uu += du * du;
          sum.uv += du * dv;
          sum.vv += dv * dv;
        }
      }
    for (const id of marks) {
      const mine = errors.covarianceOf(id);
      const theirs = summed.get(id) ?? { uu: NaN, uv: NaN, vv: NaN };
      const scale = Math.max(1e-9, mine.uu + mine.vv);
      for (const part of ['uu', 'uv', 'vv'] as const)
        expect(Math.abs(mine[part] - theirs[part]) / scale, `${id} ${part}`).toBeLessThan(1e-5);
    }
  });

  it('is met by a draughtsman who misses by chance (seeds 1…)', () => {
    const errors = errorsOf(EVERY_TOOL, TURNING_HAND);
    const count = 4000 * Math.min(5, runs() / 20);
    const distances = new Map<MarkId, number[]>();
    for (let seed = 1; seed <= count; seed += 1)
      for (const [id, { u, v }] of drawnByHand(EVERY_TOOL, TURNING_HAND, seed)?.marks ?? []) {
        const right = errors.drafted.marks.get(id);
        const list = distances.get(id) ?? [];
        if (right) list.push(Math.hypot(u - right.u, v - right.v));
        distances.set(id, list);
      }
    for (const [id, all] of distances) {
      const covariance = errors.covarianceOf(id);
      if (errors.isFlat(id) || covariance.uu + covariance.vv === 0) continue;
      for (const share of [0.68, 0.95])
        expect(Math.abs(radiusOf(all, share) / radiusWithin(covariance, share) - 1), `${id} ${share}`).toBeLessThan(
          0.06,
        );
    }
  });

  it('shares add up, and name the act that moves a mark most', () => {
    const errors = errorsOf(EVERY_TOOL);
    for (const id of ['Q', 'X', 'D', 'K']) {
      const shares = errors.sharesOf(id);
      expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
      shares.forEach(({ share }, i) => expect(share).toBeLessThanOrEqual(shares[i - 1]?.share ?? 1));
    }
    // By hand: sideways the strip's shift and K on it, the plan's two marks, the centre line's square; up and down the ground line's rule and O's measure.
    const [first] = errors.sharesOf('K');
    const measure = 0.04 + 0.25 / 12;
    expect(first?.act).toMatchObject({ what: 'measure', at: 'O' });
    expect(first?.share).toBeCloseTo(measure / (4 * 0.04 + 2 * 0.15 ** 2 + measure), 9);
    // What two marks share falls out of their difference: from T to P it is the one measure, however T lies.
    const { uu, vv } = errors.differenceOf('T', 'P');
    expect(uu).toBeCloseTo(0.04 + 0.25 / 12, 12);
    expect(vv).toBeCloseTo(0, 12);
    expect(errors.sharesOf('T', 'P').map(({ act }) => act.at)).toEqual(['P']);
  });

  it('a crossing flatter than 8° is flat, and so is all that rests on it', () => {
    const flat: readonly Operation[] = [
      ...EVERY_TOOL,
      { op: 'lay-off', mark: 'low', on: 'ground', from: 'O', toward: 'right', distance: 200 },
      { op: 'lay-off', mark: 'hi', on: 'centre', from: 'O', toward: 'up', distance: 12 },
      { op: 'rule', line: 'shallow', through: ['low', 'hi'] },
      { op: 'cross', mark: 'F', lines: ['shallow', 'ground'] },
      { op: 'upright', line: 'F-up', through: 'F' },
      { op: 'cross', mark: 'G', lines: ['F-up', 'side'] },
    ];
    const errors = errorsOf(flat);
    expect(errors.isFlat('F')).toBe(true);
    expect(errors.isFlat('G')).toBe(true);
    expect(errors.isFlat('hi')).toBe(false);
    expect(errors.isFlat('X')).toBe(false);
  });

  it('of a circle the radii are those of Rayleigh, of a line those of the normal distribution', () => {
    expect(radiusWithin({ uu: 4, uv: 0, vv: 4 }, 0.95)).toBeCloseTo(2 * Math.sqrt(-2 * Math.log(0.05)), 9);
    expect(radiusWithin({ uu: 1, uv: 0, vv: 0 }, 0.95)).toBeCloseTo(1.959964, 2);
    expect(radiusWithin({ uu: 0, uv: 0, vv: 0 }, 0.95)).toBe(0);
    expect(errorEllipse({ uu: 2.5, uv: 1.5, vv: 2.5 })).toMatchObject({ major: 2, minor: 1 });
    expect(errorEllipse({ uu: 2.5, uv: 1.5, vv: 2.5 }).majorDeg).toBeCloseTo(45, 12);
  });

  it('what rests on a mark is all that moves when it slips', () => {
    for (const slipped of ['T', 'O', 'plan-corner', 'VR', 'P']) {
      const wrong = draft(EVERY_TOOL, { slips: [{ mark: slipped, du: 0.7, dv: 0.9 }] });
      const right = draft(EVERY_TOOL);
      if (!wrong.ok || !right.ok) throw new Error('drawn');
      const resting = restingOn(EVERY_TOOL, slipped);
      for (const [id, { u, v }] of right.value.marks) {
        const now = wrong.value.marks.get(id);
        const moved = now === undefined || Math.hypot(now.u - u, now.v - v) > 1e-9;
        if (moved) expect(resting.has(id), `${id} moves with ${slipped}`).toBe(true);
        expect(restsOn(EVERY_TOOL, id).has(slipped), `${id} rests on ${slipped}`).toBe(resting.has(id));
      }
    }
    // On the horizon's own line only what lies along it shows, so not all that rests on a mark must move; of this one all does.
    const moved = [...restingOn(EVERY_TOOL, 'P')].sort();
    expect(moved).toEqual(['D', 'P', 'Q', 'R', 'X']);
  });
});
