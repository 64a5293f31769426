import { err, ok } from '@/core/base';
import { dot2, type Vector2 } from '@/core/geometry';
import type { Degrees } from '@/core/units';
import { mapSize, replace, turnPiece, type Edit } from './edits';
import { freshId } from './fresh-id';
import { footprintOf, wallRunOf } from './place';
import type { Piece, Project } from './project';
import { claimOf, mmOf, USUAL_UNCERTAINTY_MM, withClaim, type Id, type Size, type Source } from './size';

export const unknown = (what: string): Edit =>
  err({ reason: 'unknown', message: `That ${what} is not in this project.` });
export const found = (project: Project, pieceId: Id): Piece | undefined =>
  project.pieces.find((one) => one.id === pieceId);

/**
 * A size changed by moving something: an estimate. An earlier estimate is corrected; what was measured or read stays beside it as a claim
 * of its own, so that moving by eye never overwrites a measurement.
 */
export function movedSize(size: Size, mm: number, print: (mm: number) => string): Size {
  if (mm === mmOf(size)) return size;
  const figure = { mm, asTyped: print(mm) };
  const now = claimOf(size);
  if (now.source === 'estimated')
    return {
      ...size,
      claims: size.claims.map((claim) => (claim.id === size.inForce ? { ...claim, ...figure } : claim)),
    };
  return withClaim(size, { ...figure, source: 'estimated', uncertaintyMm: USUAL_UNCERTAINTY_MM.estimated });
}

/** A size decided anew: the figure in force gives way to an estimate, because it led to a contradiction. */
export function settledSize(size: Size, mm: number, print: (mm: number) => string): Size {
  if (mm === mmOf(size)) return size;
  const settled = {
    mm,
    asTyped: print(mm),
    source: 'estimated' as const,
    uncertaintyMm: USUAL_UNCERTAINTY_MM.estimated,
  };
  return {
    ...size,
    claims: size.claims.map((claim) => (claim.id === size.inForce ? { ...claim, ...settled } : claim)),
  };
}

/** Moves a piece in plan by a vector, mm: its two offsets follow, as moved by eye or as decided anew. */
export function movePieceBy(
  project: Project,
  pieceId: Id,
  by: Vector2,
  print: (mm: number) => string,
  change: (size: Size, mm: number, print: (mm: number) => string) => Size = movedSize,
): Edit {
  const piece = found(project, pieceId);
  if (!piece) return unknown('piece');
  const from = piece.place.from.map((offset) => {
    const run = wallRunOf(project, offset.wallId);
    const mm = run ? mmOf(offset.distance) + dot2(by, run.intoRoom) : mmOf(offset.distance);
    return { ...offset, distance: change(offset.distance, Math.round(mm * 1000) / 1000, print) };
  }) as unknown as Piece['place']['from'];
  return ok({
    ...project,
    pieces: replace(project.pieces, pieceId, () => ({ ...piece, place: { ...piece.place, from } })),
  });
}

/** Turned about the middle of its footprint: its offsets follow, as moved by eye. */
export function turnPieceAboutMiddle(
  project: Project,
  pieceId: Id,
  turnDeg: Degrees,
  print: (mm: number) => string,
): Edit {
  const middle = (now: Project): Vector2 | null => {
    const piece = found(now, pieceId);
    const footprint = piece && footprintOf(now, piece);
    if (!footprint?.ok) return null;
    const { corners } = footprint.value;
    return {
      x: (corners['back-left'].x + corners['front-right'].x) / 2,
      y: (corners['back-left'].y + corners['front-right'].y) / 2,
    };
  };
  const before = middle(project);
  const turned = turnPiece(project, pieceId, turnDeg);
  if (!turned.ok || !before) return turned;
  const after = middle(turned.value);
  return after ? movePieceBy(turned.value, pieceId, { x: before.x - after.x, y: before.y - after.y }, print) : turned;
}

/** A copy whose ids are its own; the claims are copied, for the copy is as well known as the thing. */
function copied(piece: Piece, id: Id, name: string): Piece {
  // A size is named by where it stands in the piece, its claims by their order.
  const walk = <T>(value: T, path: string): T => {
    if (Array.isArray(value)) return value.map((one: unknown, i) => walk(one, `${path}/${i + 1}`)) as T;
    if (typeof value !== 'object' || value === null) return value;
    const record = value as Record<string, unknown>;
    if ('claims' in record && 'inForce' in record) {
      const size = record as unknown as Size;
      const claims = size.claims.map((claim, i) => ({ ...claim, id: `${path}/${i + 1}` }));
      const inForce = claims[size.claims.findIndex((claim) => claim.id === size.inForce)]?.id ?? size.inForce;
      return { ...size, id: path, claims, inForce } as T;
    }
    return Object.fromEntries(Object.entries(record).map(([key, one]) => [key, walk(one, `${path}/${key}`)])) as T;
  };
  return { ...walk(piece, id), id, name };
}

/** The next free name of a row: “stool 2” after “stool”. */
function nextName(project: Project, name: string): string {
  const stem = name.replace(/ \d+$/, '');
  const taken = new Set(project.pieces.map((one) => one.name));
  let n = 2;
  while (taken.has(`${stem} ${n}`)) n += 1;
  return `${stem} ${n}`;
}

const pieceIds = (project: Project): Id[] => [
  ...project.pieces.map((one) => one.id),
  ...project.openings.map((one) => one.id),
  ...project.spaces.flatMap((space) => [space.id, ...space.walls.map((wall) => wall.id)]),
  ...project.surfaces.map((one) => one.id),
];

/** A copy set down beside the piece, its width away along its own width, and the id it got. */
export function duplicatePiece(
  project: Project,
  pieceId: Id,
  print: (mm: number) => string,
  by?: Vector2,
): { readonly edit: Edit; readonly id: Id } {
  const piece = found(project, pieceId);
  const footprint = piece && footprintOf(project, piece);
  if (!piece || !footprint?.ok) return { edit: unknown('piece'), id: pieceId };
  const id = freshId(piece.id, pieceIds(project));
  const copy = copied(piece, id, nextName(project, piece.name));
  const { widthDirection: w, width } = footprint.value;
  const shift = by ?? { x: w.x * width, y: w.y * width };
  return { edit: movePieceBy({ ...project, pieces: [...project.pieces, copy] }, id, shift, print), id };
}

/** A row of `count` in all, `spacing` apart from left edge to left edge along the piece's width (or back to front). All are measured from the first. */
export function repeatPiece(
  project: Project,
  pieceId: Id,
  row: { readonly count: number; readonly spacing: number; readonly along: 'width' | 'depth' },
  print: (mm: number) => string,
): Edit {
  if (!Number.isInteger(row.count) || row.count < 2 || row.count > 60)
    return err({ reason: 'bad-value', message: 'A row has from 2 to 60 pieces.' });
  const piece = found(project, pieceId);
  const footprint = piece && footprintOf(project, piece);
  if (!footprint?.ok) return unknown('piece');
  const d = row.along === 'width' ? footprint.value.widthDirection : footprint.value.depthDirection;
  let edit: Edit = ok(project);
  for (let i = 1; i < row.count && edit.ok; i += 1)
    edit = duplicatePiece(edit.value, pieceId, print, { x: d.x * row.spacing * i, y: d.y * row.spacing * i }).edit;
  return edit;
}

/** Left and right of a piece changed over where it stands. */
export function mirrorPiece(project: Project, pieceId: Id): Edit {
  const piece = found(project, pieceId);
  if (!piece) return unknown('piece');
  return ok({ ...project, pieces: replace(project.pieces, pieceId, () => ({ ...piece, mirrored: !piece.mirrored })) });
}

/** Brings the chosen corners or middles of pieces to one line: the distance that the first of them has from a wall. */
export function alignPieces(
  project: Project,
  pieceIds: readonly Id[],
  wallId: Id,
  what: 'near' | 'middle' | 'far',
  print: (mm: number) => string,
): Edit {
  const run = wallRunOf(project, wallId);
  if (!run) return unknown('wall');
  const place = (id: Id): number | null => {
    const piece = found(project, id);
    const footprint = piece && footprintOf(project, piece);
    if (!footprint?.ok) return null;
    const all = Object.values(footprint.value.corners).map(
      (p) => (p.x - run.start.x) * run.intoRoom.x + (p.y - run.start.y) * run.intoRoom.y,
    );
    const [low, high] = [Math.min(...all), Math.max(...all)];
    return what === 'near' ? low : what === 'far' ? high : (low + high) / 2;
  };
  const [first, ...rest] = pieceIds;
  const line = first === undefined ? null : place(first);
  if (line === null) return unknown('piece');
  let edit: Edit = ok(project);
  for (const id of rest) {
    const now = place(id);
    if (now === null || !edit.ok) continue;
    edit = movePieceBy(edit.value, id, { x: run.intoRoom.x * (line - now), y: run.intoRoom.y * (line - now) }, print);
  }
  return edit;
}

/** Pieces as copied: what the clipboard of the desk holds. */
export interface Clipping {
  readonly pieces: readonly Piece[];
}
export const copyPieces = (project: Project, ids: readonly Id[]): Clipping => ({
  pieces: project.pieces.filter((piece) => ids.includes(piece.id)),
});

/** Pastes pieces into a project that has their walls, 200 mm aside so that they can be seen. One entry for the whole. */
export function pastePieces(
  project: Project,
  clipping: Clipping,
  print: (mm: number) => string,
): { readonly edit: Edit; readonly ids: readonly Id[] } {
  if (clipping.pieces.length === 0)
    return { edit: err({ reason: 'unknown', message: 'Nothing has been copied yet.' }), ids: [] };
  let edit: Edit = ok(project);
  const ids: Id[] = [];
  for (const piece of clipping.pieces) {
    if (!edit.ok) break;
    if (!footprintOf(edit.value, piece).ok)
      return {
        edit: err({
          reason: 'refused-place',
          message: `${piece.name} is measured from walls that are not in this project.`,
        }),
        ids,
      };
    const id = freshId(piece.id, pieceIds(edit.value));
    const copy = copied(piece, id, nextName(edit.value, piece.name));
    ids.push(id);
    const aside = wallRunOf(edit.value, piece.place.from[0].wallId);
    const by = aside ? { x: aside.intoRoom.x * 200, y: aside.intoRoom.y * 200 } : { x: 0, y: 0 };
    edit = movePieceBy({ ...edit.value, pieces: [...edit.value.pieces, copy] }, id, by, print);
  }
  return { edit, ids };
}

/** A piece changed; refused where there is none of that id. */
export const changed = (project: Project, pieceId: Id, change: (piece: Piece) => Piece): Edit => {
  const piece = found(project, pieceId);
  return piece ? ok({ ...project, pieces: replace(project.pieces, pieceId, change) }) : unknown('piece');
};

/** Renames a wall, opening, piece, surface, space or level. */
export function renameThing(project: Project, id: Id, name: string): Edit {
  if (name.trim() === '') return err({ reason: 'bad-value', message: 'A thing wants a name.' });
  const rename = <T extends { readonly id: Id; readonly name: string }>(list: readonly T[]): readonly T[] =>
    list.some((one) => one.id === id) ? replace(list, id, (one) => ({ ...one, name })) : list;
  return ok({
    ...project,
    levels: rename(project.levels),
    spaces: rename(project.spaces).map((space) => ({ ...space, walls: rename(space.walls) })),
    openings: rename(project.openings),
    pieces: rename(project.pieces),
    surfaces: rename(project.surfaces),
  });
}

/** Takes back one claim that is not in force: how two claims that disagree are settled. */
export function withdrawClaim(project: Project, sizeId: Id, claimId: Id): Edit {
  let known = false;
  const next = mapSize(project, sizeId, (size) => {
    if (size.inForce === claimId || !size.claims.some((claim) => claim.id === claimId)) return size;
    known = true;
    return { ...size, claims: size.claims.filter((claim) => claim.id !== claimId) };
  });
  return known ? ok(next) : err({ reason: 'unknown', message: 'That claim is in force, or not in this project.' });
}

/** Says where the figure in force comes from, with the uncertainty usual for that source or one's own. */
export function sizeSource(
  project: Project,
  sizeId: Id,
  source: Source,
  uncertaintyMm = USUAL_UNCERTAINTY_MM[source],
): Edit {
  if (!(uncertaintyMm >= 0))
    return err({ reason: 'bad-value', message: 'An uncertainty is a length of nought or more, such as 3 mm.' });
  let known = false;
  const next = mapSize(project, sizeId, (size) => {
    known = true;
    return {
      ...size,
      claims: size.claims.map((claim) => (claim.id === size.inForce ? { ...claim, source, uncertaintyMm } : claim)),
    };
  });
  return known ? ok(next) : err({ reason: 'unknown', message: 'That size is not in this project.' });
}
