import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { lineInside } from '@/core/geometry';
import { applyChange, PLAIN_OPENING, type Opening, type Project, type Space, type Surface } from '@/core/record';
import { expectClosedAndOutward, randomRoom, runs, size, smallRoom } from '@/testing';
import { bodiesOf, contradictionsOf, newOpening, openingKindOf, OPENINGS, type Body } from './index';

const opening = (kind: string, change: Partial<Opening> = {}): Opening => ({
  ...newOpening(
    openingKindOf(kind) ?? at(OPENINGS, 0),
    { id: 'it', name: 'it', wallId: 'north', fromCorner: 'nw', offset: 1000 },
    String,
  ),
  ...change,
});
const fitting = (one: Opening): Body | undefined =>
  bodiesOf({ ...smallRoom(), openings: [one] }).find((body) => body.kind === 'fitting');
const parts = (body: Body | undefined): string[] => [
  ...new Set((body?.faces ?? []).map((face) => face.id.split('/')[1] ?? '')),
];

describe('what stands in openings', () => {
  it('is closed and looks outward, whatever its sizes (seeds 1…)', () => {
    let checked = 0;
    for (let seed = 1; seed <= runs(); seed += 1)
      for (const body of bodiesOf(randomRoom(seed)).filter((one) => one.kind === 'fitting')) {
        expectClosedAndOutward(body, `seed ${seed}, ${body.id}`);
        checked += 1;
      }
    expect(checked).toBeGreaterThan(runs());
  });
  it('goes with its wall, or with either of the two it joins', () => {
    for (const kind of ['door', 'window', 'closet'] as const) {
      const body = fitting(opening(kind));
      expect(
        body?.faces.every((face) => face.belongsTo.join() === 'north'),
        kind,
      ).toBe(true);
    }
  });
  it('a door ajar turns about its hinge into the room, or away', () => {
    const leaf = (change: Partial<Opening>): Body => {
      const body = fitting(opening('door', { counts: { 'open by': 90, panels: 0 }, ...change }));
      if (!body) throw new Error('no door');
      return body;
    };
    const spread = (body: Body): number[] => {
      const points = body.vertices.filter((one) => one.id.startsWith('it/door-leaf/')).map((one) => one.at);
      return [
        Math.min(...points.map((p) => p.x)),
        Math.max(...points.map((p) => p.x)),
        Math.min(...points.map((p) => p.y)),
        Math.max(...points.map((p) => p.y)),
      ].map(Math.round);
    };
    // 860 wide at 1000 from the corner, its leaf 40 thick, 60 behind the wall's face at y = 3000.
    expect(spread(leaf({ choices: { hinge: 'left', swing: 'into the room' } }))).toEqual([1000, 1040, 2200, 3060]);
    expect(spread(leaf({ choices: { hinge: 'right', swing: 'into the room' } }))).toEqual([1820, 1860, 2200, 3060]);
    expect(at(spread(leaf({ choices: { hinge: 'left', swing: 'away' } })), 3)).toBe(3920);
    // Shut, the leaf is the back of the opening, with its panels before it.
    expect(parts(fitting(opening('door')))).toEqual(['panel-1', 'panel-2', 'knob']);
  });
  it('a window has the panes, bars and sashes it was given', () => {
    const frame = fitting(opening('window', { counts: { mullions: 2, transoms: 1, 'bars across': 1, 'bars up': 1 } }));
    const front = at(frame?.faces.filter((face) => face.id === 'it/frame/far') ?? [], 0);
    expect(front.loops.length - 1).toBe(6);
    expect(parts(frame).filter((name) => name.startsWith('frame-bar-up')).length).toBe(6);
    expect(parts(frame).filter((name) => /^frame-bar-\d/.test(name)).length).toBe(12);
    const sashes = parts(fitting(opening('window', { choices: { sashes: 'sliding' }, counts: { mullions: 0 } })));
    expect(sashes).toEqual(['lower-sash', 'upper-sash']);
    const arched = fitting(opening('window', { head: 'arched', sill: size('s', 300) }));
    expect(arched?.rounds.length).toBeGreaterThan(1);
    const hung = parts(fitting(opening('window', { choices: { curtains: 'drawn' } })));
    expect(hung).toContain('curtain-2');
  });
  it('trim runs round a window and over a door, concentric with an arch', () => {
    const trim = (one: Opening): Body => {
      const body = fitting({ ...one, sizes: { ...one.sizes, 'trim width': size('t', 100) } });
      if (!body) throw new Error('no trim');
      return body;
    };
    const xs = trim(opening('door'))
      .vertices.filter((one) => one.id.startsWith('it/trim/'))
      .map((one) => one.at.x);
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([900, 1960]);
    const arch = trim(opening('archway', { width: size('w', 1000), height: size('h', 1500) }));
    const radii = arch.arcs.filter((one) => one.id.includes('/trim/')).map((one) => Math.round(one.circle.radius));
    expect([...new Set(radii)].sort()).toEqual([500, 600]);
  });
  it('a closet has its leaves with inset panels, a niche its shelves; an opening of usual sizes is a sound one', () => {
    expect(
      parts(fitting(opening('closet', { counts: { leaves: 3, panels: 2 } }))).filter((name) => name.startsWith('leaf'))
        .length,
    ).toBe(9);
    expect(parts(fitting(opening('niche', { counts: { shelves: 2 } })))).toEqual(['shelf-1', 'shelf-2']);
    for (const rules of OPENINGS)
      expect(opening(rules.id)).toMatchObject({
        kind: rules.id,
        counts: Object.fromEntries(Object.entries(rules.counts).map(([name, one]) => [name, one.usual])),
      });
    expect(PLAIN_OPENING.throughWallId).toBeNull();
  });
});

/** Four sides of each light, and what parts it, by name. */
const lightsIn = (body: Body) =>
  body.edges.filter((edge) => /light-\d+-1\/line$/.test(edge.id)).map(({ from }) => at(body.vertices, from).at);

describe('surfaces', () => {
  const surface = (change: Partial<Surface> = {}): Surface => ({
    id: 'tiles',
    name: 'tiles',
    kind: 'tiles',
    spaceId: 'room',
    on: 'floor',
    wallId: 'west',
    bond: 'square',
    length: size('l', 500),
    breadth: size('b', 500),
    joint: size('j', 0),
    start: size('s', 0),
    turnDeg: 0,
    lights: null,
    ...change,
  });
  const laid = (one: Surface, project: Project = smallRoom()): Body =>
    at(
      bodiesOf({ ...project, surfaces: [one] }).filter((body) => body.kind === 'surface'),
      0,
    );
  it('oblong lights lie in rows at their distances, parted by lines, no more in a row than are asked for', () => {
    const lights = {
      ...{ length: size('ll', 600), fromWall: size('fw', 400), rowDistance: size('rd', 900) },
      ...{ rows: 3, perRow: 2, innerLines: 2 },
    };
    const one = surface({
      ...{ id: 'lights', kind: 'lights', on: 'ceiling', wallId: 'north', lights },
      ...{ length: size('l', 1500), breadth: size('b', 150), start: size('s', 500) },
    });
    const body = laid(one);
    expect(body.edges).toHaveLength(3 * 2 * (4 + 2));
    // The north wall runs from x = 0 at y = 3000, the rows lie south of it: near sides 400, 1300 and 2200 from it.
    const corners = lightsIn(body).map(({ x, y }) => [x, y]);
    expect(corners).toEqual([
      [500, 2600],
      [2000, 2600],
      [500, 1700],
      [2000, 1700],
      [500, 800],
      [2000, 800],
    ]);
    const inner = body.edges.filter((edge) => edge.id.includes('light-1-inner-'));
    expect(
      inner.map(({ from, to }) => [at(body.vertices, from).at, at(body.vertices, to).at].map(({ x, y }) => [x, y])),
    ).toEqual([
      [
        [500, 2550],
        [1100, 2550],
      ],
      [
        [500, 2500],
        [1100, 2500],
      ],
    ]);
    // No more than are asked for; without more being said one row of squares, as far from the wall as from the corner.
    expect(laid({ ...one, lights: { ...lights, perRow: 1 } }).edges).toHaveLength(3 * 6);
    const plain = laid({ ...one, lights: null });
    expect(lightsIn(plain).map(({ x, y }) => [x, y])[0]).toEqual([500, 2500]);
    // Too many are counted with what parts them, and not laid.
    const many = { ...lights, rows: 200, perRow: 0, innerLines: 20 };
    expect(
      contradictionsOf({ ...smallRoom(), surfaces: [{ ...one, length: size('l', 50), lights: many }] }).some(
        ({ kind }) => kind === 'too-fine',
      ),
    ).toBe(true);
  });
  const lines = (body: Body) =>
    body.edges.map((edge) => [at(body.vertices, edge.from).at, at(body.vertices, edge.to).at] as const);

  it('joints lie on the floor, inside the room, at whole steps from the wall’s left corner', () => {
    const room = [
      { x: 0, y: 0 },
      { x: 0, y: 3000 },
      { x: 4000, y: 3000 },
      { x: 4000, y: 0 },
    ];
    for (const [a, b] of lines(laid(surface()))) {
      expect([a.z, b.z]).toEqual([0, 0]);
      for (const p of [a, b]) {
        expect(p.x).toBeGreaterThanOrEqual(-1e-6);
        expect(p.x).toBeLessThanOrEqual(4000 + 1e-6);
      }
      const level = Math.abs(a.y - b.y) < 1e-6;
      const place = level ? a.y : a.x;
      expect(Math.abs(place / 500 - Math.round(place / 500))).toBeLessThan(1e-9);
      expect(lineInside([room], a, { x: b.x - a.x, y: b.y - a.y }).length).toBeLessThanOrEqual(1);
    }
  });
  it('joints of a width are drawn as two lines, a broken bond shifts every other row by half', () => {
    expect(laid(surface({ joint: size('j', 10) })).edges.length).toBeGreaterThan(1.7 * laid(surface()).edges.length);
    const crosses = lines(laid(surface({ bond: 'broken' }))).filter(
      ([a, b]) => Math.abs(a.y - b.y) < 1e-6 && Math.abs(Math.abs(a.x - b.x) - 500) < 1,
    );
    const places = [...new Set(crosses.map(([a]) => Math.round(a.y)))];
    expect(places.some((y) => y % 500 === 250)).toBe(true);
    expect(places.some((y) => y % 500 === 0)).toBe(true);
  });
  it('tiles on a wall leave its openings out; panels lie on the level part of a ceiling; lights stand in a row', () => {
    const window = opening('window', { sill: size('s', 500), height: size('h', 1000), width: size('w', 1000) });
    const wall = laid(surface({ on: 'wall', wallId: 'north' }), { ...smallRoom(), openings: [window] });
    for (const [a, b] of lines(wall)) {
      const [x, z] = [(a.x + b.x) / 2, (a.z + b.z) / 2];
      expect(x > 1001 && x < 1999 && z > 501 && z < 1499, `${x} ${z}`).toBe(false);
    }
    for (const [a] of lines(laid(surface({ kind: 'panels', on: 'ceiling' })))) expect(a.z).toBe(2500);
    const lights = laid(
      surface({
        kind: 'lights',
        on: 'ceiling',
        length: size('l', 800),
        breadth: size('b', 100),
        start: size('s', 400),
      }),
    );
    expect(lights.edges.length % 4).toBe(0);
    expect(lights.edges.length).toBe(4 * 4);
  });
  const zone = { id: 'low', wallId: 'west', depth: size('d', 800), height: size('h', 2200) };
  const under = (ceiling: Partial<Space['ceiling']>): Project => {
    const room = smallRoom();
    return {
      ...room,
      spaces: room.spaces.map((space) => ({
        ...space,
        ceiling: { shape: 'flat', wallId: null, sizes: {}, zones: [], ...ceiling },
      })),
    };
  };
  it('panels lie on every flat part of a ceiling: the lowered one too, and up a slope in their true size', () => {
    const panels = surface({ kind: 'panels', on: 'ceiling', wallId: 'west' });
    const lowered = lines(laid(panels, under({ shape: 'stepped', zones: [zone] })));
    expect([...new Set(lowered.map(([a]) => a.z))].sort()).toEqual([2200, 2500]);
    for (const [a] of lowered.filter((line) => line[0].z === 2200)) expect(a.x).toBeLessThanOrEqual(800 + 1e-6);
    // 4000 away from the west wall it has risen by 3000: 5 up the slope for each 4 in plan.
    const sloped = under({ shape: 'sloped', wallId: 'west', sizes: { 'height at the high side': size('h', 5500) } });
    const up = lines(laid(panels, sloped));
    for (const [a, b] of up) for (const p of [a, b]) expect(p.z).toBeCloseTo(2500 + (3 / 4) * p.x, 6);
    const rows = [...new Set(up.filter(([a, b]) => Math.abs(a.x - b.x) < 1e-6).map(([a]) => Math.round(a.x * 1e3)))];
    expect(rows.sort((a, b) => a - b).slice(0, 3)).toEqual([400_000, 800_000, 1_200_000]);
  });
  it('small tiles laid square stay tiles; in a bond too many to draw are told, with a way out', () => {
    const tiles = (bond: Surface['bond']) => ({
      ...smallRoom(),
      surfaces: [surface({ length: size('l', 50), breadth: size('b', 50), bond })],
    });
    const square = lines(laid(at(tiles('square').surfaces, 0)));
    const upright = square.filter(([a, b]) => Math.abs(a.x - b.x) < 1e-6);
    expect(new Set(upright.map(([a]) => Math.round(a.x))).size).toBeGreaterThan(4000 / 50 - 2);
    expect(contradictionsOf(tiles('square'))).toEqual([]);
    const broken = at(contradictionsOf(tiles('broken')), 0);
    expect([broken.kind, broken.about]).toEqual(['too-fine', 'tiles']);
    const way = at(broken.remedies, 0);
    const after = applyChange(tiles('broken'), way.change);
    expect(after.ok && contradictionsOf(after.value)).toEqual([]);
  });
  it('a pattern of which nothing lies is told: under a vault, and begun beyond the room', () => {
    const told = (one: Surface, project = smallRoom()): string[] =>
      contradictionsOf({ ...project, surfaces: [one] }).map(({ kind, message }) => `${kind}: ${message}`);
    const vault = under({ shape: 'barrel', wallId: 'west', sizes: { 'rise of the vault': size('r', 600) } });
    expect(told(surface({ kind: 'panels', on: 'ceiling' }), vault)).toEqual([
      expect.stringMatching(/^nothing-laid: Nothing of .* is drawn: the ceiling of .* is a vault/) as string,
    ]);
    const lights = { kind: 'lights', on: 'ceiling', length: size('l', 800), breadth: size('b', 100) } as const;
    expect(told(surface({ ...lights, start: size('s', 9000) }))).toEqual([
      expect.stringMatching(/^nothing-laid: .*begins beyond its ceiling/) as string,
    ]);
    expect(told(surface({ ...lights, start: size('s', 400) }))).toEqual([]);
  });
});

describe('doors as they are made', () => {
  const door = (change: Partial<Opening> = {}): Body => {
    const body = fitting(opening('door', change));
    if (!body) throw new Error('no door');
    return body;
  };
  const extent = (body: Body, part: string): number[] => {
    const points = body.vertices.filter((one) => one.id.startsWith(`it/${part}/`)).map((one) => one.at);
    expect(points.length, part).toBeGreaterThan(0);
    return (['x', 'y', 'z'] as const).flatMap((axis) =>
      [Math.min, Math.max].map((of) => Math.round(of(...points.map((p) => p[axis])) * 2) / 2),
    );
  };
  it('two leaves hang from both sides, meet in the middle with a joint, and swing each over its own half', () => {
    const open = { counts: { 'open by': 90, panels: 0 }, choices: { leaves: 'two' } };
    const ajar = door(open);
    // 860 wide at 1 000 from the corner: each 428.5 long, 40 thick, 60 behind the face at 3 000.
    expect(extent(ajar, 'door-leaf')).toEqual([1000, 1040, 2631.5, 3060, 0, 2010]);
    expect(extent(ajar, 'door-2-leaf')).toEqual([1820, 1860, 2631.5, 3060, 0, 2010]);
    const shut = door({ choices: { leaves: 'two' } });
    expect(parts(shut)).toEqual([
      'panel-left-1',
      'panel-left-2',
      'knob-left',
      'panel-right-1',
      'panel-right-2',
      'knob-right',
      'joint',
    ]);
    expect(extent(shut, 'joint').slice(0, 2)).toEqual([1424, 1436]);
    for (const body of [ajar, shut]) expectClosedAndOutward(body, 'two leaves');
    const kind = openingKindOf('door');
    const cut = { opening: opening('door', open), width: 860, height: 2010, rise: 0, reveal: 60 };
    const fitted = {
      ...cut,
      size: (name: string) => kind?.sizes[name]?.usual ?? 0,
      count: (name: string) => (name === 'open by' ? 90 : 0),
      choice: (name: string) => (name === 'leaves' ? 'two' : (kind?.choices[name]?.[0] ?? '')),
    };
    expect(kind?.leaves(fitted)).toEqual([
      { hinge: 0, turnDeg: 90 },
      { hinge: 860, turnDeg: 90 },
    ]);
    expect(kind?.sweeps(fitted).map(({ hinge, radius, fromDeg, toDeg }) => [hinge, radius, fromDeg, toDeg])).toEqual([
      [0, 428.5, 0, 90],
      [860, 428.5, 180, 90],
    ]);
  });
  it('a leaf of glass has the bars it was told, shut or open, and is seen through when open', () => {
    const glass = {
      choices: { 'panels are': 'glass' },
      counts: { panels: 1, 'bars across': 2, 'bars up': 1, 'open by': 60 },
    };
    const open = door(glass);
    expect(parts(open).filter((name) => name.startsWith('door-leaf-bar-up'))).toHaveLength(1);
    // Two level bars, each in two lengths beside the upright one.
    expect(parts(open).filter((name) => /^door-leaf-bar-\d/.test(name))).toHaveLength(4);
    expect(parts(open).some((name) => name.includes('panel'))).toBe(false);
    const leaf = open.faces.filter((face) => face.id.startsWith('it/door-leaf/') && face.loops.length > 1);
    expect(leaf.length).toBe(2);
    const shut = door({ ...glass, counts: { ...glass.counts, 'open by': 0 } });
    expect(parts(shut).filter((name) => name.startsWith('pane-bar'))).toHaveLength(5);
    for (const body of [open, shut]) expectClosedAndOutward(body, 'glass');
  });
  it('knob, letter plate and cat flap sit at the heights that are typed, on both faces of an open leaf', () => {
    const at900 = {
      'knob height': size('k', 900),
      'letter plate height': size('l', 700),
      'cat flap height': size('c', 90),
    };
    const shut = door({ sizes: at900 });
    expect(shut.rounds.map((one) => one.centre.z)).toContain(900);
    expect(extent(shut, 'on-leaf-letter-plate')).toEqual([1300, 1560, 3052, 3060, 680, 720].map(Math.round));
    expect(extent(shut, 'on-leaf-cat-flap').slice(4)).toEqual([90, 320]);
    const open = parts(door({ sizes: at900, counts: { 'open by': 30 } }));
    for (const name of ['letter-plate', 'cat-flap', 'letter-plate-back', 'cat-flap-back'])
      expect(open).toContain(`door-${name}`);
    expect(parts(door()).some((name) => /letter|flap/.test(name))).toBe(false);
  });
});
