import type { LaidStroke, PlanChange } from '@/core/drawing';
import { picturePoint } from '@/core/space';
import { pictureScreen, type Painter } from '@/interface/board';

/** Half of a cross at a mark, px. */
const CROSS_PX = 4;
const DASH_PX: readonly number[] = [5, 4];

/** What is drawn and wrong by now, where it lies on the paper: to be found and rubbed out. What lies on the plan is left out. */
export const paintWrong =
  (change: PlanChange | null, onPlan: (stroke: string) => boolean): Painter =>
  (ctx, { pose, look, view }) => {
    if (!change) return;
    const { x: left, y: bottom } = view.centreOfVisionOnSheet;
    const here = change.wrong.flatMap(({ stroke }) => (onPlan(stroke.id) ? [] : [stroke]));
    const path = ({ is, chains }: LaidStroke): void => {
      for (const chain of chains) {
        const places = Array.from({ length: chain.length / 2 }, (_, i) =>
          pictureScreen(pose, picturePoint((chain[2 * i] ?? 0) - left, (chain[2 * i + 1] ?? 0) - bottom)),
        );
        const [first, ...rest] = places;
        if (!first) continue;
        if (is === 'mark') {
          const { x, y } = first;
          ctx.moveTo(x - CROSS_PX, y - CROSS_PX);
          ctx.lineTo(x + CROSS_PX, y + CROSS_PX);
          ctx.moveTo(x - CROSS_PX, y + CROSS_PX);
          ctx.lineTo(x + CROSS_PX, y - CROSS_PX);
          continue;
        }
        ctx.moveTo(first.x, first.y);
        for (const one of rest) ctx.lineTo(one.x, one.y);
      }
    };
    ctx.strokeStyle = look.warning;
    ctx.lineWidth = 1.4 * look.widen;
    // A cross is too small to be dashed.
    for (const marks of [true, false]) {
      ctx.setLineDash(marks ? [] : [...DASH_PX]);
      ctx.beginPath();
      for (const one of here) if ((one.is === 'mark') === marks) path(one);
      ctx.stroke();
    }
    ctx.setLineDash([]);
  };
