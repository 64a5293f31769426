import { planLinesOf, type Construction, type Scene } from '@/core/pipeline';
import { radiansFromDegrees } from '@/core/units';
import { at } from '@/core/base';
import {
  penFor,
  stepStrokes,
  strokePoints,
  widthMm,
  type Drawing,
  type Layer,
  type LayerRole,
  type Stroke,
} from '@/core/drawing';
import type { View } from '@/core/record';
import type { Body, Role } from '@/core/solids';
import { ownerOfLine } from '@/core/visibility';
import { eyeFromWorld, type SetUp } from '@/core/view';
import { FIGURE_FACE, type Look } from '@/interface/theme';
import type { BoardLayout, Rect } from './layout';
import { pictureScreen, planScreen, sheetScreen, sideScreen, type Pose } from './pose';
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
  /** Plans of bodies already worked out. */
  readonly plans: WeakMap<Body, Float64Array>;
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

interface Segment {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
  /** Of what is not straight: points it is drawn through. */
  readonly chain?: readonly { readonly x: number; readonly y: number }[];
}

/** One path for all strokes of a pen: thousands of strokes cost a few calls. */
function strokeAll(
  ctx: Context,
  segments: readonly Segment[],
  colour: string,
  width: number,
  dash: readonly number[] = [],
): void {
  if (segments.length === 0) return;
  ctx.beginPath();
  for (const one of segments) {
    ctx.moveTo(one.x0, one.y0);
    if (one.chain) for (const { x, y } of one.chain) ctx.lineTo(x, y);
    else ctx.lineTo(one.x1, one.y1);
  }
  ctx.strokeStyle = colour;
  ctx.lineWidth = width;
  ctx.setLineDash([...dash]);
  // Round ends only where they show: on dashes they cost more than the rest of the board together.
  ctx.lineCap = dash.length === 0 && width > 1 ? 'round' : 'butt';
  ctx.stroke();
  ctx.setLineDash([]);
}

/** Layers that lie on the paper before the picture does. */
const ON_PAPER: ReadonlySet<LayerRole['layer']> = new Set(['construction', 'set-out', 'frame']);

/** Whether a line of the picture is a body's: its own, or one that falls on its own. */
const isOf = ({ role, alsoBodies }: Stroke, bodyId: string): boolean =>
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
      ctx.setLineDash([1, 5]);
      ctx.lineWidth = 1.2;
      ctx.stroke();
      ctx.setLineDash([]);
    }
  }
  if (onBoard) {
    // The drawing to come, pale: here one lays out the paper.
    ctx.globalAlpha = 1;
    paintDrawing(ctx, given);
    paintAids(ctx, { ...given, setOut: onBoard.setOut });
  } else paintDrawing(ctx, given);
}

/** A body from above, in the plan's own turn. Worked out once for each body. */
function planSegments({ scene, plans, pose, setUp }: BoardPainting, body: Body): Segment[] {
  let lines = plans.get(body);
  if (!lines) {
    lines = planLinesOf(scene, body.id);
    plans.set(body, lines);
  }
  const { station, right, forward } = setUp;
  const place = (x: number, y: number) =>
    planScreen(
      pose,
      setUp,
      (x - station.x) * right.x + (y - station.y) * right.y,
      (x - station.x) * forward.x + (y - station.y) * forward.y,
    );
  const segments: Segment[] = [];
  for (let i = 0; i + 3 < lines.length; i += 4) {
    const [p, q] = [place(at(lines, i), at(lines, i + 1)), place(at(lines, i + 2), at(lines, i + 3))];
    segments.push({ x0: p.x, y0: p.y, x1: q.x, y1: q.y });
  }
  return segments;
}

/** The two edges of a reveal that run into the wall at sill height. */
const SILL_ENDS: ReadonlySet<string> = new Set(['left sill', 'right sill']);

function paintPlan(ctx: Context, given: BoardPainting): void {
  const { layout, pose, look, setUp, scene, chosen } = given;
  const { plan } = layout;
  const flat = (body: Scene['bodies'][number], from: number, to: number): Segment => {
    const [a, b] = [eyeFromWorld(setUp, at(body.vertices, from).at), eyeFromWorld(setUp, at(body.vertices, to).at)];
    const p = planScreen(pose, setUp, a.lateral, a.depth);
    const q = planScreen(pose, setUp, b.lateral, b.depth);
    return { x0: p.x, y0: p.y, x1: q.x, y1: q.y };
  };
  const station = planScreen(pose, setUp, 0, 0);
  const cone = (half: number): Segment[] =>
    [-1, 1].map((side) => {
      const far = planScreen(pose, setUp, side * 2e4 * Math.tan(radiansFromDegrees(half)), 2e4);
      return { x0: station.x, y0: station.y, x1: far.x, y1: far.y };
    });
  strokeAll(ctx, cone(30), look.rule, 1.2, [1, 5]);
  strokeAll(ctx, cone(22.5), look.rule, 1, [1, 9]);
  strokeAll(
    ctx,
    [{ x0: pose.axisX, y0: plan.y, x1: pose.axisX, y1: plan.y + plan.height }],
    look.families.sheet,
    0.8,
    [10, 3, 2, 3],
  );
  strokeAll(
    ctx,
    [{ x0: plan.x, y0: pose.planeY, x1: plan.x + plan.width, y1: pose.planeY }],
    look.graphite,
    1.1 * look.widen,
    [14, 4],
  );
  for (const body of scene.bodies) {
    const inked = body.id === chosen;
    if (body.kind === 'surface') continue;
    if (body.kind === 'piece' || body.kind === 'fitting') {
      const outline = planSegments(given, body);
      strokeAll(ctx, outline, inked ? look.ink : look.graphite, (inked ? 1.8 : 1.1) * look.widen);
      continue;
    }
    const lines = (wanted: (role: Role) => boolean): Segment[] =>
      body.edges.filter((edge) => wanted(edge.role)).map((edge) => flat(body, edge.from, edge.to));
    const walls = lines((role) => role.is === 'wall' && role.place === 'foot');
    strokeAll(ctx, walls, look.graphite, 2.6 * look.widen);
    // An opening breaks the wall's heavy line; its leaf or glass is a fine line at the back of the reveal.
    const faces = lines((role) => role.is === 'opening' && role.layer === 'face' && role.which === 'sill');
    strokeAll(ctx, faces, look.paper, 3.6 * look.widen);
    const thin = lines(
      (role) =>
        role.is === 'opening' &&
        ((role.layer === 'back' && role.which === 'sill') || (role.layer === 'reveal' && SILL_ENDS.has(role.which))),
    );
    strokeAll(ctx, [...thin, ...faces], look.graphite, 0.8 * look.widen);
  }
}

function paintSide(ctx: Context, given: BoardPainting): void {
  const { layout, pose, look, setUp, scene, chosen } = given;
  const { side } = layout;
  const floorY = sideScreen(pose, setUp, 0, -setUp.eyeHeight).y;
  strokeAll(
    ctx,
    [{ x0: side.x, y0: pose.horizonY, x1: side.x + side.width, y1: pose.horizonY }],
    look.families.sheet,
    0.8,
    [10, 3, 2, 3],
  );
  strokeAll(
    ctx,
    [{ x0: pose.planeX, y0: side.y, x1: pose.planeX, y1: side.y + side.height }],
    look.graphite,
    1.1 * look.widen,
    [14, 4],
  );
  const faint: Segment[] = [];
  const inked: Segment[] = [];
  for (const body of scene.bodies) {
    if (body.kind === 'surface') continue;
    for (const edge of body.edges) {
      const [a, b] = [
        eyeFromWorld(setUp, at(body.vertices, edge.from).at),
        eyeFromWorld(setUp, at(body.vertices, edge.to).at),
      ];
      const p = sideScreen(pose, setUp, a.depth, a.rise);
      const q = sideScreen(pose, setUp, b.depth, b.rise);
      (body.id === chosen ? inked : faint).push({ x0: p.x, y0: p.y, x1: q.x, y1: q.y });
    }
  }
  ctx.globalAlpha = 0.5;
  strokeAll(ctx, faint, look.graphite, 0.7 * look.widen);
  ctx.globalAlpha = 1;
  strokeAll(ctx, inked, look.ink, 1.5 * look.widen);
  strokeAll(ctx, [{ x0: side.x, y0: floorY, x1: side.x + side.width, y1: floorY }], look.graphite, 1.4 * look.widen);
  if (given.figure) {
    ctx.beginPath();
    given.figure.forEach(([forward, up], i) => {
      const p = sideScreen(pose, setUp, forward, up - setUp.eyeHeight);
      if (i === 0) ctx.moveTo(p.x, p.y);
      else ctx.lineTo(p.x, p.y);
    });
    ctx.closePath();
    ctx.fillStyle = look.strip;
    ctx.fill();
    ctx.strokeStyle = look.graphite;
    ctx.lineWidth = look.widen;
    ctx.stroke();
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
  inside(ctx, layout.plan, () => paintPlan(ctx, given));
  inside(ctx, layout.side, () => paintSide(ctx, given));
  paintStrips(ctx, given);
}

/** Screen place of a mark of the picture. */
export const markScreen = (pose: Pose, u: number, v: number) => pictureScreen(pose, picturePoint(u, v));
