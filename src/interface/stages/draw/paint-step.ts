import { penFor, stepStrokes } from '@/core/drawing';
import { pictureScreen, sheetScreen, strokeAll, strokeScreen, type Painter, type Segment } from '@/interface/board';
import { FIGURE_FACE } from '@/interface/theme';
import type { DrawnStep } from './use-drawing';

/** Names of the construction's marks; the size of words on the screen does not follow the magnification below what can be read. */
const paintMarkNames: Painter = (ctx, { drawing, pose, view, look }) => {
  ctx.textBaseline = 'alphabetic';
  ctx.lineJoin = 'round';
  for (const layer of drawing.layers.filter((one) => one.role.layer === 'construction')) {
    for (const word of layer.words) {
      const at = sheetScreen(pose, view, word.x, word.y);
      ctx.font = `${Math.max(13, word.heightMm * pose.pictureScale)}px ${FIGURE_FACE}`;
      ctx.textAlign = word.anchor === 'middle' ? 'center' : word.anchor;
      ctx.strokeStyle = look.sheet;
      ctx.lineWidth = 4;
      ctx.strokeText(word.text, at.x, at.y);
      ctx.fillStyle = look.text;
      ctx.fillText(word.text, at.x, at.y);
    }
  }
};

/** The step at hand in ink, with the ruler's whole way. */
export const paintStep =
  ({ construction, step }: DrawnStep): Painter =>
  (ctx, painting) => {
    const { pose, view, look } = painting;
    paintMarkNames(ctx, painting);
    const now = construction.plan.steps[step - 1];
    if (!now) return;
    // The ruler's whole way, thin: to the vanishing or measuring point, be it off the screen.
    const ways = now.operations.flatMap((one): Segment[] => {
      if (one.op !== 'rule') return [];
      const [p, q] = one.through.map((mark) => construction.drafted.marks.get(mark));
      if (!p || !q) return [];
      const [a, b] = [pictureScreen(pose, p), pictureScreen(pose, q)];
      return [{ x0: a.x, y0: a.y, x1: b.x, y1: b.y }];
    });
    ctx.globalAlpha = 0.45;
    strokeAll(ctx, ways, look.ink, look.widen);
    ctx.globalAlpha = 1;
    for (const stroke of stepStrokes(view, now, construction.drafted)) {
      const { dashMm } = penFor(stroke.family, stroke.weight);
      const dash = stroke.weight === 'firm' ? [] : dashMm.map((mm) => mm * Math.max(2, pose.pictureScale));
      strokeAll(ctx, [strokeScreen(painting, stroke)], look.ink, 2.2 * look.widen, dash);
    }
  };
