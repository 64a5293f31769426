import { ok } from '@/core/base';
import type { Edit } from './edits';
import { freshId } from './fresh-id';
import { changed, found, unknown } from './piece-edits';
import { distanceFromWall, footprintOf, wallRunOf } from './place';
import { PIECE_CORNERS, type Piece, type PieceCorner, type Project } from './project';
import { claimOf, estimatedSize, mmOf, newSize, USUAL_UNCERTAINTY_MM, type Id } from './size';

/** Writes down a further offset to check a piece by, from the wall it is nearest to of those that do not place it; as it stands now. */
export function addCheck(project: Project, pieceId: Id, wallId: Id, print: (mm: number) => string): Edit {
  const piece = found(project, pieceId);
  const run = wallRunOf(project, wallId);
  const footprint = piece && footprintOf(project, piece);
  if (!piece || !run || !footprint?.ok) return unknown('piece or wall');
  const corners = PIECE_CORNERS.map((corner) => ({
    corner,
    mm: distanceFromWall(run, footprint.value.corners[corner]),
  }));
  const [nearest] = [...corners].sort((a, b) => a.mm - b.mm);
  if (!nearest) return unknown('piece');
  const id = freshId(
    `${pieceId}/check`,
    project.pieces.flatMap((one) => one.checks.map((check) => check.id)),
  );
  const mm = Math.round(nearest.mm * 10) / 10;
  const distance = estimatedSize(`${id}/distance`, mm, print);
  return changed(project, pieceId, (one) => ({
    ...one,
    checks: [...one.checks, { id, pieceCorner: nearest.corner, wallId, distance }],
  }));
}

/**
 * Places a piece by another of its corners: it stays where it stands, and its two offsets are those of that corner, worked out. What was measured
 * to the corner before stays as checks of it.
 */
export function placeByCorner(
  project: Project,
  pieceId: Id,
  pieceCorner: PieceCorner,
  print: (mm: number) => string,
): Edit {
  const piece = found(project, pieceId);
  const footprint = piece && footprintOf(project, piece);
  if (!piece || !footprint?.ok) return unknown('piece');
  if (pieceCorner === piece.place.pieceCorner) return ok(project);
  const taken = new Set(project.pieces.flatMap((one) => one.checks.map((check) => check.id)));
  const checks = piece.place.from.flatMap(({ wallId, distance }) => {
    const { id: _, ...said } = claimOf(distance);
    if (said.source !== 'measured') return [];
    const id = freshId(`${pieceId}/check`, taken);
    taken.add(id);
    return [{ id, pieceCorner: piece.place.pieceCorner, wallId, distance: newSize(`${id}/distance`, said) }];
  });
  const from = piece.place.from.map((offset) => {
    const run = wallRunOf(project, offset.wallId);
    const mm = run ? distanceFromWall(run, footprint.value.corners[pieceCorner]) : mmOf(offset.distance);
    return { ...offset, distance: estimatedSize(offset.distance.id, Math.round(mm * 1000) / 1000, print) };
  }) as unknown as Piece['place']['from'];
  return changed(project, pieceId, (one) => ({
    ...one,
    place: { ...one.place, pieceCorner, from },
    checks: [...one.checks, ...checks],
  }));
}

export const removeCheck = (project: Project, pieceId: Id, checkId: Id): Edit =>
  changed(project, pieceId, (one) => ({ ...one, checks: one.checks.filter((check) => check.id !== checkId) }));

/** What one reads off the tape for a check: measured on site. */
export function measureCheck(
  project: Project,
  pieceId: Id,
  checkId: Id,
  figure: { readonly mm: number; readonly asTyped: string },
): Edit {
  return changed(project, pieceId, (one) => ({
    ...one,
    checks: one.checks.map((check) =>
      check.id === checkId
        ? {
            ...check,
            distance: newSize(check.distance.id, {
              ...figure,
              source: 'measured',
              uncertaintyMm: USUAL_UNCERTAINTY_MM.measured,
            }),
          }
        : check,
    ),
  }));
}
