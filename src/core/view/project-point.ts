import { tolerance } from '@/core/numeric';
import { eyePoint, picturePoint, type EyePoint, type PicturePoint, type WorldPoint } from '@/core/space';
import { dot3, type Vector3 } from '@/core/geometry';
import type { Millimetres } from '@/core/units';
import { eyeFromWorld, worldFromEye, type SetUp } from './set-up';

/** u = k·a/t, v = k·h/t. Only for t > 0; callers cut first. */
export const pictureFromEye = (k: number, point: EyePoint): PicturePoint =>
  picturePoint((k * point.lateral) / point.depth, (k * point.rise) / point.depth);

/** The inverse at a known depth: a = u·t/k, h = v·t/k. */
export const eyeFromPicture = (k: number, point: PicturePoint, depth: Millimetres): EyePoint =>
  eyePoint((point.u * depth) / k, depth, (point.v * depth) / k);

/** The picture of a point, or null when it does not lie in front of the eye. */
export function projectPoint(setUp: SetUp, point: WorldPoint): PicturePoint | null {
  const eye = eyeFromWorld(setUp, point);
  return eye.depth > tolerance.nearMm ? pictureFromEye(setUp.viewingDistance, eye) : null;
}

/**
 * Where the sight line through a picture point meets a plane with point Q and normal n.
 * @returns null when the sight line runs along the plane or meets it behind the eye.
 */
export function worldFromPicture(
  setUp: SetUp,
  point: PicturePoint,
  planePoint: WorldPoint,
  normal: Vector3,
): WorldPoint | null {
  const k = setUp.viewingDistance;
  const eye = worldFromEye(setUp, eyePoint(0, 0, 0));
  const direction = {
    x: (point.u / k) * setUp.right.x + setUp.forward.x,
    y: (point.u / k) * setUp.right.y + setUp.forward.y,
    z: point.v / k,
  };
  const slope = dot3(normal, direction);
  if (Math.abs(slope) < 1e-12) return null;
  const depth = dot3(normal, { x: planePoint.x - eye.x, y: planePoint.y - eye.y, z: planePoint.z - eye.z }) / slope;
  return depth > 0 ? worldFromEye(setUp, eyeFromPicture(k, point, depth)) : null;
}
