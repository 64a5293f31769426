import { useState } from 'react';
import type { View } from '@/core/record';
import type { Arrangement, Fitting } from './arrangement';
import type { BoardLayout } from './layout';
import { onStillBoard, type Pose } from './pose';

/** From one of the fits the next, by its magnification; from anywhere else the first. */
export function nextFit(fits: readonly Pose[], now: Pose): Pose {
  const at = fits.findIndex((one) => one.pictureScale === now.pictureScale);
  return fits[(at + 1) % fits.length] ?? now;
}

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
  const fit = (): void =>
    setPose(
      nextFit(
        fits.map((one) => one(fitting)),
        pose,
      ),
    );
  return { pose, setPose, fit };
}
