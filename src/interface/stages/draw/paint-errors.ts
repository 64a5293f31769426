import { errorEllipse } from '@/core/construction';
import { radiansFromDegrees } from '@/core/units';
import { pictureScreen, type Painter } from '@/interface/board';
import type { DrawnStep } from './use-drawing';

/** Ellipses are drawn so many times larger than they are, or nobody would see them. */
export const ERROR_TIMES = 5;
/** Marks whose figures do not hold are drawn open, at this size, px. */
const FLAT_PX = 6;

/** Where the pencil's error is largest: the ellipse of each mark that stands for a place of the room, larger and stronger where more is to be expected. */
export const paintErrors =
  ({ laid }: DrawnStep): Painter =>
  (ctx, { pose, look }) => {
    const marks = [...laid.paper.marks.values()].filter((one) => one.stands !== null);
    const worst = Math.max(...marks.map((one) => (one.flat ? 0 : errorEllipse(one.covariance).major)), 1e-9);
    for (const { at, covariance, flat } of marks) {
      const { x, y } = pictureScreen(pose, at);
      const { major, minor, majorDeg } = errorEllipse(covariance);
      ctx.beginPath();
      if (flat) ctx.arc(x, y, FLAT_PX, 0, 2 * Math.PI);
      else {
        const px = ERROR_TIMES * pose.pictureScale;
        // The picture's upward v is the screen's downward y.
        ctx.ellipse(x, y, major * px, minor * px, -radiansFromDegrees(majorDeg), 0, 2 * Math.PI);
      }
      ctx.globalAlpha = flat ? 0.8 : 0.12 + (0.5 * major) / worst;
      ctx.fillStyle = look.accent;
      ctx.strokeStyle = look.accent;
      ctx.lineWidth = 1;
      if (flat) ctx.stroke();
      else ctx.fill();
    }
    ctx.globalAlpha = 1;
  };
