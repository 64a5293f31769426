import { picturePoint } from '@/core/space';
import { pictureScreen, type Painter } from '@/interface/board';
import type { PlanChange } from '@/core/drawing';

/** Half of a cross at a mark, px. */
const CROSS_PX = 4;
const DASH_PX: readonly number[] = [5, 4];

/** What is drawn and wrong by now, where it lies on the paper: to be found and rubbed out. What lies on the plan is left out. */
export const paintWrong =
  (change: PlanChange | null, onPlan: (stroke: string) => boolean): Painter =>
  (ctx, { pose, look, view }) => {
    if (!change) return;
    const { x: left, y: bottom } = view.centreOfVisionOnSheet;
    ctx.strokeStyle = look.warning;
    ctx.lineWidth = 1.4 * look.widen;
    ctx.beginPath();
    for (const { stroke } of change.wrong) {
      if (onPlan(stroke.id)) continue;
      for (const chain of stroke.chains) {
        const places = Array.from({ length: chain.length / 2 }, (_, i) =>
          pictureScreen(pose, picturePoint((chain[2 * i] ?? 0) - left, (chain[2 * i + 1] ?? 0) - bottom)),
        );
        const [first, ...rest] = places;
        if (!first) continue;
        if (rest.length === 0) {
          ctx.moveTo(first.x - CROSS_PX, first.y - CROSS_PX);
          ctx.lineTo(first.x + CROSS_PX, first.y + CROSS_PX);
          ctx.moveTo(first.x - CROSS_PX, first.y + CROSS_PX);
          ctx.lineTo(first.x + CROSS_PX, first.y - CROSS_PX);
        } else {
          ctx.moveTo(first.x, first.y);
          for (const one of rest) ctx.lineTo(one.x, one.y);
        }
      }
    }
    ctx.setLineDash([...DASH_PX]);
    ctx.stroke();
    ctx.setLineDash([]);
  };
