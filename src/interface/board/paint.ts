import { paintPlan, paintSide } from './paint-views';
import { strokeAll, type Segment } from './stroke-all';
import { type Scene } from '@/core/pipeline';
import { radiansFromDegrees } from '@/core/units';

import {
  penFor,
  strokePoints,
  widthMm,
  type Drawing,
  type Layer,
  type LayerRole,
  type Stroke,
  type EdgeClass,
} from '@/core/drawing';
import type { View } from '@/core/record';
import { ownerOfLine, type CarriedLines, type CarriedPicture } from '@/core/visibility';
import type { KeptPicture } from './kept-picture';
import { type KeptRows } from './rows';
import type { SetUp } from '@/core/view';
import { type Look } from '@/interface/theme';
import { hasRoom, type BoardLayout, type Rect } from './layout';
import { pictureScreen, sheetScreen, type Pose } from './pose';
import { picturePoint } from '@/core/space';
import type { SetOut } from '@/core/view';

/** Everything the canvas shows; words and handles lie above it in SVG. */
export interface BoardPainting {
  readonly layout: BoardLayout;
  readonly pose: Pose;
  readonly look: Look;
  readonly view: View;
  readonly setUp: SetUp;
  readonly scene: Scene;
  readonly drawing: Drawing;
  /** Names of the piece that is chosen, drawn in ink. */
  readonly chosen: string | null;
  /** While something is dragged hidden lines are left out: dots are the dearest thing on the board, and nobody reads them then. */
  readonly dragging: boolean;
  readonly setOut: SetOut;
  /** What is painted besides room and drawing. */
  readonly painters: Painters;
  /** Plan and side view as rows, kept from one painting to the next. */
  readonly rows: KeptRows;
  /** While the eye is dragged: what was seen, carried along, and the parts of the board that lie still. */
  readonly moving?: { readonly lines: CarriedLines; readonly picture: CarriedPicture };
  readonly kept?: { readonly plan: KeptPicture; readonly side: KeptPicture };
}

type Context = CanvasRenderingContext2D;

export type Painter = (ctx: Context, painting: BoardPainting) => void;

/** What is painted besides room and drawing, and how strong these stand out. */
export interface Painters {
  /** On the table, before the sheet is laid. */
  readonly beneath: readonly Painter[];
  /** On the sheet, before the drawing. */
  readonly onSheet: readonly Painter[];
  /** Over the drawing. */
  readonly over: readonly Painter[];
  /** In the side view, over the room. */
  readonly inSide: readonly Painter[];
  /** Opacity of the picture's own lines, seen and hidden, 0 to 1. What is constructed or set out stands out as it is. */
  readonly strength: { readonly seen: number; readonly hidden: number };
}

function inside(ctx: Context, rect: Rect, paint: () => void): void {
  if (!hasRoom(rect)) return;
  ctx.save();
  ctx.beginPath();
  ctx.rect(rect.x, rect.y, rect.width, rect.height);
  ctx.clip();
  paint();
  ctx.restore();
}

/** Layers that lie on the paper before the picture does. */
const ON_PAPER: ReadonlySet<LayerRole['layer']> = new Set(['construction', 'set-out', 'frame']);

/** Whether a line of the picture is a body's: its own, or one that falls on its own. */
export const isOf = ({ role, alsoBodies }: Stroke, bodyId: string): boolean =>
  (role.is === 'line' && (role.body === bodyId || ownerOfLine(role.line) === bodyId)) ||
  (alsoBodies ?? []).includes(bodyId);

/** Paper widths are shown a little heavier than true below 1:1, or hairlines would vanish. */
const pixelWidth = (mm: number, scale: number, look: Look): number => Math.max(mm * 2.4, mm * scale) * look.widen;

/** A stroke of the sheet on the screen; what is not straight as a chain within a seventh of a pixel. */
export function strokeScreen({ pose, view }: Pick<BoardPainting, 'pose' | 'view'>, stroke: Stroke): Segment {
  const a = sheetScreen(pose, view, stroke.x0, stroke.y0);
  const b = sheetScreen(pose, view, stroke.x1, stroke.y1);
  if (!stroke.curve) return { x0: a.x, y0: a.y, x1: b.x, y1: b.y };
  const chain = strokePoints(stroke, 0.15 / pose.pictureScale).map(({ x, y }) => sheetScreen(pose, view, x, y));
  return { x0: a.x, y0: a.y, x1: b.x, y1: b.y, chain };
}

/** Strength of what stands out as it is: constructed and set-out lines. */
const AS_IT_IS: Painters['strength'] = { seen: 1, hidden: 0.55 };

/** Strokes of one pen, as they lie on the screen. */
interface Penned {
  readonly stroke: Stroke;
  readonly inked: boolean;
  readonly segments: Segment[];
}

/** Of layers that were painted, how they lay then: what is painted again as it lies is not worked out again. */
const lying = new WeakMap<
  Layer,
  Pick<BoardPainting, 'pose' | 'view' | 'chosen'> & { readonly pens: readonly Penned[] }
>();

function pensOf(layer: Layer, given: BoardPainting): readonly Penned[] {
  const { pose, view, chosen } = given;
  const known = lying.get(layer);
  if (known?.pose === pose && known.view === view && known.chosen === chosen) return known.pens;
  const pens = new Map<string, Penned>();
  for (const stroke of layer.strokes) {
    // A line that falls on one of the chosen piece's is the chosen piece's too.
    const inked = chosen !== null && stroke.weight === 'firm' && isOf(stroke, chosen);
    const key = `${stroke.weight}/${stroke.family}/${stroke.edge ?? ''}/${inked}`;
    const pen = pens.get(key) ?? { stroke, inked, segments: [] };
    pen.segments.push(strokeScreen(given, stroke));
    pens.set(key, pen);
  }
  const made = [...pens.values()];
  lying.set(layer, { pose, view, chosen, pens: made });
  return made;
}

function paintDrawing(ctx: Context, given: BoardPainting): void {
  const { pose, look, drawing } = given;
  for (const layer of drawing.layers) {
    if (given.dragging && layer.role.layer === 'hidden') continue;
    for (const { stroke, inked, segments } of pensOf(layer, given)) {
      const { dashMm } = penFor(stroke.family, stroke.weight);
      const strength = ON_PAPER.has(layer.role.layer) ? AS_IT_IS : given.painters.strength;
      const alpha = stroke.weight === 'hidden' ? strength.hidden : strength.seen;
      if (alpha === 0) continue;
      const colour = inked ? look.ink : stroke.weight === 'firm' ? look.graphite : look.families[stroke.family];
      const laidFaint = layer.dimmed ? 0.3 : 1;
      ctx.globalAlpha = laidFaint * alpha;
      strokeAll(
        ctx,
        segments,
        colour,
        pixelWidth(widthMm(stroke), pose.pictureScale, look) * (inked ? 1.25 : 1),
        dashMm.map((mm) => mm * Math.max(1.6, pose.pictureScale)),
      );
    }
    ctx.globalAlpha = 1;
  }
}

/** Pens of lines that are carried along: the class of the edge, inked or not, laid faint or not. */
const CLASSES = ['profile', 'inner', 'pattern', 'crowded', 'dense'] as const;
export const movingPen = (edge: EdgeClass, inked: boolean, dimmed: boolean): number =>
  CLASSES.indexOf(edge) + CLASSES.length * ((inked ? 1 : 0) + (dimmed ? 2 : 0));

/** What was seen a moment ago, from where the eye is now: one path for each pen, straight from the numbers. */
function paintMoving(
  ctx: Context,
  given: BoardPainting,
  { lines, picture: now }: NonNullable<BoardPainting['moving']>,
): void {
  const { pose, look, painters } = given;
  const { rows, picture, stretch } = now;
  const { pens } = lines;
  const k = pose.pictureScale;
  ctx.setLineDash([]);
  for (let row = 0; row < rows;) {
    const pen = pens[stretch[row] as number] as number;
    ctx.beginPath();
    // Read without a check of each index: this is the inner loop of a drag.
    for (; row < rows && pens[stretch[row] as number] === pen; row += 1) {
      const i = row * 4;
      ctx.moveTo(pose.axisX + k * (picture[i] as number), pose.horizonY - k * (picture[i + 1] as number));
      ctx.lineTo(pose.axisX + k * (picture[i + 2] as number), pose.horizonY - k * (picture[i + 3] as number));
    }
    const [edge, laid] = [pen % CLASSES.length, Math.floor(pen / CLASSES.length)];
    const inked = laid % 2 === 1;
    ctx.globalAlpha = (laid >= 2 ? 0.3 : 1) * painters.strength.seen;
    ctx.strokeStyle = inked ? look.ink : look.graphite;
    const width = widthMm({ weight: 'firm', edge: CLASSES[edge] ?? 'inner' });
    // Up to a pixel a line is drawn as it is, above it as a shape: ten times as dear. In a drag it is a pixel.
    ctx.lineWidth = Math.min(1, pixelWidth(width, k, look) * (inked ? 1.25 : 1));
    ctx.lineCap = 'butt';
    ctx.stroke();
  }
  ctx.globalAlpha = 1;
}

function paintPicture(ctx: Context, given: BoardPainting): void {
  const { pose, view, look, painters } = given;
  for (const paint of painters.beneath) paint(ctx, given);
  const corner = sheetScreen(pose, view, 0, view.sheet.height);
  const size = { width: view.sheet.width * pose.pictureScale, height: view.sheet.height * pose.pictureScale };
  ctx.fillStyle = look.sheet;
  ctx.fillRect(corner.x, corner.y, size.width, size.height);
  ctx.strokeStyle = look.rule;
  ctx.lineWidth = 1;
  ctx.strokeRect(corner.x + 0.5, corner.y + 0.5, size.width, size.height);
  for (const paint of painters.onSheet) paint(ctx, given);
  ctx.globalAlpha = 1;
  paintDrawing(ctx, given);
  if (given.moving) paintMoving(ctx, given, given.moving);
  for (const paint of painters.over) paint(ctx, given);
}

/** Circles of the cone of vision in the picture, of 45 and 60 degrees. */
export function paintConeInPicture(ctx: Context, { pose, look, setUp, kept }: BoardPainting): void {
  for (const half of [22.5, 30]) {
    ctx.beginPath();
    ctx.arc(
      pose.axisX,
      pose.horizonY,
      setUp.viewingDistance * Math.tan(radiansFromDegrees(half)) * pose.pictureScale,
      0,
      2 * Math.PI,
    );
    ctx.strokeStyle = look.rule;
    ctx.setLineDash(kept ? [] : [1, 5]);
    ctx.lineWidth = kept ? 0.5 : 1.2;
    ctx.stroke();
    ctx.setLineDash([]);
  }
}

function paintStrips(ctx: Context, { layout, look, pose }: BoardPainting): void {
  const { uStrip, vStrip } = layout;
  ctx.fillStyle = look.strip;
  for (const strip of [uStrip, vStrip].filter(hasRoom)) {
    ctx.fillRect(strip.x, strip.y, strip.width, strip.height);
    ctx.strokeStyle = look.rule;
    ctx.strokeRect(strip.x + 0.5, strip.y + 0.5, strip.width - 1, strip.height - 1);
  }
  const centres = [
    ...(hasRoom(uStrip) ? [{ x0: pose.axisX, y0: uStrip.y, x1: pose.axisX, y1: uStrip.y + uStrip.height }] : []),
    ...(hasRoom(vStrip) ? [{ x0: vStrip.x, y0: pose.horizonY, x1: vStrip.x + vStrip.width, y1: pose.horizonY }] : []),
  ];
  strokeAll(ctx, centres, look.graphite, 1);
}

/** Paints the whole board. `ratio` is device pixels for each CSS pixel. */
export function paintBoard(ctx: Context, given: BoardPainting, ratio: number): void {
  const { layout } = given;
  ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
  ctx.clearRect(0, 0, layout.width, layout.height);
  ctx.lineCap = 'butt';
  inside(ctx, layout.picture, () => paintPicture(ctx, given));
  inside(ctx, layout.plan, () => paintPlan(ctx, given, ratio));
  inside(ctx, layout.side, () => paintSide(ctx, given, ratio));
  paintStrips(ctx, given);
}

/** Screen place of a mark of the picture. */
export const markScreen = (pose: Pose, u: number, v: number) => pictureScreen(pose, picturePoint(u, v));
