import type { Constructed } from '@/core/drawing';
import { tolerance } from '@/core/numeric';
import type { Frame, Id } from '@/core/record';
import type { PicturePoint, WorldPoint } from '@/core/space';
import { formatLength, type LengthStyle, type Millimetres } from '@/core/units';
import { eyeFromWorld, type SetUp } from '@/core/view';

/** The corner of all that is seen which is nearest to the eye, along the line of sight. */
export interface NearestSeen {
  readonly of: Id;
  readonly at: WorldPoint;
  readonly depth: Millimetres;
}

/** Where the frame cuts a line is no corner, and what lies beyond it is not seen. */
const isInside = ({ u, v }: PicturePoint, { left, right, bottom, top }: Frame): boolean =>
  Math.min(u - left, right - u, v - bottom, top - v) > tolerance.touchMm;

/** Null where no corner of what is drawn stands in the picture. */
export function nearestSeen({ plan, paper }: Constructed, setUp: SetUp, frame: Frame): NearestSeen | null {
  let nearest: NearestSeen | null = null;
  for (const { of, from, to } of plan.keeps)
    for (const mark of [from, to]) {
      const found = paper.marks.get(mark);
      if (!found?.stands || !isInside(found.at, frame)) continue;
      const { depth } = eyeFromWorld(setUp, found.stands);
      if (!nearest || depth < nearest.depth) nearest = { of, at: found.stands, depth };
    }
  return nearest;
}

/** Nearer to the plane than this it touches it, mm in the room. */
const TOUCHES_MM = 1;

/** Where the picture plane lies to what is nearest, and what it would be to lie there; `through` where it does not. Source: job, 4; construction, 3. */
export function planeWords(
  { depth }: NearestSeen,
  name: string,
  { pictureDistance: d }: Pick<SetUp, 'pictureDistance'>,
  style: LengthStyle,
): { readonly says: string; readonly offers: boolean } {
  const off = depth - d;
  if (Math.abs(off) < TOUCHES_MM)
    return {
      says: `The picture plane touches the nearest corner that is seen, of ${name}: its heights stand there at true size.`,
      offers: false,
    };
  const times = depth / d;
  return {
    says: `The nearest corner that is seen, of ${name}, lies ${formatLength(Math.abs(off), style)} ${off > 0 ? 'behind' : 'before'} the picture plane. With the plane through it its heights stand there at true size; at the same scale the picture becomes ${times.toFixed(times < 10 ? 2 : 0)} times as large.`,
    offers: true,
  };
}
