import { tolerance } from '@/core/numeric';
import type { Frame } from '@/core/record';
import type { SetUp } from './set-up';

/**
 * Many segments at once, for the frame of a drag: world [x0,y0,z0,x1,y1,z1]… in, picture [u0,v0,u1,v1]… out, NaN-free;
 * `index` tells which segment each output row stands for. The same cut as projectSegment, unrolled over plain arrays:
 * no object is made per segment.
 * @returns the number of rows written.
 */
export function projectSegments(
  setUp: SetUp,
  world: Float64Array,
  frame: Frame,
  picture: Float64Array,
  index: Int32Array,
): number {
  const k = setUp.viewingDistance;
  const { x: sx, y: sy } = setUp.station;
  const { x: fx, y: fy } = setUp.forward;
  const { x: rx, y: ry } = setUp.right;
  const near = tolerance.nearMm;
  const count = world.length / 6;
  const start = new Float64Array(5);
  const end = new Float64Array(5);
  let rows = 0;
  for (let i = 0; i < count; i += 1) {
    const base = i * 6;
    const ax = (world[base] as number) - sx;
    const ay = (world[base + 1] as number) - sy;
    const bx = (world[base + 3] as number) - sx;
    const by = (world[base + 4] as number) - sy;
    const depth0 = ax * fx + ay * fy;
    const depth1 = bx * fx + by * fy;
    if (depth0 <= near && depth1 <= near) continue;
    const lateral0 = k * (ax * rx + ay * ry);
    const lateral1 = k * (bx * rx + by * ry);
    const rise0 = k * ((world[base + 2] as number) - setUp.eyeZ);
    const rise1 = k * ((world[base + 5] as number) - setUp.eyeZ);
    start[0] = depth0 - near;
    end[0] = depth1 - near;
    start[1] = frame.right * depth0 - lateral0;
    end[1] = frame.right * depth1 - lateral1;
    start[2] = lateral0 - frame.left * depth0;
    end[2] = lateral1 - frame.left * depth1;
    start[3] = frame.top * depth0 - rise0;
    end[3] = frame.top * depth1 - rise1;
    start[4] = rise0 - frame.bottom * depth0;
    end[4] = rise1 - frame.bottom * depth1;
    let from = 0;
    let to = 1;
    for (let c = 0; c < 5; c += 1) {
      const s = start[c] as number;
      const e = end[c] as number;
      if (s >= 0 && e >= 0) continue;
      if (s < 0 && e < 0) {
        to = -1;
        break;
      }
      const crossing = s / (s - e);
      if (s < 0) from = crossing > from ? crossing : from;
      else to = crossing < to ? crossing : to;
    }
    if (to - from < tolerance.touchShare) continue;
    const depthFrom = depth0 + (depth1 - depth0) * from;
    const depthTo = depth0 + (depth1 - depth0) * to;
    const row = rows * 4;
    picture[row] = (lateral0 + (lateral1 - lateral0) * from) / depthFrom;
    picture[row + 1] = (rise0 + (rise1 - rise0) * from) / depthFrom;
    picture[row + 2] = (lateral0 + (lateral1 - lateral0) * to) / depthTo;
    picture[row + 3] = (rise0 + (rise1 - rise0) * to) / depthTo;
    index[rows] = i;
    rows += 1;
  }
  return rows;
}
