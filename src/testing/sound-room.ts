import { at, seededRandom } from '@/core/base';
import type { Vector2 } from '@/core/geometry';
import {
  alongWall,
  footprintOf,
  mmOf,
  wallRuns,
  type Opening,
  type Piece,
  type Project,
  type Space,
  type WallRun,
} from '@/core/record';
import { newOpening, newPiece, openingKindOf } from '@/core/solids';
import { size, smallRoom } from './small-room';

/** Plans of rooms by their walls, clockwise: bearing and length of each. `a` to `d` are drawn by lot. */
type Shape = (a: number, b: number, c: number, d: number) => readonly (readonly [bearingDeg: number, mm: number])[];
const SHAPES: readonly Shape[] = [
  (a, b) => [
    [0, b],
    [90, a],
    [180, b],
    [270, a],
  ],
  // An L: the north-east corner is cut out.
  (a, b, c, d) => [
    [0, b],
    [90, a - c],
    [180, d],
    [90, c],
    [180, b - d],
    [270, a],
  ],
  // A splayed bay in the north wall, its sides at 45 degrees.
  (a, b, c) => [
    [0, b],
    [90, (a - c) / 2 - 500],
    [45, 500 * Math.SQRT2],
    [90, c],
    [135, 500 * Math.SQRT2],
    [90, (a - c) / 2 - 500],
    [180, b],
    [270, a],
  ],
  // A square bay, as deep as a chest.
  (a, b, c) => [
    [0, b],
    [90, (a - c) / 2],
    [0, 450],
    [90, c],
    [180, 450],
    [90, (a - c) / 2],
    [180, b],
    [270, a],
  ],
];

/** Furniture that stands with its back to a wall, and how wide it is made. */
const FLUSH: readonly (readonly [kind: string, widths: readonly [number, number]])[] = [
  ['chest-of-drawers', [600, 1200]],
  ['shelves', [600, 1000]],
  ['bench', [900, 1400]],
  ['base-unit', [450, 900]],
  ['crate', [400, 700]],
];

export const print = (mm: number): string => String(Math.round(mm));

const strip = (p: Vector2, run: WallRun): readonly [number, number] => [
  alongWall(run, p),
  (p.x - run.start.x) * run.intoRoom.x + (p.y - run.start.y) * run.intoRoom.y,
];

/** A piece of a kind at its usual sizes, to be set down. */
export function pieceOf(kind: string, id: string, name: string, levelId: string): Piece {
  const nowhere = { wallId: '', mm: 0 };
  const made = newPiece(kind, { id, name, levelId, from: [nowhere, nowhere] }, print);
  if (!made) throw new Error(kind);
  return made;
}

/** Sets a piece with its back to a wall, its nearer end so far along it, by its distances from that wall and one that is not parallel to it. */
export function setFlush(project: Project, piece: Piece, run: WallRun, other: WallRun, along: number): Piece {
  const set = (mm: number): Piece => ({
    ...piece,
    place: {
      pieceCorner: 'back-left',
      from: [
        { wallId: run.wall.id, distance: size(`${piece.id}/first`, 0) },
        { wallId: other.wall.id, distance: size(`${piece.id}/second`, mm) },
      ],
      turnDeg: 0,
    },
  });
  const there = footprintOf(project, set(0));
  if (!there.ok) throw new Error(there.error.message);
  const left = Math.min(...Object.values(there.value.corners).map((p) => alongWall(run, p)));
  const square = run.run.x * other.intoRoom.x + run.run.y * other.intoRoom.y;
  return set((along - left) * square);
}

export interface SoundRoom {
  readonly project: Project;
  readonly space: Space;
  readonly runs: readonly WallRun[];
}

/** Stretches of a wall, kept free of what stands there already. */
function* places(run: WallRun, taken: readonly (readonly [number, number])[], wide: number): Generator<number> {
  // Flush at either end, and beside what stands there: nothing is left between.
  const tried = [0, run.lengthMm - wide, ...taken.flatMap(([from, to]) => [from - wide, to])];
  for (const along of tried) {
    const inside = along >= 0 && along + wide <= run.lengthMm;
    if (inside && taken.every(([from, to]) => along + wide <= from || along >= to)) yield along;
  }
}

/**
 * A furnished room without a fault: a rectangle, an L, a splayed or a square bay; a door that swings into it, windows, and pieces flush with walls,
 * corners and each other, with one free in the middle. Sound by how it is made: pieces keep to stretches of their own and to their own half of the depth.
 */
export function soundRoom(seed: number): SoundRoom {
  const random = seededRandom(seed);
  const between = (low: number, high: number): number => Math.round((low + random() * (high - low)) / 10) * 10;
  const room = smallRoom();
  const was = at(room.spaces, 0);
  const walls = at(SHAPES, seed % SHAPES.length)(
    between(5600, 7600),
    between(4400, 6000),
    between(1600, 2400),
    between(1500, 2000),
  ).map(([bearingDeg, mm], i) => ({
    ...at(was.walls, 0),
    ...{ id: `w${i}`, name: `wall ${i}`, startCorner: `c${i}`, bearingDeg, length: size(`w${i}/length`, mm) },
  }));
  const space: Space = { ...was, walls, ceilingHeight: size('room/ceiling', 2600) };
  let project: Project = { ...room, spaces: [space], openings: [], pieces: [], surfaces: [] };
  const runs = wallRuns(space);
  const free = new Map(runs.map((run) => [run.wall.id, [] as (readonly [number, number])[]]));
  const add = (opening: Opening): void => {
    project = { ...project, openings: [...project.openings, opening] };
  };
  const opened = (kind: string, id: string, run: WallRun, offset: number): void => {
    const declared = openingKindOf(kind);
    if (!declared) throw new Error(kind);
    const made = newOpening(
      declared,
      { id, name: `the ${id}`, wallId: run.wall.id, fromCorner: run.startCorner, offset },
      print,
    );
    add(made);
    const wide = mmOf(made.width);
    // A door's leaf swings as far as it is wide; a window is kept clear of what is higher than its sill.
    free.get(run.wall.id)?.push([offset - (kind === 'door' ? 30 : 0), offset + wide + (kind === 'door' ? 30 : 0)]);
  };
  // The last wall is whole in every shape: the door is in it, away from its corners by more than its leaf is wide.
  const last = at(runs, runs.length - 1);
  opened('door', 'door', last, between(1000, last.lengthMm - 2100));
  const first = at(runs, 0);
  opened('window', 'window', first, between(1300, Math.max(1300, first.lengthMm - 2900)));
  for (const [i, run] of runs.entries()) {
    // Beside the door's wall only what ends before its leaf's way; where two walls meet, each has the corner's depth to itself.
    for (let n = 0; n < 2; n += 1) {
      const [kind, widths] = at(FLUSH, Math.floor(random() * FLUSH.length));
      const wide = between(...widths);
      const made = pieceOf(kind, `p${i}${n}`, `piece ${i}${n}`, space.levelId);
      const piece = { ...made, width: size(`p${i}${n}/width`, wide) };
      const other = runs.find(
        (one) => Math.abs(one.run.x * run.intoRoom.x + one.run.y * run.intoRoom.y) > 0.5 && one !== run,
      );
      const list = free.get(run.wall.id);
      if (!other || !list) continue;
      for (const along of places(run, list, wide)) {
        const set = setFlush(project, piece, run, other, along);
        if (!clear(project, set, runs)) continue;
        list.push([along, along + wide]);
        project = { ...project, pieces: [...project.pieces, set] };
        break;
      }
    }
  }
  return { project, space, runs };
}

/** Told by itself and densely: every point of the piece's edge lies in the room, and none in another piece, or where the door's leaf swings. */
function clear(project: Project, piece: Piece, runs: readonly WallRun[]): boolean {
  const outlineOf = (one: Piece): readonly Vector2[] => {
    const footprint = footprintOf(project, one);
    if (!footprint.ok) throw new Error(footprint.error.message);
    const { corners } = footprint.value;
    return [corners['back-left'], corners['back-right'], corners['front-right'], corners['front-left']];
  };
  const within = (outline: readonly Vector2[], p: Vector2, by: number): boolean => {
    let turns = 0;
    outline.forEach((a, i) => {
      const b = outline[(i + 1) % outline.length] ?? a;
      turns += Math.atan2(
        (a.x - p.x) * (b.y - p.y) - (a.y - p.y) * (b.x - p.x),
        (a.x - p.x) * (b.x - p.x) + (a.y - p.y) * (b.y - p.y),
      );
    });
    const edge = Math.min(
      ...outline.map((a, i) => {
        const b = outline[(i + 1) % outline.length] ?? a;
        const [dx, dy] = [b.x - a.x, b.y - a.y];
        const t = Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy)));
        return Math.hypot(a.x + t * dx - p.x, a.y + t * dy - p.y);
      }),
    );
    return by > 0 ? edge <= by || Math.abs(turns) > 3 : Math.abs(turns) > 3 && edge > -by;
  };
  const edgeOf = (outline: readonly Vector2[]): readonly Vector2[] =>
    outline.flatMap((a, i) => {
      const b = outline[(i + 1) % outline.length] ?? a;
      return Array.from({ length: 9 }, (_, k) => ({
        x: a.x + ((b.x - a.x) * k) / 9,
        y: a.y + ((b.y - a.y) * k) / 9,
      }));
    });
  const own = outlineOf(piece);
  const corners = runs.map((run) => run.start);
  if (!edgeOf(own).every((p) => within(corners, p, 0.2))) return false;
  for (const other of project.pieces) {
    const theirs = outlineOf(other);
    if (Math.hypot(at(own, 0).x - at(theirs, 0).x, at(own, 0).y - at(theirs, 0).y) > 4000) continue;
    const middle = { x: (at(own, 0).x + at(own, 2).x) / 2, y: (at(own, 0).y + at(own, 2).y) / 2 };
    // Handles and tops reach out a little before the body: as far as a hand is wide is left free before each.
    if ([...edgeOf(own), middle].some((p) => within(theirs, p, -0.2))) return false;
    const grown = theirs.map((p, i) =>
      i < 2 ? p : { x: p.x + forward(theirs).x * 90, y: p.y + forward(theirs).y * 90 },
    );
    const reach = own.map((p, i) => (i < 2 ? p : { x: p.x + forward(own).x * 90, y: p.y + forward(own).y * 90 }));
    if (edgeOf(reach).some((p) => within(grown, p, -0.2)) || edgeOf(grown).some((p) => within(reach, p, -0.2)))
      return false;
  }
  return project.openings.every((opening) => {
    const run = runs.find((one) => one.wall.id === opening.wallId);
    if (!run) return true;
    const [left, wide] = [mmOf(opening.offset), mmOf(opening.width)];
    const door = openingKindOf(opening.kind)?.walked ?? false;
    const before = door ? wide + 100 : 700;
    if (!door && mmOf(piece.height) <= mmOf(opening.sill)) return true;
    return edgeOf(own).every((p) => {
      const [along, into] = strip(p, run);
      return into > before || along < left - 40 || along > left + wide + 40;
    });
  });
}

const forward = (outline: readonly Vector2[]): Vector2 => {
  const [back, front] = [at(outline, 0), at(outline, 3)];
  const long = Math.hypot(front.x - back.x, front.y - back.y);
  return { x: (front.x - back.x) / long, y: (front.y - back.y) / long };
};
