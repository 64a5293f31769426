import { penFor, WEIGHT_MM, type Layer } from '@/core/drawing';
import type { View } from '@/core/record';
import { allMarks, edgeTicks, reachOf, type SetOut, type SetUp } from '@/core/view';
import { FIGURE_FACE, type Look } from '@/interface/theme';
import { pictureScreen, sheetScreen, type Painter, type Pose } from '@/interface/board';
import { picturePoint } from '@/core/space';

type Context = CanvasRenderingContext2D;

/** What lies on the board besides the drawing: painted before it. */
export interface BoardGround {
  readonly pose: Pose;
  readonly look: Look;
  readonly view: View;
}

/** The board itself, with the sheet taped on it: corners of tape, margins, the frame. Painted before the drawing. */
export function paintBoardGround(ctx: Context, { pose, look, view }: BoardGround): void {
  const scale = pose.pictureScale;
  const corner = sheetScreen(pose, view, -view.sheetOnBoard.x, view.board.height - view.sheetOnBoard.y);
  ctx.fillStyle = look.strip;
  ctx.fillRect(corner.x, corner.y, view.board.width * scale, view.board.height * scale);
  ctx.strokeStyle = look.graphite;
  ctx.lineWidth = 1.4 * look.widen;
  ctx.strokeRect(corner.x, corner.y, view.board.width * scale, view.board.height * scale);
}

/** Margins as a dotted line inside the sheet; tape over its corners. */
export function paintSheetDress(ctx: Context, { pose, look, view }: BoardGround): void {
  const { sheet, margins } = view;
  const a = sheetScreen(pose, view, margins.left, sheet.height - margins.top);
  const b = sheetScreen(pose, view, sheet.width - margins.right, margins.bottom);
  ctx.strokeStyle = look.rule;
  ctx.setLineDash([2, 4]);
  ctx.lineWidth = 1;
  ctx.strokeRect(a.x, a.y, b.x - a.x, b.y - a.y);
  ctx.setLineDash([]);
  ctx.globalAlpha = 0.5;
  ctx.fillStyle = look.margin;
  ctx.strokeStyle = look.rule;
  for (const [x, y] of [
    [0, 0],
    [sheet.width, 0],
    [0, sheet.height],
    [sheet.width, sheet.height],
  ] as const) {
    const at = sheetScreen(pose, view, x, y);
    ctx.save();
    ctx.translate(at.x, at.y);
    ctx.rotate(((x === 0) === (y === 0) ? 1 : -1) * (Math.PI / 4));
    ctx.fillRect(-6, -14, 12, 28);
    ctx.strokeRect(-6, -14, 12, 28);
    ctx.restore();
  }
  ctx.globalAlpha = 1;
}

/** Points the picture is worked from: the horizon across the board, ladders of ticks, fractional points, strips of paper beyond the board. */
export function paintAids(ctx: Context, given: BoardGround & { readonly setUp: SetUp; readonly setOut: SetOut }): void {
  const { pose, look, view, setOut } = given;
  const line = (x0: number, y0: number, x1: number, y1: number): void => {
    ctx.moveTo(x0, y0);
    ctx.lineTo(x1, y1);
  };
  const marks = allMarks(setOut);
  const reach = Math.max(...marks.map((mark) => Math.abs(mark.at.u)), view.board.width);
  ctx.beginPath();
  line(pose.axisX - reach * pose.pictureScale, pose.horizonY, pose.axisX + reach * pose.pictureScale, pose.horizonY);
  ctx.strokeStyle = look.families.sheet;
  ctx.lineWidth = 0.8 * look.widen;
  ctx.setLineDash([10, 3, 2, 3]);
  ctx.stroke();
  ctx.setLineDash([]);
  for (const mark of marks) {
    const used = reachOf(view, setOut, mark);
    if (used.aid?.by === 'ticks') {
      const ladder = edgeTicks(view, mark.at, used.aid.stepMm);
      ctx.beginPath();
      for (const pair of ladder?.pairs ?? []) {
        const [near, far] = [pictureScreen(pose, pair.near), pictureScreen(pose, pair.far)];
        const span = Math.hypot(far.x - near.x, far.y - near.y);
        const length = pair.number % 5 === 0 ? 13 : 8;
        const [dx, dy] = [((far.x - near.x) / span) * length, ((far.y - near.y) / span) * length];
        line(near.x, near.y, near.x + dx, near.y + dy);
        line(far.x, far.y, far.x - dx, far.y - dy);
      }
      ctx.strokeStyle = look.families.measuring;
      ctx.lineWidth = 1.2 * look.widen;
      ctx.stroke();
    } else if (used.aid?.by === 'strip') {
      const at = pictureScreen(pose, picturePoint(mark.at.u, mark.at.v));
      ctx.fillStyle = look.sheet;
      ctx.fillRect(at.x - 26, at.y - 12, 52, 24);
      ctx.strokeStyle = look.graphite;
      ctx.lineWidth = 1;
      ctx.strokeRect(at.x - 26, at.y - 12, 52, 24);
    }
    if (used.aid?.by === 'fraction' && used.usedAt) {
      const at = pictureScreen(pose, used.usedAt);
      ctx.beginPath();
      line(at.x - 5, at.y - 5, at.x + 5, at.y + 5);
      line(at.x - 5, at.y + 5, at.x + 5, at.y - 5);
      ctx.strokeStyle = look.families.measuring;
      ctx.lineWidth = 1.6 * look.widen;
      ctx.stroke();
    }
  }
}

/** The grid as it will be printed, thin and under everything else. */
export const paintGrid =
  (layer: Layer): Painter =>
  (ctx, { pose, look, view, dragging }) => {
    if (dragging) return;
    const pens = new Map<string, (typeof layer.strokes)[number][]>();
    for (const stroke of layer.strokes) {
      const list = pens.get(stroke.family);
      if (list) list.push(stroke);
      else pens.set(stroke.family, [stroke]);
    }
    for (const list of pens.values()) {
      const [first] = list;
      if (!first) continue;
      ctx.beginPath();
      for (const one of list) {
        const [a, b] = [sheetScreen(pose, view, one.x0, one.y0), sheetScreen(pose, view, one.x1, one.y1)];
        ctx.moveTo(a.x, a.y);
        ctx.lineTo(b.x, b.y);
      }
      ctx.strokeStyle = look.families[first.family];
      ctx.lineWidth = Math.max(0.7, WEIGHT_MM.hairline * pose.pictureScale) * look.widen;
      ctx.setLineDash(penFor(first.family, 'hairline').dashMm.map((mm) => mm * Math.max(1.6, pose.pictureScale)));
      ctx.globalAlpha = 0.8;
      ctx.stroke();
    }
    ctx.setLineDash([]);
    ctx.globalAlpha = 1;
    // Numbers as large as they will be printed, and not at all where that cannot be read.
    if (pose.pictureScale < LEAST_NUMBER_SCALE) return;
    ctx.fillStyle = look.faint;
    ctx.font = `${Math.max(9, 2.4 * 1.4 * pose.pictureScale)}px ${FIGURE_FACE}`;
    for (const word of layer.words) {
      const at = sheetScreen(pose, view, word.x, word.y);
      ctx.fillText(word.text, at.x, at.y);
    }
  };

/** Pixels to the paper millimetre below which a grid's numbers run together. */
const LEAST_NUMBER_SCALE = 1.7;
