import { err } from '@/core/base';
import { MOST_OF } from './bounds';
import type { Edit } from './edits';
import { changed } from './piece-edits';
import type { BlockOutline, Division, Project } from './project';
import { claimOf, newSize, type Id } from './size';

export const setCount = (project: Project, pieceId: Id, name: string, count: number): Edit =>
  Number.isInteger(count) && count >= 0 && count <= 200
    ? changed(project, pieceId, (piece) => ({ ...piece, counts: { ...piece.counts, [name]: count } }))
    : err({ reason: 'bad-value', message: 'A number of things is a whole number, such as 4.' });

export const setChoice = (project: Project, pieceId: Id, name: string, choice: string): Edit =>
  changed(project, pieceId, (piece) => ({ ...piece, choices: { ...piece.choices, [name]: choice } }));

export const setDivision = (project: Project, pieceId: Id, name: string, division: Division): Edit =>
  changed(project, pieceId, (piece) => ({ ...piece, divisions: { ...piece.divisions, [name]: division } }));

/** A division whose measured sizes are its own: taken over from another, they are as well known, but no longer the same sizes. */
const ownSizes = (division: Division, stem: Id): Division =>
  division.by === 'sizes'
    ? {
        ...division,
        sizes: division.sizes.map((size, i) => {
          const { id: _, ...said } = claimOf(size);
          return size.id === `${stem}-${i + 1}` ? size : newSize(`${stem}-${i + 1}`, said);
        }),
      }
    : division;

/** A division of one part of another, from 0; null makes it as the others are. */
export function setDivisionOf(
  project: Project,
  pieceId: Id,
  name: string,
  part: number,
  division: Division | null,
): Edit {
  if (!Number.isInteger(part) || part < 0 || part >= MOST_OF.parts)
    return err({ reason: 'bad-value', message: 'Parts of a division are counted from 0.' });
  return changed(project, pieceId, (piece) => {
    const now = piece.divisionsEach[name] ?? [];
    const own = division && ownSizes(division, `${pieceId}/${name}-of-${part + 1}`);
    const list = Array.from({ length: Math.max(now.length, part + 1) }, (_, i) =>
      i === part ? own : (now[i] ?? null),
    );
    return { ...piece, divisionsEach: { ...piece.divisionsEach, [name]: list } };
  });
}

export const setOutlines = (project: Project, pieceId: Id, outlines: readonly BlockOutline[]): Edit =>
  changed(project, pieceId, (piece) => ({ ...piece, outlines }));
