import type { Vector2 } from '@/core/geometry';
import type { Elevation } from '@/core/pipeline';
import {
  footprintOf,
  leftAlongWall,
  mmOf,
  outlineOf,
  wallOf,
  wallRunOf,
  type Footprint,
  type Id,
  type Opening,
  type Piece,
  type Project,
  type Space,
  type WallRun,
} from '@/core/record';
import type { ScreenPoint } from '@/core/space';
import { elevationToScreen, planToScreen, type MeasurePose } from './pose';

type Places = Readonly<Record<string, ScreenPoint>>;

export const middleOf = (corners: Footprint['corners']): Vector2 => ({
  x: (corners['back-left'].x + corners['front-right'].x) / 2,
  y: (corners['back-left'].y + corners['front-right'].y) / 2,
});

/** Of a piece in plan: on its middle, and before its front. */
export function pieceHandlePlaces(
  pose: MeasurePose,
  piece: Piece,
  { corners, depthDirection }: Footprint,
): { readonly piece: ScreenPoint; readonly 'piece-turn': ScreenPoint } {
  const middle = middleOf(corners);
  const out = mmOf(piece.depth) / 2 + 52 / pose.scale;
  return {
    piece: planToScreen(pose, middle),
    'piece-turn': planToScreen(pose, { x: middle.x + depthDirection.x * out, y: middle.y + depthDirection.y * out }),
  };
}

/** Of an opening in plan: on its middle, on the wall. */
export function openingHandlePlace(pose: MeasurePose, opening: Opening, run: WallRun): ScreenPoint {
  const middle = leftAlongWall(opening, run) + mmOf(opening.width) / 2;
  return planToScreen(pose, { x: run.start.x + run.run.x * middle, y: run.start.y + run.run.y * middle });
}

/** Of an opening in its wall's elevation: on its sill and on its head. */
export function sillAndHeadPlaces(
  pose: MeasurePose,
  elevation: Elevation,
  opening: Opening,
  run: WallRun,
): { readonly 'opening-sill': ScreenPoint; readonly 'opening-head': ScreenPoint } {
  const middle = leftAlongWall(opening, run) + mmOf(opening.width) / 2;
  const [sill, head] = [mmOf(opening.sill), mmOf(opening.sill) + mmOf(opening.height)];
  return {
    'opening-sill': elevationToScreen(pose, elevation, middle, sill),
    'opening-head': elevationToScreen(pose, elevation, middle, head),
  };
}

/** Of a piece in its elevation: on the middle of its top. */
export const pieceTopPlace = (pose: MeasurePose, elevation: Elevation, piece: Piece): ScreenPoint =>
  elevationToScreen(pose, elevation, elevation.across / 2, mmOf(piece.lift) + mmOf(piece.height));

export const cornerHandle = (cornerId: Id): string => `corner-${cornerId}`;
/** Of a room in plan: on its corners. */
export const cornerPlaces = (pose: MeasurePose, space: Space): Places =>
  Object.fromEntries(outlineOf(space).corners.map(({ id, at }) => [cornerHandle(id), planToScreen(pose, at)]));

/** Where every handle of what is chosen lies, by name: as a drag moves them. */
export function measurePlaces(
  project: Project,
  pose: MeasurePose,
  first: Id | null,
  elevation: Elevation | null,
): Places {
  if (first === null) return {};
  const piece = project.pieces.find((one) => one.id === first);
  const footprint = piece && footprintOf(project, piece);
  if (piece && footprint?.ok)
    return {
      ...pieceHandlePlaces(pose, piece, footprint.value),
      ...(elevation ? { 'piece-height': pieceTopPlace(pose, elevation, piece) } : {}),
    };
  const opening = project.openings.find((one) => one.id === first);
  const run = opening && wallRunOf(project, opening.wallId);
  if (opening && run)
    return {
      opening: openingHandlePlace(pose, opening, run),
      ...(elevation ? sillAndHeadPlaces(pose, elevation, opening, run) : {}),
    };
  const space = project.spaces.find((one) => one.id === first) ?? wallOf(project, first)?.space;
  return space ? cornerPlaces(pose, space) : {};
}
