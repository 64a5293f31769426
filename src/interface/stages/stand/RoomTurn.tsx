'use client';
import { resolveSetUp, roomBearing, turnOfPair, type SetOut } from '@/core/view';
import { formatAngle } from '@/core/units';
import { useSession, useUnhurried } from '@/interface/session';
import { currentView } from '@/state';

/** How the room lies to the picture plane; while the plan is turned by hand it follows the hand. */
export function RoomTurn({ setOut }: { readonly setOut: SetOut }) {
  const { store } = useSession();
  const state = useUnhurried(store);
  const still = setOut.groups[0]?.turnDeg ?? 0;
  const setUp = state.dragged ? resolveSetUp(state.dragged, currentView(state.dragged, state.desk)) : null;
  const turnDeg = state.dragged && setUp?.ok ? turnOfPair(setUp.value, roomBearing(state.dragged)) : still;
  return turnDeg === 0
    ? 'one-point, the room square to the picture plane'
    : `two-point, the room turned ${formatAngle(turnDeg)} to the picture plane`;
}
