import { useMemo } from 'react';
import { standOf, type Stand } from '@/core/view';
import { useRoom, useSession } from '@/interface/session';

/** The stand of the session's own view: in the margin that of the moment, while a handle is dragged. Null where one cannot stand. */
export function useStandOf(): Stand | null {
  const { project, view } = useSession();
  const room = useRoom(project);
  const stand = useMemo(() => standOf(room, view), [room, view]);
  return stand.ok ? stand.value : null;
}
