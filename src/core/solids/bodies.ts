import { drain } from '@/core/base';
import {
  footprintOf,
  levelOf,
  mmOf,
  outlineFault,
  wallRunOf,
  wallRuns,
  type Id,
  type MeasuredRoom,
  type Opening,
  type Space,
  type Surface,
  type WallRun,
} from '@/core/record';
import type { Body } from './body';
import type { Models } from './copies';
import { cutOf, farCutOf, throughDepth, type Cut } from './cut';
import { fittingBody } from './fittings';
import { pieceBody } from './piece';
import { roomBody } from './rooms';
import { surfaceBody } from './surface';

/** Bodies by what they were made from: the same piece in the same rooms is the same body, so that an edit remakes only what it touches. */
export interface BodiesKept {
  readonly from: MeasuredRoom;
  readonly pieces: ReadonlyMap<MeasuredRoom['pieces'][number], Body | null>;
  readonly rooms: readonly Body[];
  readonly bodies: readonly Body[];
}

const floorOf = (project: MeasuredRoom, levelId: Id): number => mmOf(levelOf(project, levelId).elevation);

/** The cuts an opening makes in a wall of this space: on its own wall, or where it comes out on another room's. */
function cutsIn(project: MeasuredRoom, space: Space, run: WallRun, top: number): readonly Cut[] {
  return project.openings.flatMap((opening) => {
    if (opening.wallId === run.wall.id) {
      const cut = cutOf(opening, run, top);
      return cut ? [withThroughDepth(project, opening, run, cut)] : [];
    }
    if (opening.throughWallId !== run.wall.id) return [];
    const near = wallRunOf(project, opening.wallId);
    const home = project.spaces.find((one) => one.walls.some((wall) => wall.id === opening.wallId));
    const cut = near && cutOf(opening, near, Infinity);
    if (!near || !home || !cut) return [];
    return farCutOf(cut, near, run, floorOf(project, space.levelId) - floorOf(project, home.levelId), top) ?? [];
  });
}

function withThroughDepth(project: MeasuredRoom, opening: Opening, run: WallRun, cut: Cut): Cut {
  const far = opening.throughWallId === null ? undefined : wallRunOf(project, opening.throughWallId);
  return far ? { ...cut, reveal: throughDepth(run, far) } : cut;
}

/**
 * Record to bodies. A piece whose place is refused, or a room whose outline encloses nothing, has no body; the record's
 * findings say why.
 */
export const keepBodies = (project: MeasuredRoom, before?: BodiesKept): BodiesKept =>
  drain(keepBodiesInSteps(project, before));

/** The same, one piece after another; yields how many are made, of all. */
export function* keepBodiesInSteps(project: MeasuredRoom, before?: BodiesKept): Generator<number, BodiesKept> {
  const sameRooms =
    before !== undefined &&
    before.from.spaces === project.spaces &&
    before.from.openings === project.openings &&
    before.from.surfaces === project.surfaces &&
    before.from.levels === project.levels;
  const rooms = sameRooms ? before.rooms : roomsOf(project);
  const samePlaces =
    before !== undefined && before.from.spaces === project.spaces && before.from.levels === project.levels;
  const pieces = new Map<MeasuredRoom['pieces'][number], Body | null>();
  const models: Models = new Map();
  for (const body of before?.bodies ?? []) if (body.copy) models.set(body.copy.likeness, body.copy.model);
  for (const piece of project.pieces) {
    const kept = samePlaces ? before.pieces.get(piece) : undefined;
    if (kept === undefined) {
      const footprint = footprintOf(project, piece);
      pieces.set(
        piece,
        footprint.ok ? pieceBody(piece, footprint.value, floorOf(project, piece.levelId), models) : null,
      );
      yield pieces.size / project.pieces.length;
    } else pieces.set(piece, kept);
  }
  return { from: project, pieces, rooms, bodies: [...rooms, ...[...pieces.values()].filter((body) => body !== null)] };
}

function roomsOf(project: MeasuredRoom): readonly Body[] {
  const sound = project.spaces.filter((space) => outlineFault(space) === null);
  const rooms = sound.map((space) =>
    roomBody(space, (run, top) => cutsIn(project, space, run, top), floorOf(project, space.levelId)),
  );
  const fittings = sound.flatMap((space) =>
    wallRuns(space).flatMap((run) =>
      project.openings.flatMap((opening) => {
        const cut = opening.wallId === run.wall.id ? cutOf(opening, run, Infinity) : null;
        return cut
          ? (fittingBody(withThroughDepth(project, opening, run, cut), run, floorOf(project, space.levelId)) ?? [])
          : [];
      }),
    ),
  );
  const surfaces = project.surfaces.flatMap((surface) => {
    const space = sound.find((one) => one.id === surface.spaceId);
    return (space && surfaceIn(project, surface)) ?? [];
  });
  return [...rooms, ...fittings, ...surfaces];
}

/** A pattern where it lies; null where nothing of it does. */
export function surfaceIn(project: MeasuredRoom, surface: Surface): Body | null {
  const space = project.spaces.find((one) => one.id === surface.spaceId);
  return space
    ? surfaceBody(surface, space, (run, top) => cutsIn(project, space, run, top), floorOf(project, space.levelId))
    : null;
}

export const bodiesOf = (project: MeasuredRoom): readonly Body[] => keepBodies(project).bodies;
