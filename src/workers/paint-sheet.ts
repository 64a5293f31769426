import { clipToSheet, FAMILY_PENS, penFor, strokePoints, widthMm, type Drawing, type Stroke } from '@/core/drawing';

/** What of a canvas a sheet is painted with. */
export type SheetContext = Pick<
  OffscreenCanvasRenderingContext2D,
  | 'setTransform'
  | 'fillRect'
  | 'beginPath'
  | 'moveTo'
  | 'lineTo'
  | 'stroke'
  | 'fillText'
  | 'setLineDash'
  | 'fillStyle'
  | 'strokeStyle'
  | 'lineWidth'
  | 'lineCap'
  | 'font'
  | 'textAlign'
  | 'globalAlpha'
>;

/** Readers of old have trouble with more dots than this either way. */
export const MOST_DOTS = 16_000;

/** Dots of a sheet at a resolution. @throws when there would be too many. */
export function dotsOf({ width, height }: Pick<Drawing, 'width' | 'height'>, dotsPerInch: number) {
  const [across, down] = [width, height].map((mm) => Math.round((mm / 25.4) * dotsPerInch)) as [number, number];
  if (across > MOST_DOTS || down > MOST_DOTS) throw new Error(`the sheet would have ${across} by ${down} dots`);
  return { across, down };
}

/** A sheet on white paper, true to size: the pens' own widths, curves within a tenth of a dot. */
export function paintSheet(ctx: SheetContext, drawing: Drawing, dotsPerInch: number): void {
  const dots = dotsPerInch / 25.4;
  const sheet = clipToSheet(drawing);
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(0, 0, Math.round(sheet.width * dots), Math.round(sheet.height * dots));
  const y = (mm: number): number => (sheet.height - mm) * dots;
  for (const layer of sheet.layers) {
    ctx.globalAlpha = layer.dimmed ? 0.3 : 1;
    const pens = new Map<string, Stroke[]>();
    for (const stroke of layer.strokes) {
      const key = `${stroke.weight}/${stroke.family}/${stroke.edge ?? ''}`;
      const list = pens.get(key);
      if (list) list.push(stroke);
      else pens.set(key, [stroke]);
    }
    for (const list of pens.values()) {
      const [first] = list as [Stroke];
      const pen = penFor(first.family, first.weight);
      ctx.strokeStyle = pen.colour;
      ctx.lineWidth = widthMm(first) * dots;
      ctx.setLineDash(pen.dashMm.map((mm) => mm * dots));
      ctx.lineCap = pen.dashMm.length > 0 ? 'butt' : 'round';
      ctx.beginPath();
      for (const stroke of list)
        strokePoints(stroke, 0.1 / dots).forEach((p, i) =>
          i === 0 ? ctx.moveTo(p.x * dots, y(p.y)) : ctx.lineTo(p.x * dots, y(p.y)),
        );
      ctx.stroke();
    }
    ctx.fillStyle = FAMILY_PENS.sheet.colour;
    for (const word of layer.words) {
      ctx.font = `${word.heightMm * dots}px "Fira Sans Condensed", sans-serif`;
      ctx.textAlign = word.anchor === 'middle' ? 'center' : word.anchor === 'end' ? 'right' : 'left';
      ctx.fillText(word.text, word.x * dots, y(word.y));
    }
  }
}
