'use client';
import { groupServing } from '@/core/view';
import { BoardWords, type Overlaid } from '@/interface/board';
import { useSession } from '@/interface/session';
import { setOutPlaces } from './places';
import { BoardDimensions } from './BoardDimensions';

/** Points with their figures, and where sheet, horizon and ground line lie. */
export function SetOutWords(overlaid: Overlaid) {
  const { chosen } = useSession();
  const { setOut } = overlaid;
  // A point's own handle is where its name belongs.
  const points = new Set([...setOut.room.marks, setOut.centreOfVision].map((mark) => mark.id));
  const handles = Object.entries(setOutPlaces(overlaid)).flatMap(([name, at]) => (points.has(name) ? [] : [at]));
  return (
    <>
      <BoardWords
        {...overlaid}
        group={(chosen === null ? undefined : groupServing(setOut, chosen)) ?? setOut.room}
        named="here"
        views="bands"
        handles={handles}
      />
      <BoardDimensions {...overlaid} />
    </>
  );
}
