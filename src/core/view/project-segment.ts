import { clipParameter } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Frame } from '@/core/record';
import { eyePoint, type EyePoint, type PicturePoint, type WorldPoint } from '@/core/space';
import { pictureFromEye } from './project-point';
import { eyeFromWorld, type SetUp } from './set-up';

/** The part of an edge inside the frame: its parameters along the edge and its picture. */
export interface CutSegment {
  readonly from: number;
  readonly to: number;
  readonly start: PicturePoint;
  readonly end: PicturePoint;
}

const between = (a: EyePoint, b: EyePoint, along: number): EyePoint =>
  eyePoint(
    a.lateral + (b.lateral - a.lateral) * along,
    a.depth + (b.depth - a.depth) * along,
    a.rise + (b.rise - a.rise) * along,
  );

/** left·t ≤ k·a ≤ right·t, bottom·t ≤ k·h ≤ top·t, t > 0: all linear in the point, so cut before any division. */
export function frameConditions(
  k: number,
  frame: Frame,
  a: EyePoint,
  b: EyePoint,
): readonly (readonly [number, number])[] {
  const condition = (f: (p: EyePoint) => number): readonly [number, number] => [f(a), f(b)];
  return [
    condition((p) => p.depth - tolerance.nearMm),
    condition((p) => frame.right * p.depth - k * p.lateral),
    condition((p) => k * p.lateral - frame.left * p.depth),
    condition((p) => frame.top * p.depth - k * p.rise),
    condition((p) => k * p.rise - frame.bottom * p.depth),
  ];
}

/** The parameters of an edge's part inside the frame; null where nothing is left, or no more than a touch of the frame from outside. */
export function frameInterval(setUp: SetUp, frame: Frame, a: EyePoint, b: EyePoint): readonly [number, number] | null {
  const interval = clipParameter(frameConditions(setUp.viewingDistance, frame, a, b));
  return interval && interval[1] - interval[0] >= tolerance.touchShare ? interval : null;
}

/** A world segment cut homogeneously against the eye plane and the frame, then projected; null when nothing is left. */
export function projectSegment(setUp: SetUp, a: WorldPoint, b: WorldPoint, frame: Frame): CutSegment | null {
  const start = eyeFromWorld(setUp, a);
  const end = eyeFromWorld(setUp, b);
  const interval = frameInterval(setUp, frame, start, end);
  if (!interval) return null;
  const [from, to] = interval;
  const k = setUp.viewingDistance;
  return {
    from,
    to,
    start: pictureFromEye(k, between(start, end, from)),
    end: pictureFromEye(k, between(start, end, to)),
  };
}
