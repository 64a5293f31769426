import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import type { Project } from '@/core/record';
import { CEILINGS, newCeiling, newOpening, newPiece, openingKindOf } from '@/core/solids';
import { worldPoint } from '@/core/space';
import { boxView, smallRoom } from '@/testing';
import { groupServing, projectPoint, resolveSetUp, setOutOf, type SetOut, type SetUp } from './index';

function standing(project: Project): { readonly setOut: SetOut; readonly setUp: SetUp } {
  const view = at(project.views, 0);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  return { setUp: setUp.value, setOut: setOutOf(project, view, setUp.value) };
}
/** Where a line's picture runs to: the picture of a point a very long way along it. */
function runsTo(setUp: SetUp, dx: number, dy: number, dz: number): { readonly u: number; readonly v: number } {
  const far = 1e9;
  const ahead = dx * setUp.forward.x + dy * setUp.forward.y > 0 ? far : -far;
  const seen = projectPoint(
    setUp,
    worldPoint(setUp.station.x + dx * ahead, setUp.station.y + dy * ahead, setUp.eyeZ + dz * ahead),
  );
  if (!seen) throw new Error('it runs along the picture');
  return seen;
}
const view = boxView({ lineOfSightBearingDeg: 20 });
const ceiling = (shape: string): Project => {
  const room = smallRoom([], view);
  const kind = CEILINGS.find((one) => one.id === shape);
  const space = at(room.spaces, 0);
  if (!kind) throw new Error(shape);
  return { ...room, spaces: [{ ...space, ceiling: newCeiling(kind, space, 2500, String) }] };
};

describe('points of all that stands askew', () => {
  it('a leaf that stands open has vanishing points of its own, where its picture runs to', () => {
    const room = smallRoom([], view);
    const door = newOpening(
      openingKindOf('door') ?? at([], 0),
      { id: 'door', name: 'the door', wallId: 'north', fromCorner: 'nw', offset: 1000 },
      String,
    );
    const shut = standing({ ...room, openings: [{ ...door, counts: { ...door.counts, 'open by': 0 } }] });
    expect(groupServing(shut.setOut, 'door')).toBeUndefined();
    const ajar = standing({ ...room, openings: [{ ...door, counts: { ...door.counts, 'open by': 35 } }] });
    const pair = groupServing(ajar.setOut, 'door');
    expect(pair?.serves).toEqual([{ thing: 'opening', id: 'door' }]);
    expect(pair?.suffix).toBe('2');
    // The north wall runs east; hinged at its left the leaf is turned 35° from it to the one or the other side.
    const runs = [35, -35].map((turn) => {
      const radians = (turn * Math.PI) / 180;
      return runsTo(ajar.setUp, Math.cos(radians), Math.sin(radians), 0).u;
    });
    const own = (pair?.marks ?? []).filter((mark) => mark.name.role === 'vanishing').map((mark) => mark.at.u);
    expect(own.some((u) => runs.some((other) => Math.abs(u - other) < 1e-3))).toBe(true);
  });
  it('the slope of a ceiling vanishes above the horizon where it rises as it recedes, a gable’s two slopes each for itself', () => {
    const { setOut, setUp } = standing(ceiling('sloped'));
    expect(setOut.slopes).toHaveLength(1);
    const { vanishing, measuring, slopeDeg, serves } = at(setOut.slopes, 0);
    expect(serves).toEqual([{ thing: 'ceiling', id: 'room', number: 0 }]);
    expect(vanishing.label).toBe('VI');
    // It rises 800 mm from the west wall over the room's 4000 mm: tan α = 0.2, toward the east.
    expect(Math.abs(slopeDeg)).toBeCloseTo((Math.atan(0.2) * 180) / Math.PI, 9);
    const to = runsTo(setUp, 1, 0, 0.2);
    expect(vanishing.at.u).toBeCloseTo(to.u, 3);
    expect(vanishing.at.v).toBeCloseTo(to.v, 3);
    // The measuring point lies as far from the vanishing point as the eye does.
    expect(Math.abs(measuring.at.v - vanishing.at.v)).toBeCloseTo(
      Math.hypot(setUp.viewingDistance, vanishing.at.u, vanishing.at.v),
      6,
    );
    expect(measuring.at.u).toBeCloseTo(vanishing.at.u, 12);
    const gabled = standing(ceiling('gabled')).setOut.slopes;
    expect(gabled.map((slope) => Math.sign(slope.vanishing.at.v)).sort()).toEqual([-1, 1]);
    expect(standing(ceiling('flat')).setOut.slopes).toEqual([]);
    expect(standing(ceiling('barrel')).setOut.slopes).toEqual([]);
  });
  it('the pitch of a stair has its point, and moves with the stair’s turn', () => {
    const room = smallRoom([], view);
    const stair = newPiece(
      'straight-stair',
      {
        id: 'stair',
        name: 'the stair',
        levelId: 'ground',
        from: [
          { wallId: 'north', mm: 800 },
          { wallId: 'west', mm: 900 },
        ],
      },
      String,
    );
    if (!stair) throw new Error('no stair');
    const [slope] = standing({ ...room, pieces: [stair] }).setOut.slopes;
    expect(slope?.serves[0]).toMatchObject({ thing: 'slope', id: 'stair' });
    const turned = { ...stair, place: { ...stair.place, turnDeg: 30 } };
    const [other] = standing({ ...room, pieces: [turned] }).setOut.slopes;
    expect(other?.vanishing.at.u).not.toBeCloseTo(slope?.vanishing.at.u ?? 0, 3);
  });
  it('a wall that stands askew to its room has points of its own', () => {
    const room = smallRoom([], view);
    const space = at(room.spaces, 0);
    const walls = space.walls.map((wall) => (wall.id === 'east' ? { ...wall, bearingDeg: 170 } : wall));
    const { setOut } = standing({ ...room, spaces: [{ ...space, walls }] });
    expect(groupServing(setOut, 'east')?.serves).toEqual([{ thing: 'wall', id: 'east' }]);
    expect(groupServing(setOut, 'west')).toBeUndefined();
  });
});
