import type { MarkId } from '@/core/construction';
import { marksAtHand, penFor, placeLabels, type PlacedLabel, type Stroke, type StrokeFamily } from '@/core/drawing';
import { elevationEdge } from '@/core/pipeline';
import { picturePoint } from '@/core/space';
import { projectPoint } from '@/core/view';
import {
  paintRoomRows,
  pictureScreen,
  sheetScreen,
  strokeAll,
  type BoardPainting,
  type Painter,
  type Pose,
  type Segment,
} from '@/interface/board';
import { FIGURE_FACE, type Look } from '@/interface/theme';
import type { LaidPlan } from './laid-plan';
import type { DrawnStep } from './use-drawing';

/** How strong what was drawn before stands beside what is drawn now. */
const BEFORE = 0.42;
/** Faint ways of the ruler, from a mark to the point it lies on. */
const WAY = 0.16;
/** How strong the plan lies beside what is drawn from it. */
const PLAN = 0.5;
const MARK_PX = { before: 2.2, now: 4.5 } as const;
/** More marks than this are many; their names stand near them or not at all. */
const MANY = 40;
const FEW_RINGS = 5;
const LETTER_PX = { high: 13, wide: 8, clear: 5 } as const;

/** What was drawn before is kept by these. */
type Pen = StrokeFamily | 'firm' | 'by-eye' | 'crosses';
/** Strokes of one pen, as they lie on the screen. */
interface Penned {
  readonly stroke: Stroke;
  readonly segments: readonly Segment[];
}

/** What each step draws as it lies on the screen, and its marks: worked out once for a plan that lies still. */
interface Lying {
  readonly pose: Pose;
  /** By step, what it leaves to the eye. */
  readonly byEye: readonly (readonly Segment[])[];
  /** All that was drawn before a step, pen by pen: going on adds to it. */
  before: { readonly step: number; readonly pens: ReadonlyMap<Pen, readonly Segment[]> };
  /** By step, where the names of its marks stand: filled as steps are looked at. */
  readonly labels: Map<number, readonly PlacedLabel[]>;
  readonly steps: readonly (readonly Penned[])[];
  readonly crosses: readonly (readonly Segment[])[];
}
const lying = new WeakMap<LaidPlan, Lying>();

function lyingOf(laid: LaidPlan, painting: BoardPainting): Lying {
  const { pose, view, setUp } = painting;
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
  const byEye: Segment[][] = laid.plan.steps.map(() => []);
  for (const { step: id, seen } of laid.plan.byEye) {
    const list = byEye[laid.place.get(id) ?? -1];
    for (const part of list ? seen : []) {
      const on = part.map((p) => projectPoint(setUp, p)).map((p) => p && pictureScreen(pose, p));
      for (const [i, q] of on.entries()) {
        const p = on[i - 1];
        if (p && q) list?.push({ x0: p.x, y0: p.y, x1: q.x, y1: q.y });
      }
    }
  }
  const made: Lying = {
    byEye,
    before: { step: 1, pens: new Map() },
    ...{ pose, steps, labels: new Map() },
    crosses: laid.marks.map((marks) => crosses(marks, MARK_PX.before, painting, laid)),
  };
  lying.set(laid, made);
  return made;
}

/** The plan from which all is drawn, where it lies, and the edge of an elevation beside it: to find corners and heights by. */
export const paintPlanLaid =
  ({ laid: { paper } }: DrawnStep): Painter =>
  (ctx, painting) => {
    const { pose, setUp, look } = painting;
    const { planAt } = paper;
    if (!planAt) return;
    const { station: s, right: r, forward: f, pictureDistance: d, scaleDenominator: N } = setUp;
    const zero = pictureScreen(pose, planAt);
    const k = (pictureScreen(pose, picturePoint(planAt.u + 1, planAt.v)).x - zero.x) / N;
    const affine = {
      ...{ a: k * r.x, c: k * r.y, e: zero.x - k * (s.x * r.x + s.y * r.y) },
      ...{ b: -k * f.x, d: -k * f.y, f: zero.y + k * (s.x * f.x + s.y * f.y + d) },
    };
    ctx.globalAlpha = PLAN;
    paintRoomRows(ctx, painting, affine);
    const edge = elevationEdge(paper.marks).map((ends) => {
      const [p, q] = [pictureScreen(pose, ends[0]), pictureScreen(pose, ends[1])];
      return { x0: p.x, y0: p.y, x1: q.x, y1: q.y };
    });
    strokeAll(ctx, edge, look.graphite, 1);
    ctx.globalAlpha = 1;
  };

/** Marks and construction of earlier steps faint, this step's in ink, with the names of the marks it is about. */
export const paintPaper =
  (drawn: DrawnStep, show: 'on' | 'dimmed'): Painter =>
  (ctx, painting) => {
    const { look } = painting;
    const { laid, step } = drawn;
    const faint = show === 'dimmed' ? 0.3 : 1;
    const now = lyingOf(laid, painting);
    for (const [pen, segments] of beforeStep(now, step)) {
      const [colour, width, strength] = penBefore(pen, look);
      ctx.globalAlpha = faint * strength;
      strokeAll(ctx, segments, colour, width * look.widen);
    }
    ctx.globalAlpha = 1;
    strokeAll(ctx, now.byEye[step - 1] ?? [], look.ink, 1.8 * look.widen);
    paintNow(ctx, painting, drawn);
  };

/** Colour, width and strength of what was drawn before. */
function penBefore(pen: Pen, look: Look): readonly [string, number, number] {
  switch (pen) {
    case 'firm':
      return [look.graphite, 1.5, 1];
    case 'by-eye':
      return [look.graphite, 1, 1];
    case 'crosses':
      return [look.graphite, 0.8, BEFORE];
    default:
      return [look.families[pen], 0.8, BEFORE];
  }
}

/** All that lies on the paper before a step, pen by pen: kept, and added to as one goes on. */
function beforeStep(lying: Lying, step: number): ReadonlyMap<Pen, readonly Segment[]> {
  const known = lying.before;
  if (known.step === step) return known.pens;
  const [from, kept] = known.step < step ? [known.step, known.pens] : [1, new Map<Pen, readonly Segment[]>()];
  const pens = new Map([...kept].map(([pen, segments]) => [pen, [...segments]]));
  const put = (pen: Pen, segments: readonly Segment[]): void => {
    const list = pens.get(pen) ?? [];
    pens.set(pen, list);
    for (const one of segments) list.push(one);
  };
  for (let i = from - 1; i < step - 1; i += 1) {
    for (const { stroke, segments } of lying.steps[i] ?? [])
      put(stroke.weight === 'firm' ? 'firm' : stroke.family, segments);
    put('by-eye', lying.byEye[i] ?? []);
    put('crosses', lying.crosses[i] ?? []);
  }
  lying.before = { step, pens };
  return pens;
}

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

/** Where the names of the marks stand that a step is about. */
function labelsOfStep(painting: BoardPainting, laid: LaidPlan, step: number): readonly PlacedLabel[] {
  const { labels } = lyingOf(laid, painting);
  const known = labels.get(step);
  const now = laid.plan.steps[step - 1];
  if (known || !now) return known ?? [];
  const named = [...marksAtHand(now, laid)].flatMap((mark) => {
    const at = laid.paper.marks.get(mark)?.at;
    const text = laid.plan.labels.get(mark);
    if (!at || !text) return [];
    const { x, y } = pictureScreen(painting.pose, at);
    // The placer writes upward.
    return [{ x, y: -y, text }];
  });
  // A hundred names with leaders would hide the paper: what is crowded is named when it is brought nearer, or pointed at.
  const placed = placeLabels(named, named.length > MANY ? { ...LETTER_PX, rings: FEW_RINGS } : LETTER_PX);
  labels.set(step, placed);
  return placed;
}

/** Does something when the page has nothing else to do. */
const whenIdle = (work: () => void): void => {
  if (typeof requestIdleCallback === 'function') requestIdleCallback(work);
};

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
  ctx.font = `${LETTER_PX.high}px ${FIGURE_FACE}`;
  ctx.textAlign = 'start';
  ctx.textBaseline = 'alphabetic';
  ctx.lineJoin = 'round';
  const labels = labelsOfStep(painting, laid, step);
  // While one looks at this step the names of the next are placed.
  whenIdle(() => labelsOfStep(painting, laid, step + 1));
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
