import type { MarkId } from '@/core/construction';
import { marksAtHand, penFor, placeLabels, type Stroke, type StrokeFamily } from '@/core/drawing';
import { projectPoint } from '@/core/view';
import {
  pictureScreen,
  sheetScreen,
  strokeAll,
  type BoardPainting,
  type Painter,
  type Pose,
  type Segment,
} from '@/interface/board';
import { FIGURE_FACE } from '@/interface/theme';
import type { LaidPlan } from './laid-plan';
import type { DrawnStep } from './use-drawing';

/** How strong what was drawn before stands beside what is drawn now. */
const BEFORE = 0.42;
/** Faint ways of the ruler, from a mark to the point it lies on. */
const WAY = 0.16;
const MARK_PX = { before: 2.2, now: 4.5 } as const;
/** More marks than this are many; their names stand near them or not at all. */
const MANY = 40;
const FEW_RINGS = 5;
const LETTER_PX = { high: 13, wide: 8, clear: 5 } as const;

/** Strokes of one pen, as they lie on the screen. */
interface Penned {
  readonly stroke: Stroke;
  readonly segments: readonly Segment[];
}

/** What each step draws as it lies on the screen, and its marks: worked out once for a plan that lies still. */
interface Lying {
  readonly pose: Pose;
  readonly steps: readonly (readonly Penned[])[];
  readonly crosses: readonly (readonly Segment[])[];
}
const lying = new WeakMap<LaidPlan, Lying>();

function lyingOf(laid: LaidPlan, painting: BoardPainting): Lying {
  const { pose, view } = painting;
  const known = lying.get(laid);
  if (known?.pose === pose) return known;
  const steps = laid.strokes.map((strokes) => {
    const pens = new Map<string, { stroke: Stroke; segments: Segment[] }>();
    for (const stroke of strokes) {
      const key = stroke.weight === 'firm' ? 'firm' : stroke.family;
      const pen = pens.get(key) ?? { stroke, segments: [] };
      const [a, b] = [sheetScreen(pose, view, stroke.x0, stroke.y0), sheetScreen(pose, view, stroke.x1, stroke.y1)];
      pen.segments.push({ x0: a.x, y0: a.y, x1: b.x, y1: b.y });
      pens.set(key, pen);
    }
    return [...pens.values()];
  });
  const made = { pose, steps, crosses: laid.marks.map((marks) => crosses(marks, MARK_PX.before, painting, laid)) };
  lying.set(laid, made);
  return made;
}

/** Marks and construction of earlier steps faint, this step's in ink, with the names of the marks it is about. */
export const paintPaper =
  (drawn: DrawnStep, show: 'on' | 'dimmed'): Painter =>
  (ctx, painting) => {
    const { look } = painting;
    const { laid, step } = drawn;
    const faint = show === 'dimmed' ? 0.3 : 1;
    const now = lyingOf(laid, painting);
    const pens = new Map<StrokeFamily | 'firm', Segment[]>();
    for (const { stroke, segments } of now.steps.slice(0, step - 1).flat()) {
      const key = stroke.weight === 'firm' ? 'firm' : stroke.family;
      const pen = pens.get(key);
      if (pen) for (const one of segments) pen.push(one);
      else pens.set(key, [...segments]);
    }
    for (const [pen, segments] of pens) {
      ctx.globalAlpha = faint * (pen === 'firm' ? 1 : BEFORE);
      const [colour, width] = pen === 'firm' ? [look.graphite, 1.5] : [look.families[pen], 0.8];
      strokeAll(ctx, segments, colour, width * look.widen);
    }
    paintByEye(ctx, painting, drawn);
    ctx.globalAlpha = faint * BEFORE;
    strokeAll(ctx, now.crosses.slice(0, step - 1).flat(), look.graphite, 0.8 * look.widen);
    ctx.globalAlpha = 1;
    paintNow(ctx, painting, drawn);
  };

function crosses(marks: readonly MarkId[], half: number, { pose }: BoardPainting, laid: LaidPlan): readonly Segment[] {
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
  for (const { stroke, segments } of lyingOf(laid, painting).steps[step - 1] ?? []) {
    const { weight, family } = stroke;
    const dash =
      weight === 'firm' ? [] : penFor(family, weight).dashMm.map((mm) => mm * Math.max(2, pose.pictureScale));
    strokeAll(ctx, segments, look.ink, (weight === 'firm' ? 2.6 : 1.8) * look.widen, dash);
  }
  strokeAll(ctx, crosses(laid.marks[step - 1] ?? [], MARK_PX.now, painting, laid), look.ink, 1.6 * look.widen);
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
  // A hundred names with leaders would hide the paper: what is crowded is named when it is brought nearer, or pointed at.
  const labels = placeLabels(named, named.length > MANY ? { ...LETTER_PX, rings: FEW_RINGS } : LETTER_PX);
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
