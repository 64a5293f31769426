import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { choosePiece, mmOf, removePiece, type Project } from '@/core/record';
import { kindOf, openingKindOf } from '@/core/solids';
import { allMarks, reachOf, resolveSetUp, setOutOf } from '@/core/view';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { OPENING_SIZES_IN_EIGHT, PIECE_SIZES_IN_EIGHT } from './defaults';
import { readProjectValue, writeProject } from './index';

/** A project as version 3 wrote it, with remedies for marks named by their place. */
function inThree(project: Project, marks: readonly string[], ceiling: object): unknown {
  const now = JSON.parse(writeProject(project)) as Record<string, unknown>;
  return {
    ...now,
    version: 3,
    spaces: (now.spaces as object[]).map((space) => ({ ...space, ceiling })),
    views: (now.views as object[]).map((view) => ({
      ...view,
      aids: marks.map((mark) => ({ by: 'ticks', mark, stepMm: 5 })),
    })),
  };
}
const read = (value: unknown): Project => {
  const result = readProjectValue(value);
  if (!result.ok) throw new Error(result.error.message);
  return result.value;
};
/** The ids of what the marks with a remedy serve. */
function helped(project: Project): string[] {
  const view = at(project.views, 0);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  const setOut = setOutOf(project, view, setUp.value);
  return allMarks(setOut)
    .filter((mark) => reachOf(view, setOut, mark).aid !== null)
    .map((mark) => `${mark.label}: ${mark.name.serves.map((one) => one.id).join(', ')}`);
}

describe('files of version 3', () => {
  const room = smallRoom(
    [
      boxPiece({ id: 'square' }),
      boxPiece({ id: 'chair', turnDeg: 20, fromWest: 1200 }),
      boxPiece({ id: 'desk', turnDeg: 35, fromWest: 2400 }),
      boxPiece({ id: 'stool', turnDeg: 125, fromWest: 2400, fromNorth: 1400 }),
    ],
    boxView({}),
  );
  it('a remedy kept by the place of a pair in a list becomes the remedy of what that pair served', () => {
    const project = read(inThree(room, ['vp-left-3', 'distance-left'], { shape: 'flat' }));
    expect(helped(project)).toEqual(['DL: room, square', 'VL3: desk, stool']);
  });
  it('it stays with its things when another is removed, and with those left of its own', () => {
    const project = read(inThree(room, ['vp-left-3'], { shape: 'flat' }));
    expect(helped(removePiece(project, 'chair'))).toEqual(['VL2: desk, stool']);
    expect(helped(removePiece(project, 'desk'))).toEqual(['VL3: stool']);
    expect(helped(removePiece(removePiece(project, 'desk'), 'stool'))).toEqual([]);
  });
  it('a remedy for a pair that is no longer there is dropped, for it helped nothing', () => {
    expect(at(read(inThree(room, ['vp-left-9', 'trace-south'], { shape: 'flat' })).views, 0).aids).toEqual([]);
  });
  it('ceilings come over with their walls, sizes and zones', () => {
    const size = { ...(JSON.parse(JSON.stringify(at(room.pieces, 0).width)) as object), id: 'high' };
    expect(
      at(read(inThree(room, [], { shape: 'sloped', wallId: 'west', highHeight: size })).spaces, 0).ceiling,
    ).toEqual({ shape: 'sloped', wallId: 'west', sizes: { 'height at the high side': size }, zones: [] });
    const zones = [{ id: 'low', wallId: 'north', depth: { ...size, id: 'd' }, height: { ...size, id: 'h' } }];
    expect(at(read(inThree(room, [], { shape: 'stepped', zones })).spaces, 0).ceiling).toEqual({
      shape: 'stepped',
      wallId: null,
      sizes: {},
      zones,
    });
  });
});

describe('files of version 5', () => {
  it('had no rings laid aside', () => {
    const { laidAside: _, ...five } = JSON.parse(writeProject(smallRoom([boxPiece()]))) as Record<string, unknown>;
    expect(read({ ...five, version: 5 }).laidAside).toEqual([]);
  });
  it('had every room in each view, a station put by hand, and grids counted from the first wall', () => {
    const grid = { unit: { mm: 500, asTyped: '500' }, floor: true, walls: true, ceiling: false };
    const now = JSON.parse(writeProject(smallRoom([boxPiece()]))) as Record<string, unknown>;
    const views = (now.views as Record<string, unknown>[]).map(({ standsBy: _s, spacesAside: _a, ...view }) => ({
      ...view,
      grid,
    }));
    const view = at(read({ ...now, version: 5, views }).views, 0);
    expect([view.standsBy, view.spacesAside, view.grid]).toEqual(['hand', [], { ...grid, from: null, on: null }]);
    expect(
      at(read({ ...now, version: 5, views: views.map((one) => ({ ...one, grid: null })) }).views, 0).grid,
    ).toBeNull();
  });
  it('had the columns of a chest as a number, and divisions that were the same throughout', () => {
    const now = JSON.parse(writeProject(smallRoom([boxPiece()]))) as Record<string, unknown>;
    const pieces = (now.pieces as Record<string, unknown>[]).map(({ divisionsEach: _, ...piece }) => ({
      ...piece,
      kind: 'chest-of-drawers',
      counts: { columns: 3 },
      divisions: { drawers: { by: 'equal', count: 5 } },
    }));
    const piece = at(read({ ...now, version: 5, pieces }).pieces, 0);
    expect([piece.counts, piece.divisions, piece.divisionsEach]).toEqual([
      {},
      { drawers: { by: 'equal', count: 5 }, columns: { by: 'equal', count: 3 } },
      {},
    ]);
  });
});

describe('files of version 4', () => {
  it('had one school and one beginning: a chosen piece stays chosen', () => {
    const now = JSON.parse(writeProject(choosePiece(smallRoom([boxPiece()]), 'view', 'box'))) as Record<
      string,
      unknown
    >;
    const plans = (now.plans as object[]).map((plan) => {
      const { id, viewId, pieceId, school } = plan as Record<string, unknown>;
      return { id, viewId, pieceId, school };
    });
    expect(read({ ...now, version: 4, plans }).plans).toEqual([
      {
        ...{ id: 'plan-view', viewId: 'view', pieceId: 'box', school: 'measuring-points', begin: 'footprint' },
        pieces: [],
      },
    ]);
  });
});

describe('files of version 6', () => {
  it('had outlines without holes, and always drew the walls', () => {
    const corners = [
      { x: 0, y: 0, bulge: 0 },
      { x: 900, y: 0, bulge: 0 },
      { x: 0, y: 500, bulge: 0 },
    ];
    const outline = { id: 'o', view: 'front', corners, from: 50, to: 350 } as const;
    const block = { ...boxPiece(), kind: 'block', outlines: [{ ...outline, holes: [] }] };
    const now = JSON.parse(writeProject(smallRoom([block]))) as Record<string, unknown>;
    const views = (now.views as readonly Record<string, unknown>[]).map(({ walls: _, ...view }) => view);
    const six = read({ ...now, version: 6, views, pieces: [{ ...block, outlines: [outline] }] });
    expect(at(six.views, 0).walls).toBe('drawn');
    expect(at(at(six.pieces, 0).outlines, 0)).toEqual({ ...outline, holes: [] });
  });
});

describe('files of version 7', () => {
  it('hid every seam, had one row of lights, and say now what their kinds have gained, drawn as it was', () => {
    const now = JSON.parse(writeProject(at(DEMOS, 0))) as Record<string, unknown>;
    const old = {
      ...now,
      version: 7,
      pieces: (now.pieces as Record<string, unknown>[]).map(({ seams: _, ...piece }) => ({
        ...piece,
        kind: 'side-chair',
      })),
      surfaces: (now.surfaces as Record<string, unknown>[]).map(({ lights: _, ...one }) => one),
    };
    const rake = at(smallRoom([boxPiece()]).pieces, 0).width;
    const project = read({
      ...old,
      pieces: [
        {
          ...(old.pieces[0] as object),
          sizes: { rake: { ...rake, id: 'own/rake' }, 'lowest slat above the seat': { ...rake, id: 'own/slat' } },
        },
      ],
      plans: [],
    });
    expect(project.surfaces.every((one) => one.lights === null)).toBe(true);
    const piece = at(project.pieces, 0);
    expect([piece.seams, piece.sizes.rake?.claims]).toEqual(['hidden', rake.claims]);
    expect(Object.entries(piece.sizes).map(([name, size]) => [name, mmOf(size)])).toEqual([
      // What was said already stays as it was said.
      ['rake', mmOf(rake)],
      ['lowest slat above the seat', mmOf(rake)],
      ['slat height', 0],
      ['gap between slats', 0],
    ]);
  });
  it('what was gained is what the kinds usually have: nothing is drawn otherwise', () => {
    for (const [id, sizes] of Object.entries(PIECE_SIZES_IN_EIGHT))
      for (const [name, mm] of Object.entries(sizes)) expect(kindOf(id)?.sizes[name]?.usual, `${id}: ${name}`).toBe(mm);
    for (const [id, sizes] of Object.entries(OPENING_SIZES_IN_EIGHT))
      for (const [name, mm] of Object.entries(sizes))
        expect(openingKindOf(id)?.sizes[name]?.usual, `${id}: ${name}`).toBe(mm);
  });
});
