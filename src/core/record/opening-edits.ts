import { err, ok } from '@/core/base';
import { replace, withoutServed, type Edit } from './edits';
import { wallOf } from './lookup';
import { movedSize } from './piece-edits';
import type { Opening, Project, Surface } from './project';
import { mmOf, type Id } from './size';

export function changeOpening(project: Project, openingId: Id, change: Partial<Omit<Opening, 'id'>>): Edit {
  const opening = project.openings.find((one) => one.id === openingId);
  if (!opening) return err({ reason: 'unknown', message: 'That opening is not in this project.' });
  const next = { ...opening, ...change };
  if (!wallOf(project, next.wallId))
    return err({ reason: 'unknown', message: `${opening.name} names a wall that is not in this project.` });
  if (next.throughWallId !== null && !wallOf(project, next.throughWallId))
    return err({ reason: 'unknown', message: `${opening.name} leads through a wall that is not in this project.` });
  return ok({ ...project, openings: replace(project.openings, openingId, () => next) });
}

/** Moves an opening along its wall, up its wall, or both, mm; what was measured stays as a claim beside the estimate. */
export function moveOpening(
  project: Project,
  openingId: Id,
  by: { readonly along: number; readonly up: number },
  print: (mm: number) => string,
): Edit {
  const opening = project.openings.find((one) => one.id === openingId);
  const owner = opening && wallOf(project, opening.wallId);
  if (!opening || !owner) return err({ reason: 'unknown', message: 'That opening is not in this project.' });
  const sign = opening.fromCorner === owner.wall.startCorner ? 1 : -1;
  return changeOpening(project, openingId, {
    offset: movedSize(opening.offset, mmOf(opening.offset) + sign * by.along, print),
    sill: movedSize(opening.sill, Math.max(0, mmOf(opening.sill) + by.up), print),
  });
}

export const removeOpening = (project: Project, openingId: Id): Project =>
  withoutServed({ ...project, openings: project.openings.filter((one) => one.id !== openingId) }, new Set([openingId]));

export function addSurface(project: Project, surface: Surface): Edit {
  const space = project.spaces.find((one) => one.id === surface.spaceId);
  if (!space?.walls.some((wall) => wall.id === surface.wallId))
    return err({ reason: 'unknown', message: `${surface.name} is laid out from a wall that is not in its room.` });
  if (project.surfaces.some((one) => one.id === surface.id))
    return err({ reason: 'id-in-use', message: 'That name is taken by another surface.' });
  return ok({ ...project, surfaces: [...project.surfaces, surface] });
}

export function changeSurface(project: Project, surfaceId: Id, change: Partial<Omit<Surface, 'id'>>): Edit {
  if (!project.surfaces.some((one) => one.id === surfaceId))
    return err({ reason: 'unknown', message: 'That surface is not in this project.' });
  return ok({ ...project, surfaces: replace(project.surfaces, surfaceId, (one) => ({ ...one, ...change })) });
}

export const removeSurface = (project: Project, surfaceId: Id): Project => ({
  ...project,
  surfaces: project.surfaces.filter((one) => one.id !== surfaceId),
});
