import { err, ok, type Result } from '@/core/base';
import type { Project, View } from '@/core/record';
import type { PaperMillimetres } from '@/core/units';
import { resolveSetUp } from './resolve';
import { solvePoint, type Held, type SolvedPoint, type SolveError } from './solve-point';
import { standAt, slideCentreOfVision } from './stand-at';
import { setOutOf } from './set-out-marks';
import type { ViewChange } from './view-change';

/** Marks of the room's own group that can be put elsewhere, and the centre of vision in one-point. */
export const isMovable = (markId: string): boolean =>
  /^(vp|mp|distance)-(left|right)$/.test(markId) || markId === 'centre-of-vision';

/**
 * A point of the room on the horizon put at u, picture mm: the turn and station distance that bring it there. In one-point the centre of
 * vision itself can be moved: `u` is then how far it goes on the sheet.
 */
export function movePoint(
  project: Project,
  view: View,
  markId: string,
  u: PaperMillimetres,
  held: Held,
): Result<ViewChange, SolveError> {
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) return err({ reason: 'no-solution', message: setUp.error.message });
  const turnDeg = setOutOf(project, view, setUp.value).groups[0]?.turnDeg ?? 0;
  if (markId === 'centre-of-vision') return ok(slideCentreOfVision(project, view, u));
  const solved = solvePoint(markId as SolvedPoint, u, held, { turnDeg, viewingDistance: setUp.value.viewingDistance });
  if (!solved.ok) return solved;
  return ok(
    standAt(project, view, {
      ...(turnDeg === 0 ? {} : { turnDeg: solved.value.turnDeg }),
      pictureDistance: solved.value.viewingDistance * view.scaleDenominator,
    }),
  );
}
