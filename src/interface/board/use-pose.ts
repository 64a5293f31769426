import { useState } from 'react';
import type { View } from '@/core/record';
import type { Arrangement, Fitting } from './arrangement';
import type { BoardLayout } from './layout';
import { onStillBoard, type Pose } from './pose';

/** Where the board lies on the screen, and how it is laid elsewhere. */
export function usePose(
  { fits, lies }: Pick<Arrangement, 'fits' | 'lies'>,
  fitting: Fitting,
): { readonly pose: Pose; readonly setPose: (pose: Pose) => void; readonly fit: () => void } {
  const { layout, view } = fitting;
  const [posed, setPosed] = useState<{ layout: BoardLayout; pose: Pose; view: View }>(() => ({
    layout,
    pose: fits[0](fitting),
    view,
  }));
  // A new size of the window is a new sheet of paper; nothing else refits by itself.
  const kept = posed.layout === layout ? posed.pose : fits[0](fitting);
  // Where the board lies still, the centre of vision moves on it with everything that is drawn about it.
  const pose =
    lies === 'the-board' && posed.layout === layout && posed.view !== view
      ? onStillBoard(kept, posed.view, view)
      : kept;
  const setPose = (next: Pose): void => setPosed({ layout, pose: next, view });
  const fit = (): void => {
    const all = fits.map((one) => one(fitting));
    const now = all.findIndex((one) => one.pictureScale === pose.pictureScale);
    // From anywhere else the first; from one of them the next.
    setPose(all[(now + 1) % all.length] ?? pose);
  };
  return { pose, setPose, fit };
}
