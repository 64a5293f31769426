import { paintPlan, paintSide } from './paint-views';
import { strokeAll, type Segment } from './stroke-all';
import { type Construction, type Scene } from '@/core/pipeline';
import { radiansFromDegrees } from '@/core/units';

import {
  penFor,
  stepStrokes,
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
import { FIGURE_FACE, type Look } from '@/interface/theme';
import type { BoardLayout, Rect } from './layout';
import { pictureScreen, sheetScreen, type Pose } from './pose';
import { picturePoint } from '@/core/space';
import { paintAids, paintBoardGround, paintGrid, paintSheetDress } from './paint-set-out';
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
  /** The step being drawn, if any: its strokes stand out. */
  readonly step: { readonly construction: Construction; readonly index: number } | null;
  /** Circles of 45 and 60 degrees in the picture, and the cone in plan. */
  readonly showCone: boolean;
  /** While something is dragged hidden lines are left out: dots are the dearest thing on the board, and nobody reads them then. */
  readonly dragging: boolean;
  /** In Set out: board, tape, ticks and the grid, if there is one; null in the other stages. */
  readonly onBoard: { readonly setOut: SetOut; readonly grid: Layer | null } | null;
  /** The figure beside the eye, as a closed line in side view: mm forward of the eye's upright, mm above the floor. */
  readonly figure: readonly (readonly [number, number])[] | null;
  /** Plan and side view as rows, kept from one painting to the next. */
  readonly rows: KeptRows;
  /** While the eye is dragged: what was seen, carried along, and the parts of the board that lie still. */
  readonly moving?: { readonly lines: CarriedLines; readonly picture: CarriedPicture };
  readonly kept?: { readonly plan: KeptPicture; readonly side: KeptPicture };
}

type Context = CanvasRenderingContext2D;

function inside(ctx: Context, rect: Rect, paint: () => void): void {
  if (rect.width <= 0 || rect.height <= 0) return;
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

function paintDrawing(ctx: Context, given: BoardPainting): void {
  const { pose, view, look, drawing, chosen, step } = given;
  const toScreen = (stroke: Stroke): Segment => {
    const a = sheetScreen(pose, view, stroke.x0, stroke.y0);
    const b = sheetScreen(pose, view, stroke.x1, stroke.y1);
    if (!stroke.curve) return { x0: a.x, y0: a.y, x1: b.x, y1: b.y };
    const chain = strokePoints(stroke, 0.15 / pose.pictureScale).map(({ x, y }) => sheetScreen(pose, view, x, y));
    return { x0: a.x, y0: a.y, x1: b.x, y1: b.y, chain };
  };
  for (const layer of drawing.layers) {
    if (given.dragging && layer.role.layer === 'hidden') continue;
    const pens = new Map<string, { stroke: Stroke; inked: boolean; segments: Segment[] }>();
    for (const stroke of layer.strokes) {
      // A line that falls on one of the chosen piece's is the chosen piece's too.
      const inked = chosen !== null && stroke.weight === 'firm' && isOf(stroke, chosen);
      const key = `${stroke.weight}/${stroke.family}/${stroke.edge ?? ''}/${inked}`;
      const pen = pens.get(key) ?? { stroke, inked, segments: [] };
      pen.segments.push(toScreen(stroke));
      pens.set(key, pen);
    }
    for (const { stroke, inked, segments } of pens.values()) {
      const { dashMm } = penFor(stroke.family, stroke.weight);
      const dimmed = (step !== null || given.onBoard !== null) && !ON_PAPER.has(layer.role.layer);
      const colour = inked ? look.ink : stroke.weight === 'firm' ? look.graphite : look.families[stroke.family];
      const laidFaint = layer.dimmed ? 0.3 : 1;
      ctx.globalAlpha =
        laidFaint *
        (dimmed ? (stroke.weight === 'hidden' ? 0 : step ? 0.22 : 0.4) : stroke.weight === 'hidden' ? 0.55 : 1);
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
  if (step) {
    paintWords(ctx, given);
    const now = step.construction.plan.steps[step.index];
    if (now) {
      // The ruler's whole way, thin: to the vanishing or measuring point, be it off the screen.
      const ways = now.operations.flatMap((one): Segment[] => {
        if (one.op !== 'rule') return [];
        const [p, q] = one.through.map((mark) => step.construction.drafted.marks.get(mark));
        if (!p || !q) return [];
        const [a, b] = [pictureScreen(pose, p), pictureScreen(pose, q)];
        return [{ x0: a.x, y0: a.y, x1: b.x, y1: b.y }];
      });
      ctx.globalAlpha = 0.45;
      strokeAll(ctx, ways, look.ink, look.widen);
      ctx.globalAlpha = 1;
      for (const stroke of stepStrokes(view, now, step.construction.drafted)) {
        const { dashMm } = penFor(stroke.family, stroke.weight);
        strokeAll(
          ctx,
          [toScreen(stroke)],
          look.ink,
          2.2 * look.widen,
          stroke.weight === 'firm' ? [] : dashMm.map((mm) => mm * Math.max(2, pose.pictureScale)),
        );
      }
    }
  }
}

/** Pens of lines that are carried along: the class of the edge, inked or not, laid faint or not. */
const CLASSES = ['profile', 'inner', 'pattern'] as const;
export const movingPen = (edge: EdgeClass, inked: boolean, dimmed: boolean): number =>
  CLASSES.indexOf(edge) + (inked ? 3 : 0) + (dimmed ? 6 : 0);

/** What was seen a moment ago, from where the eye is now: one path for each pen, straight from the numbers. */
function paintMoving(
  ctx: Context,
  given: BoardPainting,
  { lines, picture: now }: NonNullable<BoardPainting['moving']>,
): void {
  const { pose, look, onBoard } = given;
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
    const inked = pen % 6 >= 3;
    ctx.globalAlpha = (pen >= 6 ? 0.3 : 1) * (onBoard ? 0.4 : 1);
    ctx.strokeStyle = inked ? look.ink : look.graphite;
    const width = widthMm({ weight: 'firm', edge: CLASSES[pen % 3] ?? 'inner' });
    // Up to a pixel a line is drawn as it is, above it as a shape: ten times as dear. In a drag it is a pixel.
    ctx.lineWidth = Math.min(1, pixelWidth(width, k, look) * (inked ? 1.25 : 1));
    ctx.lineCap = 'butt';
    ctx.stroke();
  }
  ctx.globalAlpha = 1;
}

/** Names of the construction's marks; the size of words on the screen does not follow the magnification below what can be read. */
function paintWords(ctx: Context, { drawing, pose, view, look }: BoardPainting): void {
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
}

function paintPicture(ctx: Context, given: BoardPainting): void {
  const { pose, view, look, setUp, showCone, onBoard } = given;
  if (onBoard) paintBoardGround(ctx, given);
  const corner = sheetScreen(pose, view, 0, view.sheet.height);
  const size = { width: view.sheet.width * pose.pictureScale, height: view.sheet.height * pose.pictureScale };
  ctx.fillStyle = look.sheet;
  ctx.fillRect(corner.x, corner.y, size.width, size.height);
  ctx.strokeStyle = look.rule;
  ctx.lineWidth = 1;
  ctx.strokeRect(corner.x + 0.5, corner.y + 0.5, size.width, size.height);
  if (onBoard) {
    paintSheetDress(ctx, given);
    if (onBoard.grid) paintGrid(ctx, onBoard.grid, given);
  }
  if (showCone) {
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
      ctx.setLineDash(given.kept ? [] : [1, 5]);
      ctx.lineWidth = given.kept ? 0.5 : 1.2;
      ctx.stroke();
      ctx.setLineDash([]);
    }
  }
  if (onBoard) {
    // The drawing to come, pale: here one lays out the paper.
    ctx.globalAlpha = 1;
    paintDrawing(ctx, given);
    if (given.moving) paintMoving(ctx, given, given.moving);
    paintAids(ctx, { ...given, setOut: onBoard.setOut });
  } else {
    paintDrawing(ctx, given);
    if (given.moving) paintMoving(ctx, given, given.moving);
  }
}

function paintStrips(ctx: Context, { layout, look, pose }: BoardPainting): void {
  const { uStrip, vStrip } = layout;
  ctx.fillStyle = look.strip;
  for (const strip of [uStrip, vStrip]) {
    ctx.fillRect(strip.x, strip.y, strip.width, strip.height);
    ctx.strokeStyle = look.rule;
    ctx.strokeRect(strip.x + 0.5, strip.y + 0.5, strip.width - 1, strip.height - 1);
  }
  if (uStrip.height === 0) return;
  strokeAll(
    ctx,
    [
      { x0: pose.axisX, y0: uStrip.y, x1: pose.axisX, y1: uStrip.y + uStrip.height },
      { x0: vStrip.x, y0: pose.horizonY, x1: vStrip.x + vStrip.width, y1: pose.horizonY },
    ],
    look.graphite,
    1,
  );
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
