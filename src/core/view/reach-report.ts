import type { Id, View } from '@/core/record';
import type { Body } from '@/core/solids';
import { worldPoint } from '@/core/space';
import { degreesFromRadians, radiansFromDegrees, type Degrees, type PaperMillimetres } from '@/core/units';
import { bodySegments } from './body-segments';
import { offSightOf } from './cone-parts';
import { stepMeans, type StepMeans } from './depth-reading';
import { frameConditions } from './project-segment';
import { pictureFromEye } from './project-point';
import { clipParameter } from '@/core/geometry';
import { eyeFromWorld, type SetUp } from './set-up';
import { eyePoint, type EyePoint } from '@/core/space';

/** A piece as it comes out in the picture. */
export interface PieceReading {
  readonly id: Id;
  readonly name: string;
  /** From the line of sight to its middle, and to the part of it farthest off; degrees. */
  readonly offDeg: Degrees;
  readonly farthestDeg: Degrees;
  /** How much longer a small ball there would be along the radius than across: 1/cos θ at the farthest part. */
  readonly stretch: number;
  /** Its picture's size, uncut by the frame. */
  readonly width: PaperMillimetres;
  readonly height: PaperMillimetres;
  /** Part of it is not in the frame. */
  readonly cut: boolean;
  /** At the middle of its foot: what 1 mm and a pencil's width stand for on the floor. */
  readonly oneMm: StepMeans;
  readonly pencil: StepMeans;
}

/** A pencil's line, as it is ruled: half a millimetre. */
export const PENCIL_MM: PaperMillimetres = 0.5;

export const stretchAt = (offDeg: Degrees): number => 1 / Math.cos(radiansFromDegrees(Math.min(89.9, offDeg)));

/** Every piece in front of the eye, in the order of the record; what stands behind or beside the viewer is left out. */
export function reachReport(
  setUp: SetUp,
  view: Pick<View, 'frame'>,
  bodies: readonly Body[],
  pencilMm: PaperMillimetres = PENCIL_MM,
): readonly PieceReading[] {
  const eye = worldPoint(setUp.station.x, setUp.station.y, setUp.eyeZ);
  return bodies.flatMap((body): PieceReading[] => {
    if (body.kind !== 'piece') return [];
    let [u0, u1, v0, v1] = [Infinity, -Infinity, Infinity, -Infinity];
    let farthest = 0;
    const ends: EyePoint[] = [];
    for (const [from, to] of bodySegments(body, eye)) {
      const [a, b] = [eyeFromWorld(setUp, from), eyeFromWorld(setUp, to)];
      ends.push(a, b);
      // Only the eye plane cuts here: a piece is told whole, however little of it the frame shows.
      const interval = clipParameter(frameConditions(setUp.viewingDistance, view.frame, a, b).slice(0, 1));
      if (!interval) continue;
      for (const along of interval) {
        const p = eyePoint(
          a.lateral + (b.lateral - a.lateral) * along,
          a.depth + (b.depth - a.depth) * along,
          a.rise + (b.rise - a.rise) * along,
        );
        const { u, v } = pictureFromEye(setUp.viewingDistance, p);
        [u0, u1, v0, v1] = [Math.min(u0, u), Math.max(u1, u), Math.min(v0, v), Math.max(v1, v)];
        farthest = Math.max(farthest, offSightOf(p));
      }
    }
    if (u1 < u0) return [];
    const mid = (pick: (p: EyePoint) => number): number =>
      (Math.min(...ends.map(pick)) + Math.max(...ends.map(pick))) / 2;
    const centre = eyePoint(
      mid((p) => p.lateral),
      mid((p) => p.depth),
      mid((p) => p.rise),
    );
    if (centre.depth <= 0) return [];
    const { left, right, bottom, top } = view.frame;
    return [
      {
        id: body.id,
        name: body.name,
        offDeg: degreesFromRadians(Math.atan2(Math.hypot(centre.lateral, centre.rise), centre.depth)),
        farthestDeg: farthest,
        stretch: stretchAt(farthest),
        width: u1 - u0,
        height: v1 - v0,
        cut: u0 < left || u1 > right || v0 < bottom || v1 > top,
        oneMm: stepMeans(setUp, centre.depth, 1),
        pencil: stepMeans(setUp, centre.depth, pencilMm),
      },
    ];
  });
}
