import { useState } from 'react';
import type { View } from '@/core/record';
import type { Arrangement, Fitting } from './arrangement';
import type { BoardLayout } from './layout';
import { onStillBoard, planScreen, type Pose } from './pose';

/** From one of the fits the next, by its magnification; from anywhere else the first. */
export function nextFit(fits: readonly Pose[], now: Pose): Pose {
  const at = fits.findIndex((one) => one.pictureScale === now.pictureScale);
  return fits[(at + 1) % fits.length] ?? now;
}

interface Posed {
  readonly layout: BoardLayout;
  readonly pose: Pose;
  readonly view: View;
  /** Whether the station point lay in the plan's place when the board was laid so. */
  readonly stood: boolean;
}

/** Whether the station point lies in the plan's place. */
export function standsInPlan({ plan }: BoardLayout, pose: Pose, setUp: Fitting['setUp']): boolean {
  const { y } = planScreen(pose, setUp, 0, 0);
  return y >= plan.y && y <= plan.y + plan.height;
}

/** Where the board lies on the screen, and how it is laid elsewhere. */
export function usePose(
  { layout: shareOut, fits, lies }: Pick<Arrangement, 'layout' | 'fits' | 'lies'>,
  fitting: Fitting,
): { readonly pose: Pose; readonly setPose: (pose: Pose) => void; readonly fit: () => void } {
  const { layout, view } = fitting;
  const laid = (pose: Pose): Posed => ({ layout, pose, view, stood: standsInPlan(layout, pose, fitting.setUp) });
  const fitted = (): Posed => laid(fits[0](fitting));
  // Each way of sharing out the paper keeps how the board lay in it: a view that took the whole paper gives it back as it was.
  const [lying, setLying] = useState<ReadonlyMap<Arrangement['layout'], Posed>>(() => new Map([[shareOut, fitted()]]));
  const put = (next: Posed): void => setLying((now) => new Map(now).set(shareOut, next));
  const lay = lying.get(shareOut);
  const resized = lay?.layout.width !== layout.width || lay.layout.height !== layout.height;
  // One is put elsewhere, by rule or at a place that was found: the plan would be left without the station point that was in it.
  const gone =
    lies === 'the-centre-of-vision' &&
    lay?.stood === true &&
    lay.view !== view &&
    !standsInPlan(layout, lay.pose, fitting.setUp);
  // A new size of the window is a new sheet of paper, fitted once; nothing else refits by itself.
  const fresh = resized || gone ? fitted() : null;
  if (fresh) put(fresh);
  const posed = fresh ?? lay ?? fitted();
  // Where the board lies still, the centre of vision moves on it with everything that is drawn about it.
  const pose = lies === 'the-board' && posed.view !== view ? onStillBoard(posed.pose, posed.view, view) : posed.pose;
  const setPose = (next: Pose): void => put(laid(next));
  const fit = (): void =>
    setPose(
      nextFit(
        fits.map((one) => one(fitting)),
        pose,
      ),
    );
  return { pose, setPose, fit };
}
