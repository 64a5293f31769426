import { err, ok, type Result } from '@/core/base';
import { dot2 } from '@/core/geometry';
import { cornerPoint, levelOf, mmOf, wallRunOf, type MeasuredRoom, type View } from '@/core/record';
import { planPoint, type PaperPlacement, boardPoint, sheetPoint, type PlanPoint } from '@/core/space';
import { bearingVector } from '@/core/geometry';
import { roomMeant } from './room-meant';
import { setUpFrom, type SetUp } from './set-up';

export interface SetUpError {
  readonly reason: 'plane-behind-eye' | 'unknown-wall' | 'unknown-corner' | 'eye-below-floor' | 'bad-scale';
  readonly message: string;
}

/** Nearer than this the set-up is refused, mm: the picture plane would touch the eye. */
const LEAST_PICTURE_DISTANCE = 1;

/**
 * The point the picture plane is bound to, in plan: a wall's middle, a corner, a point. Turning the line of sight turns
 * the plane about it. Null when the plane is bound by its distance.
 */
export function boundPoint(project: MeasuredRoom, view: View): Result<PlanPoint | null, SetUpError> {
  const binding = view.picturePlane;
  switch (binding.through) {
    case 'wall': {
      const run = wallRunOf(project, binding.wallId);
      if (!run)
        return err({
          reason: 'unknown-wall',
          message: `The picture plane of ${view.name} goes through a wall that is not in this project.`,
        });
      return ok(planPoint((run.start.x + run.end.x) / 2, (run.start.y + run.end.y) / 2));
    }
    case 'corner': {
      const corner = cornerPoint(project, binding.cornerId);
      if (!corner)
        return err({
          reason: 'unknown-corner',
          message: `The picture plane of ${view.name} goes through a corner that is not in this project.`,
        });
      return ok(corner);
    }
    case 'point':
      return ok(planPoint(binding.x, binding.y));
    case 'distance':
      return ok(null);
  }
}

/** A stored view with what is derived from it, or why it cannot be drawn. */
export function resolveSetUp(project: MeasuredRoom, view: View): Result<SetUp, SetUpError> {
  const bound = boundPoint(project, view);
  if (!bound.ok) return bound;
  const forward = bearingVector(view.lineOfSightBearingDeg);
  const distance =
    view.picturePlane.through === 'distance'
      ? view.picturePlane.mm
      : dot2({ x: (bound.value?.x ?? 0) - view.station.x, y: (bound.value?.y ?? 0) - view.station.y }, forward);
  if (!(distance >= LEAST_PICTURE_DISTANCE)) {
    return err({
      reason: 'plane-behind-eye',
      message:
        'The picture plane lies behind the station point. Stand farther back, or move the picture plane forward.',
    });
  }
  if (!(view.eyeHeight.mm > 0))
    return err({ reason: 'eye-below-floor', message: 'The eye must be above the floor one stands on.' });
  if (!(view.scaleDenominator > 0)) return err({ reason: 'bad-scale', message: 'The scale must be 1 to something.' });
  const room = project.spaces.length > 1 ? roomMeant(project, view) : null;
  return ok(
    setUpFrom({
      ...(room ? { room: room.id } : {}),
      station: view.station,
      eyeHeight: view.eyeHeight.mm,
      floor: mmOf(levelOf(project, view.levelId).elevation),
      bearingDeg: view.lineOfSightBearingDeg,
      pictureDistance: distance,
      scaleDenominator: view.scaleDenominator,
    }),
  );
}

export const placementOf = (view: View): PaperPlacement => ({
  centreOfVisionOnSheet: sheetPoint(view.centreOfVisionOnSheet.x, view.centreOfVisionOnSheet.y),
  sheetOnBoard: boardPoint(view.sheetOnBoard.x, view.sheetOnBoard.y),
});
