import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { applyChange } from '@/core/record';
import { boxPiece, boxView, runs, smallRoom } from '@/testing';
import { groupServing, standOf, turnToVanish } from './index';

describe('a piece turned by where its lines vanish', () => {
  it('vanishes where it was told to, whichever of its points was put there (seed 18)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 87 }),
        fc.integer({ min: -900, max: 900 }),
        fc.boolean(),
        (turnDeg, to, left) => {
          const view = boxView();
          const project = smallRoom([boxPiece({ turnDeg, fromNorth: 1200, fromWest: 1500 })], view);
          const stand = standOf(project, view);
          if (!stand.ok) throw new Error(stand.error.message);
          const own = groupServing(stand.value.setOut, 'box');
          const points = (own?.marks ?? []).filter(({ name }) => name.role === 'vanishing');
          expect(points).toHaveLength(2);
          const point = at(points, left ? 0 : 1);
          const turned = turnToVanish(stand.value.setUp, turnDeg, point.at.u, to);
          expect(turned).toBeGreaterThanOrEqual(0);
          expect(turned).toBeLessThan(360);
          const after = applyChange(project, { kind: 'turn-piece-about-middle', pieceId: 'box', turnDeg: turned });
          if (!after.ok) throw new Error(after.error.message);
          const then = standOf(after.value, view);
          const served = then.ok ? groupServing(then.value.setOut, 'box') : undefined;
          // Straight ahead its other lines run level: then it shares the one point of the room.
          const now = (served?.marks ?? []).filter(({ name }) => name.role === 'vanishing' || name.role === 'centre');
          if (Math.abs(to) > 1) expect(now.some(({ at: place }) => Math.abs(place.u - to) < 1e-5)).toBe(true);
        },
      ),
      { seed: 18, numRuns: runs() },
    );
  });
  it('by hand: from 45° to the right to 45° to the left is a quarter anticlockwise', () => {
    expect(turnToVanish({ viewingDistance: 200 }, 100, 200, -200)).toBe(10);
    expect(turnToVanish({ viewingDistance: 200 }, 10, 200, -200)).toBe(280);
    expect(turnToVanish({ viewingDistance: 200 }, 0, 0, 200)).toBe(45);
  });
});
