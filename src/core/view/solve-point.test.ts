import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { changeView, viewOf, type View } from '@/core/record';
import { METRIC_STYLE } from '@/core/units';
import { boxView, runs, smallRoom, homeMark } from '@/testing';
import {
  directionPair,
  raiseHorizon,
  resolveSetUp,
  setOutOf,
  setUpFrom,
  slideCentreOfVision,
  solvePoint,
  standAt,
  whatMoved,
  widestSetOut,
  type Held,
  type SolvedPoint,
} from './index';

const KEY = { 'vp-right': 'vpRight', 'vp-left': 'vpLeft', 'mp-right': 'mpOfRight', 'mp-left': 'mpOfLeft' } as const;
const pairAt = (k: number, turnDeg: number) => {
  const pair = directionPair(
    setUpFrom({
      station: { x: 0, y: 0 },
      eyeHeight: 1600,
      floor: 0,
      bearingDeg: 0,
      pictureDistance: k,
      scaleDenominator: 1,
    }),
    turnDeg,
  );
  if (pair.kind !== 'two-point') throw new Error('two-point');
  return pair;
};

/** A point by its short word, as the solver knows it. */
function named(word: string): SolvedPoint {
  const { role, side } = homeMark(word);
  if (side === null || (role !== 'vanishing' && role !== 'measuring' && role !== 'distance'))
    throw new Error(`${word} is not solved for`);
  return { role, side };
}

describe('a point put elsewhere is solved for turn and distance', () => {
  it.each(Object.keys(KEY) as (keyof typeof KEY)[])(
    '%s comes to lie where it was put, and what is held stays (seed 7)',
    (point) => {
      fc.assert(
        fc.property(
          fc.double({ min: 8, max: 82, noNaN: true }),
          fc.double({ min: 80, max: 900, noNaN: true }),
          fc.double({ min: 0.8, max: 1.25, noNaN: true }),
          fc.constantFrom<Held>('partner', 'turn', 'distance'),
          (turnDeg, k, times, held) => {
            const before = pairAt(k, turnDeg);
            const u = before[KEY[point]] * times;
            const solved = solvePoint(named(point), u, held, { turnDeg, viewingDistance: k });
            if (!solved.ok) {
              // Only a measuring point farther out than the station distance cannot be reached while that distance stays.
              expect([solved.error.reason, held]).toEqual(['no-solution', 'distance']);
              return;
            }
            const after = pairAt(solved.value.viewingDistance, solved.value.turnDeg);
            expect(after[KEY[point]]).toBeCloseTo(u, 6);
            if (held === 'turn') expect(solved.value.turnDeg).toBeCloseTo(turnDeg, 9);
            if (held === 'distance') expect(solved.value.viewingDistance).toBeCloseTo(k, 9);
            if (held === 'partner') {
              const partner = {
                'vp-right': 'vpLeft',
                'vp-left': 'vpRight',
                'mp-right': 'vpRight',
                'mp-left': 'vpLeft',
              } as const;
              expect(after[partner[point]]).toBeCloseTo(before[partner[point]], 6);
            }
          },
        ),
        { numRuns: runs(), seed: 7 },
      );
    },
  );
  it('distance points give the distance alone; a point on the wrong side is refused in words', () => {
    expect(solvePoint(named('distance-left'), -240, 'turn', { turnDeg: 0, viewingDistance: 125 })).toEqual({
      ok: true,
      value: { turnDeg: 0, viewingDistance: 240 },
    });
    // A measuring point lies on the other side from its vanishing point.
    for (const [point, u, side] of [
      ['vp-right', -20, 'right'],
      ['vp-left', 20, 'left'],
      ['mp-right', 3, 'left'],
      ['mp-left', 0, 'right'],
      ['distance-right', -1, 'right'],
    ] as [string, number, string][]) {
      const refused = solvePoint(named(point), u, 'turn', { turnDeg: 30, viewingDistance: 200 });
      expect(!refused.ok && refused.error.message, point).toContain(` lies ${side} of the centre of vision`);
    }
    const flat = solvePoint(named('mp-right'), -300, 'distance', { turnDeg: 30, viewingDistance: 200 });
    expect(!flat.ok && flat.error.message).toMatch(/while the station distance stays/);
  });
});

const project = smallRoom(
  [],
  boxView({ picturePlane: { through: 'corner', cornerId: 'se' }, lineOfSightBearingDeg: 330 }),
);
const standing = (view: View, from = project) => {
  const next = changeView(from, view.id, view);
  const setUp = resolveSetUp(next, viewOf(next, view.id));
  if (!setUp.ok) throw new Error(setUp.error.message);
  return { view, setUp: setUp.value, setOut: setOutOf(next, view, setUp.value) };
};
const first = at(project.views, 0);

describe('the station brought to a turn and a distance', () => {
  it('the plane stays bound, turn and distance come out as asked, at a distance too', () => {
    for (const picturePlane of [first.picturePlane, { through: 'distance', mm: 2000 } as const])
      for (const turnDeg of [15, 30, 62.5]) {
        const view = { ...first, picturePlane };
        const next = standing({
          ...view,
          ...standAt({ ...project, views: [view] }, view, { turnDeg, pictureDistance: 3210 }),
        });
        expect(next.setUp.pictureDistance).toBeCloseTo(3210, 6);
        expect(next.setOut.groups[0]?.turnDeg).toBeCloseTo(turnDeg, 6);
      }
  });
  it('a sidestep in one-point moves the vanishing point on the sheet and leaves the measured plane where it is on the paper', () => {
    const square = boxView();
    const room = smallRoom([], square);
    const moved = { ...square, ...slideCentreOfVision(room, square, 37.5) };
    const [before, after] = [standing(square, room), standing(moved, room)];
    expect(after.setUp.station.x - before.setUp.station.x).toBeCloseTo(37.5 * 20, 9);
    // The wall's end in the picture plane, in sheet mm, is where it was; so is the frame.
    const onSheet = ({ setUp, view }: typeof before) => view.centreOfVisionOnSheet.x + (4000 - setUp.station.x) / 20;
    expect(onSheet(after)).toBeCloseTo(onSheet(before), 9);
    expect(moved.frame.right + moved.centreOfVisionOnSheet.x).toBeCloseTo(
      square.frame.right + square.centreOfVisionOnSheet.x,
      9,
    );
  });
  it('the horizon raised on the sheet raises the eye; ground line and frame stay on the paper', () => {
    const view = boxView();
    const raised = { ...view, ...raiseHorizon(view, 12, (mm) => `${mm}`) };
    expect(raised.eyeHeight).toEqual({ mm: 1840, asTyped: '1840' });
    expect(raised.centreOfVisionOnSheet.y - raised.eyeHeight.mm / 20).toBeCloseTo(
      view.centreOfVisionOnSheet.y - view.eyeHeight.mm / 20,
      9,
    );
    expect(raised.frame.top + raised.centreOfVisionOnSheet.y).toBeCloseTo(270, 9);
  });
});

describe('what else moved', () => {
  const told = (change: Partial<View>, moved: string | null): string =>
    whatMoved(standing(first), standing({ ...first, ...change }), moved, METRIC_STYLE).join(' ');
  it('is told with figures, and the thing moved on purpose is not', () => {
    const nearer = told(standAt(project, first, { pictureDistance: 2000 }), 'vp-right');
    expect(nearer).toMatch(/station point is 2\s000 mm before the picture plane/);
    expect(nearer).toMatch(/VL went 72\.3 mm to the left/);
    expect(nearer).not.toMatch(/VR went/);
    expect(told(standAt(project, first, { turnDeg: 45 }), null)).toMatch(/turned 45°, it was 30°/);
    expect(told({ eyeHeight: { mm: 1500, asTyped: '1500' } }, null)).toMatch(
      /eye is 1\s500 mm above the floor, it was 1\s600 mm/,
    );
    expect(told({ scaleDenominator: 40 }, null)).toMatch(/50 % of its size/);
    expect(told({}, null)).toBe('');
  });
});

describe('the widest set-out a board allows', () => {
  it('puts every vanishing point on the board and the sheet with it; a hundredth more falls off, over generated boards (seed 5)', () => {
    let tried = 0;
    fc.assert(
      fc.property(
        fc.record({
          turnDeg: fc.constantFrom(15, 30, 37, 45, 60, 75),
          width: fc.integer({ min: 500, max: 1500 }),
          straightedge: fc.integer({ min: 500, max: 1800 }),
          x: fc.integer({ min: 40, max: 380 }),
        }),
        ({ turnDeg, width, straightedge, x }) => {
          const turned = { ...first, ...standAt(project, first, { turnDeg }) };
          const view: View = {
            ...turned,
            straightedge,
            board: { width, height: 700 },
            centreOfVisionOnSheet: { x, y: 150 },
            frame: { left: -40, right: 40, bottom: -100, top: 100 },
          };
          const widest = widestSetOut(view, turnDeg);
          if (!widest) return;
          tried += 1;
          const holds = (k: number): boolean => {
            const next = {
              ...view,
              ...standAt({ ...project, views: [view] }, view, { pictureDistance: k * view.scaleDenominator }),
              sheetOnBoard: widest.sheetOnBoard,
            };
            const { setOut } = standing(next);
            const points = (setOut.groups[0]?.marks ?? []).filter((mark) => mark.id.startsWith('vp-'));
            const ruler = (u: number): number => Math.max(...[-40, 40].map((side) => Math.hypot(side - u, 100)));
            return points.every(
              (mark) =>
                mark.onBoard.x >= 5 - 1e-6 &&
                mark.onBoard.x <= width - 5 + 1e-6 &&
                ruler(mark.at.u) <= straightedge + 1e-6,
            );
          };
          expect(holds(widest.viewingDistance)).toBe(true);
          expect(widest.sheetOnBoard.x).toBeGreaterThanOrEqual(-1e-9);
          expect(widest.sheetOnBoard.x + 420).toBeLessThanOrEqual(width + 1e-9);
          // Wider does not go: neither here nor, where the board is the limit, with the sheet anywhere else on it.
          expect(holds(widest.viewingDistance * 1.01)).toBe(false);
        },
      ),
      { numRuns: runs(), seed: 5 },
    );
    expect(tried).toBeGreaterThan(runs() / 2);
  });
  it('a sheet larger than the board has none', () => {
    expect(widestSetOut({ ...first, board: { width: 400, height: 300 } }, 30)).toBeNull();
  });
});
