'use client';
import { useStore } from 'zustand';
import { Board, type Arrangement } from '@/interface/board';
import { ProblemPaper } from '@/interface/frame';
import { useSession, useWorkedOut } from '@/interface/session';
import type { AtBoard } from './use-at-board';
import { Tape } from './Tape';

/** The board as a stage arranges it, with the tape laid over it; what is wrong, where nothing can be drawn. */
export function BoardPaper({
  at,
  arrangement,
}: {
  readonly at: AtBoard;
  readonly arrangement: Omit<Arrangement, 'pointer'>;
}) {
  const { store, commands } = useSession();
  const { perspective } = useWorkedOut();
  const canUndo = useStore(store, (state) => state.history.past.length > 0);
  if (!at.perspective)
    return (
      <ProblemPaper message={perspective.ok ? '' : perspective.error.message} undo={canUndo ? commands.undo : null} />
    );
  return (
    <Board
      arrangement={{
        ...arrangement,
        pointer: at.pointer,
        over: (handled) => (
          <>
            {arrangement.over(handled)}
            {at.taped ? <Tape points={at.taped} pose={handled.pose} colour={handled.look.accent} /> : null}
          </>
        ),
      }}
      perspective={at.perspective}
      screen={at.screen}
      litCorner={at.litCorner}
      litEdge={at.litLine}
      boardRef={at.board}
    />
  );
}
