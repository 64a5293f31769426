'use client';
import { groupServing } from '@/core/view';
import { BoardWords, type Overlaid } from '@/interface/board';
import { useSession, type Ring, useWorkedOut } from '@/interface/session';
import { Rings } from './Rings';

/** Names and dimensions on the linked board, and what is ringed in the plan. */
export function StandWords({ rings, ...overlaid }: Overlaid & { readonly rings: readonly Ring[] }) {
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
      <Rings
        about={new Set(rings.flatMap((ring) => [ring.about, ...(ring.also ?? [])]))}
        bodies={scene.bodies}
        setUp={setUp}
        pose={pose}
        colour={look.warning}
      />
    </>
  );
}
