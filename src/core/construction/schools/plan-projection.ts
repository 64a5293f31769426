import { invariant } from '@/core/base';
import { directionPair } from '@/core/view';
import { PointsTaken } from '../frame-points';
import { CV } from '../set-out-operations';
import type { School } from './school';

/**
 * From the plan laid above the picture: rays to the station point are cut on the picture plane and carried down; vanishing points by parallels through the
 * station point; heights where a plane of the thing, extended, meets the picture plane. Source: job, 4; geometry, Plan projection.
 */
export const planProjection: School = {
  name: 'plan-projection',
  words: 'by the plan and its rays',
  measuredAt: (turnDeg) => turnDeg,
  depthBy: 'plan',
  draws: ({ depthBy }) => depthBy === 'plan',
  points: (setUp, frame, pair, onBoard, plan) => {
    if (frame.turnDeg === 0)
      return {
        vanishing: { x: { by: 'level' }, y: { by: 'point', mark: CV, u: 0 } },
        measured: null,
        roles: [[CV, 'vanishing-centre']],
        ...{ strips: [], operations: [], ticksUnasked: false },
      };
    const at = directionPair(setUp, frame.turnDeg);
    invariant(at.kind === 'two-point', 'a turned frame has two vanishing points');
    const taken = new PointsTaken(
      pair,
      onBoard,
      (mark, which) => plan?.vanishing(frame, which === 'vanishing-right' ? 'x' : 'y', mark) ?? null,
    );
    const vr = taken.vanishing('VR', at.vpRight, 'vanishing-right');
    const vl = taken.vanishing('VL', at.vpLeft, 'vanishing-left');
    return {
      vanishing: { x: vr, y: vl },
      measured: null,
      ...{ roles: taken.roles, strips: taken.strips, operations: taken.operations },
      ticksUnasked: taken.ticksUnasked,
    };
  },
};
