import { at, seededRandom } from '@/core/base';
import type { Vector2 } from '@/core/geometry';
import { correctSize, mmOf, onWall, wallRuns, type Piece, type Project, type Space } from '@/core/record';
import { openingKindOf } from '@/core/solids';
import { size, smallRoom } from './small-room';
import { pieceOf, print, setFlush, soundRoom, type SoundRoom } from './sound-room';

/** One fault planted in a sound room: the room with it, what it is called, and of what. */
export interface Planted {
  readonly project: Project;
  readonly kind: string;
  readonly about: string;
}

const moved = (project: Project, piece: Piece, along: Vector2, by: number): Project => ({
  ...project,
  pieces: project.pieces.map((one) =>
    one.id === piece.id
      ? {
          ...one,
          place: {
            ...one.place,
            from: one.place.from.map((offset) => {
              const run = wallRuns(at(project.spaces, 0)).find((wall) => wall.wall.id === offset.wallId);
              const off = run ? (along.x * run.intoRoom.x + along.y * run.intoRoom.y) * by : 0;
              return { ...offset, distance: size(offset.distance.id, mmOf(offset.distance) + off) };
            }) as unknown as Piece['place']['from'],
          },
        }
      : one,
  ),
});

/** Faults by lot, one at a time; null where this room has no place for it. */
const FAULTS: readonly ((room: SoundRoom, amount: number) => Planted | null)[] = [
  // A piece pushed through the wall at its back.
  ({ project, runs }, amount) => {
    const piece = project.pieces[0];
    const run = runs.find((one) => one.wall.id === piece?.place.from[0].wallId);
    return piece && run
      ? { project: moved(project, piece, run.intoRoom, -20 - amount * 60), kind: 'through-wall', about: piece.id }
      : null;
  },
  // Two things in one place: a crate set down where another piece stands.
  ({ project, runs }) => {
    const piece = project.pieces[0];
    if (!piece) return null;
    const run = runs.find((one) => one.wall.id === piece.place.from[0].wallId);
    const twin = { ...piece, id: 'twin', name: 'the twin' };
    return run
      ? { project: { ...project, pieces: [...project.pieces, twin] }, kind: 'through-piece', about: piece.id }
      : null;
  },
  // Something left hanging in the air.
  ({ project, runs, space }, amount) => {
    const [run, other] = [at(runs, 0), at(runs, runs.length - 1)];
    const made = pieceOf('crate', 'hung', 'the crate', space.levelId);
    const set = setFlush(project, { ...made, lift: size('hung/lift', 1500 + amount * 200) }, run, other, 1400);
    const free = moved({ ...project, pieces: [...project.pieces, set] }, set, run.intoRoom, 1700);
    return { project: free, kind: 'floats', about: 'hung' };
  },
  // A chest set down in the doorway; and one beside it, where the leaf swings.
  ...[0, 450].map((away) => ({ project, runs, space }: SoundRoom): Planted | null => {
    const run = at(runs, runs.length - 1);
    const door = project.openings.find((one) => openingKindOf(one.kind)?.walked);
    if (!door) return null;
    const made = pieceOf('crate', 'set', 'the crate', space.levelId);
    const set = setFlush(project, made, run, at(runs, 0), mmOf(door.offset) + 120);
    const there = moved({ ...project, pieces: [...project.pieces, set] }, set, run.intoRoom, away);
    return { project: there, kind: away === 0 ? 'in-doorway' : 'in-swing', about: 'set' };
  }),
  // A tall case before the window.
  ({ project, runs, space }) => {
    const run = at(runs, 0);
    const window = project.openings.find((one) => openingKindOf(one.kind)?.inPlan.pane);
    if (!window) return null;
    const made = pieceOf('wardrobe', 'tall', 'the wardrobe', space.levelId);
    const others = project.pieces.filter((one) => one.place.from[0].wallId !== run.wall.id);
    const set = setFlush(project, made, run, at(runs, runs.length - 1), mmOf(window.offset) + 20);
    return { project: { ...project, pieces: [...others, set] }, kind: 'over-opening', about: 'tall' };
  },
  // An opening that runs on beyond its wall.
  ({ project, runs }, amount) => {
    const run = at(runs, 0);
    const openings = project.openings.map((one) =>
      one.wallId === run.wall.id ? { ...one, offset: size('w/offset', run.lengthMm - 400 - amount * 100) } : one,
    );
    return { project: { ...project, openings }, kind: 'opening-beyond-wall', about: 'window' };
  },
  // A wall typed wrong.
  ({ project, space }, amount) => {
    const wall = at(space.walls, 0);
    const mm = mmOf(wall.length) - 60 - amount * 40;
    const edit = correctSize({ ...project, pieces: [] }, wall.length.id, { mm, asTyped: print(mm) });
    return edit.ok ? { project: edit.value, kind: 'closing-error', about: space.id } : null;
  },
  // A second room that lies over the first.
  ({ project, space, runs }, amount) => {
    const run = at(runs, 0);
    const origin = onWall(run, 0, 400 + amount * 200);
    const walls = smallRoom().spaces.flatMap((one) => one.walls);
    const second: Space = { ...space, id: 'second', name: 'the second room', origin, walls };
    return { project: { ...project, spaces: [space, second] }, kind: 'rooms-overlap', about: 'second' };
  },
];
export const PLANTED = FAULTS.length;

/** A sound room with one fault of a sort, by the seed. */
export function faultyRoom(seed: number): Planted | null {
  const room = soundRoom(seed);
  const amount = seededRandom(seed + 1000)();
  return at(FAULTS, seed % FAULTS.length)(room, amount);
}
