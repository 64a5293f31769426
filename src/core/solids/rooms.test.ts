import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { difference3, dot3, insideLoops } from '@/core/geometry';
import { mmOf, wallRuns, type Ceiling, type Project } from '@/core/record';
import { drain, edgeOfRow, parallelView, prepareScene, visibleLinesExact } from '@/core/visibility';
import { setUpFrom } from '@/core/view';
import { boxPiece, randomRoom, runs, size, smallRoom, standInsOf, holds } from '@/testing';
import { bodiesOf, heightOver, keepBodies, type Body } from './index';

const withCeiling = (ceiling: Ceiling, change: Partial<Project> = {}): Project => {
  const room = smallRoom();
  return { ...room, ...change, spaces: room.spaces.map((space) => ({ ...space, ceiling })) };
};
const roomOf = (project: Project): Body =>
  at(
    bodiesOf(project).filter((body) => body.kind === 'room'),
    0,
  );

/** Total area of what closes a room above, each flat part once. */
const pointsOf = (body: Body, id: string) => {
  const face = at(
    body.faces.filter((one) => one.id === id),
    0,
  );
  return at(face.loops, 0).map((index) => at(body.vertices, index).at);
};

describe('rooms of every ceiling', () => {
  it('every face of generated rooms is planar and looks into the room, edges end at corners (seeds 1…)', () => {
    for (let seed = 1; seed <= runs(); seed += 1) {
      const project = randomRoom(seed);
      for (const body of bodiesOf(project)) {
        const standIns = standInsOf(body);
        for (const face of body.faces) {
          const long = Math.hypot(face.normal.x, face.normal.y, face.normal.z);
          holds(Math.abs(long - 1) < 1e-9, () => `${seed} ${face.id}`);
          for (const p of standIns.loops(face).flat())
            holds(Math.abs(dot3(face.normal, p) - face.offset) < 1e-6, () => `${seed} ${face.id}`);
        }
        const names = [...body.edges, ...body.arcs].map((edge) => edge.id);
        expect(
          names.filter((name, i) => names.indexOf(name) !== i),
          String(seed),
        ).toEqual([]);
        for (const { from, to } of body.edges) {
          const run = difference3(at(body.vertices, to).at, at(body.vertices, from).at);
          holds(Math.hypot(run.x, run.y, run.z) > 0, () => `${seed} ${from} to ${to}`);
        }
      }
      // A point low in the middle of the room lies before every face of walls and ceiling.
      const middle = { x: 2000, y: 1500, z: 1000 };
      for (const face of roomOf(project).faces.filter((one) => one.belongsTo.length === 0 && !one.id.includes('joint')))
        expect(dot3(face.normal, middle) - face.offset, `${seed} ${face.id}`).toBeGreaterThan(0);
    }
  });

  it('the parts of a stepped ceiling cover the room once, and uprights join them', () => {
    for (let seed = 1; seed <= runs(); seed += 1) {
      const project = randomRoom(seed);
      const space = at(project.spaces, 0);
      if (space.ceiling.shape === 'barrel') continue;
      const room = roomOf(project);
      const parts = room.faces.filter((face) => face.id.startsWith('room/ceiling') && !face.id.includes('joint'));
      for (let x = 137; x < 4000; x += 331) {
        for (let y = 89; y < 3000; y += 277) {
          const over = parts.filter((face) => insideLoops([pointsOf(room, face.id)], x, y));
          expect(over.length, `${seed} at ${x}, ${y}`).toBe(1);
          const { normal, offset } = at(over, 0);
          expect((offset - normal.x * x - normal.y * y) / normal.z).toBeCloseTo(heightOver(space, { x, y }), 6);
        }
      }
    }
  });

  it('a gable rises over its end walls, a slope along its side walls, and the ridge is drawn once', () => {
    const gabled = roomOf(
      withCeiling({
        shape: 'gabled',
        wallId: 'north',
        sizes: { 'ridge from the wall': size('f', 1000), 'ridge height': size('h', 3500) },
        zones: [],
      }),
    );
    const east = pointsOf(gabled, 'east');
    expect(Math.max(...east.map((p) => p.z))).toBe(3500);
    expect(east.length).toBe(5);
    expect(gabled.edges.filter((edge) => edge.id.endsWith('/ridge')).length).toBe(1);
    const sloped = roomOf(
      withCeiling({
        shape: 'sloped',
        wallId: 'south',
        sizes: { 'height at the high side': size('h', 3700) },
        zones: [],
      }),
    );
    expect(
      pointsOf(sloped, 'north')
        .map((p) => p.z)
        .sort(),
    ).toEqual([0, 0, 3700, 3700]);
    expect(
      pointsOf(sloped, 'west')
        .map((p) => p.z)
        .sort(),
    ).toEqual([0, 0, 2500, 3700]);
  });

  it('a vault is one round face over two arcs, and the walls under its ends are arched', () => {
    const room = roomOf(
      withCeiling({ shape: 'barrel', wallId: 'west', sizes: { 'rise of the vault': size('rise', 800) }, zones: [] }),
    );
    expect(room.rounds.length).toBe(1);
    expect(room.arcs.map((arc) => arc.id)).toEqual(['north/ceiling', 'south/ceiling']);
    const vault = at(room.rounds, 0);
    // Span 4000, rise 800: radius 4000²/(8·800) + 400 = 2900, its centre 2100 below the springing line's crown.
    expect(vault.radius).toBeCloseTo(2900, 9);
    expect(vault.centre.z).toBeCloseTo(2500 + 800 - 2900, 9);
    const top = Math.max(
      ...standInsOf(room)
        .facets(vault)
        .flatMap((facet) => facet.loop.map((p) => p.z)),
    );
    expect(top).toBeGreaterThan(3299);
    expect(top).toBeLessThanOrEqual(3300 + 1e-9);
  });

  it('skirting breaks at doors and is mitred at corners', () => {
    const room = smallRoom();
    const space = { ...at(room.spaces, 0), skirting: { height: size('sk/h', 100), thickness: size('sk/t', 20) } };
    const door = {
      ...at(randomRoom(1).openings, 0),
      id: 'door',
      kind: 'door' as const,
      wallId: 'north',
      fromCorner: 'nw',
      offset: size('o', 1000),
      width: size('w', 900),
      sill: size('s', 0),
      head: 'flat' as const,
      sizes: {},
    };
    const body = roomOf({ ...room, spaces: [space], openings: [door] });
    const onNorth = body.faces.filter((face) => face.id.startsWith('north/skirting') && face.id.endsWith('/face'));
    expect(onNorth.length).toBe(2);
    const low = pointsOf(body, 'north/skirting-1/face');
    // From the mitre 20 mm inside the corner to the door's edge.
    expect(Math.min(...low.map((p) => p.x))).toBeCloseTo(20, 9);
    expect(Math.max(...low.map((p) => p.x))).toBeCloseTo(1000, 9);
    expect(low.every((p) => Math.abs(p.y - 2980) < 1e-9)).toBe(true);
    // Round a door with trim it stops at the trim; under a window's trim, where that comes down to it.
    const stretches = (change: object): number[][] => {
      const trimmed = { ...door, ...change, sizes: { 'trim width': size('t', 90) } };
      const { faces } = roomOf({ ...room, spaces: [space], openings: [trimmed] });
      return faces
        .filter((face) => face.id.startsWith('north/skirting') && face.id.endsWith('/level'))
        .map((face) => {
          const xs = pointsOf(roomOf({ ...room, spaces: [space], openings: [trimmed] }), face.id).map((p) => p.x);
          return [Math.min(...xs), Math.max(...xs)].map(Math.round);
        });
    };
    expect(stretches({})).toEqual([
      [0, 910],
      [1990, 4000],
    ]);
    const low180 = { kind: 'window', sill: size('s', 180), height: size('h', 1000) };
    expect(stretches(low180)).toEqual([
      [0, 910],
      [1990, 4000],
    ]);
    expect(stretches({ ...low180, sill: size('s', 400) })).toEqual([[0, 4000]]);
  });
});

describe('openings', () => {
  it('an arch is arcs and a round soffit, and its hole lets the light through', () => {
    const project = randomRoom(3);
    const opening = {
      ...at(project.openings, 0),
      id: 'arch',
      kind: 'archway' as const,
      wallId: 'north',
      fromCorner: 'nw',
      head: 'arched' as const,
      sizes: {},
      offset: size('o', 1000),
      width: size('w', 1000),
      sill: size('s', 0),
      height: size('h', 1500),
      reveal: size('r', 200),
    };
    const room = roomOf({ ...smallRoom(), openings: [opening] });
    expect(room.arcs.map((arc) => [arc.id, arc.circle.radius])).toEqual([
      ['arch/face/head', 500],
      ['arch/back/head', 500],
    ]);
    expect(room.rounds.map((face) => [face.id, face.looks])).toEqual([['arch/reveal-head', 'inward']]);
    const north = at(
      prepareScene([room]).faces.filter((one) => one.face.id === 'north'),
      0,
    );
    const hole = at(north.loops, 1);
    expect(Math.max(...hole.map((p) => p.z))).toBeCloseTo(2000, 6);
  });

  it('an opening through to another room is a hole in both its walls, at its own height over each floor', () => {
    const room = smallRoom();
    const first = at(room.spaces, 0);
    const other = {
      ...first,
      id: 'next',
      levelId: 'raised',
      origin: { x: 0, y: 3200 },
      walls: first.walls.map((wall) => ({
        ...wall,
        id: `next-${wall.id}`,
        startCorner: `next-${wall.startCorner}`,
        length: size(`next-${wall.id}`, mmOf(wall.length)),
      })),
      ceilingHeight: size('next/ceiling', 2500),
    };
    const opening = {
      ...at(randomRoom(3).openings, 0),
      id: 'arch',
      kind: 'archway' as const,
      wallId: 'north',
      fromCorner: 'nw',
      throughWallId: 'next-south',
      head: 'flat' as const,
      sizes: {},
      choices: {},
      offset: size('o', 1000),
      width: size('w', 900),
      sill: size('s', 300),
      height: size('h', 1700),
      reveal: size('r', 0),
    };
    const project: Project = {
      ...room,
      levels: [...room.levels, { id: 'raised', name: 'Raised floor', elevation: size('raised', 300) }],
      spaces: [first, other],
      openings: [opening],
    };
    const rooms = bodiesOf(project).filter((body) => body.kind === 'room');
    const loops = (body: Body, id: string) =>
      at(
        body.faces.filter((face) => face.id === id),
        0,
      ).loops.map((loop) => loop.map((i) => at(body.vertices, i).at));
    const [near, far] = [loops(at(rooms, 0), 'north'), loops(at(rooms, 1), 'next-south')];
    const extent = (loop: readonly { x: number; z: number }[]) =>
      [
        Math.min(...loop.map((p) => p.x)),
        Math.max(...loop.map((p) => p.x)),
        Math.min(...loop.map((p) => p.z)),
        Math.max(...loop.map((p) => p.z)),
      ].map(Math.round);
    expect(extent(at(near, 1))).toEqual([1000, 1900, 300, 2000]);
    expect(extent(at(far, 1))).toEqual([1000, 1900, 300, 2000]);
    // The reveal is as deep as the wall is thick, and one looks through it into the other room.
    const reveal = at(rooms, 0).faces.filter((face) => face.id.startsWith('arch/reveal'));
    expect(reveal.length).toBe(4);
    const depth = loops(at(rooms, 0), 'arch/reveal-sill')
      .flat()
      .map((p) => p.y);
    expect([Math.min(...depth), Math.max(...depth)]).toEqual([3000, 3200]);
    const scene = prepareScene(bodiesOf(project));
    const setUp = setUpFrom({
      station: { x: 1450, y: 500 },
      bearingDeg: 0,
      eyeHeight: 1600,
      floor: 0,
      pictureDistance: 2500,
      scaleDenominator: 20,
    });
    const lines = drain(visibleLinesExact(scene, setUp, { left: -200, right: 200, bottom: -150, top: 150 }));
    const rows = [...lines.edge.keys()].filter((row) => lines.seen[row] === 1);
    const seen = new Set(rows.map((row) => edgeOfRow(scene, lines, row).id));
    expect(seen.has('next-north/floor')).toBe(true);
  });
});

describe('bodies kept over an edit', () => {
  it('only what an edit touches is made anew', () => {
    const project = randomRoom(11);
    const pieces = [...project.pieces, ...randomRoom(12).pieces.map((piece) => ({ ...piece, id: `${piece.id}-b` }))];
    const before = keepBodies({ ...project, pieces });
    const first = at(pieces, 0);
    const moved = { ...first, mirrored: !first.mirrored };
    const after = keepBodies({ ...project, pieces: pieces.map((piece) => (piece === first ? moved : piece)) }, before);
    expect(after.rooms).toBe(before.rooms);
    expect(after.bodies.filter((body) => !before.bodies.includes(body)).length).toBe(1);
    expect(after.bodies.length).toBe(before.bodies.length);
  });
});

describe('parallel views', () => {
  it('what stands before hides what stands behind, and lines come out true to size', () => {
    const project = smallRoom([
      boxPiece({ id: 'behind', fromNorth: 0, fromWest: 1300, width: 400, height: 500, depth: 300 }),
      boxPiece({ id: 'before', fromNorth: 900, fromWest: 1000, width: 1000, height: 800, depth: 300 }),
    ]);
    const pieces = bodiesOf(project).filter((body) => body.kind === 'piece');
    const view = parallelView(prepareScene(pieces), {
      origin: { x: 0, y: 3000, z: 0 },
      right: { x: 1, y: 0, z: 0 },
      up: { x: 0, y: 0, z: 1 },
      toward: { x: 0, y: -1, z: 0 },
    });
    const rows = view.edgeIds.map((id, i) => ({
      id,
      seen: view.seen[i] === 1,
      at: [...view.flat.subarray(i * 4, i * 4 + 4)],
    }));
    // Its foot lies on the line the other's foot is drawn in.
    expect(
      rows.filter((row) => row.seen && row.id.startsWith('behind') && Math.max(at(row.at, 1), at(row.at, 3)) > 1),
    ).toEqual([]);
    const top = at(
      rows.filter((row) => row.id === 'before/box/top-front'),
      0,
    );
    expect(top.seen).toBe(true);
    top.at.forEach((value, i) => expect(value).toBeCloseTo(at([1000, 800, 2000, 800], i), 9));
  });

  it('walls run as long in their elevation as they were measured', () => {
    const space = at(smallRoom().spaces, 0);
    expect(wallRuns(space).map((run) => Math.round(run.lengthMm))).toEqual([3000, 4000, 3000, 4000]);
  });
});
