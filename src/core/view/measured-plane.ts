import { tolerance } from '@/core/numeric';
import { dot2 } from '@/core/geometry';
import { outlineOf, wallRuns, type PicturePlaneBinding, type Project, type View } from '@/core/record';
import { roomMeant } from './room-meant';
import type { SetUp } from './set-up';

/** Nearer to the eye than this a plane is not offered, mm. */
const LEAST_DEPTH_MM = 300;

export interface MeasuredPlanes {
  /** The front of the room as one looks in: everything behind it is smaller than scale. */
  readonly front: PicturePlaneBinding | null;
  /** The back wall, or the back corner of a turned room: everything before it is larger than scale. */
  readonly back: PicturePlaneBinding | null;
}

/**
 * The nearest and the farthest place of the room the view is of, in front of the eye, that a picture plane can be bound to: a wall that runs along it where
 * there is one at that depth, else a corner.
 */
export function measuredPlanes(project: Project, view: View, setUp: SetUp): MeasuredPlanes {
  const offers: { readonly depth: number; readonly binding: PicturePlaneBinding; readonly wall: boolean }[] = [];
  const depthOf = (p: { readonly x: number; readonly y: number }): number =>
    dot2({ x: p.x - setUp.station.x, y: p.y - setUp.station.y }, setUp.forward);
  const space = roomMeant(project, view);
  for (const run of space ? wallRuns(space) : [])
    if (Math.abs(dot2(run.run, setUp.forward)) < tolerance.directionRad)
      offers.push({ depth: depthOf(run.start), binding: { through: 'wall', wallId: run.wall.id }, wall: true });
  for (const corner of space ? outlineOf(space).corners : [])
    offers.push({ depth: depthOf(corner.at), binding: { through: 'corner', cornerId: corner.id }, wall: false });
  const ahead = offers.filter((one) => one.depth >= LEAST_DEPTH_MM);
  if (ahead.length === 0) return { front: null, back: null };
  const best = (depth: number): PicturePlaneBinding | null => {
    const there = ahead.filter((one) => Math.abs(one.depth - depth) < 1);
    return (there.find((one) => one.wall) ?? there[0])?.binding ?? null;
  };
  return {
    front: best(Math.min(...ahead.map((one) => one.depth))),
    back: best(Math.max(...ahead.map((one) => one.depth))),
  };
}
