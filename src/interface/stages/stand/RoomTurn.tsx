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
  const view = state.dragged && currentView(state.dragged, state.desk);
  const setUp = state.dragged && view ? resolveSetUp(state.dragged, view) : null;
  const turnDeg =
    state.dragged && view && setUp?.ok ? turnOfPair(setUp.value, roomBearing(state.dragged, view)) : still;
  return turnDeg === 0
    ? 'one-point, the room square to the picture plane'
    : `two-point, the room turned ${formatAngle(turnDeg)} to the picture plane`;
}
