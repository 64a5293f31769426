import { useEffect } from 'react';
import { keptState, useKept, useSession } from '@/interface/session';
import { onPaper, type MeasureLayout, type MeasurePose } from './pose';

export interface Posed {
  readonly layout: MeasureLayout;
  readonly pose: MeasurePose;
}

/** Where plan and elevation lie on the screen: kept while one goes to another stage and comes back. */
const POSED = keptState<{ readonly rooms: string; readonly posed: Posed } | null>(null);

/**
 * Where plan and elevation lie. Neither turns, moves nor changes its magnification by choosing, dragging or dropping: only as one tells it, and where a room
 * comes in or goes (`rooms`), as nothing of it may lie on the paper.
 */
export function useMeasurePose(
  rooms: string,
  width: number,
  height: number,
  fitted: () => Posed,
): readonly [Posed, (next: Posed) => void] {
  const { kept } = useSession();
  const [known, setKnown] = useKept(kept, POSED);
  const now = known?.rooms === rooms ? known.posed : fitted();
  useEffect(() => {
    if (known?.rooms !== rooms) setKnown({ rooms, posed: now });
  });
  const fits = now.layout.width === width && now.layout.height === height;
  const posed = fits ? now : onPaper(now, width, height);
  return [posed, (next) => setKnown({ rooms, posed: next })];
}
