import { bearingOf, type Vector3 } from '@/core/geometry';
import { dot2, length3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Degrees } from '@/core/units';
import { turnOfPair } from './set-out';
import type { SetUp } from './set-up';

/** Families of parallels as people speak of them. `centre`: square to the picture plane, vanishing in the centre of vision. `round`: no direction of its own. */
export type LineFamily = 'vertical' | 'level' | 'right' | 'left' | 'centre' | 'elsewhere' | 'round';

/** The family of a direction, given the room's main pair by its turn. */
export function familyOf(setUp: SetUp, roomTurnDeg: Degrees, direction: Vector3): LineFamily {
  const size = length3(direction);
  if (Math.hypot(direction.x, direction.y) <= tolerance.directionRad * size) return 'vertical';
  const forward = dot2(direction, setUp.forward);
  if (Math.abs(forward) <= tolerance.directionRad * size)
    return Math.abs(direction.z) <= tolerance.directionRad * size ? 'level' : 'elsewhere';
  if (Math.abs(direction.z) > tolerance.directionRad * size) return 'elsewhere';
  const bearing = bearingOf(direction);
  const turn = turnOfPair(setUp, bearing);
  const same = Math.abs(turn - roomTurnDeg) < tolerance.sameTurnDeg;
  if (turn === 0) return 'centre';
  if (!same) return 'elsewhere';
  const right = dot2(direction, setUp.right);
  return right * forward > 0 ? 'right' : 'left';
}
