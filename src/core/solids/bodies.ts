import { drain } from '@/core/base';
import { insideLoops, type Vector2 } from '@/core/geometry';
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
import type { PlanPoint } from '@/core/space';
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
      const body = footprint.ok ? pieceBody(piece, footprint.value, floorOf(project, piece.levelId), models) : null;
      pieces.set(piece, body && livingIn(project, body, () => roomsOfPiece(project, piece)));
      yield pieces.size / project.pieces.length;
    } else pieces.set(piece, kept);
  }
  return { from: project, pieces, rooms, bodies: [...rooms, ...[...pieces.values()].filter((body) => body !== null)] };
}

function roomsOf(project: MeasuredRoom): readonly Body[] {
  const sound = project.spaces.filter((space) => outlineFault(space) === null && space.bare !== true);
  const rooms = sound.map((space) =>
    livingIn(
      project,
      roomBody(space, (run, top) => cutsIn(project, space, run, top), floorOf(project, space.levelId)),
      () => [space.id],
    ),
  );
  const fittings = sound.flatMap((space) =>
    wallRuns(space).flatMap((run) =>
      project.openings.flatMap((opening) => {
        const cut = opening.wallId === run.wall.id ? cutOf(opening, run, Infinity) : null;
        const body =
          cut && fittingBody(withThroughDepth(project, opening, run, cut), run, floorOf(project, space.levelId));
        return body ? livingIn(project, body, () => roomsAtOpening(project, opening)) : [];
      }),
    ),
  );
  const surfaces = project.surfaces.flatMap((surface) => {
    const space = sound.find((one) => one.id === surface.spaceId);
    const body = space && surfaceIn(project, surface);
    return body ? livingIn(project, body, () => [surface.spaceId]) : [];
  });
  return [...rooms, ...fittings, ...surfaces];
}

/** A body with the rooms it stands in or opens into, where there are several. */
const livingIn = (project: MeasuredRoom, body: Body, homes: () => readonly Id[]): Body =>
  project.spaces.length > 1 ? { ...body, homes: homes() } : body;

/** The rooms on both sides of an opening. */
const roomsAtOpening = ({ spaces }: MeasuredRoom, { wallId, throughWallId }: Opening): readonly Id[] =>
  spaces
    .filter(({ walls }) => walls.some((wall) => wall.id === wallId || wall.id === throughWallId))
    .map(({ id }) => id);

/** The room that a piece stands in by its middle, from wherever it was measured; where it stands in none, those it was measured from. */
function roomsOfPiece(project: MeasuredRoom, piece: MeasuredRoom['pieces'][number]): readonly Id[] {
  const footprint = footprintOf(project, piece);
  const middle = footprint.ok ? middleOf(Object.values(footprint.value.corners)) : null;
  const around = project.spaces.filter(
    (space) =>
      middle !== null &&
      space.levelId === piece.levelId &&
      insideLoops([wallRuns(space).map((run) => run.start)], middle.x, middle.y),
  );
  const measured = project.spaces.filter(({ walls }) =>
    piece.place.from.some(({ wallId }) => walls.some((wall) => wall.id === wallId)),
  );
  return (around.length > 0 ? around : measured).map(({ id }) => id);
}

const middleOf = (corners: readonly PlanPoint[]): Vector2 => ({
  x: corners.reduce((sum, { x }) => sum + x, 0) / corners.length,
  y: corners.reduce((sum, { y }) => sum + y, 0) / corners.length,
});

/** A pattern where it lies; null where nothing of it does. */
export function surfaceIn(project: MeasuredRoom, surface: Surface): Body | null {
  const space = project.spaces.find((one) => one.id === surface.spaceId);
  return space
    ? surfaceBody(surface, space, (run, top) => cutsIn(project, space, run, top), floorOf(project, space.levelId))
    : null;
}

export const bodiesOf = (project: MeasuredRoom): readonly Body[] => keepBodies(project).bodies;
