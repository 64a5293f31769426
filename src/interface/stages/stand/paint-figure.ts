import type { UnitSystem } from '@/core/units';
import { FIGURE_OUTLINE, figureSizes } from '@/core/view';
import { sideScreen, type Painter } from '@/interface/board';

/** The figure beside the eye, in the side view; its height goes by the units one works in. */
export const paintFigure =
  (units: UnitSystem): Painter =>
  (ctx, { pose, setUp, look, view }) => {
    const size = figureSizes(units).find((one) => one.figure === view.figure);
    if (!size) return;
    ctx.beginPath();
    FIGURE_OUTLINE[size.figure].forEach(([forward, up], i) => {
      const p = sideScreen(pose, setUp, forward * size.tall, up * size.tall - setUp.eyeHeight);
      if (i === 0) ctx.moveTo(p.x, p.y);
      else ctx.lineTo(p.x, p.y);
    });
    ctx.closePath();
    ctx.fillStyle = look.strip;
    ctx.fill();
    ctx.strokeStyle = look.graphite;
    ctx.lineWidth = look.widen;
    ctx.stroke();
  };
