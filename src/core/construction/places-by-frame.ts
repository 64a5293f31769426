import type { WorldPoint } from '@/core/space';
import type { SetUp } from '@/core/view';
import { placeIn, type AxisFrame, type Frames, type Place } from './frame';
import type { Targets } from './target';

/** All corners and points of curves that are to be reached, each in its own frame. */
export function placesByFrame(
  setUp: SetUp,
  targets: Targets,
  frames: Frames,
): ReadonlyMap<AxisFrame, readonly Place[]> {
  const all = new Map<AxisFrame, Place[]>();
  const put = (frame: AxisFrame, at: WorldPoint): void => {
    const list = all.get(frame) ?? [];
    list.push(placeIn(frame, setUp, at));
    all.set(frame, list);
  };
  for (const edge of targets.edges)
    for (const { at, cutBy } of [edge.from, edge.to]) if (cutBy === null) put(frames.ofEdge(edge), at);
  for (const curve of targets.curves) for (const at of curve.through) put(frames.ofThing(curve.of), at);
  return all;
}
