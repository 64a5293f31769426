import { clipParameter, type ConicArc, conicBetween, conicCrossings, conicPoint } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Bounds, Drawing, Stroke } from './drawing';
import { endsOf } from './strokes';

/** What of a stroke lies within a rectangle: a curve may come back. */
export function clipStroke(stroke: Stroke, bounds: Bounds): readonly Stroke[] {
  if (stroke.curve) return clipCurve(stroke, stroke.curve, bounds);
  const straight = clipStraight(stroke, bounds);
  return straight ? [straight] : [];
}

function clipCurve(stroke: Stroke, curve: ConicArc, { left, right, bottom, top }: Bounds): readonly Stroke[] {
  const marks = [
    curve.from,
    ...conicCrossings(curve, 1, 0, -left),
    ...conicCrossings(curve, 1, 0, -right),
    ...conicCrossings(curve, 0, 1, -bottom),
    ...conicCrossings(curve, 0, 1, -top),
    curve.to,
  ].sort((p, q) => p - q);
  const spans: [number, number][] = [];
  marks.slice(1).forEach((to, i) => {
    const from = marks[i] ?? curve.from;
    const { x, y } = conicPoint(curve, (from + to) / 2);
    if (to - from < 1e-12 || x < left || x > right || y < bottom || y > top) return;
    const last = spans[spans.length - 1];
    if (last && last[1] === from) last[1] = to;
    else spans.push([from, to]);
  });
  if (spans.length === 1 && spans[0]?.[0] === curve.from && spans[0][1] === curve.to) return [stroke];
  return spans.map(([from, to]) => ({ ...stroke, ...endsOf(conicBetween(curve, from, to)) }));
}

function clipStraight(stroke: Stroke, bounds: Bounds): Stroke | null {
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
      strokes: layer.strokes.flatMap((stroke) => clipStroke(stroke, bounds)),
      words: layer.words.filter(
        (word) => word.x >= 0 && word.x <= drawing.width && word.y >= 0 && word.y <= drawing.height,
      ),
    })),
  };
}
