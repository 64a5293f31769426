import { clipParameter } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Bounds, Drawing, Stroke } from './drawing';

/** A stroke cut to a rectangle, or null. */
export function clipStroke(stroke: Stroke, bounds: Bounds): Stroke | null {
  const { x0, y0, x1, y1 } = stroke;
  const interval = clipParameter([
    [x0 - bounds.left, x1 - bounds.left],
    [bounds.right - x0, bounds.right - x1],
    [y0 - bounds.bottom, y1 - bounds.bottom],
    [bounds.top - y0, bounds.top - y1],
  ]);
  if (!interval) return null;
  const [from, to] = interval;
  const cut = {
    ...stroke,
    x0: x0 + (x1 - x0) * from,
    y0: y0 + (y1 - y0) * from,
    x1: x0 + (x1 - x0) * to,
    y1: y0 + (y1 - y0) * to,
  };
  return Math.hypot(cut.x1 - cut.x0, cut.y1 - cut.y0) < tolerance.strokeMm ? null : cut;
}

/** Cut to the sheet: words outside are left out. Points beyond the paper have their own table. */
export function clipToSheet(drawing: Drawing): Drawing {
  const bounds = { left: 0, right: drawing.width, bottom: 0, top: drawing.height };
  return {
    ...drawing,
    layers: drawing.layers.map((layer) => ({
      ...layer,
      strokes: layer.strokes.flatMap((stroke) => clipStroke(stroke, bounds) ?? []),
      words: layer.words.filter(
        (word) => word.x >= 0 && word.x <= drawing.width && word.y >= 0 && word.y <= drawing.height,
      ),
    })),
  };
}
