'use client';
import { groupServing } from '@/core/view';
import { BoardWords, hasRoom, type Overlaid } from '@/interface/board';
import { useSession, useWorkedOut, type Rings as RingsNow } from '@/interface/session';
import { Rings } from './Rings';

/** Names and dimensions on the linked board, and what is ringed in the plan. */
export function StandWords({ rings, ...overlaid }: Overlaid & { readonly rings: RingsNow }) {
  const { chosen } = useSession();
  const { scene } = useWorkedOut();
  const { setOut, setUp, pose, look } = overlaid;
  return (
    <>
      <BoardWords
        {...overlaid}
        group={(chosen === null ? undefined : groupServing(setOut, chosen)) ?? setOut.room}
        named="here"
        views="whole"
      />
      {hasRoom(overlaid.layout.plan) ? (
        <Rings
          about={new Set(rings.open.flatMap((ring) => [ring.about, ...(ring.also ?? [])]))}
          bodies={scene.bodies}
          setUp={setUp}
          pose={pose}
          colour={look.warning}
        />
      ) : null}
    </>
  );
}
