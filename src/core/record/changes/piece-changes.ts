import type { Vector2 } from '@/core/geometry';
import { ok } from '@/core/base';
import type { Degrees } from '@/core/units';
import { addPiece, changePiece, removePiece, turnPiece, type Edit } from '../edits';
import {
  alignPieces,
  duplicatePiece,
  mirrorPiece,
  movePieceBy,
  pastePieces,
  repeatPiece,
  settledSize,
  turnPieceAboutMiddle,
} from '../piece-edits';
import { addCheck, measureCheck, placeByCorner, removeCheck } from '../piece-checks';
import { setChoice, setCount, setDivision, setDivisionOf, setOutlines } from '../piece-fittings';
import type { BlockOutline, Division, Piece, PieceCorner, Project } from '../project';
import type { Id } from '../size';
import type { Handlers } from './handlers';

/** Changes of pieces of furniture, stairs and whatever else stands in a room. Vectors in plan, mm. */
export interface PieceChanges {
  readonly 'add-piece': { readonly piece: Piece };
  /** Anything of a piece but its id; refused when it could no longer be placed. */
  readonly 'change-piece': { readonly pieceId: Id; readonly fields: Partial<Omit<Piece, 'id'>> };
  readonly 'turn-piece': { readonly pieceId: Id; readonly turnDeg: Degrees };
  /** Turned so that its middle stays where it is: the offsets follow as estimates. */
  readonly 'turn-piece-about-middle': { readonly pieceId: Id; readonly turnDeg: Degrees };
  /** Moved by eye: what was measured stays beside the estimate. */
  readonly 'move-pieces': { readonly pieceIds: readonly Id[]; readonly by: Vector2 };
  /** Placed anew, because it led to a contradiction: the figures in force give way. */
  readonly 'settle-piece': { readonly pieceId: Id; readonly by: Vector2 };
  readonly 'remove-piece': { readonly pieceId: Id };
  readonly 'duplicate-piece': { readonly pieceId: Id };
  readonly 'repeat-piece': {
    readonly pieceId: Id;
    readonly count: number;
    readonly spacing: number;
    readonly along: 'width' | 'depth';
  };
  readonly 'mirror-piece': { readonly pieceId: Id };
  readonly 'align-pieces': {
    readonly pieceIds: readonly Id[];
    readonly wallId: Id;
    readonly what: 'near' | 'middle' | 'far';
  };
  readonly 'paste-pieces': { readonly pieces: readonly Piece[] };
  readonly 'set-count': { readonly pieceId: Id; readonly name: string; readonly count: number };
  readonly 'set-choice': { readonly pieceId: Id; readonly name: string; readonly choice: string };
  readonly 'set-division': { readonly pieceId: Id; readonly name: string; readonly division: Division };
  /** A division of one part of another, counted from 0; null: as everywhere. */
  readonly 'set-division-of': {
    readonly pieceId: Id;
    readonly name: string;
    readonly part: number;
    readonly division: Division | null;
  };
  readonly 'set-outlines': { readonly pieceId: Id; readonly outlines: readonly BlockOutline[] };
  /** By which of its corners it is placed; it stays where it stands. */
  readonly 'place-by-corner': { readonly pieceId: Id; readonly pieceCorner: PieceCorner };
  readonly 'add-check': { readonly pieceId: Id; readonly wallId: Id };
  readonly 'remove-check': { readonly pieceId: Id; readonly checkId: Id };
  readonly 'measure-check': {
    readonly pieceId: Id;
    readonly checkId: Id;
    readonly mm: number;
    readonly asTyped: string;
  };
}

/** One edit after another; the first that is refused stops them all. */
export function eachOf<T>(project: Project, list: readonly T[], edit: (project: Project, one: T) => Edit): Edit {
  let result: Edit = ok(project);
  for (const one of list) if (result.ok) result = edit(result.value, one);
  return result;
}

export const PIECE_CHANGES: Handlers<PieceChanges> = {
  'add-piece': (project, { piece }) => addPiece(project, piece),
  'change-piece': (project, { pieceId, fields }) => changePiece(project, pieceId, fields),
  'turn-piece': (project, { pieceId, turnDeg }) => turnPiece(project, pieceId, turnDeg),
  'turn-piece-about-middle': (project, { pieceId, turnDeg }, print) =>
    turnPieceAboutMiddle(project, pieceId, turnDeg, print),
  'move-pieces': (project, { pieceIds, by }, print) =>
    eachOf(project, pieceIds, (now, id) => movePieceBy(now, id, by, print)),
  'settle-piece': (project, { pieceId, by }, print) => movePieceBy(project, pieceId, by, print, settledSize),
  'remove-piece': (project, { pieceId }) => ok(removePiece(project, pieceId)),
  'duplicate-piece': (project, { pieceId }, print) => duplicatePiece(project, pieceId, print).edit,
  'repeat-piece': (project, { pieceId, ...row }, print) => repeatPiece(project, pieceId, row, print),
  'mirror-piece': (project, { pieceId }) => mirrorPiece(project, pieceId),
  'align-pieces': (project, { pieceIds, wallId, what }, print) => alignPieces(project, pieceIds, wallId, what, print),
  'paste-pieces': (project, { pieces }, print) => pastePieces(project, { pieces }, print).edit,
  'set-count': (project, { pieceId, name, count }) => setCount(project, pieceId, name, count),
  'set-choice': (project, { pieceId, name, choice }) => setChoice(project, pieceId, name, choice),
  'set-division': (project, { pieceId, name, division }) => setDivision(project, pieceId, name, division),
  'set-division-of': (project, { pieceId, name, part, division }) =>
    setDivisionOf(project, pieceId, name, part, division),
  'set-outlines': (project, { pieceId, outlines }) => setOutlines(project, pieceId, outlines),
  'place-by-corner': (project, { pieceId, pieceCorner }, print) => placeByCorner(project, pieceId, pieceCorner, print),
  'add-check': (project, { pieceId, wallId }, print) => addCheck(project, pieceId, wallId, print),
  'remove-check': (project, { pieceId, checkId }) => removeCheck(project, pieceId, checkId),
  'measure-check': (project, { pieceId, checkId, mm, asTyped }) =>
    measureCheck(project, pieceId, checkId, { mm, asTyped }),
};
