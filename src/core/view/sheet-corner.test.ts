import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { worldPoint } from '@/core/space';
import { backWallAt, backWallDepth, backWallDrawn, projectPoint, resolveSetUp, stationFor } from './index';

const demo = at(DEMOS, 1);
const view = at(demo.views, 0);
const made = resolveSetUp(demo, view);
if (!made.ok) throw new Error(made.error.message);
const setUp = made.value;

describe('the back wall by the corners of the frame', () => {
  it('what stands in the frame is drawn where it projects when it stands farther back', () => {
    const { frame, scaleDenominator: N } = { ...view, scaleDenominator: setUp.scaleDenominator };
    for (const depth of [0, 350, 4_000, 20_000]) {
      const { sides, widthMm } = backWallAt(view, setUp, depth);
      expect(widthMm).toBeCloseTo(sides.right - sides.left, 9);
      for (const [u, v] of [
        ['left', 'bottom'],
        ['right', 'top'],
      ] as const) {
        // A corner of the frame as a place of the room, carried straight back.
        const away = setUp.pictureDistance + depth;
        const p = projectPoint(
          setUp,
          worldPoint(
            setUp.station.x + setUp.right.x * frame[u] * N + setUp.forward.x * away,
            setUp.station.y + setUp.right.y * frame[u] * N + setUp.forward.y * away,
            setUp.eyeZ + frame[v] * N,
          ),
        );
        expect(p?.u).toBeCloseTo(sides[u], 9);
        expect(p?.v).toBeCloseTo(sides[v], 9);
      }
    }
  });

  it('a drawn width tells the depth, and the station from which the measured room would be drawn so', () => {
    const depth = backWallDepth(demo, view, setUp);
    if (depth === null) throw new Error('the shelf wall stands square to the line of sight');
    const right = backWallAt(view, setUp, depth);
    expect(backWallDrawn(view, setUp, right.widthMm)?.depth).toBeCloseTo(depth, 6);
    expect(stationFor(view, right.widthMm, depth)).toBeCloseTo(setUp.pictureDistance, 6);
    // Drawn smaller it makes a corridor: deeper from here, or seen from nearer.
    const small = right.widthMm * 0.7;
    expect(backWallDrawn(view, setUp, small)?.depth ?? 0).toBeGreaterThan(depth * 1.3);
    expect(stationFor(view, small, depth)).toBeLessThan(setUp.pictureDistance);
    // As wide as the frame or wider it stands nowhere behind it.
    const wide = view.frame.right - view.frame.left;
    for (const width of [0, wide, wide * 2]) expect(backWallDrawn(view, setUp, width)).toBeNull();
  });

  it('a room turned to the line of sight has no back wall', () => {
    const turned = at(DEMOS, 0);
    const own = at(turned.views, 0);
    const stood = resolveSetUp(turned, own);
    if (!stood.ok) throw new Error(stood.error.message);
    expect(backWallDepth(turned, own, stood.value)).toBeNull();
  });
});
