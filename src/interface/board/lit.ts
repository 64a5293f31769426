import type { Body, Role } from '@/core/solids';
import type { Id } from '@/core/record';
import { screenPoint, type ScreenPoint, type WorldPoint } from '@/core/space';
import { eyeFromWorld, planRayU, projectPoint, sideRayV, type SetUp } from '@/core/view';
import { contains, type BoardLayout } from './layout';
import { pictureScreen, planScreen, sideScreen, type Pose } from './pose';

/** A corner one can point at, with its place in each view. */
export interface Corner {
  readonly id: Id;
  readonly bodyId: Id;
  readonly bodyName: string;
  readonly role: Role;
  readonly at: WorldPoint;
}

export const cornersOf = (bodies: readonly Body[]): readonly Corner[] =>
  bodies.flatMap((body) =>
    body.vertices.map(({ id, role, at }) => ({ id, bodyId: body.id, bodyName: body.name, role, at })),
  );

export type ViewName = 'plan' | 'side' | 'picture';

export function viewAt(layout: BoardLayout, x: number, y: number): ViewName | null {
  if (contains(layout.picture, x, y)) return 'picture';
  if (contains(layout.plan, x, y)) return 'plan';
  return contains(layout.side, x, y) ? 'side' : null;
}

/** Where a corner shows in a view; null in the picture when it is behind the eye. */
export function cornerScreen(which: ViewName, pose: Pose, setUp: SetUp, corner: Corner): ScreenPoint | null {
  const eye = eyeFromWorld(setUp, corner.at);
  if (which === 'plan') return planScreen(pose, setUp, eye.lateral, eye.depth);
  if (which === 'side') return sideScreen(pose, setUp, eye.depth, eye.rise);
  const picture = projectPoint(setUp, corner.at);
  return picture && pictureScreen(pose, picture);
}

/** The corner nearest to the pointer within reach, px; of several in one place the first of the record. */
export function pickCorner(
  corners: readonly Corner[],
  which: ViewName,
  pose: Pose,
  setUp: SetUp,
  x: number,
  y: number,
  reach = 12,
): Corner | null {
  let best: Corner | null = null;
  let nearest = reach;
  for (const corner of corners) {
    const at = cornerScreen(which, pose, setUp, corner);
    if (!at) continue;
    const distance = Math.hypot(at.x - x, at.y - y);
    if (distance < nearest - 1e-6) {
      best = corner;
      nearest = distance;
    }
  }
  return best;
}

/** Everything one gesture shows: the ray, its tick on the strips, the drop and the level that meet in the picture, the height line. */
export interface LitCorner {
  readonly corner: Corner;
  readonly plan: { readonly station: ScreenPoint; readonly corner: ScreenPoint; readonly onPlane: ScreenPoint };
  readonly side: {
    readonly eye: ScreenPoint;
    readonly corner: ScreenPoint;
    readonly foot: ScreenPoint;
    readonly onPlane: ScreenPoint;
  };
  readonly strips: {
    readonly uAbove: ScreenPoint;
    readonly uBelow: ScreenPoint;
    readonly vLeft: ScreenPoint;
    readonly vRight: ScreenPoint;
  };
  readonly picture: { readonly corner: ScreenPoint; readonly foot: ScreenPoint };
  /** Each view's own figure, worked in that view alone, paper mm. */
  readonly figures: {
    readonly planU: number;
    readonly sideV: number;
    readonly pictureU: number;
    readonly pictureV: number;
  };
}

export function lightCorner(
  corner: Corner,
  pose: Pose,
  setUp: SetUp,
  layout: BoardLayout,
  floorZ: number,
): LitCorner | null {
  const eye = eyeFromWorld(setUp, corner.at);
  const planU = planRayU(setUp, corner.at);
  const sideV = sideRayV(setUp, corner.at);
  const picture = projectPoint(setUp, corner.at);
  const foot = { ...corner.at, z: floorZ };
  const footPicture = projectPoint(setUp, foot);
  if (planU === null || sideV === null || !picture || !footPicture) return null;
  const d = setUp.pictureDistance;
  const N = setUp.scaleDenominator;
  const { uStrip, vStrip } = layout;
  return {
    corner,
    plan: {
      station: planScreen(pose, setUp, 0, 0),
      corner: planScreen(pose, setUp, eye.lateral, eye.depth),
      onPlane: planScreen(pose, setUp, planU * N, d),
    },
    side: {
      eye: sideScreen(pose, setUp, 0, 0),
      corner: sideScreen(pose, setUp, eye.depth, eye.rise),
      foot: sideScreen(pose, setUp, eye.depth, floorZ - setUp.eyeZ),
      onPlane: sideScreen(pose, setUp, d, sideV * N),
    },
    strips: {
      uAbove: screenPoint(pose.axisX + pose.planScale * planU, uStrip.y),
      uBelow: screenPoint(pose.axisX + pose.pictureScale * planU, uStrip.y + uStrip.height),
      vLeft: screenPoint(vStrip.x, pose.horizonY - pose.sideScale * sideV),
      vRight: screenPoint(vStrip.x + vStrip.width, pose.horizonY - pose.pictureScale * sideV),
    },
    picture: { corner: pictureScreen(pose, picture), foot: pictureScreen(pose, footPicture) },
    figures: { planU, sideV, pictureU: picture.u, pictureV: picture.v },
  };
}
