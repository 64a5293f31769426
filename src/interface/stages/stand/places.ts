import { screenPoint } from '@/core/space';
import { radiansFromDegrees } from '@/core/units';
import { allOn, planScreen, putBetween, sideScreen, type Placing, type Transforms } from '@/interface/board';
import { turningPoint, turnOfRoom } from './moves';

/** The turn's handle sits on the room's second direction, to the viewer's right, where the paper is mostly empty. */
const TURN_HANDLE_PX = 150;

/** Where the handles of Stand lie: by name, as the board moves them; and what else moves along with them. */
export function standPlaces({ project, view, setUp, pose, layout }: Omit<Placing, 'setOut'>) {
  const inPlan = (y: number): number =>
    Math.min(layout.plan.y + layout.plan.height - 14, Math.max(layout.plan.y + 14, y));
  const pivot = turningPoint(project, view, setUp, pose);
  const radians = radiansFromDegrees(turnOfRoom(project, view) + 90);
  return {
    station: planScreen(pose, setUp, 0, 0),
    plane: screenPoint(layout.plan.x + 24, inPlan(pose.planeY)),
    turn: screenPoint(
      pivot.x + Math.sin(radians) * TURN_HANDLE_PX,
      inPlan(pivot.y - Math.cos(radians) * TURN_HANDLE_PX),
    ),
    eye: screenPoint(layout.vStrip.x + layout.vStrip.width / 2, pose.horizonY),
    pivot: screenPoint(pivot.x, pivot.y),
    'eye-in-side': sideScreen(pose, setUp, 0, 0),
  };
}

/** Everything of Stand's handles, with the dotted line from the turning point to the turn's handle. */
export function standTransforms(placing: Omit<Placing, 'setOut'>): Transforms {
  const places = standPlaces(placing);
  return { ...allOn(places), 'turn-line': putBetween(places.pivot, places.turn) };
}
