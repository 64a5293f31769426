import {
  byPen,
  clipToSheet,
  FAMILY_PENS,
  GRAPHITE,
  penFor,
  strokePoints,
  walk,
  widthMm,
  type Drawing,
  type Picture,
} from '@/core/drawing';

/** What of a canvas a sheet is painted with. */
export type SheetContext = Pick<
  OffscreenCanvasRenderingContext2D,
  | 'setTransform'
  | 'fillRect'
  | 'beginPath'
  | 'moveTo'
  | 'lineTo'
  | 'stroke'
  | 'fill'
  | 'fillText'
  | 'drawImage'
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

/** Every picture on a drawing, by its bytes. */
export const picturesOf = (drawing: Drawing): readonly Picture[] => drawing.layers.flatMap((layer) => layer.images);

/**
 * A sheet on white paper, true to size: the pens' own widths, curves within a tenth of a dot.
 * @param decoded the pictures on it, by their bytes; one that is missing is an error, not a gap.
 */
export function paintSheet(
  ctx: SheetContext,
  drawing: Drawing,
  dotsPerInch: number,
  decoded: ReadonlyMap<string, CanvasImageSource> = new Map(),
): void {
  const dots = dotsPerInch / 25.4;
  const sheet = clipToSheet(drawing);
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(0, 0, Math.round(sheet.width * dots), Math.round(sheet.height * dots));
  const y = (mm: number): number => (sheet.height - mm) * dots;
  walk(sheet, {
    begin: ({ dimmed }) => {
      ctx.globalAlpha = dimmed ? 0.3 : 1;
    },
    images: (images) => {
      for (const one of images) {
        const picture = decoded.get(one.base64);
        if (!picture) throw new Error(`the picture ${one.of} was not decoded`);
        ctx.drawImage(picture, one.x * dots, y(one.y + one.height), one.width * dots, one.height * dots);
      }
    },
    areas: (areas) => {
      for (const { loops, tone } of areas) {
        const before = ctx.globalAlpha;
        ctx.globalAlpha = before * tone;
        ctx.fillStyle = GRAPHITE;
        ctx.beginPath();
        for (const loop of loops)
          loop.forEach((p, i) => (i === 0 ? ctx.moveTo(p.x * dots, y(p.y)) : ctx.lineTo(p.x * dots, y(p.y))));
        ctx.fill('evenodd');
        ctx.globalAlpha = before;
      }
    },
    strokes: (strokes) => {
      for (const list of byPen(strokes)) {
        const [first] = list;
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
    },
    words: (words) => {
      ctx.fillStyle = FAMILY_PENS.sheet.colour;
      for (const word of words) {
        ctx.font = `${word.heightMm * dots}px "Fira Sans Condensed", sans-serif`;
        ctx.textAlign = word.anchor === 'middle' ? 'center' : word.anchor === 'end' ? 'right' : 'left';
        ctx.fillText(word.text, word.x * dots, y(word.y));
      }
    },
  });
}
