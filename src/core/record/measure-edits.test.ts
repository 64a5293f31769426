import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { boxPiece, runs, size, smallRoom } from '@/testing';
import {
  addSpace,
  alignPieces,
  allSizes,
  applyChange,
  changeOpening,
  copyPieces,
  duplicatePiece,
  footprintOf,
  mirrorPiece,
  mmOf,
  moveCorner,
  moveOpening,
  movePieceBy,
  outlineFault,
  outlineOf,
  pastePieces,
  PLAIN_OPENING,
  PLAIN_SPACE,
  pushWall,
  removeCorner,
  removeSpace,
  repeatPiece,
  shareClosingError,
  sizeSource,
  typedWalls,
  wallRuns,
  type Edit,
  type Opening,
  type Project,
  type Space,
} from './index';

const print = (mm: number): string => String(Math.round(mm * 100) / 100);
const good = (edit: Edit): Project => {
  if (!edit.ok) throw new Error(edit.error.message);
  return edit.value;
};
const corner = (project: Project, id: string) => {
  const piece = at(
    project.pieces.filter((one) => one.id === id),
    0,
  );
  const footprint = footprintOf(project, piece);
  if (!footprint.ok) throw new Error('no place');
  return footprint.value.corners['back-left'];
};
const typed = (...walls: readonly (readonly [mm: number, turnDeg: number])[]) =>
  walls.map(([mm, turnDeg]) => ({ mm, asTyped: String(mm), turnDeg, source: 'measured' as const }));
const spaceOf = (walls: Space['walls']): Space => ({
  ...PLAIN_SPACE,
  id: 'next',
  name: 'Next',
  levelId: 'ground',
  origin: { x: 0, y: 0 },
  walls,
  ceilingHeight: size('next/ceiling', 2500),
});

describe('walls as they are typed', () => {
  it('a room with a niche closes, and its walls are named after their sides', () => {
    const walls = typedWalls(
      'next',
      0,
      typed([3000, 90], [1500, 90], [400, -90], [1000, 90], [400, 90], [1500, -90], [3000, 90], [4000, 90]),
    );
    const space = spaceOf(walls);
    expect(outlineFault(space)).toBeNull();
    const gap = outlineOf(space).closingGap;
    expect(Math.hypot(gap.x, gap.y)).toBeLessThan(1e-6);
    expect(walls.map((wall) => wall.name).slice(0, 4)).toEqual([
      'the west wall',
      'the north wall',
      'the west wall 2',
      'the north wall 2',
    ]);
    expect(new Set(walls.map((wall) => wall.id)).size).toBe(8);
  });
  it('anticlockwise or crossing walls are refused with a reason', () => {
    const left = addSpace(
      smallRoom(),
      spaceOf(typedWalls('next', 0, typed([3000, 0], [4000, -90], [3000, -90], [4000, -90]))),
    );
    expect(left.ok ? '' : left.error.message).toContain('anticlockwise');
    const crossed = addSpace(
      smallRoom(),
      spaceOf(typedWalls('next', 0, typed([3000, 0], [5000, 126.87], [3000, -126.87], [5000, -126.87]))),
    );
    expect(crossed.ok ? '' : crossed.error.reason).toBe('refused-outline');
  });
  it('the closing error shared out closes any room, each corner moving less than the error (seed 71)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -60, max: 60 }), { minLength: 4, maxLength: 4 }),
        fc.array(fc.integer({ min: -3, max: 3 }), { minLength: 3, maxLength: 3 }),
        (slips, angles) => {
          const walls = typedWalls(
            'next',
            0,
            typed(
              [3000 + at(slips, 0), 0],
              [4000 + at(slips, 1), 90 + at(angles, 0)],
              [3000 + at(slips, 2), 90 + at(angles, 1)],
              [4000 + at(slips, 3), 90 + at(angles, 2)],
            ),
          );
          const before = spaceOf(walls);
          const error = outlineOf(before).closingGap;
          const project = good(shareClosingError(good(addSpace(smallRoom(), before)), 'next', print));
          const after = at(project.spaces, 1);
          const left = outlineOf(after).closingGap;
          expect(Math.hypot(left.x, left.y)).toBeLessThan(1e-6);
          outlineOf(after).corners.forEach((one, i) => {
            const was = at(outlineOf(before).corners, i).at;
            expect(Math.hypot(one.at.x - was.x, one.at.y - was.y)).toBeLessThanOrEqual(
              Math.hypot(error.x, error.y) + 1e-6,
            );
          });
        },
      ),
      { numRuns: runs(), seed: 71 },
    );
  });
});

describe('a room changed', () => {
  it('a part of a wall pushed out makes a niche, pushed in a breast; the corners beyond stay', () => {
    for (const by of [300, -300]) {
      const project = good(pushWall(smallRoom(), { wallId: 'north', from: 1000, to: 2200, by }, print));
      const space = at(project.spaces, 0);
      expect(space.walls.length).toBe(8);
      expect(outlineFault(space)).toBeNull();
      const corners = outlineOf(space).corners.map(({ at: p }) => [Math.round(p.x) + 0, Math.round(p.y) + 0]);
      expect(corners).toEqual([
        [0, 0],
        [0, 3000],
        [1000, 3000],
        [1000, 3000 + by],
        [2200, 3000 + by],
        [2200, 3000],
        [4000, 3000],
        [4000, 0],
      ]);
      expect(outlineOf(space).closingGap.x).toBeCloseTo(0, 6);
      expect(space.walls.filter((wall) => wall.id === 'north').length).toBe(1);
    }
    expect(pushWall(smallRoom(), { wallId: 'north', from: 1000, to: 5000, by: 300 }, print).ok).toBe(false);
    expect(pushWall(smallRoom(), { wallId: 'north', from: 1000, to: 2000, by: -4000 }, print).ok).toBe(false);
  });
  it('a corner moved takes its two walls along and no other; taken out again the room is as before', () => {
    const project = good(moveCorner(smallRoom(), 'room', 'ne', { x: 4500, y: 3300 }, print));
    const space = at(project.spaces, 0);
    expect(outlineOf(space).corners.map(({ at: p }) => [Math.round(p.x) + 0, Math.round(p.y) + 0])).toEqual([
      [0, 0],
      [0, 3000],
      [4500, 3300],
      [4000, 0],
    ]);
    // What the tape said stays beside the estimate.
    expect(at(space.walls, 1).length.claims.length).toBe(2);
    expect(at(space.walls, 0).length.claims.length).toBe(1);
    const niche = good(pushWall(smallRoom(), { wallId: 'north', from: 1000, to: 2200, by: 300 }, print));
    const taken = removeCorner(niche, 'room', 'north-back/corner', print);
    expect(at(good(taken).spaces, 0).walls.length).toBe(7);
    expect(moveCorner(smallRoom(), 'room', 'ne', { x: -900, y: -900 }, print).ok).toBe(false);
  });
  it('rooms are added and taken out with what is measured from them; the last stays, and so does one a picture plane is bound to', () => {
    const walls = typedWalls('next', 0, typed([2000, 0], [2000, 90], [2000, 90], [2000, 90]));
    const two = good(addSpace(smallRoom([boxPiece({})]), { ...spaceOf(walls), origin: { x: 5000, y: 0 } }));
    const gone = good(removeSpace(two, 'next'));
    expect(gone.spaces.length).toBe(1);
    expect(gone.pieces.length).toBe(1);
    expect(removeSpace(gone, 'room').ok).toBe(false);
    const bound = removeSpace(two, 'room');
    expect(bound.ok ? '' : bound.error.message).toContain('picture plane');
  });
});

const opening: Opening = {
  ...PLAIN_OPENING,
  id: 'window',
  name: 'window',
  kind: 'window',
  wallId: 'north',
  fromCorner: 'ne',
  offset: size('window/offset', 500),
  width: size('window/width', 1000),
  sill: size('window/sill', 900),
  height: size('window/height', 1200),
  reveal: size('window/reveal', 100),
};

describe('pieces and openings moved, copied and lined up', () => {
  it('moving by a vector moves just by that, however the piece is placed and turned (seed 72)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: -500, max: 500 }),
        fc.integer({ min: -500, max: 500 }),
        fc.constantFrom('back-left', 'back-right', 'front-left', 'front-right'),
        (turnDeg, x, y, pieceCorner) => {
          const project = smallRoom([boxPiece({ turnDeg, corner: pieceCorner })]);
          const moved = good(movePieceBy(project, 'box', { x, y }, print));
          const [a, b] = [corner(project, 'box'), corner(moved, 'box')];
          expect(b.x - a.x).toBeCloseTo(x, 2);
          expect(b.y - a.y).toBeCloseTo(y, 2);
        },
      ),
      { numRuns: runs(), seed: 72 },
    );
  });
  it('what was measured is kept when a thing is moved by eye; an estimate is corrected', () => {
    const once = good(movePieceBy(smallRoom([boxPiece({})]), 'box', { x: 40, y: 0 }, print));
    const distance = at(once.pieces, 0).place.from[1].distance;
    expect(distance.claims.map((claim) => [claim.mm, claim.source])).toEqual([
      [700, 'measured'],
      [740, 'estimated'],
    ]);
    const twice = good(movePieceBy(once, 'box', { x: 40, y: 0 }, print));
    expect(at(twice.pieces, 0).place.from[1].distance.claims.map((claim) => claim.mm)).toEqual([700, 780]);
  });
  it('an opening moves along its wall to the right, whichever corner it is measured from', () => {
    for (const fromCorner of ['nw', 'ne']) {
      const project = { ...smallRoom(), openings: [{ ...opening, fromCorner }] };
      const moved = good(moveOpening(project, 'window', { along: 200, up: -100 }, print));
      expect(mmOf(at(moved.openings, 0).offset)).toBe(fromCorner === 'nw' ? 700 : 300);
      expect(mmOf(at(moved.openings, 0).sill)).toBe(800);
    }
    expect(changeOpening(smallRoom(), 'nowhere', {}).ok).toBe(false);
  });
  it('a copy has ids of its own throughout, and the name after', () => {
    const { edit, id } = duplicatePiece(smallRoom([boxPiece({})]), 'box', print);
    const project = good(edit);
    expect(id).toBe('box-2');
    expect(at(project.pieces, 1).name).toBe('box 2');
    const ids = allSizes(project).flatMap(({ size: one }) => [one.id, ...one.claims.map((claim) => claim.id)]);
    expect(new Set(ids).size).toBe(ids.length);
    expect(corner(project, 'box-2').x - corner(project, 'box').x).toBeCloseTo(1200, 6);
  });
  it('a row is measured from its first piece, so that no error adds up', () => {
    const project = good(
      repeatPiece(
        smallRoom([boxPiece({ width: 300, fromWest: 100 })]),
        'box',
        { count: 6, spacing: 333.3, along: 'width' },
        print,
      ),
    );
    expect(project.pieces.length).toBe(6);
    project.pieces.forEach((piece, i) => expect(corner(project, piece.id).x).toBeCloseTo(100 + 333.3 * i, 2));
    expect(repeatPiece(project, 'box', { count: 1, spacing: 1, along: 'width' }, print).ok).toBe(false);
  });
  it('copied pieces are pasted aside, twice as well; nothing copied, nothing pasted', () => {
    const room = smallRoom([boxPiece({})]);
    const clipping = copyPieces(room, ['box']);
    const once = pastePieces(room, clipping, print);
    const twice = pastePieces(good(once.edit), clipping, print);
    expect(good(twice.edit).pieces.map((piece) => piece.id)).toEqual(['box', 'box-2', 'box-3']);
    const empty = pastePieces(room, { pieces: [] }, print).edit;
    expect(empty.ok ? '' : empty.error.message).toContain('copied');
    const elsewhere = pastePieces(
      {
        ...room,
        spaces: room.spaces.map((space) => ({
          ...space,
          walls: space.walls.map((wall) => ({ ...wall, id: `${wall.id}-x` })),
        })),
      },
      clipping,
      print,
    ).edit;
    expect(elsewhere.ok ? '' : elsewhere.error.message).toContain('walls that are not in this project');
  });
  it('aligned pieces have one distance from the wall, near, middle or far', () => {
    const room = smallRoom([
      boxPiece({ id: 'one', depth: 600 }),
      boxPiece({ id: 'two', depth: 400, fromNorth: 900, fromWest: 2200 }),
    ]);
    const north = at(wallRuns(at(room.spaces, 0)), 1);
    const spans = (project: Project) =>
      project.pieces.map((piece) => {
        const footprint = footprintOf(project, piece);
        const all = footprint.ok ? Object.values(footprint.value.corners).map((p) => north.start.y - p.y) : [];
        return [Math.min(...all), Math.max(...all)] as const;
      });
    const measure = {
      near: ([low]: readonly [number, number]) => low,
      far: ([, high]: readonly [number, number]) => high,
      middle: ([low, high]: readonly [number, number]) => (low + high) / 2,
    };
    for (const what of ['near', 'middle', 'far'] as const) {
      const [a, b] = spans(good(alignPieces(room, ['one', 'two'], 'north', what, print)));
      expect(measure[what](a ?? [0, 1])).toBeCloseTo(measure[what](b ?? [2, 3]), 3);
    }
  });
  it('mirrored twice it is as before; a source is said without changing the figure', () => {
    const room = smallRoom([boxPiece({})]);
    expect(good(mirrorPiece(good(mirrorPiece(room, 'box')), 'box'))).toEqual(room);
    const said = good(sizeSource(room, 'box/width', 'maker'));
    expect(at(at(said.pieces, 0).width.claims, 0)).toMatchObject({ mm: 1200, source: 'maker', uncertaintyMm: 1 });
    expect(sizeSource(room, 'box/width', 'maker', -1).ok).toBe(false);
  });
});

describe('the corner a piece is placed by', () => {
  it('is changed without moving the piece; what was measured to the other stays as checks that agree', () => {
    const project = smallRoom([boxPiece({ id: 'box', turnDeg: 25 })]);
    const place = (one: Project) => {
      const footprint = footprintOf(one, at(one.pieces, 0));
      if (!footprint.ok) throw new Error('no place');
      return footprint.value.corners;
    };
    const after = good(applyChange(project, { kind: 'place-by-corner', pieceId: 'box', pieceCorner: 'front-right' }));
    const piece = at(after.pieces, 0);
    expect(piece.place.pieceCorner).toBe('front-right');
    for (const corner of ['back-left', 'front-right'] as const) {
      expect(place(after)[corner].x).toBeCloseTo(place(project)[corner].x, 3);
      expect(place(after)[corner].y).toBeCloseTo(place(project)[corner].y, 3);
    }
    expect(piece.checks.map(({ pieceCorner, wallId, distance }) => [pieceCorner, wallId, mmOf(distance)])).toEqual(
      at(project.pieces, 0).place.from.map(({ wallId, distance }) => ['back-left', wallId, mmOf(distance)]),
    );
    expect(new Set(allSizes(after).map(({ size: one }) => one.id)).size).toBe(allSizes(after).length);
    expect(good(applyChange(after, { kind: 'place-by-corner', pieceId: 'box', pieceCorner: 'front-right' }))).toBe(
      after,
    );
  });
});
