import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { boxPiece, size, smallRoom } from '@/testing';
import {
  addOpening,
  addPiece,
  choosePiece,
  choosePieceWay,
  choosePlanWay,
  USUAL_WAY,
  wayOf,
  claimOf,
  claimSize,
  correctSize,
  changePiece,
  distanceFromWall,
  findingsOf,
  footprintOf,
  freshId,
  insertCorner,
  mmOf,
  newSize,
  outlineFault,
  outlineOf,
  putInForce,
  removePiece,
  removeView,
  wallRunOf,
  wallRuns,
  withClaim,
  type Opening,
  type Project,
  PLAIN_OPENING,
} from './index';

const door = (change: Partial<Opening> = {}): Opening => ({
  id: 'door',
  name: 'the door',
  kind: 'door',
  wallId: 'north',
  fromCorner: 'nw',
  offset: size('door/offset', 500),
  width: size('door/width', 900),
  sill: size('door/sill', 0),
  height: size('door/height', 2050),
  ...PLAIN_OPENING,
  reveal: size('door/reveal', 80),
  ...change,
});
const kinds = (project: Project): string[] => findingsOf(project).map((finding) => finding.kind);
const value = (edit: ReturnType<typeof addPiece>): Project => {
  if (!edit.ok) throw new Error(edit.error.message);
  return edit.value;
};

describe('a size and its claims', () => {
  it('keeps every claim and says which is in force', () => {
    const first = newSize('s', { mm: 900, asTyped: '900', source: 'usual', uncertaintyMm: 30 });
    const second = withClaim(first, { mm: 1012, asTyped: '1012', source: 'measured', uncertaintyMm: 3 });
    expect(second.claims.map((claim) => claim.mm)).toEqual([900, 1012]);
    expect(mmOf(second)).toBe(1012);
    expect(new Set(second.claims.map((claim) => claim.id)).size).toBe(2);
    expect(withClaim(second, { mm: 1012, asTyped: '1012', source: 'measured', uncertaintyMm: 3 })).toBe(second);
  });
  it('finds claims that disagree beyond their uncertainties; putting another in force settles which, deciding stays with the person', () => {
    const project = smallRoom([boxPiece()]);
    const said = value(
      claimSize(project, 'box/width', { mm: 1300, asTyped: '1300', source: 'scaled', uncertaintyMm: 20 }),
    );
    expect(kinds(said)).toContain('claims-disagree');
    const near = value(
      claimSize(project, 'box/width', { mm: 1210, asTyped: '1210', source: 'scaled', uncertaintyMm: 20 }),
    );
    expect(kinds(near)).toEqual([]);
    const back = value(putInForce(said, 'box/width', 'box/width/1'));
    expect(mmOf(at(back.pieces, 0).width)).toBe(1200);
    expect(correctSize(project, 'nothing', { mm: 1, asTyped: '1' }).ok).toBe(false);
    expect(
      claimOf(at(value(correctSize(project, 'box/width', { mm: 1250, asTyped: '1250' })).pieces, 0).width),
    ).toMatchObject({ mm: 1250, source: 'measured' });
  });
  it('shares all that an edit does not touch', () => {
    const project = smallRoom([boxPiece(), boxPiece({ id: 'other' })]);
    const next = value(correctSize(project, 'other/height', { mm: 1000, asTyped: '1000' }));
    expect(next.spaces).toBe(project.spaces);
    expect(next.pieces[0]).toBe(project.pieces[0]);
    expect(next.pieces[1]).not.toBe(project.pieces[1]);
  });
});

describe('a room', () => {
  it('walks its walls clockwise and looks into the room', () => {
    const space = at(smallRoom().spaces, 0);
    expect(outlineOf(space).corners.map((corner) => [corner.at.x, corner.at.y])).toEqual([
      [0, 0],
      [0, 3000],
      [4000, 3000],
      [4000, 0],
    ]);
    expect(outlineOf(space).closingGap).toEqual({ x: 0, y: 0 });
    expect(outlineFault(space)).toBeNull();
    for (const run of wallRuns(space))
      expect((2000 - run.start.x) * run.intoRoom.x + (1500 - run.start.y) * run.intoRoom.y).toBeGreaterThan(0);
  });
  it('reports what misses closing, what crosses, and walls listed the wrong way', () => {
    const room = smallRoom();
    const space = at(room.spaces, 0);
    const withWalls = (walls: typeof space.walls): Project => ({ ...room, spaces: [{ ...space, walls }] });
    expect(
      kinds(
        withWalls(
          space.walls.map((wall) => (wall.id === 'south' ? { ...wall, length: size('south/length', 3950) } : wall)),
        ),
      ),
    ).toEqual(['closing-error']);
    expect(
      outlineFault({
        ...space,
        walls: space.walls.map((wall) => ({ ...wall, bearingDeg: (450 - wall.bearingDeg) % 360 })),
      }),
    ).toBe('runs-the-wrong-way');
    expect(kinds(withWalls(space.walls.slice(0, 2)))).toContain('outline');
    expect(findingsOf(withWalls(space.walls.slice(0, 2)))[0]?.message).toContain('fewer than three walls');
  });
  it('a wall keeps its id when a corner is put into it; openings go with the part they stand in', () => {
    const room = value(
      addOpening(
        value(addOpening(smallRoom(), door())),
        door({ id: 'late', fromCorner: 'ne', offset: size('late/offset', 200) }),
      ),
    );
    const split = value(insertCorner(room, { wallId: 'north', at: 2000, cornerId: 'nm', newWallId: 'north-2' }));
    const space = at(split.spaces, 0);
    expect(space.walls.map((wall) => wall.id)).toEqual(['west', 'north', 'north-2', 'east', 'south']);
    expect(outlineOf(space).corners.map((corner) => corner.id)).toEqual(['sw', 'nw', 'nm', 'ne', 'se']);
    expect(outlineOf(space).closingGap).toEqual({ x: 0, y: 0 });
    expect(split.openings.map((one) => [one.wallId, one.fromCorner, mmOf(one.offset)])).toEqual([
      ['north', 'nw', 500],
      ['north-2', 'ne', 200],
    ]);
    expect(insertCorner(room, { wallId: 'north', at: 4000, cornerId: 'x', newWallId: 'y' }).ok).toBe(false);
  });
});

describe('openings', () => {
  it.each<[string, Partial<Opening>, string[]]>([
    ['fits', {}, []],
    ['runs beyond its wall', { offset: size('o', 3500) }, ['opening-beyond-wall']],
    ['reaches above the ceiling', { height: size('h', 2700) }, ['opening-above-ceiling']],
  ])('%s', (_, change, expected) => expect(kinds(value(addOpening(smallRoom(), door(change))))).toEqual(expected));
  it('overlapping another is found, whichever corner each is measured from', () => {
    const room = value(addOpening(smallRoom(), door()));
    expect(
      kinds(value(addOpening(room, door({ id: 'b', name: 'b', fromCorner: 'ne', offset: size('b/o', 2700) })))),
    ).toContain('openings-overlap');
    expect(
      kinds(value(addOpening(room, door({ id: 'b', name: 'b', fromCorner: 'ne', offset: size('b/o', 500) })))),
    ).toEqual([]);
    expect(addOpening(room, door()).ok).toBe(false);
    expect(addOpening(room, door({ id: 'c', wallId: 'nowhere' })).ok).toBe(false);
  });
});

describe('a piece by two offsets from two walls', () => {
  it('turn 0 has its back parallel to the first wall and its front into the room', () => {
    const project = smallRoom([boxPiece({ fromNorth: 500, fromWest: 700 })]);
    const footprint = footprintOf(project, at(project.pieces, 0));
    if (!footprint.ok) throw new Error('placed');
    const { corners } = footprint.value;
    expect(corners['back-left']).toEqual({ x: 700, y: 2500 });
    expect(corners['back-right']).toEqual({ x: 1900, y: 2500 });
    expect(corners['front-left']).toEqual({ x: 700, y: 1900 });
  });
  it('the named corner keeps its offsets at any turn and for any corner', () => {
    for (const corner of ['back-left', 'back-right', 'front-left', 'front-right'] as const) {
      for (const turnDeg of [0, 90, 180, 270, 17.5, 333]) {
        const project = smallRoom([boxPiece({ corner, turnDeg, fromNorth: 800, fromWest: 900 })]);
        const footprint = footprintOf(project, at(project.pieces, 0));
        const [north, west] = [wallRunOf(project, 'north'), wallRunOf(project, 'west')];
        if (!footprint.ok || !north || !west) throw new Error('placed');
        expect(distanceFromWall(north, footprint.value.corners[corner])).toBeCloseTo(800, 9);
        expect(distanceFromWall(west, footprint.value.corners[corner])).toBeCloseTo(900, 9);
      }
    }
  });
  it('two parallel walls are refused with a reason', () => {
    const piece = boxPiece();
    const place = { ...piece.place, from: [piece.place.from[0], { ...piece.place.from[1], wallId: 'south' }] as const };
    const refused = addPiece(smallRoom(), { ...piece, place });
    expect(refused.ok ? '' : refused.error.message).toContain('parallel');
    const moved = changePiece(smallRoom([piece]), 'box', { place });
    expect(moved.ok ? '' : moved.error.reason).toBe('refused-place');
  });
  it('removing a piece takes it out of the plans; the last view stays', () => {
    const chosen = choosePiece(smallRoom([boxPiece()]), 'view', 'box');
    const project = choosePieceWay(chosen, 'view', 'box', { school: 'distance-point', begin: 'crate' });
    expect(wayOf(project, 'view', 'box')).toMatchObject({ school: 'distance-point', begin: 'crate' });
    expect(wayOf(project, 'view', 'other')).toMatchObject(USUAL_WAY);
    const crated = choosePlanWay(project, 'view', { begin: 'crate' });
    expect(wayOf(choosePieceWay(crated, 'view', 'box', null), 'view', 'box').begin).toBe('crate');
    expect(removePiece(project, 'box')).toMatchObject({ pieces: [], plans: [{ pieceId: null, pieces: [] }] });
    expect(removeView(project, 'view').ok).toBe(false);
    expect(freshId('box', new Set(['box', 'box-2']))).toBe('box-3');
  });
});
