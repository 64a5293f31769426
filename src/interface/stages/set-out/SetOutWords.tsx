'use client';
import { groupServing } from '@/core/view';
import { BoardWords, type Overlaid } from '@/interface/board';
import { useSession } from '@/interface/session';
import { BoardDimensions } from './BoardDimensions';

/** Points with their figures, and where sheet, horizon and ground line lie. */
export function SetOutWords(overlaid: Overlaid) {
  const { chosen } = useSession();
  const { setOut } = overlaid;
  return (
    <>
      <BoardWords
        {...overlaid}
        group={(chosen === null ? undefined : groupServing(setOut, chosen)) ?? setOut.room}
        named="here"
        views="bands"
      />
      <BoardDimensions {...overlaid} />
    </>
  );
}
