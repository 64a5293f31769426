import { radiansFromDegrees } from '@/core/units';
import type { BoardPainting } from './paint';
import { planScreen, sideScreen } from './pose';
import { planAffine, sideAffine, strokeRows, type Affine } from './rows';
import { strokeAll, type Segment } from './stroke-all';

type Context = CanvasRenderingContext2D;

/** What of the plan lies still under a moving eye: rooms and what stands in them. */
function paintPlanOfRoom(ctx: Context, painting: BoardPainting): void {
  paintRoomRows(ctx, painting, planAffine(painting.pose, painting.setUp));
}

/** Rooms and what stands in them, from above, wherever the plan lies. */
export function paintRoomRows(ctx: Context, { look, scene, chosen, rows }: BoardPainting, affine: Affine): void {
  const { pieces, chosen: own, walls, faces, thin } = rows.planOf(scene, chosen);
  ctx.setLineDash([]);
  strokeRows(ctx, pieces, affine, look.graphite, 1.1 * look.widen);
  strokeRows(ctx, own, affine, look.ink, 1.8 * look.widen);
  strokeRows(ctx, walls, affine, look.graphite, 2.6 * look.widen);
  // An opening breaks the wall's heavy line; its leaf or glass is a fine line at the back of the reveal.
  strokeRows(ctx, faces, affine, look.paper, 3.6 * look.widen);
  strokeRows(ctx, thin, affine, look.graphite, 0.8 * look.widen);
}

/** Positions to a thousandth of a pixel: what is the same to the eye has the same key. */
const keyOf = ({ a, b, c, d, e, f }: Affine): string => [a, b, c, d, e, f].map((one) => one.toFixed(3)).join(' ');

export function paintPlan(ctx: Context, given: BoardPainting, ratio: number): void {
  const { layout, pose, look, setUp, kept } = given;
  const { plan } = layout;
  const station = planScreen(pose, setUp, 0, 0);
  const cone = (half: number): Segment[] =>
    [-1, 1].map((side) => {
      const far = planScreen(pose, setUp, side * 2e4 * Math.tan(radiansFromDegrees(half)), 2e4);
      return { x0: station.x, y0: station.y, x1: far.x, y1: far.y };
    });
  // Dots are dear and nobody counts them in a drag: the cone is then a thin full line.
  strokeAll(ctx, cone(30), look.rule, kept ? 0.5 : 1.2, kept ? [] : [1, 5]);
  strokeAll(ctx, cone(22.5), look.rule, kept ? 0.4 : 1, kept ? [] : [1, 9]);
  strokeAll(
    ctx,
    [{ x0: pose.axisX, y0: plan.y, x1: pose.axisX, y1: plan.y + plan.height }],
    look.families.sheet,
    0.8,
    [10, 3, 2, 3],
  );
  strokeAll(
    ctx,
    [{ x0: plan.x, y0: pose.planeY, x1: plan.x + plan.width, y1: pose.planeY }],
    look.graphite,
    1.1 * look.widen,
    [14, 4],
  );
  if (kept) kept.plan.lay(ctx, plan, ratio, keyOf(planAffine(pose, setUp)), (into) => paintPlanOfRoom(into, given));
  else paintPlanOfRoom(ctx, given);
}

/** The room from the side: all its edges, and the chosen piece's. */
function paintSideOfRoom(ctx: Context, { pose, look, setUp, scene, chosen, rows }: BoardPainting): void {
  const { others, chosen: own } = rows.sideOf(scene, chosen, setUp);
  const affine = sideAffine(pose, setUp);
  ctx.setLineDash([]);
  ctx.globalAlpha = 0.5;
  strokeRows(ctx, others, affine, look.graphite, 0.7 * look.widen);
  ctx.globalAlpha = 1;
  strokeRows(ctx, own, affine, look.ink, 1.5 * look.widen);
}

/** Turning, the side view changes in every line: it follows as often as the words do. */
const SIDE_EVERY_MS = 125;

export function paintSide(ctx: Context, given: BoardPainting, ratio: number): void {
  const { layout, pose, look, setUp, kept } = given;
  const { side } = layout;
  const floorY = sideScreen(pose, setUp, 0, -setUp.eyeHeight).y;
  strokeAll(
    ctx,
    [{ x0: side.x, y0: pose.horizonY, x1: side.x + side.width, y1: pose.horizonY }],
    look.families.sheet,
    0.8,
    [10, 3, 2, 3],
  );
  strokeAll(
    ctx,
    [{ x0: pose.planeX, y0: side.y, x1: pose.planeX, y1: side.y + side.height }],
    look.graphite,
    1.1 * look.widen,
    [14, 4],
  );
  if (kept) {
    const key = `${keyOf(sideAffine(pose, setUp))} ${setUp.forward.x} ${setUp.forward.y}`;
    kept.side.lay(ctx, side, ratio, key, (into) => paintSideOfRoom(into, given), SIDE_EVERY_MS);
  } else paintSideOfRoom(ctx, given);
  strokeAll(ctx, [{ x0: side.x, y0: floorY, x1: side.x + side.width, y1: floorY }], look.graphite, 1.4 * look.widen);
  for (const paint of given.painters.inSide) paint(ctx, given);
}
