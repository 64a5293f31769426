import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { applyChange, mmOf, outlineOf, type Project } from '@/core/record';
import { boxPiece, smallRoom } from '@/testing';
import { fromTemplate, wallNear } from './from-template';
import { drawnRoom, layingOf, newSpaceId, usualCeiling } from './lay-room';

const print = (mm: number): string => `${mm}`;
const L = [
  { x: 0, y: 0 },
  { x: 0, y: 3000 },
  { x: 4000, y: 3000 },
  { x: 4000, y: 1000 },
  { x: 2500, y: 1000 },
  { x: 2500, y: 0 },
];
const levelOf = (project: Project) => at(project.levels, 0).id;
const room = (project: Project, corners: typeof L) => {
  const made = drawnRoom(project, levelOf(project), corners, print);
  if (!made) throw new Error('no room');
  return made;
};

describe('a room by corners pressed on the plan', () => {
  it('runs through them whichever way they were pressed, its walls as long as they lie apart', () => {
    const project = smallRoom([]);
    for (const corners of [L, [...L].reverse()]) {
      const outline = outlineOf(room(project, corners));
      expect(Math.hypot(outline.closingGap.x, outline.closingGap.y)).toBeLessThan(1e-6);
      const found = outline.corners.map((corner) => `${Math.round(corner.at.x)},${Math.round(corner.at.y)}`).sort();
      expect(found).toEqual(L.map((p) => `${p.x},${p.y}`).sort());
      const lengths = room(project, corners).walls.map((wall) => Math.round(mmOf(wall.length)));
      expect(lengths.sort((a, b) => a - b)).toEqual([1000, 1500, 2000, 2500, 3000, 4000]);
    }
  });
  it('of no corner there is none; what was drawn is an estimate', () => {
    const project = smallRoom([]);
    expect(drawnRoom(project, levelOf(project), [], print)).toBeNull();
    for (const wall of room(project, L).walls) expect(at(wall.length.claims, 0).source).toBe('estimated');
  });
  it('takes the place of the bare room one begins with, and lies beside a room that something stands in', () => {
    const bare = smallRoom([]);
    expect(newSpaceId(bare)).toBe(at(bare.spaces, 0).id);
    expect(layingOf(bare, room(bare, L), 'as-typed').kind).toBe('lay-first-room');
    const full = smallRoom([boxPiece({})]);
    expect(newSpaceId(full)).not.toBe(at(full.spaces, 0).id);
    const typed = { ...room(full, L), origin: { x: 0, y: 0 } };
    const laid = applyChange(full, layingOf(full, typed, 'as-typed'));
    if (!laid.ok) throw new Error(laid.error.message);
    const [first, second] = laid.value.spaces.map((space) => outlineOf(space).corners.map((corner) => corner.at.x));
    expect(Math.min(...(second ?? []))).toBeCloseTo(Math.max(...(first ?? [])) + 150, 6);
    // Drawn where it is to lie, it lies there.
    const moved = { ...typed, origin: { x: 9000, y: 0 } };
    expect(layingOf(full, moved, 'as-typed')).toMatchObject({
      kind: 'add-space',
      space: { origin: { x: 9000, y: 0 } },
    });
  });
  it('shares its closing error in the same step, if that is wished', () => {
    const bare = smallRoom([]);
    const change = layingOf(bare, room(bare, L), 'share');
    expect(change).toMatchObject({ kind: 'several' });
    expect(JSON.stringify(change)).toContain('share-closing-error');
  });
  it('is as high as the first room there is, and usual until somebody measures it', () => {
    const project = smallRoom([]);
    const size = usualCeiling(project, 'new', print);
    expect(mmOf(size)).toBe(mmOf(at(project.spaces, 0).ceilingHeight));
    expect(at(size.claims, 0).source).toBe('usual');
    expect(mmOf(usualCeiling({ ...project, spaces: [] }, 'new', print))).toBe(2500);
  });
});

describe('a template let go on the plan', () => {
  const project = smallRoom([]);
  const level = levelOf(project);
  const [space] = project.spaces;
  const corners = space ? outlineOf(space).corners.map((corner) => corner.at) : [];
  const middle = {
    x: corners.reduce((sum, p) => sum + p.x, 0) / corners.length,
    y: corners.reduce((sum, p) => sum + p.y, 0) / corners.length,
  };
  it('finds the wall nearest to it, of its own level only', () => {
    for (const [i, wall] of (space?.walls ?? []).entries()) {
      const [a, b] = [at(corners, i), at(corners, (i + 1) % corners.length)];
      const near = { x: (a.x + b.x) / 2 + (middle.x - a.x) * 0.02, y: (a.y + b.y) / 2 + (middle.y - a.y) * 0.02 };
      expect(wallNear(project, level, near)?.wall.id).toBe(wall.id);
    }
    expect(wallNear(project, 'another level', middle)).toBeUndefined();
  });
  it('a piece is put where it was let go, an opening into the nearest wall, a pattern on a floor; each as one change', () => {
    const given = { first: null, levelId: level };
    const piece = fromTemplate(project, { what: 'piece', kind: 'stool', name: 'Stool' }, given, middle, print);
    expect(piece?.change.kind).toBe('add-piece');
    const [a, b] = [at(corners, 1), at(corners, 2)];
    const beside = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
    const door = fromTemplate(project, { what: 'opening', kind: 'door', name: 'Door' }, given, beside, print);
    expect(door?.change).toMatchObject({ kind: 'add-opening', opening: { wallId: at(space?.walls ?? [], 1).id } });
    const tiles = fromTemplate(project, { what: 'surface', kind: 'tiles', name: 'Tiles' }, given, null, print);
    expect(tiles?.change.kind).toBe('add-surface');
    for (const made of [piece, door, tiles]) {
      const after = made && applyChange(project, made.change);
      expect(after?.ok).toBe(true);
    }
    expect(fromTemplate(project, { what: 'opening', kind: 'no such', name: '' }, given, beside, print)).toBeNull();
  });
  it('what is put in without a place goes to the room of what is chosen, whatever that is', () => {
    const full = smallRoom([boxPiece({})]);
    const laid = applyChange(full, layingOf(full, room(full, L), 'as-typed'));
    if (!laid.ok) throw new Error(laid.error.message);
    const second = at(laid.value.spaces, 1);
    const put = (project: Project, first: string | null) => {
      const chair = { what: 'piece', kind: 'side-chair', name: 'side chair' } as const;
      const made = fromTemplate(project, chair, { first, levelId: second.levelId }, null, print);
      const done = made && applyChange(project, made.change);
      if (!made || !done?.ok) throw new Error('nothing was put in');
      const piece = at(
        done.value.pieces.filter((one) => one.id === made.id),
        0,
      );
      const home = done.value.spaces.find((one) => one.walls.some((wall) => wall.id === piece.place.from[0].wallId));
      return { id: made.id, project: done.value, home: home?.id };
    };
    const inRoom = put(laid.value, second.id);
    expect(inRoom.home).toBe(second.id);
    // A piece that stands there, chosen, takes the next one along.
    expect(put(inRoom.project, inRoom.id).home).toBe(second.id);
    expect(put(inRoom.project, 'box').home).toBe(at(full.spaces, 0).id);
  });
});
