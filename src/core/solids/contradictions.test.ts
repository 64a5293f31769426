import { type Remedy } from './contradiction';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, drain } from '@/core/base';
import {
  claimSize,
  correctSize,
  mmOf,
  newSize,
  outlineOf,
  PLAIN_OPENING,
  type Opening,
  type Piece,
  type Project,
  applyChange,
} from '@/core/record';
import { boxPiece, size, smallRoom } from '@/testing';
import { bodiesOf, contradictionsInSteps, contradictionsOf, newPiece, type Contradiction } from './index';

const print = (mm: number): string => String(Math.round(mm));

const opening = (id: string, change: Partial<Opening> = {}): Opening => ({
  ...PLAIN_OPENING,
  id,
  name: id,
  kind: 'window',
  wallId: 'north',
  fromCorner: 'nw',
  offset: size(`${id}/offset`, 500),
  width: size(`${id}/width`, 1000),
  sill: size(`${id}/sill`, 900),
  height: size(`${id}/height`, 1200),
  reveal: size(`${id}/reveal`, 100),
  ...change,
});

/** A piece of a kind at its usual sizes, its back left corner at two offsets from the north and west walls. */
function ofKind(kind: string, north: number, west: number, change: Partial<Piece> = {}): Piece {
  const piece = newPiece(
    kind,
    {
      id: kind,
      name: `the ${kind}`,
      levelId: 'ground',
      from: [
        { wallId: 'north', mm: north },
        { wallId: 'west', mm: west },
      ],
    },
    print,
  );
  if (!piece) throw new Error(kind);
  return { ...piece, ...change };
}

const found = (project: Project, kind: Contradiction['kind']): Contradiction[] =>
  contradictionsOf(project).filter((one) => one.kind === kind);

/** The contradiction appears, once, with its message; and each of its remedies makes it go without making another. */
function appearsAndGoes(project: Project, kind: Contradiction['kind'], message: RegExp, remedies: number): void {
  const list = found(project, kind);
  expect(
    list.length,
    contradictionsOf(project)
      .map((one) => one.message)
      .join('; '),
  ).toBe(1);
  const one = at(list, 0);
  expect(one.message).toMatch(message);
  expect(one.remedies.length).toBe(remedies);
  const before = contradictionsOf(project).length;
  for (const remedy of one.remedies) {
    const edit = applyChange(project, remedy.change);
    if (!edit.ok) throw new Error(`${remedy.label}: ${edit.error.message}`);
    expect(found(edit.value, kind), remedy.label).toEqual([]);
    expect(contradictionsOf(edit.value).length, remedy.label).toBe(before - 1);
    // A remedy takes nothing out of the room.
    expect(edit.value.pieces.length).toBe(project.pieces.length);
    expect(edit.value.openings.length).toBe(project.openings.length);
  }
}

const applied = (project: Project, remedy: Remedy | undefined) => remedy && applyChange(project, remedy.change);

describe('each contradiction appears where it is, and goes when a remedy is taken', () => {
  it('a sound room has none', () => {
    const project = { ...smallRoom([boxPiece({}), ofKind('shelves', 0, 2000)]), openings: [opening('window')] };
    expect(contradictionsOf(project)).toEqual([]);
  });

  it('two claims for one size that disagree beyond their uncertainties', () => {
    const room = smallRoom([boxPiece({})]);
    const claim = (mm: number, uncertaintyMm: number) => {
      const edit = claimSize(room, 'box/width', { mm, asTyped: String(mm), source: 'scaled', uncertaintyMm });
      if (!edit.ok) throw new Error('refused');
      return edit.value;
    };
    expect(found(claim(1210, 20), 'claims-disagree')).toEqual([]);
    const project = claim(1300, 20);
    appearsAndGoes(project, 'claims-disagree', /width of box is .*1\s300.*but.*1\s200/u, 2);
    const [keep, take] = at(found(project, 'claims-disagree'), 0).remedies;
    const kept = applied(project, keep);
    const taken = applied(project, take);
    if (!kept?.ok || !taken?.ok) throw new Error('refused');
    expect(mmOf(at(kept.value.pieces, 0).width)).toBe(1300);
    expect(mmOf(at(taken.value.pieces, 0).width)).toBe(1200);
  });

  it('walls that miss closing', () => {
    const room = smallRoom();
    const edit = correctSize(room, 'south/length', { mm: 3960, asTyped: '3960' });
    if (!edit.ok) throw new Error('refused');
    appearsAndGoes(edit.value, 'closing-error', /miss closing by 40/, 2);
    const [share, last] = at(found(edit.value, 'closing-error'), 0).remedies;
    const shared = applied(edit.value, share);
    const taken = applied(edit.value, last);
    if (!shared?.ok || !taken?.ok) throw new Error('refused');
    // Bowditch: corners move in proportion to the way walked: 3, 7, 10 of 13.96 m.
    const corners = outlineOf(at(shared.value.spaces, 0)).corners.map((corner) => corner.at);
    expect(at(corners, 1).x).toBeCloseTo((-40 * 3) / 13.96, 6);
    expect(at(corners, 2).x).toBeCloseTo(4000 - (40 * 7) / 13.96, 6);
    expect(at(corners, 3).x).toBeCloseTo(4000 - (40 * 10) / 13.96, 6);
    // What was measured stays in the record beside it.
    expect(at(shared.value.spaces, 0).walls.every((wall) => wall.length.claims.length === 2)).toBe(true);
    expect(mmOf(at(at(taken.value.spaces, 0).walls, 3).length)).toBeCloseTo(4000, 6);
  });

  it('an opening beyond its wall', () =>
    appearsAndGoes(
      { ...smallRoom(), openings: [opening('window', { offset: size('o', 3500) })] },
      'opening-beyond-wall',
      /500.*beyond the north wall/,
      2,
    ));

  it('an opening above the ceiling, its arch counted', () => {
    appearsAndGoes(
      { ...smallRoom(), openings: [opening('window', { height: size('h', 1800) })] },
      'opening-above-ceiling',
      /200.*above the ceiling/,
      2,
    );
    appearsAndGoes(
      { ...smallRoom(), openings: [opening('arch', { head: 'arched' })] },
      'opening-above-ceiling',
      /100.*above the ceiling/,
      2,
    );
  });

  it('a slope that rises from a wall with nothing of the room before it is told, not worked out (a wall typed wrong)', () => {
    // The east wall turned right about: the room lies behind it.
    const room = smallRoom();
    const space = at(room.spaces, 0);
    const walls = space.walls.map((wall) => (wall.id === 'east' ? { ...wall, bearingDeg: 20 } : wall));
    const sizes = { 'height at the high side': size('high', 3154) };
    const ceiling = { shape: 'sloped', wallId: 'east', sizes, zones: [] };
    const project = {
      ...room,
      spaces: [{ ...space, walls, ceiling }],
      openings: [opening('a', { wallId: 'east', fromCorner: 'ne' })],
    };
    const found = contradictionsOf(project).map((one) => one.message);
    expect(
      found.some((one) => one.includes('rises from') && one.includes('before which nothing of the room lies')),
    ).toBe(true);
  });
  it('an opening above a sloped ceiling, where the slope comes down over it', () => {
    const room = smallRoom();
    const space = {
      ...at(room.spaces, 0),
      ceiling: { shape: 'sloped', wallId: 'west', sizes: { 'height at the high side': size('high', 4500) }, zones: [] },
      ceilingHeight: size('room/ceiling', 1900),
    };
    const project = { ...room, spaces: [space], openings: [opening('window', { offset: size('o', 100) })] };
    // At 100 mm from the west wall the ceiling is 1900 + 2600·100/4000 = 1965 high, the head 2100.
    appearsAndGoes(project, 'opening-above-ceiling', /135.*above/, 2);
  });

  it('two openings in one place', () =>
    appearsAndGoes(
      { ...smallRoom(), openings: [opening('one'), opening('two', { offset: size('o2', 1200) })] },
      'openings-overlap',
      /overlap by 300/,
      2,
    ));

  it('a piece measured from parallel walls', () => {
    const piece = boxPiece({});
    const [first, second] = piece.place.from;
    const project = smallRoom([{ ...piece, place: { ...piece.place, from: [first, { ...second, wallId: 'south' }] } }]);
    appearsAndGoes(project, 'place', /parallel/, 1);
  });

  it('a piece through a wall', () => {
    appearsAndGoes(smallRoom([boxPiece({ fromWest: -120 })]), 'through-wall', /goes through the west wall by 120/, 1);
    appearsAndGoes(
      smallRoom([boxPiece({ fromWest: -50, fromNorth: -30 })]),
      'through-wall',
      /the north wall by 30.*the west wall by 50|the west wall by 50.*the north wall by 30/,
      1,
    );
  });

  it('a piece in a niche goes through no wall, one deeper than the niche does', () => {
    const niche = opening('niche', {
      kind: 'niche',
      sill: size('s', 0),
      height: size('h', 2000),
      reveal: size('r', 400),
    });
    const inside = {
      ...smallRoom([boxPiece({ fromWest: 600, width: 800, fromNorth: -390, depth: 350 })]),
      openings: [niche],
    };
    expect(contradictionsOf(inside)).toEqual([]);
    const deeper = { ...inside, pieces: [boxPiece({ fromWest: 600, width: 800, fromNorth: -450, depth: 350 })] };
    expect(found(deeper, 'through-wall').length).toBe(1);
  });

  it('a piece through another piece, part against part', () => {
    appearsAndGoes(
      smallRoom([boxPiece({ id: 'one', width: 600 }), boxPiece({ id: 'two', width: 600, fromWest: 1250 })]),
      'through-piece',
      /One and two stand in each other by 50/,
      2,
    );
    // A chair's seat goes under a table top between its legs; a little farther its back strikes the edge.
    const table = ofKind('table', 600, 600);
    const under = ofKind('side-chair', 1150, 1150, { id: 'chair', name: 'the chair' });
    const turned = { ...under, place: { ...under.place, turnDeg: 0 } };
    expect(found(smallRoom([table, turned]), 'through-piece').length).toBe(1);
    const lower = { ...ofKind('stool', 800, 1200), height: size('stool/height', 450), sizes: {} };
    expect(found(smallRoom([table, lower]), 'through-piece')).toEqual([]);
    // Flush is not through.
    expect(
      found(smallRoom([boxPiece({ id: 'one', width: 600 }), boxPiece({ id: 'two', fromWest: 1300 })]), 'through-piece'),
    ).toEqual([]);
  });

  it('divisions that do not add up to the whole', () => {
    const shelves = ofKind('shelves', 0, 700);
    const sizes = [700, 600, 400].map((mm, i) =>
      newSize(`shelves/openings-${i}`, { mm, asTyped: String(mm), source: 'measured', uncertaintyMm: 3 }),
    );
    const project = smallRoom([{ ...shelves, divisions: { ...shelves.divisions, openings: { by: 'sizes', sizes } } }]);
    appearsAndGoes(project, 'divisions', /openings of the shelves add up to 1\s700.*1\s940.*clear of the boards/u, 3);
  });

  it('a check offset that disagrees with the two that place the piece', () => {
    const piece = boxPiece({ fromWest: 700, width: 1200 });
    const check = {
      id: 'check',
      pieceCorner: 'back-right' as const,
      wallId: 'east',
      distance: size('check/distance', 2160),
    };
    appearsAndGoes(
      smallRoom([{ ...piece, checks: [check] }]),
      'offsets-disagree',
      /stands 2\s100 mm from the east wall, but 2\s160/u,
      2,
    );
    const near = { ...check, distance: size('check/distance', 2104) };
    expect(found(smallRoom([{ ...piece, checks: [near] }]), 'offsets-disagree')).toEqual([]);
  });

  it('a stair that does not reach', () => {
    const stair = ofKind('straight-stair', 0, 200, {
      depth: size('stair/depth', 2900),
      height: size('stair/height', 2700),
    });
    const steps = { ...stair, counts: { ...stair.counts, risers: 13 } };
    const room = smallRoom([steps]);
    const tall = { ...at(room.spaces, 0), ceilingHeight: size('room/ceiling', 4200) };
    const project: Project = {
      ...room,
      spaces: [tall],
      levels: [...room.levels, { id: 'upper', name: 'Upper floor', elevation: size('upper/elevation', 2760) }],
    };
    appearsAndGoes(project, 'stair-short', /ends 60 mm below Upper floor/, 2);
    expect(found(room, 'stair-short')).toEqual([]);
  });

  it('a plate on a door’s leaf is fixed to it, shut or open, and goes with it; what leans on the leaf stands in its way', () => {
    const door = (openBy: number) =>
      opening('door', {
        ...{ kind: 'door', sill: size('sill', 0), height: size('height', 2000), width: size('width', 860) },
        ...{
          reveal: size('reveal', 60),
          counts: { 'open by': openBy },
          choices: { hinge: 'left', swing: 'into the room' },
        },
      });
    // By the leaf's own axes: so far from the hinge, which lies 500 from the west wall and 60 behind the north wall's face.
    const plate = (openBy: number, box: Parameters<typeof boxPiece>[0]) => {
      const turn = (openBy * Math.PI) / 180;
      const place = { fromWest: 500 + 300 * Math.cos(turn), fromNorth: -60 + 300 * Math.sin(turn), turnDeg: openBy };
      return { ...smallRoom([boxPiece({ ...place, ...box })]), openings: [door(openBy)] };
    };
    const small = { width: 200, depth: 8, height: 120, lift: 1450 };
    for (const openBy of [0, 35, 80]) expect(contradictionsOf(plate(openBy, small)), `${openBy}°`).toEqual([]);
    const leaning = contradictionsOf(plate(35, { width: 500, depth: 400, height: 900 }));
    expect(leaning.map((one) => one.kind)).toEqual(['in-swing']);
    // The same plate in the air, a step before the door, floats.
    const away = contradictionsOf(plate(0, { ...small, fromNorth: 700 }));
    expect(away.map((one) => one.kind)).toContain('floats');
  });

  it('a handle gives way to what stands beside it; the front it is on does not', () => {
    // The unit's front lies 600 from the north wall, its handle 24 before it; a box stands flush with the front.
    const unit = ofKind('wall-unit', 0, 500);
    const [depth, width] = [mmOf(unit.depth), mmOf(unit.width)];
    const beside = (into: number) =>
      boxPiece({
        fromNorth: depth - into,
        fromWest: 500,
        width,
        depth: 300,
        height: mmOf(unit.height),
        lift: mmOf(unit.lift),
      });
    const told = (into: number) => found(smallRoom([unit, beside(into)]), 'through-piece');
    expect(told(0)).toEqual([]);
    expect(told(5)).toHaveLength(1);
  });

  it('a piece that floats', () => {
    appearsAndGoes(smallRoom([boxPiece({ lift: 300 })]), 'floats', /floats 300 mm above the floor/, 1);
    // On another piece, against a wall or up to the ceiling it does not.
    expect(
      found(
        smallRoom([boxPiece({ id: 'low', height: 700 }), boxPiece({ id: 'high', lift: 700, height: 200 })]),
        'floats',
      ),
    ).toEqual([]);
    expect(found(smallRoom([boxPiece({ lift: 900, fromNorth: 0 })]), 'floats')).toEqual([]);
    appearsAndGoes(
      smallRoom([boxPiece({ id: 'low', height: 700 }), boxPiece({ id: 'high', lift: 760, height: 200 })]),
      'floats',
      /High floats/,
      1,
    );
    const pendant = ofKind('pendant', 1000, 1500);
    appearsAndGoes(smallRoom([{ ...pendant, height: size('pendant/height', 400) }]), 'floats', /pendant floats/, 1);
    const picture = ofKind('picture', 300, 1500);
    appearsAndGoes(smallRoom([picture]), 'floats', /picture floats/, 2);
  });

  it('a kind that cannot be made as it is said, and a ceiling that cannot', () => {
    const chair = ofKind('side-chair', 900, 900);
    appearsAndGoes(smallRoom([{ ...chair, height: size('chair/height', 550) }]), 'kind-refused', /cannot be made/, 1);
    const room = smallRoom();
    const space = {
      ...at(room.spaces, 0),
      ceiling: {
        shape: 'gabled',
        wallId: 'north',
        sizes: { 'ridge from the wall': size('from', 5000), 'ridge height': size('ridge', 3600) },
        zones: [],
      },
    };
    appearsAndGoes({ ...room, spaces: [space] }, 'ceiling', /ridge outside the room/, 1);
  });

  it('tells lengths in the units one works in, also where a kind or a ceiling says why it cannot be', () => {
    const books = { ...ofKind('shelves', 900, 900), divisions: { bays: { by: 'ratio' as const, parts: [1, 40] } } };
    const said = (units: 'metric' | 'imperial'): string =>
      at(found({ ...smallRoom([books]), units }, 'kind-refused'), 0).message;
    expect(said('metric')).toMatch(/under 80\smm wide/);
    expect(said('imperial')).toMatch(/under 3 1\/8"? wide/);
    expect(said('imperial')).not.toMatch(/mm/);
  });

  it('a kind nobody knows is drawn as a box and said', () => {
    const project = smallRoom([{ ...boxPiece({}), kind: 'orrery' }]);
    const one = at(found(project, 'kind-refused'), 0);
    expect(one.message).toContain('no kind called “orrery”');
    expect(one.remedies).toEqual([]);
  });
});

describe('patterns nobody could draw', () => {
  it('are counted before they are laid, said, and not laid', () => {
    const demo = at(DEMOS, 0);
    const boards = demo.surfaces.find((one) => one.kind === 'boards');
    if (!boards) throw new Error('the loft has boards');
    const thin = newSize('thin', { mm: 1, asTyped: '1', source: 'estimated', uncertaintyMm: 1 });
    const fine: Project = {
      ...demo,
      surfaces: demo.surfaces.map((one) =>
        one === boards ? { ...one, breadth: thin, joint: { ...thin, id: 'j' } } : one,
      ),
    };
    const said = contradictionsOf(fine).filter((one) => one.kind === 'too-fine');
    expect(said.map((one) => one.about)).toEqual([boards.id]);
    expect(said[0]?.message).toMatch(/would come to \d{4} rows; more than 2000 are not drawn/);
    expect(bodiesOf(fine).some((body) => body.id === boards.id)).toBe(false);
    expect(contradictionsOf(demo).some((one) => one.kind === 'too-fine')).toBe(false);
    expect(bodiesOf(demo).some((body) => body.id === boards.id)).toBe(true);
  });
});

describe('what was told before is kept', () => {
  /** A copy of everything: nothing of it was told before. */
  const anew = (project: Project) => contradictionsOf(structuredClone(project));
  const edits: Readonly<Record<string, (project: Project) => Project>> = {
    'a piece pushed into another': (project) => ({
      ...project,
      pieces: project.pieces.map((piece, i) => (i === 0 ? { ...piece, place: at(project.pieces, 1).place } : piece)),
    }),
    'a piece made too high': (project) => ({
      ...project,
      pieces: project.pieces.map((piece, i) => (i === 0 ? { ...piece, height: size(piece.height.id, 9000) } : piece)),
    }),
    'a room that has shrunk': (project) => ({
      ...project,
      spaces: project.spaces.map((space) => ({
        ...space,
        walls: space.walls.map((wall) => ({ ...wall, length: size(wall.length.id, mmOf(wall.length) * 0.7) })),
      })),
    }),
    'openings walled up': (project) => ({ ...project, openings: [] }),
    'floors farther apart': (project) => ({
      ...project,
      levels: project.levels.map((level, i) => ({ ...level, elevation: size(level.elevation.id, i * 3333) })),
    }),
    'the other units': (project) => ({ ...project, units: project.units === 'metric' ? 'imperial' : 'metric' }),
    'a finer ruler': (project) => ({ ...project, rulerStepMm: 0.1 as const }),
  };
  it.each(Object.keys(edits))('and told anew where it may have changed: %s', (name) => {
    let changed = 0;
    // Rooms in which nothing is wrong, in which pieces stand in each other, and in which one is wrong by itself.
    const wrong = ['a piece pushed into another', 'a piece made too high'].flatMap((how) =>
      DEMOS.map((demo) => edits[how]?.(demo) ?? demo),
    );
    for (const room of [...DEMOS, ...wrong]) {
      const before = contradictionsOf(room);
      const edited = edits[name]?.(room) ?? room;
      const now = contradictionsOf(edited);
      expect(now).toEqual(anew(edited));
      if (JSON.stringify(now) !== JSON.stringify(before)) changed += 1;
      // And back: what was kept is not spoilt by what came between.
      expect(contradictionsOf(room)).toEqual(before);
    }
    if (name !== 'openings walled up' && name !== 'a finer ruler') expect(changed).toBeGreaterThan(0);
  });
  it('in steps it comes to the same', () => {
    for (const demo of DEMOS) expect(drain(contradictionsInSteps(structuredClone(demo)))).toEqual(anew(demo));
  });
});
