import type { Id, View } from '@/core/record';
import type { Body } from '@/core/solids';
import { degreesFromRadians, type Degrees } from '@/core/units';
import { eyePoint, worldPoint, type EyePoint } from '@/core/space';
import { ballAbout, bodySegments } from './body-segments';
import { frameInterval } from './project-segment';
import { eyeFromWorld, type SetUp } from './set-up';

/** How far what is drawn of a thing reaches from the line of sight: in all, sideways, and up or down; degrees. */
export interface OffSight {
  readonly body: Id;
  readonly name: string;
  readonly offDeg: Degrees;
  readonly sidewaysDeg: Degrees;
  readonly side: 'left' | 'right';
  readonly upDownDeg: Degrees;
  readonly way: 'up' | 'down';
}

const between = (a: EyePoint, b: EyePoint, along: number): EyePoint =>
  eyePoint(
    a.lateral + (b.lateral - a.lateral) * along,
    a.depth + (b.depth - a.depth) * along,
    a.rise + (b.rise - a.rise) * along,
  );

export const offSightOf = ({ lateral, depth, rise }: EyePoint): Degrees =>
  degreesFromRadians(Math.atan2(Math.hypot(lateral, rise), depth));

/** Whether a body is of the room that is looked into, or there is only one. What stands in others is a matter of the view only where it is seen. */
export const ofOwnRoom = ({ room }: Pick<SetUp, 'room'>, { homes }: Pick<Body, 'homes'>): boolean =>
  room === undefined || homes === undefined || homes.length === 0 || homes.includes(room);

/** Whether a body lies within a cone about the line of sight as a whole, told by a ball about it: quickly, and never wrongly yes. */
export function withinCone(setUp: SetUp, body: Body, halfDeg: Degrees): boolean {
  const ball = ballAbout(body);
  if (!ball) return true;
  const eye = eyeFromWorld(setUp, ball.centre);
  const away = Math.hypot(eye.lateral, eye.depth, eye.rise);
  if (away <= ball.radius) return false;
  return offSightOf(eye) + degreesFromRadians(Math.asin(ball.radius / away)) <= halfDeg;
}

/**
 * The point of what is drawn of a body that lies farthest off the line of sight; null when nothing of it is in the frame. Edges are cut to the
 * frame first: what the frame cuts off is not drawn, and its stretch troubles nobody.
 */
export function offSightInFrame(setUp: SetUp, view: Pick<View, 'frame'>, body: Body): OffSight | null {
  let worst: EyePoint | null = null;
  for (const [from, to] of bodySegments(body, worldPoint(setUp.station.x, setUp.station.y, setUp.eyeZ))) {
    const [a, b] = [eyeFromWorld(setUp, from), eyeFromWorld(setUp, to)];
    const part = frameInterval(setUp, view.frame, a, b);
    if (!part) continue;
    for (const along of part) {
      const point = between(a, b, along);
      // The angle to a point of a straight segment is greatest at one of its ends.
      if (!worst || offSightOf(point) > offSightOf(worst)) worst = point;
    }
  }
  if (!worst) return null;
  return {
    body: body.id,
    name: body.name,
    offDeg: offSightOf(worst),
    sidewaysDeg: degreesFromRadians(Math.atan2(Math.abs(worst.lateral), worst.depth)),
    side: worst.lateral < 0 ? 'left' : 'right',
    upDownDeg: degreesFromRadians(Math.atan2(Math.abs(worst.rise), worst.depth)),
    way: worst.rise < 0 ? 'down' : 'up',
  };
}

/** The same of the frame's four corners: how much of the paper lies outside the cone. */
export function frameOffSight(setUp: SetUp, { frame }: Pick<View, 'frame'>) {
  const k = setUp.viewingDistance;
  const deg = (mm: number): Degrees => degreesFromRadians(Math.atan2(Math.max(0, mm), k));
  const corner = Math.hypot(Math.max(-frame.left, frame.right, 0), Math.max(-frame.bottom, frame.top, 0));
  return {
    left: deg(-frame.left),
    right: deg(frame.right),
    down: deg(-frame.bottom),
    up: deg(frame.top),
    corner: deg(corner),
  };
}
