import type { MarkId } from '@/core/construction';
import { marksAtHand, penFor, placeLabels, type Stroke } from '@/core/drawing';
import { projectPoint } from '@/core/view';
import {
  pictureScreen,
  sheetScreen,
  strokeAll,
  type BoardPainting,
  type Painter,
  type Segment,
} from '@/interface/board';
import { FIGURE_FACE } from '@/interface/theme';
import type { DrawnStep } from './use-drawing';

/** How strong what was drawn before stands beside what is drawn now. */
const BEFORE = 0.42;
/** Faint ways of the ruler, from a mark to the point it lies on. */
const WAY = 0.16;
const MARK_PX = { before: 2.2, now: 4.5 } as const;
const LETTER_PX = { high: 13, wide: 8, clear: 5 } as const;

const segmentsOf = (strokes: readonly Stroke[], { pose, view }: BoardPainting): readonly Segment[] =>
  strokes.map(({ x0, y0, x1, y1 }) => {
    const [a, b] = [sheetScreen(pose, view, x0, y0), sheetScreen(pose, view, x1, y1)];
    return { x0: a.x, y0: a.y, x1: b.x, y1: b.y };
  });

/** Strokes by their pen: few paths, however many lines. */
function byPen(strokes: readonly Stroke[]): ReadonlyMap<string, readonly Stroke[]> {
  const pens = new Map<string, Stroke[]>();
  for (const stroke of strokes) {
    const key = stroke.weight === 'firm' ? 'firm' : stroke.family;
    const list = pens.get(key);
    if (list) list.push(stroke);
    else pens.set(key, [stroke]);
  }
  return pens;
}

/** Marks and construction of earlier steps faint, this step's in ink, with the names of the marks it is about. */
export const paintPaper =
  (drawn: DrawnStep, show: 'on' | 'dimmed'): Painter =>
  (ctx, painting) => {
    const { look } = painting;
    const { laid, step } = drawn;
    const faint = show === 'dimmed' ? 0.3 : 1;
    ctx.globalAlpha = faint;
    for (const [, strokes] of byPen(laid.strokes.slice(0, step - 1).flat())) {
      const firm = strokes[0]?.weight === 'firm';
      const colour = firm ? look.graphite : look.families[strokes[0]?.family ?? 'sheet'];
      ctx.globalAlpha = faint * (firm ? 1 : BEFORE);
      strokeAll(ctx, segmentsOf(strokes, painting), colour, (firm ? 1.5 : 0.8) * look.widen);
    }
    paintByEye(ctx, painting, drawn);
    ctx.globalAlpha = faint * BEFORE;
    strokeAll(
      ctx,
      crosses(laid.marks.slice(0, step - 1).flat(), MARK_PX.before, painting, drawn),
      look.graphite,
      0.8 * look.widen,
    );
    ctx.globalAlpha = 1;
    paintNow(ctx, painting, drawn);
  };

function crosses(
  marks: readonly MarkId[],
  half: number,
  { pose }: BoardPainting,
  { laid }: DrawnStep,
): readonly Segment[] {
  return marks.flatMap((mark): readonly Segment[] => {
    const at = laid.paper.marks.get(mark)?.at;
    if (!at) return [];
    const { x, y } = pictureScreen(pose, at);
    return [
      { x0: x - half, y0: y, x1: x + half, y1: y },
      { x0: x, y0: y - half, x1: x, y1: y + half },
    ];
  });
}

/** Lines drawn by eye: firm once their step is past, in ink while it is at hand. */
function paintByEye(
  ctx: CanvasRenderingContext2D,
  { pose, setUp, look }: BoardPainting,
  { laid, step }: DrawnStep,
): void {
  const [before, now]: [Segment[], Segment[]] = [[], []];
  for (const { step: id, stands } of laid.plan.byEye) {
    const at = (laid.place.get(id) ?? Infinity) + 1;
    if (at > step) continue;
    const [a, b] = stands.map((p) => projectPoint(setUp, p));
    if (!a || !b) continue;
    const [p, q] = [pictureScreen(pose, a), pictureScreen(pose, b)];
    (at === step ? now : before).push({ x0: p.x, y0: p.y, x1: q.x, y1: q.y });
  }
  strokeAll(ctx, before, look.graphite, look.widen);
  strokeAll(ctx, now, look.ink, 1.8 * look.widen);
}

/** The step at hand in ink, with the ruler's whole way where it reaches beyond what is drawn. */
function paintNow(ctx: CanvasRenderingContext2D, painting: BoardPainting, drawn: DrawnStep): void {
  const { look, pose } = painting;
  const { laid, step } = drawn;
  const now = laid.plan.steps[step - 1];
  if (!now) return;
  const ways = now.operations.flatMap((one): readonly Segment[] => {
    if (one.op !== 'rule') return [];
    const [p, q] = one.through.map((mark) => laid.paper.marks.get(mark)?.at);
    if (!p || !q) return [];
    const [a, b] = [pictureScreen(pose, p), pictureScreen(pose, q)];
    return [{ x0: a.x, y0: a.y, x1: b.x, y1: b.y }];
  });
  ctx.globalAlpha = WAY;
  strokeAll(ctx, ways, look.ink, look.widen);
  ctx.globalAlpha = 1;
  for (const [, strokes] of byPen(laid.strokes[step - 1] ?? [])) {
    const { weight = 'faint', family = 'sheet' } = strokes[0] ?? {};
    const dash =
      weight === 'firm' ? [] : penFor(family, weight).dashMm.map((mm) => mm * Math.max(2, pose.pictureScale));
    strokeAll(ctx, segmentsOf(strokes, painting), look.ink, (weight === 'firm' ? 2.6 : 1.8) * look.widen, dash);
  }
  strokeAll(ctx, crosses(laid.marks[step - 1] ?? [], MARK_PX.now, painting, drawn), look.ink, 1.6 * look.widen);
  const named = [...marksAtHand(now, laid)].flatMap((mark) => {
    const at = laid.paper.marks.get(mark)?.at;
    const text = laid.plan.labels.get(mark);
    if (!at || !text) return [];
    const { x, y } = pictureScreen(pose, at);
    // The placer writes upward.
    return [{ x, y: -y, text }];
  });
  ctx.font = `${LETTER_PX.high}px ${FIGURE_FACE}`;
  ctx.textAlign = 'start';
  ctx.textBaseline = 'alphabetic';
  ctx.lineJoin = 'round';
  const labels = placeLabels(named, LETTER_PX);
  strokeAll(
    ctx,
    labels.flatMap(({ leader }) => (leader ? [{ ...leader, y0: -leader.y0, y1: -leader.y1 }] : [])),
    look.faint,
    0.8 * look.widen,
  );
  for (const { text, x, y } of labels) {
    ctx.strokeStyle = look.sheet;
    ctx.lineWidth = 4;
    ctx.strokeText(text, x, -y);
    ctx.fillStyle = look.text;
    ctx.fillText(text, x, -y);
  }
}
