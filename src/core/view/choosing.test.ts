import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { changeView, outlineOf, type Project, type View } from '@/core/record';
import { METRIC_STYLE } from '@/core/units';
import { boxView, runs, smallRoom, homeMark, boxPiece } from '@/testing';
import {
  FIGURE_OUTLINE,
  figureSizes,
  isMovable,
  measuredPlanes,
  movePoint,
  raiseHorizon,
  resolveSetUp,
  setOutOf,
  standAt,
  turnPlan,
  whatMoved,
  type Held,
  allMarks,
} from './index';

function standing(project: Project) {
  const view = at(project.views, 0);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  return { project, view, setUp: setUp.value, setOut: setOutOf(project, view, setUp.value) };
}
const room = (change: Partial<View> = {}) => smallRoom([], boxView(change));
const turned = (turnDeg: number, pictureDistance: number) => {
  const project = room({ picturePlane: { through: 'corner', cornerId: 'se' } });
  return changeView(project, 'view', standAt(project, at(project.views, 0), { turnDeg, pictureDistance }));
};
const markOf = (project: Project, id: string) =>
  standing(project).setOut.groups[0]?.marks.find((mark) => mark.id === id)?.at.u ?? NaN;

describe('the plane that is measured', () => {
  it('square on: the front of the room, or its back wall, by the walls’ names', () => {
    const given = standing(room({ station: { x: 2000, y: -3000 } }));
    expect(measuredPlanes(given.project, given.view, given.setUp)).toEqual({
      front: { through: 'wall', wallId: 'south' },
      back: { through: 'wall', wallId: 'north' },
    });
  });
  it('turned: the nearest and the farthest corner', () => {
    const given = standing(turned(30, 4000));
    const planes = measuredPlanes(given.project, given.view, given.setUp);
    expect(planes.front?.through).toBe('corner');
    expect(planes.back?.through).toBe('corner');
    const depth = (binding: typeof planes.front) => {
      if (!binding) throw new Error('a corner ahead');
      const bound = standing(changeView(given.project, 'view', { picturePlane: binding }));
      return bound.setUp.pictureDistance;
    };
    for (const cornerId of ['nw', 'ne', 'se', 'sw']) {
      const bound = resolveSetUp(given.project, { ...given.view, picturePlane: { through: 'corner', cornerId } });
      if (!bound.ok) continue;
      expect(bound.value.pictureDistance).toBeGreaterThanOrEqual(depth(planes.front) - 1e-6);
      expect(bound.value.pictureDistance).toBeLessThanOrEqual(depth(planes.back) + 1e-6);
    }
  });
  it('from inside, only what lies ahead is offered', () => {
    const given = standing(room({ station: { x: 2000, y: 500 }, picturePlane: { through: 'wall', wallId: 'north' } }));
    const planes = measuredPlanes(given.project, given.view, given.setUp);
    expect(planes.front).toEqual({ through: 'wall', wallId: 'north' });
    expect(planes.back).toEqual({ through: 'wall', wallId: 'north' });
  });
});

describe('figures beside the eye', () => {
  it.each(['metric', 'imperial'] as const)(
    '%s: eyes below the crown, the child below the adult, outlines of unit height',
    (units) => {
      const sizes = figureSizes(units);
      expect(sizes.map((one) => one.figure)).toEqual(['standing', 'seated', 'child']);
      for (const { tall, eyes, figure } of sizes) {
        expect(tall - eyes).toBeGreaterThan(80);
        expect(tall - eyes).toBeLessThan(130);
        const heights = FIGURE_OUTLINE[figure].map(([, y]) => y);
        expect(Math.min(...heights)).toBe(0);
        expect(Math.max(...heights)).toBe(1);
      }
      const [adult, , child] = sizes;
      expect(child?.tall).toBeLessThan(adult?.tall ?? 0);
      if (units === 'imperial')
        for (const { tall } of sizes) expect(tall / 25.4).toBeCloseTo(Math.round(tall / 25.4), 9);
    },
  );
});

describe('the plan turned by hand', () => {
  it('goes the nearer way round, also through nought: the eye stays where it is, but for the turn', () => {
    for (const [from, to, by] of [
      [88, 2, 4],
      [2, 88, -4],
      [30, 60, 30],
      [60, 30, -30],
    ] as const) {
      const project = turned(from, 4000);
      const view = at(project.views, 0);
      const after = turnPlan(project, view, to);
      const change = ((view.lineOfSightBearingDeg - after.lineOfSightBearingDeg + 540) % 360) - 180;
      expect(change, `${from} to ${to}`).toBeCloseTo(by, 6);
      // The eye goes round the corner that the plane is bound to, by the same angle: a chord of twice the sine of its half.
      const corner = outlineOf(at(project.spaces, 0)).corners.find((one) => one.id === 'se')?.at ?? { x: NaN, y: NaN };
      const away = Math.hypot(view.station.x - corner.x, view.station.y - corner.y);
      const chord = Math.hypot(after.station.x - view.station.x, after.station.y - view.station.y);
      expect(chord).toBeCloseTo(2 * away * Math.abs(Math.sin((by * Math.PI) / 360)), 6);
    }
  });
});

describe('a point put elsewhere', () => {
  it('names the marks that can be moved', () => {
    const { setOut } = standing(turned(30, 4000));
    const movable = allMarks(setOut).filter((mark) => isMovable(setOut, mark));
    expect(movable.map((mark) => mark.id)).toEqual(['vp-left', 'vp-right', 'mp-left', 'mp-right']);
    expect(isMovable(setOut, setOut.centreOfVision)).toBe(true);
    // A turned table's own points follow the table; those of the diagonals follow the pair.
    const table = standing({ ...turned(30, 4000), pieces: [boxPiece({ turnDeg: 20 })] }).setOut;
    expect(allMarks(table).filter((mark) => isMovable(table, mark))).toHaveLength(4);
    expect(allMarks(table).length).toBe(10);
  });
  it('lies there afterwards, whatever is held, and what is held has not moved (seed 11)', () => {
    let moved = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 12, max: 78 }),
        fc.integer({ min: 3000, max: 9000 }),
        fc.constantFrom('vp-left', 'vp-right', 'mp-left', 'mp-right'),
        fc.constantFrom<Held>('partner', 'turn', 'distance'),
        fc.double({ min: 0.75, max: 1.35, noNaN: true }),
        (turnDeg, distance, mark, held, times) => {
          const project = turned(turnDeg, distance);
          const before = standing(project);
          const u = markOf(project, mark) * times;
          const change = movePoint(project, before.view, homeMark(mark), u, held);
          if (!change.ok) {
            // Moved outward or inward it stays on its side: what refuses is what is held.
            expect(change.error.message).toMatch(/cannot lie there while /);
            return;
          }
          moved += 1;
          const after = changeView(project, 'view', change.value);
          expect(markOf(after, mark)).toBeCloseTo(u, 6);
          const now = standing(after);
          const turn = now.setOut.groups[0]?.turnDeg ?? NaN;
          if (held === 'turn') expect(turn).toBeCloseTo(turnDeg, 6);
          if (held === 'distance') expect(now.setUp.pictureDistance).toBeCloseTo(before.setUp.pictureDistance, 4);
          if (held === 'partner') {
            const partner = {
              'vp-left': 'vp-right',
              'vp-right': 'vp-left',
              'mp-left': 'vp-left',
              'mp-right': 'vp-right',
            }[mark];
            expect(markOf(after, partner ?? '')).toBeCloseTo(markOf(project, partner ?? ''), 6);
          }
        },
      ),
      { numRuns: runs(), seed: 11 },
    );
    expect(moved).toBeGreaterThan(runs() / 2);
  });
  it('the centre of vision slides in one-point: the measured wall stays on the paper, the frame on the sheet', () => {
    const project = room({ picturePlane: { through: 'wall', wallId: 'south' } });
    const before = standing(project);
    const change = movePoint(project, before.view, homeMark('centre-of-vision'), 12, 'partner');
    if (!change.ok) throw new Error(change.error.message);
    const after = standing(changeView(project, 'view', change.value));
    // The south wall's west end, in the picture plane: on the sheet where it was.
    const onSheet = ({ view, setUp }: typeof before): number =>
      view.centreOfVisionOnSheet.x + (0 - setUp.station.x) / view.scaleDenominator;
    expect(onSheet(after)).toBeCloseTo(onSheet(before), 9);
    expect(after.view.frame.left + after.view.centreOfVisionOnSheet.x).toBeCloseTo(
      before.view.frame.left + before.view.centreOfVisionOnSheet.x,
      9,
    );
    expect(after.setUp.station.x - before.setUp.station.x).toBeCloseTo(12 * 20, 9);
  });
});

describe('what else moved', () => {
  it('is told of station, turn, eye and the other points, with figures; of what stayed and of what was moved nothing', () => {
    const project = turned(45, 4000);
    const before = standing(project);
    const change = movePoint(project, before.view, homeMark('vp-left'), -300, 'partner');
    if (!change.ok) throw new Error(change.error.message);
    const told = whatMoved(before, standing(changeView(project, 'view', change.value)), 'vp-left', METRIC_STYLE).join(
      ' ',
    );
    // VL·VR = −k²: k = √(300·200) = 244.9, tan² of the turn = 200/300.
    expect(told).toMatch(/4.899 mm before the picture plane, it was 4.000 mm/);
    expect(told).toMatch(/turned 39\.23°, it was 45°/);
    expect(told).toMatch(/ML went/);
    expect(told).not.toMatch(/V[LR] went|eye/);
    expect(whatMoved(before, before, null, METRIC_STYLE)).toEqual([]);
    const raised = changeView(project, 'view', raiseHorizon(before.view, 5, String));
    expect(whatMoved(before, standing(raised), 'horizon', METRIC_STYLE).join(' ')).toMatch(
      /The eye is 1.700 mm above the floor, it was 1.600 mm/,
    );
  });
});
