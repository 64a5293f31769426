import { invariant } from '@/core/base';
import { directionPair } from '@/core/view';
import { PointsTaken, type FramePoint } from '../frame-points';
import { CV } from '../set-out-operations';
import type { School } from './school';

/**
 * One-point: what runs square to the picture plane is measured from a distance point, as far from the centre of vision as the eye is; of the two the one
 * that is nearer to being used. A turned thing is measured so too, by coordinates, where this school is chosen for it.
 */
export const distancePoint: School = {
  name: 'distance-point',
  words: 'by the distance point',
  measuredAt: () => 0,
  depthBy: 'measure',
  draws: ({ turnDeg, depthBy }) => depthBy === 'measure' && turnDeg === 0,
  points: (setUp, { turnDeg }, pair, onBoard) => {
    const at = directionPair(setUp, turnDeg);
    invariant(at.kind === 'one-point', 'a frame square to the picture plane has distance points');
    const [left, right] = at.distancePoints;
    const taken = new PointsTaken(pair, onBoard);
    // One that something was chosen for in the set-out is the one that is to be used.
    const chosen = (side: FramePoint): number => (pair.aids.has(side) ? 0 : 1);
    const onLeft =
      chosen('distance-left') < chosen('distance-right') ||
      (chosen('distance-left') === chosen('distance-right') &&
        taken.partsOf('distance-left', 0, left) < taken.partsOf('distance-right', 0, right));
    const own = onLeft
      ? taken.measuring('DL', 'distance-left', 0, left)
      : taken.measuring('DR', 'distance-right', 0, right);
    return {
      vanishing: { x: { by: 'level' }, y: { by: 'point', mark: CV, u: 0 } },
      measured: {
        measuring: { x: { by: 'level' }, y: own.runs },
        parts: { x: 1, y: own.parts },
        behind: { x: 1, y: onLeft ? 1 : -1 },
      },
      roles: [[CV, 'vanishing-centre'], ...taken.roles],
      ...{ strips: taken.strips, operations: taken.operations, ticksUnasked: taken.ticksUnasked },
    };
  },
};
