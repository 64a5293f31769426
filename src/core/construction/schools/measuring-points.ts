import { invariant } from '@/core/base';
import { directionPair } from '@/core/view';
import { PointsTaken } from '../frame-points';
import type { School } from './school';

/** Two-point: each turned thing by the vanishing and measuring points of its own two directions. Source: geometry, Vanishing and measuring points. */
export const measuringPoints: School = {
  name: 'measuring-points',
  words: 'by measuring points',
  measuredAt: (turnDeg) => turnDeg,
  depthBy: 'measure',
  draws: ({ turnDeg, depthBy }) => depthBy === 'measure' && turnDeg !== 0,
  points: (setUp, { turnDeg }, pair, onBoard) => {
    const at = directionPair(setUp, turnDeg);
    invariant(at.kind === 'two-point', 'a turned frame has two vanishing points');
    const taken = new PointsTaken(pair, onBoard);
    const vr = taken.vanishing('VR', at.vpRight, 'vanishing-right');
    const vl = taken.vanishing('VL', at.vpLeft, 'vanishing-left');
    const mr = taken.measuring('MR', 'measuring-right', at.vpRight, at.mpOfRight);
    const ml = taken.measuring('ML', 'measuring-left', at.vpLeft, at.mpOfLeft);
    return {
      vanishing: { x: vr, y: vl },
      measured: {
        measuring: { x: mr.runs, y: ml.runs },
        parts: { x: mr.parts, y: ml.parts },
        behind: { x: 1, y: -1 },
      },
      ...{ roles: taken.roles, strips: taken.strips, operations: taken.operations },
      ticksUnasked: taken.ticksUnasked,
    };
  },
};
