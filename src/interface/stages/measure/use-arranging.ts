'use client';
import { useState } from 'react';
import {
  copyPieces,
  duplicatePiece,
  mmOf,
  pastePieces,
  several,
  type Change,
  type Clipping,
  type Id,
} from '@/core/record';
import { formatBareLength } from '@/core/units';
import { keptState, useKept, useSession } from '@/interface/session';
import type { RowWanted } from './ArrangeWords';
import type { Chosen } from './use-chosen';

const CLIPPING = keptState<Clipping>({ pieces: [] });

/** What is done with chosen pieces: repeated, mirrored, aligned, copied, taken out. */
export interface Arranging {
  readonly row: RowWanted;
  readonly setRow: (row: RowWanted) => void;
  readonly duplicate: () => void;
  readonly repeat: () => void;
  readonly mirror: () => void;
  readonly align: (wallId: Id, what: 'near' | 'middle' | 'far') => void;
  /** Against the first wall that the first piece is measured from. */
  readonly alignNear: () => void;
  readonly copy: () => void;
  readonly paste: () => void;
  readonly remove: () => void;
}

export function useArranging({ first, pieces, picked, pick }: Chosen): Arranging {
  const { project, commands, readOnly, style, kept } = useSession();
  const print = (mm: number): string => formatBareLength(mm, style);
  const [clipping, setClipping] = useKept(kept, CLIPPING);
  const piece = project.pieces.find((one) => one.id === first);
  // A row is wanted for the piece it was typed for; the next one begins with its own width.
  const [typed, setTyped] = useState<{ readonly of: Id | null; readonly row: RowWanted } | null>(null);
  const row: RowWanted =
    typed?.of === first && typed !== null
      ? typed.row
      : { count: 3, spacing: piece ? Math.ceil(mmOf(piece.width) / 50) * 50 + 100 : 600, along: 'width' };
  const each = (label: string, change: (id: Id) => Change): void => {
    if (!readOnly && pieces.length > 0) commands.change(label, several(pieces.map(change)));
  };
  const align = (wallId: Id, what: 'near' | 'middle' | 'far'): void => {
    if (!readOnly) commands.change('Align', { kind: 'align-pieces', pieceIds: pieces, wallId, what });
  };
  return {
    row,
    setRow: (next) => setTyped({ of: first, row: next }),
    align,
    duplicate: () => {
      if (readOnly || pieces.length === 0) return;
      const made = pieces.map((id) => duplicatePiece(project, id, print));
      each('Duplicate', (pieceId) => ({ kind: 'duplicate-piece', pieceId }));
      const [only] = made;
      if (only && made.length === 1) pick([only.id]);
    },
    repeat: () => {
      if (!readOnly && piece) commands.change('Repeat in a row', { kind: 'repeat-piece', pieceId: piece.id, ...row });
    },
    mirror: () => each('Mirror', (pieceId) => ({ kind: 'mirror-piece', pieceId })),
    alignNear: () => {
      const wallId = piece?.place.from[0].wallId;
      if (wallId !== undefined && pieces.length > 1) align(wallId, 'near');
    },
    copy: () => {
      if (pieces.length > 0) setClipping(copyPieces(project, pieces));
    },
    paste: () => {
      if (readOnly) return;
      const { ids } = pastePieces(project, clipping, print);
      commands.change('Paste', { kind: 'paste-pieces', pieces: clipping.pieces });
      if (ids.length > 0) pick(ids);
    },
    remove: () => {
      if (!readOnly && picked.length > 0) commands.change('Take out', { kind: 'remove-things', ids: picked });
    },
  };
}
