import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, seededRandom } from '@/core/base';
import { sceneOf } from '@/core/pipeline';
import { addSpace, PLAIN_OPENING, type Opening, type Piece, type Project, type Space, type View } from '@/core/record';
import {
  spaceConicPoint,
  curveOfRow,
  drain,
  edgeOfRow,
  ownerOfLine,
  visibleLinesAgain,
  visibleLinesExact,
} from './index';
import { resolveSetUp, type SetUp } from '@/core/view';
import { boxPiece, boxView, size, smallRoom } from '@/testing';

/** A copy of the small room elsewhere, all its names with a letter before them. */
function roomAt(letter: string, x: number, y: number): Space {
  const own = at(smallRoom().spaces, 0);
  return {
    ...own,
    ...{ id: `${letter}-room`, name: `the room ${letter}`, origin: { x, y } },
    walls: own.walls.map((wall) => ({
      ...wall,
      ...{ id: `${letter}-${wall.id}`, startCorner: `${letter}-${wall.startCorner}` },
      length: { ...wall.length, id: `${letter}-${wall.length.id}` },
    })),
    ceilingHeight: { ...own.ceilingHeight, id: `${letter}-ceiling` },
  };
}

const standingIn = (letter: string, piece: Piece): Piece => {
  const from = piece.place.from.map((one) => ({ ...one, wallId: `${letter}-${one.wallId}` }));
  return { ...piece, place: { ...piece.place, from: from as unknown as typeof piece.place.from } };
};

const doorway = (id: string, wallId: string, fromCorner: string, throughWallId: string, rise: number): Opening => ({
  ...PLAIN_OPENING,
  ...{ id, name: `the ${id}`, kind: 'archway', wallId, throughWallId, fromCorner },
  ...{ offset: size(`${id}/o`, 300), width: size(`${id}/w`, 800), sill: size(`${id}/s`, 0) },
  ...{ height: size(`${id}/h`, 2000), reveal: size(`${id}/r`, 75), rise: size(`${id}/rise`, rise) },
});

/** The small room, one to the right of it, one behind that one, and one before the small room, in which one stands. */
function fourRooms(view: View, rise: number): Project {
  const one = (id: string) => boxPiece({ id, fromNorth: 400, fromWest: 300, width: 900, height: 1100 });
  let project = smallRoom([one('here')], view);
  for (const [letter, x, y] of [
    ['b', 4150, 0],
    ['c', 8300, 0],
    ['d', 0, -3150],
  ] as const) {
    const added = addSpace(project, roomAt(letter, x, y));
    if (!added.ok) throw new Error(added.error.message);
    project = added.value;
  }
  const round: Piece = { ...one('ball'), kind: 'stool' };
  return {
    ...project,
    pieces: [
      ...project.pieces,
      standingIn('b', one('beside')),
      standingIn('d', one('before')),
      standingIn('b', {
        ...round,
        place: {
          ...round.place,
          from: [
            { wallId: 'north', distance: size('n', 900) },
            { wallId: 'west', distance: size('e', 500) },
          ],
        },
      }),
    ],
    openings: [
      doorway('door', 'east', 'ne', 'b-west', rise),
      doorway('next', 'b-east', 'b-ne', 'c-west', 0),
      doorway('front', 'south', 'se', 'd-north', 0),
    ],
  };
}

const setUpOf = (project: Project): SetUp => {
  const setUp = resolveSetUp(project, at(project.views, 0));
  if (!setUp.ok) throw new Error(setUp.error.message);
  return setUp.value;
};

/** Where the sight line to a point meets the small room's east wall, by hand: along it from the south, and up; null where it does not. */
function throughEast(
  { station, eyeZ }: SetUp,
  p: { x: number; y: number; z: number },
): readonly [number, number] | null {
  const t = (4000 - station.x) / (p.x - station.x);
  return t > 0 && t < 1 + 1e-9 ? [station.y + (p.y - station.y) * t, eyeZ + (p.z - eyeZ) * t] : null;
}

/** Whether one looks through the doorway, 1 900 to 2 700 from the south, with a flat head or an arch of 300 over 1 700. */
function inDoorway(point: readonly [number, number] | null, rise: number): boolean {
  if (!point) return false;
  const [y, z] = point;
  if (y < 1900 - 1e-3 || y > 2700 + 1e-3 || z < -1e-3) return false;
  const radius = rise > 0 ? (400 ** 2 + rise ** 2) / (2 * rise) : 0;
  const head = rise > 0 ? 2000 - radius + Math.sqrt(Math.max(0, radius ** 2 - (y - 2300) ** 2)) : 2000;
  return z <= head + 1e-3;
}

interface Stretch {
  readonly id: string;
  readonly owner: string;
  readonly length: number;
  readonly points: readonly { x: number; y: number; z: number }[];
}

/** What is seen, or hidden too, each part with points along it. */
function seenOf(project: Project, setUp: SetUp, hidden = false): readonly Stretch[] {
  const scene = sceneOf(project).prepared;
  const lines = drain(visibleLinesExact(scene, setUp, at(project.views, 0).frame));
  const straight = [...lines.edge.keys()]
    .filter((row) => hidden || lines.seen[row] === 1)
    .map((row): Stretch => {
      const edge = edgeOfRow(scene, lines, row);
      const { from, to, role, id } = edge;
      const [s0, s1] = [at(lines.along, row * 2), at(lines.along, row * 2 + 1)];
      const point = (s: number) => ({
        x: from.x + (to.x - from.x) * s,
        y: from.y + (to.y - from.y) * s,
        z: from.z + (to.z - from.z) * s,
      });
      const [u0, v0, u1, v1] = lines.picture.subarray(row * 4, row * 4 + 4);
      return {
        ...{ id, owner: ownerOfLine(role) },
        length: Math.hypot((u1 ?? 0) - (u0 ?? 0), (v1 ?? 0) - (v0 ?? 0)),
        points: [0, 0.25, 0.5, 0.75, 1].map((t) => point(s0 + (s1 - s0) * t)),
      };
    });
  const round = [...lines.curves.curve.keys()]
    .filter((row) => hidden || lines.curves.seen[row] === 1)
    .map((row): Stretch => {
      const { conic, role, id } = curveOfRow(scene, lines, row);
      const [a, b] = [at(lines.curves.range, row * 2), at(lines.curves.range, row * 2 + 1)];
      return {
        ...{ id, owner: ownerOfLine(role), length: b - a },
        points: [0, 0.2, 0.4, 0.6, 0.8, 1].map((t) => spaceConicPoint(conic, a + (b - a) * t)),
      };
    });
  return [...straight, ...round];
}

const OTHERS = ['b-room', 'c-room', 'd-room', 'beside', 'before', 'ball', 'next'];

describe('a door between two rooms', () => {
  const tea = DEMOS.find((demo) => demo.id === 'tea-room') ?? at(DEMOS, 0);
  const doorSeen = (view: View): number => {
    const setUp = resolveSetUp(tea, view);
    if (!setUp.ok) throw new Error(setUp.error.message);
    const { prepared } = sceneOf(tea);
    const lines = drain(visibleLinesExact(prepared, setUp.value, view.frame));
    return [...lines.edge.keys()].filter(
      (row) => lines.seen[row] === 1 && edgeOfRow(prepared, lines, row).body === 'kitchen-door',
    ).length;
  };
  it('is taken away with the wall one looks over, though the wall of the room one stands in has it too', () => {
    // From the street the tea room's wall is there, and its door; into the kitchen one looks over both walls.
    expect(doorSeen(at(tea.views, 0))).toBeGreaterThan(4);
    expect(doorSeen(at(tea.views, 1))).toBe(0);
  });
  it('is there from the other side', () => {
    const view = at(tea.views, 1);
    const back = { ...view, station: { x: -5000, y: 1500 }, lineOfSightBearingDeg: 90 };
    expect(doorSeen({ ...back, picturePlane: { through: 'wall', wallId: 'kitchen-west' } })).toBeGreaterThan(4);
  });
});

describe('rooms beside the one a view is of', () => {
  for (const rise of [0, 300])
    it(`are seen through its ${rise > 0 ? 'archway' : 'doorway'} only, and wholly through that`, () => {
      const next = seededRandom(rise + 16);
      let through = 0;
      for (let i = 0; i < 12; i += 1) {
        const view = boxView({
          station: { x: 400 + 1800 * next(), y: -700 - 2000 * next() },
          lineOfSightBearingDeg: -5 + 25 * next(),
          picturePlane: { through: 'wall', wallId: 'north' },
          frame: { left: -320, right: 320, bottom: -200, top: 200 },
        });
        const project = fourRooms(view, rise);
        const setUp = setUpOf(project);
        expect(setUp.room).toBe('room');
        const seen = seenOf(project, setUp);
        for (const one of seenOf(project, setUp, true).filter(({ owner }) => OTHERS.includes(owner)))
          for (const point of one.points) {
            const where = `${one.id} at ${JSON.stringify(point)}`;
            expect([where, inDoorway(throughEast(setUp, point), rise)]).toEqual([where, true]);
          }
        expect(seen.some(({ owner }) => owner === 'before' || owner === 'd-room')).toBe(false);
        // All that lies in the doorway without the rule (the room one stands in taken out, which would hide it) is still there.
        const without = {
          ...project,
          pieces: project.pieces.filter(({ id }) => id !== 'before'),
          spaces: project.spaces.filter(({ id }) => id !== 'd-room'),
        };
        const bare = { ...without, openings: without.openings.filter(({ id }) => id !== 'front') };
        const { room: _room, ...everything } = setUp;
        const inside = (list: readonly Stretch[]) =>
          list.filter(
            ({ owner, points }) =>
              OTHERS.includes(owner) && points.every((p) => inDoorway(throughEast(setUp, p), rise)),
          );
        const kept = inside(seen);
        for (const one of inside(seenOf(bare, everything))) {
          const same = kept.filter(({ id }) => id === one.id);
          expect([one.id, same.length > 0]).toEqual([one.id, true]);
        }
        through += kept.length;
        // The room's own lines are those of the room alone, but for what stands before its doorway's own reveal.
        const alone = {
          ...bare,
          spaces: bare.spaces.slice(0, 1),
          pieces: bare.pieces.slice(0, 1),
          openings: bare.openings.filter(({ id }) => id === 'door').map((one) => ({ ...one, throughWallId: null })),
        };
        const own = (list: readonly Stretch[]) =>
          list
            .filter(({ owner }) => owner === 'here')
            .map(({ id, length }) => `${id} ${length.toFixed(6)}`)
            .sort();
        expect(own(seen)).toEqual(own(seenOf(alone, everything)));
      }
      expect(through).toBeGreaterThan(20);
    });
  it('are so after an edit that is looked at anew only where it changed something', () => {
    const view = boxView({
      station: { x: 900, y: -1500 },
      picturePlane: { through: 'wall', wallId: 'north' },
      frame: { left: -320, right: 320, bottom: -200, top: 200 },
    });
    const project = fourRooms(view, 0);
    const setUp = setUpOf(project);
    const before = sceneOf(project);
    const lines = drain(visibleLinesExact(before.prepared, setUp, view.frame));
    const moved = {
      ...project,
      pieces: project.pieces.map((one) => (one.id === 'beside' ? { ...one, height: size('taller', 1500) } : one)),
    };
    const now = sceneOf(moved, before);
    const again = drain(visibleLinesAgain(now.prepared, setUp, view.frame, { scene: before.prepared, lines }));
    const anew = drain(visibleLinesExact(now.prepared, setUp, view.frame));
    const total = (of: typeof again) =>
      [...of.edge.keys()]
        .filter((row) => of.seen[row] === 1)
        .reduce((sum, row) => {
          const [u0, v0, u1, v1] = of.picture.subarray(row * 4, row * 4 + 4);
          return sum + Math.hypot((u1 ?? 0) - (u0 ?? 0), (v1 ?? 0) - (v0 ?? 0));
        }, 0);
    expect(total(again)).toBeCloseTo(total(anew), 6);
    expect(total(anew)).not.toBeCloseTo(total(lines), 2);
  });
  it('a piece belongs to the room it stands in, from wherever it was measured', () => {
    const view = boxView({ station: { x: 900, y: -1500 }, frame: { left: -320, right: 320, bottom: -200, top: 200 } });
    const project = fourRooms(view, 0);
    const here = at(project.pieces, 0);
    // Measured from the walls of the room beside, it stands in the small one.
    const from = here.place.from.map((one, i) => ({
      wallId: `b-${one.wallId}`,
      distance: size(`far-${i}`, i === 0 ? 400 : -3850),
    })) as unknown as typeof here.place.from;
    const measured = { ...project, pieces: [{ ...here, place: { ...here.place, from } }, ...project.pieces.slice(1)] };
    const own = (of: Project) => seenOf(of, setUpOf(of)).filter(({ owner }) => owner === 'here');
    expect(own(measured).length).toBeGreaterThan(5);
    expect(own(measured).length).toBe(own(project).length);
  });
  it('are all there is where a view is of no room in particular, and one room alone has none', () => {
    const alone = smallRoom();
    expect(setUpOf(alone).room).toBeUndefined();
    const project = fourRooms(boxView(), 0);
    const { room: _room, ...everything } = setUpOf(project);
    expect(seenOf(project, everything).some(({ owner }) => owner === 'before')).toBe(true);
  });
});
