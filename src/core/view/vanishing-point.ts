import { dot2, length3, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { picturePoint, type PicturePoint } from '@/core/space';
import { radiansFromDegrees, type Degrees, type PaperMillimetres } from '@/core/units';
import type { SetUp } from './set-up';

/** Where parallels of one direction vanish. A direction square to the line of sight vanishes nowhere: it stays parallel to itself. */
export type Vanishing =
  | {
      readonly kind: 'point';
      readonly at: PicturePoint;
      /** Whether the direction as given moves away from the viewer (+) or toward (−). */
      readonly recedesAlong: '+' | '-';
      /** Distance from the eye to the vanishing point, paper mm: √(u² + v² + k²). */
      readonly fromStation: PaperMillimetres;
    }
  | { readonly kind: 'parallel'; readonly du: number; readonly dv: number };

/** VP = (k·m_r/m_f, k·m_z/m_f), signed. */
export function vanishingPoint(setUp: SetUp, direction: Vector3): Vanishing {
  const k = setUp.viewingDistance;
  const forward = dot2(direction, setUp.forward);
  const right = dot2(direction, setUp.right);
  if (Math.abs(forward) <= tolerance.directionRad * length3(direction)) {
    const across = Math.hypot(right, direction.z);
    return { kind: 'parallel', du: right / across, dv: direction.z / across };
  }
  const u = (k * right) / forward;
  const v = (k * direction.z) / forward;
  return {
    kind: 'point',
    at: picturePoint(u, v),
    recedesAlong: forward > 0 ? '+' : '-',
    fromStation: Math.hypot(u, v, k),
  };
}

/**
 * u of the vanishing point of a level direction turned φ from the line of sight: k·tan φ, −90 < φ < 90. Beyond half a right angle by the complement,
 * ±k/tan(90° − |φ|): the tangent near 90° keeps only the digits that are left of 90° − φ.
 */
export function levelVanishingU(k: PaperMillimetres, turnDeg: Degrees): PaperMillimetres {
  const turn = Math.abs(turnDeg);
  return turn <= 45
    ? k * Math.tan(radiansFromDegrees(turnDeg))
    : (Math.sign(turnDeg) * k) / Math.tan(radiansFromDegrees(90 - turn));
}

/** u of the vanishing point of the direction square to that, on the other side: −k/tan φ, 0 < φ < 90. Not by φ − 90°, which for a small φ is rounded. */
export const squareVanishingU = (k: PaperMillimetres, turnDeg: Degrees): PaperMillimetres =>
  turnDeg <= 45 ? -k / Math.tan(radiansFromDegrees(turnDeg)) : -k * Math.tan(radiansFromDegrees(90 - turnDeg));

/** u of its measuring point: k/|cos φ| from the vanishing point toward the centre of vision, u = −sgn φ·k·tan(45° − |φ|/2). */
export function measuringPointU(k: PaperMillimetres, turnDeg: Degrees): PaperMillimetres {
  const sign = turnDeg > 0 ? 1 : -1;
  return -sign * k * Math.tan(radiansFromDegrees(45 - Math.abs(turnDeg) / 2));
}

/** A measuring point drawn 1/n of the way out from its vanishing point, for lengths laid off at L/n: M_n = V + (M − V)/n. */
export const fractionalPointU = (
  vanishingU: PaperMillimetres,
  measuringU: PaperMillimetres,
  n: number,
): PaperMillimetres => vanishingU + (measuringU - vanishingU) / n;
