import { err, ok, type Result } from '@/core/base';
import type { MarkSide } from '@/core/record';
import { degreesFromRadians, radiansFromDegrees, type Degrees, type PaperMillimetres } from '@/core/units';

/** A point on the horizon that is put somewhere; turn and viewing distance follow. */
export interface SolvedPoint {
  readonly role: 'vanishing' | 'measuring' | 'distance';
  readonly side: MarkSide;
}

/**
 * What stays while one point is put elsewhere. `partner`: the other vanishing point, or for a measuring point its own vanishing point;
 * turn and distance both follow. `turn`: only the distance follows. `distance`: only the turn follows.
 */
export type Held = 'partner' | 'turn' | 'distance';

export interface Solved {
  readonly turnDeg: Degrees;
  /** k, paper mm. */
  readonly viewingDistance: PaperMillimetres;
}

export interface SolveError {
  readonly reason: 'wrong-side' | 'no-solution';
  readonly message: string;
}

const tan = (deg: Degrees): number => Math.tan(radiansFromDegrees(deg));
const atan = (value: number): Degrees => degreesFromRadians(Math.atan(value));

/** Nearer to 0° or 90° than this the far vanishing point lies a thousand viewing distances away: such a room is drawn in one-point. */
const LEAST_TURN_DEG = 0.05;

const nameOf = ({ role, side }: SolvedPoint): string =>
  role === 'vanishing'
    ? `The ${side} vanishing point`
    : role === 'measuring'
      ? `The measuring point of the ${side}-going lines`
      : `The ${side} distance point`;

/**
 * Turn φ and viewing distance k for which a point of the room's pair falls at u, from
 * u_R = k·tan φ, u_L = −k·cot φ, M_R = −k·tan(45° − φ/2), M_L = k·tan(φ/2), distance points ±k.
 * @param now the turn and distance before, with `turnDeg` 0 in one-point.
 * @returns an error when the point cannot lie there, with the reason as a sentence.
 */
export function solvePoint(
  point: SolvedPoint,
  u: PaperMillimetres,
  held: Held,
  now: Solved,
): Result<Solved, SolveError> {
  // A measuring point lies on the other side of the centre of vision from its vanishing point.
  const side = (point.side === 'right') === (point.role !== 'measuring') ? 1 : -1;
  const out = u * side;
  if (!(out > 0))
    return err({
      reason: 'wrong-side',
      message: `${nameOf(point)} lies ${side > 0 ? 'right' : 'left'} of the centre of vision. Put it there.`,
    });
  const { turnDeg: phi, viewingDistance: k } = now;
  // By symmetry only the right-hand vanishing point and the measuring point of the right-going lines need formulas: the left-hand ones are
  // the same with the turn counted from the other side.
  const mirrored = point.role !== 'distance' && point.side === 'left';
  const turn = mirrored ? 90 - phi : phi;
  const solved = ((): Solved | null => {
    if (point.role === 'distance') return { turnDeg: 0, viewingDistance: out };
    if (point.role === 'vanishing') {
      if (held === 'turn') return { turnDeg: turn, viewingDistance: out / tan(turn) };
      if (held === 'distance') return { turnDeg: atan(out / k), viewingDistance: k };
      const other = k / tan(turn);
      return { turnDeg: atan(Math.sqrt(out / other)), viewingDistance: Math.sqrt(out * other) };
    }
    if (held === 'turn') return { turnDeg: turn, viewingDistance: out / tan(45 - turn / 2) };
    if (held === 'distance') return out < k ? { turnDeg: 90 - 2 * atan(out / k), viewingDistance: k } : null;
    const vanishing = k * tan(turn);
    const reach = vanishing + out;
    const solvedTurn = degreesFromRadians(Math.asin(vanishing / reach));
    return { turnDeg: solvedTurn, viewingDistance: vanishing / tan(solvedTurn) };
  })();
  if (!solved || (phi !== 0 && !(solved.turnDeg > LEAST_TURN_DEG && solved.turnDeg < 90 - LEAST_TURN_DEG)))
    return err({
      reason: 'no-solution',
      message: `${nameOf(point)} cannot lie there while ${held === 'turn' ? 'the turn stays' : held === 'distance' ? 'the station distance stays' : 'its partner stays'}. Hold something else, or move it less.`,
    });
  return ok(mirrored ? { ...solved, turnDeg: 90 - solved.turnDeg } : solved);
}
