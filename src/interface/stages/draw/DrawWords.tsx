'use client';
import { memo } from 'react';
import { groupServing } from '@/core/view';
import { BoardWords, type Overlaid } from '@/interface/board';
import { useSession } from '@/interface/session';

/** Ground line and points beyond the edge; what is constructed names its own points, each when it is made. */
export const DrawWords = memo(function DrawWords({
  named,
  ...overlaid
}: Overlaid & { readonly named: 'here' | 'by-the-steps' }) {
  const { chosen } = useSession();
  const { setOut } = overlaid;
  const group = (chosen === null ? undefined : groupServing(setOut, chosen)) ?? setOut.room;
  return <BoardWords {...overlaid} group={group} named={named} views="whole" />;
});
