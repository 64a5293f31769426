import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { newSize, type Piece } from '@/core/record';
import { expectClosedAndOutward, partOf, smallRoom, volumeOf } from '@/testing';
import {
  bodiesOf,
  CATALOGUE,
  kindBody,
  kindOf,
  newOpening,
  newPiece,
  openingKindOf,
  refusalOf,
  type Body,
} from './index';

const AXES = {
  origin: { x: 0, y: 0, z: 0 },
  x: { x: 1, y: 0, z: 0 },
  y: { x: 0, y: 1, z: 0 },
  z: { x: 0, y: 0, z: 1 },
};
const size = (name: string, mm: number) =>
  newSize(name, { mm, asTyped: String(mm), source: 'measured', uncertaintyMm: 1 });

interface Given {
  readonly [name: string]: number | string;
}
/** A usual piece of a kind with some of its sizes, numbers and choices given: its kind tells which is which. */
function pieceOf(id: string, given: Given): Piece {
  const kind = kindOf(id);
  const usual = newPiece(
    id,
    {
      ...{ id: 'it', name: 'it', levelId: 'ground' },
      from: [
        { wallId: 'north', mm: 0 },
        { wallId: 'west', mm: 0 },
      ],
    },
    String,
  );
  if (!kind || !usual) throw new Error(id);
  let piece = usual;
  for (const [name, value] of Object.entries(given)) {
    if (typeof value === 'string') {
      expect(kind.choices?.[name], `${id}: ${name}`).toContain(value);
      piece = { ...piece, choices: { ...piece.choices, [name]: value } };
    } else if (name === 'width' || name === 'depth' || name === 'height')
      piece = { ...piece, [name]: size(name, value) };
    else if (kind.counts?.[name]) piece = { ...piece, counts: { ...piece.counts, [name]: value } };
    else {
      expect(kind.sizes[name], `${id}: ${name}`).toBeDefined();
      piece = { ...piece, sizes: { ...piece.sizes, [name]: size(name, value) } };
    }
  }
  return piece;
}
const refusal = (id: string, given: Given): string | null => {
  const kind = kindOf(id);
  return kind ? refusalOf(kind, pieceOf(id, given), (mm) => `${Math.round(mm)} mm`) : 'unknown';
};
function bodyOf(id: string, given: Given = {}): Body {
  const kind = kindOf(id);
  if (!kind) throw new Error(id);
  expect(refusal(id, given), id).toBeNull();
  const body = kindBody(kind, pieceOf(id, given), AXES);
  expectClosedAndOutward(body, id);
  return body;
}
/** Names of a body's parts that begin with a word, each once. */
const partsOf = (body: Body, word: string): string[] => [
  ...new Set(
    [...body.faces, ...body.rounds]
      .map((face) => partOf(face.id).split('/')[1] ?? '')
      .filter((one) => one.startsWith(word)),
  ),
];
/** Least and most of a part along an axis, by its vertices. */
function reach(body: Body, part: string, axis: 'x' | 'y' | 'z'): [number, number] {
  const values = body.vertices.filter(({ id }) => id.split('/')[1] === part).map(({ at: p }) => p[axis]);
  return [Math.min(...values), Math.max(...values)];
}

describe('what a piece may be made like', () => {
  it('slats of a chair lie at the height, gap and place that were measured; what does not go in is refused', () => {
    const given = { slats: 3, 'slat height': 60, 'gap between slats': 45, 'lowest slat above the seat': 100 };
    const body = bodyOf('side-chair', given);
    expect([1, 2, 3].map((n) => reach(body, `slat-${n}`, 'z'))).toEqual([
      [550, 610],
      [655, 715],
      [760, 820],
    ]);
    expect(refusal('side-chair', { ...given, 'slat height': 90 })).toContain('slats do not go into its back');
    // Without figures they fill the back as they did.
    expect(reach(bodyOf('side-chair'), 'slat-3', 'z')[1]).toBeCloseTo(850, 6);
    // Of a measured height alone they are spread to the top rail.
    expect(reach(bodyOf('side-chair', { 'slat height': 50 }), 'slat-3', 'z')[1]).toBeCloseTo(850, 6);
  });
  it('an armchair with open arms on posts, round feet set in, and a cushion lower in front', () => {
    const body = bodyOf('armchair', {
      ...{ arms: 'open', feet: 'round', 'foot inset': 60, 'foot thickness': 40, 'cushion drop in front': 30 },
    });
    expect(reach(body, 'arm-left', 'z')).toEqual([580, 620]);
    expect(partsOf(body, 'post-')).toHaveLength(4);
    expect(
      body.rounds.filter((round) => round.id.includes('/leg-')).map(({ centre }) => [centre.x, centre.y]),
    ).toContainEqual([80, 80]);
    const front = body.vertices
      .filter(({ id, at: p }) => id.includes('/cushion-1/') && p.y === 850)
      .map(({ at: p }) => p.z);
    expect([...new Set(front)].sort((a, b) => a - b)).toEqual([280, 400]);
    expect(refusal('armchair', { arms: 'open', 'arm height': 455, 'cushion thickness': 60 })).toContain('open');
  });
  it.each([
    ['table', 'top', 30],
    ['desk', 'top', 22],
    ['counter', 'top', 40],
    ['island', 'worktop', 40],
  ])('the top of a %s is rounded at its corners or its edges, not at both', (id, part, thick) => {
    const round = bodyOf(id, { 'corner radius': 80 });
    const corners = round.rounds.filter((one) => one.id.includes(`/${part}/`));
    expect(corners.map(({ radius }) => Math.round(radius * 1e6))).toEqual([8e7, 8e7, 8e7, 8e7]);
    // Four quarters of a square of 160 less the disc in it are gone.
    const gone = (volumeOf(bodyOf(id)) - volumeOf(round)) / ((160 * 160 - Math.PI * 80 * 80) * thick);
    // Round faces are measured by facets that lie a little within.
    expect(gone).toBeGreaterThan(0.99);
    expect(gone).toBeLessThan(1.05);
    const edges = bodyOf(id, { 'edge radius': thick / 2 }).rounds.filter((one) => one.id.includes(`/${part}/`));
    expect(edges.every(({ radius, axis }) => Math.abs(radius - thick / 2) < 1e-6 && Math.abs(axis.x) === 1)).toBe(true);
    expect(edges.length).toBeGreaterThan(1);
    expect(refusal(id, { 'corner radius': 80, 'edge radius': 5 })).toContain('not both');
    expect(refusal(id, { 'edge radius': thick / 2 + 1 })).toContain('rounder than it is thick');
  });
  it('a bed with a round mattress and a round headboard; a chest on castors, whose drawers share what is left', () => {
    const bed = bodyOf('bed', { 'mattress edge radius': 60, 'headboard corner radius': 250 });
    expect(bed.rounds.map(({ radius }) => Math.round(radius)).sort((a, b) => a - b)).toEqual([60, 60, 250, 250]);
    const chest = bodyOf('chest-of-drawers', { 'castor height': 100 });
    expect(partsOf(chest, 'castor-')).toHaveLength(4);
    expect(partsOf(chest, 'plinth')).toEqual([]);
    expect(reach(chest, 'case', 'z')).toEqual([100, 900]);
    // 900 less castors, two boards and five gaps, in four.
    const first = reach(chest, 'drawer-1-1', 'z');
    expect(first[1] - first[0]).toBeCloseTo((900 - 100 - 40 - 20) / 4, 6);
    expect(refusal('chest-of-drawers', { 'castor height': 15 })).toContain('castors');
  });
  it('lockers with vents below, round locks and hinges', () => {
    const body = bodyOf('lockers', { vents: 0, 'vents below': 3, hinges: 3, lock: 'round lock' });
    expect(partsOf(body, 'low-vent-')).toHaveLength(12);
    expect(partsOf(body, 'hinge-')).toHaveLength(12);
    expect([partsOf(body, 'lock-').length, partsOf(body, 'latch-').length]).toEqual([4, 0]);
    expect(reach(body, 'low-vent-1-1-1', 'z')).toEqual([100 + 15 + 52, 100 + 15 + 60]);
  });
  it('books fill their openings from board to board, in every one or every other', () => {
    const all = bodyOf('shelves', { books: 'in every opening', 'books to an opening': 10 });
    expect(partsOf(all, 'book-')).toHaveLength(150);
    const clear = (1800 - 4 * 25) / 3;
    const [from, to] = [reach(all, 'book-1-1', 'x')[0], reach(all, 'book-1-10', 'x')[1]];
    expect([from, to - from]).toEqual([25, expect.closeTo(clear, 6)]);
    expect(
      partsOf(bodyOf('shelves', { books: 'in every other opening', 'books to an opening': 10 }), 'book-'),
    ).toHaveLength(80);
  });
  it('sink and hob lie over the unit that is named, in a straight run, round a corner and in a U', () => {
    for (const id of ['base-unit', 'corner-run', 'u-run']) {
      const body = bodyOf(id, { 'sink over unit': 2, 'hob over unit': 1 });
      // The bowl's floor lies 170 below the top, and the top has a hole over it.
      expect(reach(body, 'bowl-floor', 'z')[1], id).toBe(910 - 170);
      expect(body.faces.some((face) => face.id.includes('/worktop/') && face.loops.length === 2)).toBe(true);
      expect(reach(body, 'hob', 'x')[1], id).toBeLessThan(reach(body, 'bowl-floor', 'x')[0]);
      expect(refusal(id, { 'sink over unit': 1, 'hob over unit': 1 })).toContain('the same unit');
      expect(refusal(id, { 'sink over unit': 9 })).toContain('has not');
      // However far the top hangs over, the bowl lies over the case, which ends behind overhang and front.
      const depth = id === 'base-unit' ? 'depth' : 'unit depth';
      const far = bodyOf(id, { 'sink over unit': 2, 'worktop overhang': 350, [depth]: 880 });
      expect(reach(far, 'bowl-floor', 'y')[1], id).toBeLessThan(880 - 350 - 20);
      expect(refusal(id, { 'sink over unit': 2, 'worktop overhang': 350, [depth]: 740 })).toContain('behind overhang');
    }
    const body = bodyOf('base-unit', { 'sink over unit': 2 });
    const [from, to] = reach(body, 'bowl-floor', 'x');
    expect((from + to) / 2).toBe(900);
  });
  it('units in a U: both arms open toward the middle, and leave the way in that was measured', () => {
    const body = bodyOf('u-run', { width: 2700 });
    const fronts = body.faces.filter((face) => /-front-1\//.test(face.id));
    const look = (arm: string, x: number): boolean =>
      fronts.some(({ id, normal }) => id.includes(`/${arm}-arm-`) && Math.abs(normal.x - x) < 1e-9);
    expect([look('left', 1), look('right', -1)]).toEqual([true, true]);
    expect(reach(body, 'left-arm-unit-1-front-1', 'x')[1]).toBeCloseTo(600, 6);
    expect(reach(body, 'right-arm-unit-1-front-1', 'x')[0]).toBeCloseTo(2100, 6);
    expect(refusal('u-run', { width: 1900, 'left depth': 800, 'right depth': 800 })).toContain('no way in');
  });
  it('wall units round a corner hang; a socket, a cord and a bin are made as they are said to be', () => {
    expect(kindOf('corner-wall-unit')?.lift).toBe(1450);
    expect(partsOf(bodyOf('corner-wall-unit'), 'arm-door-')).toHaveLength(2);
    expect(partsOf(bodyOf('socket', { width: 250, inserts: 3 }), 'insert-')).toHaveLength(3);
    expect(partsOf(bodyOf('socket', { inserts: 'switches' }), 'rocker-')).toHaveLength(1);
    const cord = bodyOf('cord', { width: 500, depth: 200, height: 300 });
    expect(cord.rounds.map(({ radius }) => radius)).toEqual([4, 4, 4]);
    expect(bodyOf('waste-bin').rounds).toHaveLength(2);
    expect(bodyOf('waste-bin', { shape: 'square', depth: 200 }).rounds).toEqual([]);
  });
  it('a block whose outlines are cut with each other is what they have in common; what cannot be cut is told', () => {
    const outline = (
      id: string,
      view: 'plan' | 'front' | 'side',
      corners: readonly (readonly [number, number])[],
      bulge = 0,
    ) => ({
      ...{ id, view, holes: [], from: 0, to: 600 },
      corners: corners.map(([x, y]) => ({ x, y, bulge })),
    });
    const front = outline('front', 'front', [
      [0, 0],
      [600, 0],
      [300, 400],
    ]);
    const side = outline('side', 'side', [
      [0, 0],
      [400, 0],
      [400, 400],
      [0, 200],
    ]);
    const kind = kindOf('block');
    if (!kind) throw new Error('block');
    const cut = (outlines: Piece['outlines'], how = 'cut with each other'): Piece => ({
      ...pieceOf('block', { 'outlines are': how }),
      outlines,
    });
    const body = kindBody(kind, cut([front, side]), AXES);
    expectClosedAndOutward(body, 'cut');
    expect([...new Set([...body.faces].map((face) => partOf(face.id)))]).toHaveLength(1);
    // Added, they are two bodies in one; each by itself is what it is.
    expect(volumeOf(body)).toBeLessThan(volumeOf(kindBody(kind, cut([front]), AXES)));
    expect(volumeOf(kindBody(kind, cut([front, side], 'added together'), AXES))).toBeGreaterThan(volumeOf(body));
    const said = (outlines: Piece['outlines']): string | null => refusalOf(kind, cut(outlines), String);
    expect(said([front, side])).toBeNull();
    expect(
      said([
        front,
        outline(
          'bent',
          'plan',
          [
            [0, 0],
            [600, 0],
            [300, 400],
          ],
          0.2,
        ),
      ]),
    ).toContain('has a bend');
    expect(said([front, { ...side, from: 700, to: 900 }])).toContain('nothing in common');
  });
});

describe('seams', () => {
  it('are told of a body where they are wished, of each model apart', () => {
    const kind = kindOf('table');
    if (!kind) throw new Error('table');
    const piece = pieceOf('table', {});
    const models = new Map<string, Body>();
    const bodies = (['hidden', 'shown'] as const).map((seams) => kindBody(kind, { ...piece, seams }, AXES, models));
    expect(bodies.map((body) => body.copy?.model.seams)).toEqual([undefined, 'shown']);
    expect(models.size).toBe(2);
  });
});

describe('what an opening may be fitted with', () => {
  const fitting = (
    kindId: string,
    given: { sizes?: Record<string, number>; counts?: Record<string, number>; choices?: Record<string, string> },
  ): Body => {
    const kind = openingKindOf(kindId);
    if (!kind) throw new Error(kindId);
    const room = smallRoom();
    const usual = newOpening(kind, { id: 'it', name: 'it', wallId: 'north', fromCorner: 'nw', offset: 1000 }, String);
    const opening = {
      ...usual,
      sizes: {
        ...usual.sizes,
        ...Object.fromEntries(Object.entries(given.sizes ?? {}).map(([name, mm]) => [name, size(name, mm)])),
      },
      counts: { ...usual.counts, ...given.counts },
      choices: { ...usual.choices, ...given.choices },
    };
    const body = bodiesOf({ ...room, openings: [opening] }).find((one) => one.kind === 'fitting');
    if (!body) throw new Error('no fitting');
    expectClosedAndOutward(body, kindId);
    return body;
  };
  it('a room’s number stands on both faces of an open leaf, and on the one that is seen of a shut one', () => {
    const shut = fitting('door', { counts: { 'room number': 217 } });
    // 2 and 7 and 1: five strokes, two and three.
    expect(partsOf(shut, 'front-number-')).toHaveLength(5 + 2 + 3);
    // It stands before the panel it lies on, which stands 8 mm before the leaf's face, 60 mm behind the wall's.
    const front = shut.vertices.filter(({ id }) => id.includes('front-number')).map(({ at: p }) => p.y);
    expect([Math.max(...front), Math.min(...front)].map(Math.round)).toEqual([3052, 3049]);
    const open = fitting('door', { counts: { 'room number': 8, 'open by': 40 } });
    expect(partsOf(open, 'door-front-number-')).toHaveLength(7);
    expect(partsOf(open, 'door-back-number-')).toHaveLength(7);
    expect(partsOf(fitting('door', {}), 'front-number-')).toEqual([]);
    // Its foot at the height that was typed, as high as was typed.
    const low = fitting('door', {
      counts: { 'room number': 4 },
      sizes: { 'number height': 90, 'number above the floor': 1400 },
    });
    const heights = low.vertices.filter(({ id }) => id.includes('number')).map(({ at: p }) => p.z);
    expect([Math.min(...heights), Math.max(...heights)]).toEqual([1400, 1490]);
  });
  it('curtains are tied back: gathered at the tie, spread under the pole, a mirror of each other', () => {
    const body = fitting('window', { choices: { curtains: 'tied back' } });
    const folds = body.vertices.filter(({ id }) => id.includes('fold-'));
    const middle = 1000 + 600;
    const off = folds.map(({ at: p }) => Math.round((p.x - middle) * 1000));
    expect([...new Set(off)].sort((a, b) => a - b)).toEqual([...new Set(off.map((one) => -one))].sort((a, b) => a - b));
    expect(partsOf(body, 'curtain-1-fold-')).toHaveLength(4);
    // At the tie, two fifths up, each is 140 wide.
    const tie = folds
      .filter(({ id, at: p }) => id.includes('curtain-1-') && Math.abs(p.z - (900 + 480)) < 1e-6)
      .map(({ at: p }) => p.x);
    expect(Math.max(...tie) - Math.min(...tie)).toBeCloseTo(140, 6);
  });
  it('a serving hatch has a shelf, and shutters that open into the room', () => {
    const none = fitting('hatch', {});
    expect(partsOf(none, 'shutter')).toEqual([]);
    expect(reach(none, 'shelf', 'z')).toEqual([1000 - 28, 1000]);
    const two = fitting('hatch', { counts: { shutters: 2, 'open by': 90 } });
    const north = at(
      two.vertices
        .filter(({ id }) => id.includes('shutter'))
        .map(({ at: p }) => p.y)
        .sort((a, b) => a - b),
      0,
    );
    const shelf = reach(none, 'shelf', 'y');
    // They stand farther out than the shelf does.
    expect(north).toBeLessThan(shelf[0] - 200);
  });
});

it('no kind is told apart by its id where its group or its own word could say it', () => {
  expect(CATALOGUE.filter((kind) => kind.hangs).every((kind) => (kind.lift ?? 0) > 0)).toBe(true);
});
