'use client';
import type { Id } from '@/core/record';
import { keptState, useKept, useSession } from '@/interface/session';
import { levelOfChosen } from './places';
import { walkOf } from './place-template';

const PICKED = keptState<readonly Id[]>([]);
const SIDE = keptState<'front' | 'side'>('front');

/** What is chosen in Measure: rooms, walls, openings, patterns, pieces; of pieces several. */
export interface Chosen {
  /** Never empty while there is a room. */
  readonly ids: readonly Id[];
  readonly first: Id | null;
  /** The pieces among them. */
  readonly pieces: readonly Id[];
  /** What was picked by somebody: a room one falls back on is not. */
  readonly picked: readonly Id[];
  readonly levelId: Id;
  /** From where a chosen piece is looked at in its elevation. */
  readonly side: 'front' | 'side';
  readonly turnSide: () => void;
  readonly pick: (ids: readonly Id[]) => void;
  readonly choose: (id: Id | null, more: boolean) => void;
  readonly walk: (by: 1 | -1) => void;
  readonly walkPieces: (by: 1 | -1) => void;
  /** Keeps what is chosen and chooses the next piece too: how several are chosen by key. */
  readonly chooseToo: () => void;
}

export function useChosen(): Chosen {
  const { project, view, kept } = useSession();
  const [all, pick] = useKept(kept, PICKED);
  const [side, setSide] = useKept(kept, SIDE);
  const list = walkOf(project);
  const there = new Set(list);
  // What was chosen and is gone, by undo or by taking it out, is no longer chosen; a room is always there to fall back on.
  const picked = all.filter((id) => there.has(id));
  const [room] = project.spaces;
  const ids: readonly Id[] = picked.length > 0 ? picked : room ? [room.id] : [];
  const first = ids[0] ?? null;
  const isPiece = (id: Id): boolean => project.pieces.some((one) => one.id === id);
  const pieces = ids.filter(isPiece);
  const next = (among: readonly Id[], by: 1 | -1): void => {
    const id = among[((first === null ? -1 : among.indexOf(first)) + by + among.length) % among.length];
    if (id !== undefined) pick([id]);
  };
  return {
    ...{ ids, first, pieces, picked, pick, side },
    levelId: levelOfChosen(project, first, view.levelId),
    turnSide: () => setSide(side === 'front' ? 'side' : 'front'),
    choose: (id, more) => {
      if (id === null) pick([]);
      else if (!more) pick([id]);
      else pick(ids.includes(id) ? ids.filter((one) => one !== id) : [...pieces, id]);
    },
    walk: (by) => next(list, by),
    walkPieces: (by) =>
      next(
        project.pieces.map((one) => one.id),
        by,
      ),
    chooseToo: () => {
      const among = project.pieces.map((one) => one.id);
      const last = among.indexOf(pieces.at(-1) ?? '');
      const around = among.map((_, step) => among[(last + step + 1) % among.length]);
      const found = around.find((id) => id !== undefined && !pieces.includes(id));
      if (found !== undefined) pick([...pieces, found]);
    },
  };
}
