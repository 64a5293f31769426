import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { PLAIN_SPACE, type MeasuredRoom, type Project, type View } from '@/core/record';
import { planPoint } from '@/core/space';
import { METRIC_STYLE } from '@/core/units';
import { boxPiece, boxView, size, smallRoom } from '@/testing';
import {
  backOfRoom,
  measuredPlanes,
  resolveSetUp,
  roomAround,
  roomBearing,
  roomMeant,
  setOutOf,
  turnPlan,
  whatMoved,
} from './index';

/** A room beside the small one, 6 m to the east: 3 m by 5 m, and turned 20° clockwise. */
const wall = (id: string, startCorner: string, bearingDeg: number, mm: number) => ({
  ...{ id, name: `the ${id} wall`, startCorner, bearingDeg },
  length: size(`${id}/length`, mm),
});
const study = {
  ...PLAIN_SPACE,
  ...{ id: 'study', name: 'the study', levelId: 'ground', origin: { x: 8000, y: 0 } },
  ceilingHeight: size('study/ceiling', 2400),
  walls: [
    wall('window', 'one', 20, 5000),
    wall('shelf', 'two', 110, 3000),
    wall('door', 'three', 200, 5000),
    wall('stove', 'four', 290, 3000),
  ],
};
const house = (view: Partial<View>, first: 'small' | 'study' = 'small'): { project: Project; view: View } => {
  const looking = boxView({ picturePlane: { through: 'distance', mm: 2000 }, ...view });
  const room = smallRoom([boxPiece()], looking);
  const spaces = first === 'small' ? [...room.spaces, study] : [study, ...room.spaces];
  return { project: { ...room, spaces }, view: looking };
};
/** In the study's middle, looking along its long walls. */
const inside = { station: { x: 8900, y: 900 }, lineOfSightBearingDeg: 20 };
/** South of both, looking north past the one or into the other. */
const before = (x: number) => ({ station: { x, y: -4000 }, lineOfSightBearingDeg: 0 });
const meant = (view: Partial<View>, first?: 'small' | 'study'): string | undefined => {
  const made = house(view, first);
  return roomMeant(made.project, made.view)?.id;
};
const HOME = at(smallRoom().spaces, 0).id;

describe('the room a view is of', () => {
  it.each(['small', 'study'] as const)(
    'is told by where one stands and looks, whichever was measured first (%s)',
    (first) => {
      expect(meant(inside, first)).toBe('study');
      expect(meant({ station: { x: 2000, y: 1000 } }, first)).toBe(HOME);
      expect(meant(before(2000), first)).toBe(HOME);
      expect(meant(before(9000), first)).toBe('study');
      // Out of one, through its wall, into the other.
      expect(meant({ station: { x: 6000, y: 1500 }, lineOfSightBearingDeg: 270 }, first)).toBe(HOME);
      expect(meant({ station: { x: 6000, y: 1500 }, lineOfSightBearingDeg: 90 }, first)).toBe('study');
      // What the plane is bound to says more than where one stands.
      expect(meant({ ...inside, picturePlane: { through: 'wall', wallId: 'south' } }, first)).toBe(HOME);
      expect(meant({ ...before(2000), picturePlane: { through: 'corner', cornerId: 'two' } }, first)).toBe('study');
    },
  );
  it('is one of the level one stands on, and the first where one looks at none', () => {
    const { project, view } = house(before(2000));
    const above = {
      ...project,
      spaces: project.spaces.map((one) => (one.id === HOME ? { ...one, levelId: 'loft' } : one)),
    };
    expect(roomMeant(above, view)?.id).toBe('study');
    expect(meant({ ...before(2000), lineOfSightBearingDeg: 180 })).toBe(HOME);
    expect(roomMeant({ spaces: [] }, view)).toBeNull();
  });
  it('holds its corners and its walls', () => {
    const { project, view } = house(inside);
    expect(roomAround(project, view, planPoint(0, 0))?.id).toBe(HOME);
    expect(roomAround(project, view, planPoint(2000, 3000))?.id).toBe(HOME);
    expect(roomAround(project, view, planPoint(8000, 0))?.id).toBe('study');
    expect(roomAround(project, view, planPoint(6000, 0))?.id).toBe('study');
  });
});

describe('what is told of the room is told of that one', () => {
  const stood = (project: MeasuredRoom, view: View) => {
    const setUp = resolveSetUp(project, view);
    if (!setUp.ok) throw new Error(setUp.error.message);
    return setUp.value;
  };
  it('its turn, its points, its front and back', () => {
    const { project, view } = house(inside);
    expect(roomBearing(project, view)).toBe(20);
    const setUp = stood(project, view);
    const [group] = setOutOf(project, view, setUp).groups;
    expect(group?.kind).toBe('one-point');
    expect(group?.serves).toContainEqual({ thing: 'space', id: 'study' });
    // Square to the line of sight at the far end stands the shelf wall; the near one lies behind the eye.
    expect(measuredPlanes(project, view, setUp).back).toEqual({ through: 'wall', wallId: 'shelf' });
    expect(backOfRoom(project, view, setUp)?.wallId).toBe('shelf');
  });
  it('a plan that is turned is turned from that room’s turn', () => {
    const { project, view } = house(inside);
    const turned = { ...view, ...turnPlan(project, view, 30) };
    const [group] = setOutOf(project, turned, stood(project, turned)).groups;
    expect(group?.kind === 'two-point' ? group.turnDeg : 0).toBeCloseTo(30, 9);
    const standing = (one: View) => {
      const setUp = stood(project, one);
      return { project, view: one, setUp, setOut: setOutOf(project, one, setUp) };
    };
    expect(whatMoved(standing(view), standing(turned), null, METRIC_STYLE).join(' ')).toMatch(/30°/);
  });
});
