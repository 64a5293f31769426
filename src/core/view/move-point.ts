import { err, ok, type Result } from '@/core/base';
import { sameMark, type MarkName, type Project, type View } from '@/core/record';
import type { PaperMillimetres } from '@/core/units';
import { resolveSetUp } from './resolve';
import { solvePoint, type Held, type SolvedPoint, type SolveError } from './solve-point';
import { standAt, slideCentreOfVision } from './stand-at';
import { setOutOf, type SetOut, type SetOutMark } from './set-out-marks';
import type { ViewChange } from './view-change';

/** The point of the room's pair that a name names, as the solver knows it; null for one that cannot be put elsewhere. */
function solvedPoint({ role, side }: MarkName): SolvedPoint | null {
  if (side === null) return null;
  return role === 'vanishing' || role === 'measuring' || role === 'distance' ? { role, side } : null;
}

/** Marks of the room's own pair that can be put elsewhere, and the centre of vision in one-point. */
export const isMovable = (setOut: SetOut, { name }: SetOutMark): boolean =>
  name.role === 'centre' || (solvedPoint(name) !== null && setOut.room.marks.some((one) => sameMark(one.name, name)));

/**
 * A point of the room on the horizon put at u, picture mm: the turn and station distance that bring it there. In one-point the centre of
 * vision itself can be moved: `u` is then how far it goes on the sheet.
 */
export function movePoint(
  project: Project,
  view: View,
  mark: MarkName,
  u: PaperMillimetres,
  held: Held,
): Result<ViewChange, SolveError> {
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) return err({ reason: 'no-solution', message: setUp.error.message });
  const { turnDeg } = setOutOf(project, view, setUp.value).room;
  const point = solvedPoint(mark);
  if (!point) return ok(slideCentreOfVision(project, view, u));
  const solved = solvePoint(point, u, held, { turnDeg, viewingDistance: setUp.value.viewingDistance });
  if (!solved.ok) return solved;
  return ok(
    standAt(project, view, {
      ...(turnDeg === 0 ? {} : { turnDeg: solved.value.turnDeg }),
      pictureDistance: solved.value.viewingDistance * view.scaleDenominator,
    }),
  );
}
