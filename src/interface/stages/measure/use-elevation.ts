'use client';
import { useEffect, useMemo, useState } from 'react';
import { elevationInSteps, elevationOf, type Elevation, type ElevationOf } from '@/core/pipeline';
import { isLarge, takeTurns, useSession, useWorkedOut } from '@/interface/session';

/** The elevation under the plan. That of a large room follows what one does in turns of its own: until it is made the one before stands there. */
export function useElevation(what: ElevationOf | null): Elevation | null {
  const { project } = useSession();
  const { scene } = useWorkedOut();
  const large = isLarge(scene);
  const atOnce = useMemo(
    () => (what && !large ? elevationOf(project, scene, what) : null),
    [project, scene, what, large],
  );
  const [made, setMade] = useState<{ readonly of: ElevationOf; readonly elevation: Elevation | null } | null>(null);
  useEffect(() => {
    if (!large || !what) return undefined;
    return takeTurns(elevationInSteps(project, scene, what), (elevation) => setMade({ of: what, elevation }));
  }, [project, scene, what, large]);
  if (!large) return atOnce;
  return made && what && isSame(made.of, what) ? made.elevation : null;
}

const isSame = (a: ElevationOf, b: ElevationOf): boolean =>
  a.of === 'wall'
    ? b.of === 'wall' && a.wallId === b.wallId && a.within === b.within
    : b.of === 'piece' && a.pieceId === b.pieceId && a.from === b.from;
