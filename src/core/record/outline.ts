import { at } from '@/core/base';
import { bearingVector, isSimple, length2, rightOf, signedArea, type Vector2 } from '@/core/geometry';
import { planPoint, type PlanPoint } from '@/core/space';
import type { Space, Wall } from './project';
import { mmOf, type Id } from './size';

/** Room corners in plan, in the order of the walls (clockwise seen from above). */
export interface Outline {
  readonly corners: readonly { readonly id: Id; readonly at: PlanPoint }[];
  /** What is left between the end of the last wall and the first corner: the closing error. */
  readonly closingGap: Vector2;
}

/**
 * Walks the walls from the origin. The last wall is drawn back to the first corner; what its own length and bearing
 * would have missed by is the closing error, reported and never hidden.
 */
export function outlineOf(space: Space): Outline {
  let x = space.origin.x;
  let y = space.origin.y;
  const corners = space.walls.map((wall) => {
    const corner = { id: wall.startCorner, at: planPoint(x, y) };
    const run = bearingVector(wall.bearingDeg);
    x += run.x * mmOf(wall.length);
    y += run.y * mmOf(wall.length);
    return corner;
  });
  return { corners, closingGap: { x: x - space.origin.x, y: y - space.origin.y } };
}

/** A wall as it stands: its ends, its unit run from left to right, and the unit normal into the room. */
export interface WallRun {
  readonly wall: Wall;
  readonly startCorner: Id;
  readonly endCorner: Id;
  readonly start: PlanPoint;
  readonly end: PlanPoint;
  readonly lengthMm: number;
  readonly run: Vector2;
  readonly intoRoom: Vector2;
}

/** Records never change: how the walls of a space stand is worked out once. */
const runsKept = new WeakMap<Space, readonly WallRun[]>();

export function wallRuns(space: Space): readonly WallRun[] {
  let runs = runsKept.get(space);
  if (!runs) runsKept.set(space, (runs = runsOf(space)));
  return runs;
}

function runsOf(space: Space): readonly WallRun[] {
  const { corners } = outlineOf(space);
  return space.walls.map((wall, index) => {
    const start = at(corners, index);
    const end = at(corners, (index + 1) % corners.length);
    const dx = end.at.x - start.at.x;
    const dy = end.at.y - start.at.y;
    const lengthMm = length2({ x: dx, y: dy });
    // The typed bearing is kept exact where the wall follows it; a last wall that closes a gap runs where it must.
    const typed = bearingVector(wall.bearingDeg);
    const follows =
      lengthMm > 0 && Math.abs(typed.x * dy - typed.y * dx) < 1e-9 * lengthMm && typed.x * dx + typed.y * dy > 0;
    const run = follows ? typed : { x: dx / lengthMm, y: dy / lengthMm };
    return {
      wall,
      startCorner: start.id,
      endCorner: end.id,
      start: start.at,
      end: end.at,
      lengthMm,
      run,
      intoRoom: rightOf(run),
    };
  });
}

export type OutlineFault = 'too-few-walls' | 'crosses-itself' | 'runs-the-wrong-way';

/** Whether the outline encloses a room, walls clockwise. */
export function outlineFault(space: Space): OutlineFault | null {
  const corners = outlineOf(space).corners.map((corner) => corner.at);
  if (corners.length < 3) return 'too-few-walls';
  if (!isSimple(corners)) return 'crosses-itself';
  return signedArea(corners) < 0 ? null : 'runs-the-wrong-way';
}
