import { type ElevationOf } from '@/core/pipeline';
import type { Millimetres } from '@/core/units';
import { wallOf, wallRunOf, type Id, type Project, type WallRun } from '@/core/record';

/** The level that what is chosen lies on; the view's where nothing is. */
export function levelOfChosen(project: Project, id: Id | null, otherwise: Id): Id {
  const piece = project.pieces.find((one) => one.id === id);
  if (piece) return piece.levelId;
  const opening = project.openings.find((one) => one.id === id);
  const surface = project.surfaces.find((one) => one.id === id);
  const space =
    project.spaces.find((one) => one.id === (surface?.spaceId ?? id)) ??
    (id === null ? undefined : wallOf(project, opening?.wallId ?? id)?.space);
  return space?.levelId ?? otherwise;
}

/** What the elevation under the plan is of: the chosen wall, opening or piece; of a room, the wall at the top of its plan. */
export function elevationFor(
  project: Project,
  id: Id | null,
  side: 'front' | 'side',
  within: Millimetres,
): ElevationOf | null {
  if (id === null) return null;
  if (project.pieces.some((one) => one.id === id)) return { of: 'piece', pieceId: id, from: side };
  const opening = project.openings.find((one) => one.id === id);
  const wall = wallOf(project, opening?.wallId ?? id);
  if (wall) return { of: 'wall', wallId: wall.wall.id, within };
  const space = project.spaces.find((one) => one.id === id);
  const [top] = [...(space?.walls ?? [])].sort((a, b) => Math.abs(a.bearingDeg - 90) - Math.abs(b.bearingDeg - 90));
  return top ? { of: 'wall', wallId: top.id, within } : null;
}

/** The wall whose elevation belongs to what is chosen. */
export function wallOfChosen(project: Project, id: Id | null): WallRun | undefined {
  const opening = project.openings.find((one) => one.id === id);
  return id === null ? undefined : wallRunOf(project, opening?.wallId ?? id);
}
