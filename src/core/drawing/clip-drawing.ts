import { clipParameter, type ConicArc, conicBetween, conicCrossings, conicPoint, type Vector2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Bounds, Drawing, Layer, Stroke } from './drawing';
import { endsOf } from './strokes';
import { mapContents } from './walk';

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

/** A closed outline cut to a rectangle, one side after the other (Sutherland and Hodgman): what is left of it inside, null for nothing. */
function clipLoop(loop: readonly Vector2[], { left, right, bottom, top }: Bounds): readonly Vector2[] | null {
  const sides: readonly ((p: Vector2) => number)[] = [
    (p) => p.x - left,
    (p) => right - p.x,
    (p) => p.y - bottom,
    (p) => top - p.y,
  ];
  let points = loop;
  for (const inside of sides) {
    points = points.flatMap((a, i): Vector2[] => {
      const b = points[(i + 1) % points.length] ?? a;
      const [da, db] = [inside(a), inside(b)];
      if (da >= 0 === db >= 0) return db >= 0 ? [b] : [];
      const share = da / (da - db);
      const cut = { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
      return db >= 0 ? [cut, b] : [cut];
    });
  }
  return points.length < 3 ? null : points;
}

/** What of a layer lies within a rectangle: strokes and areas cut, words and pictures kept while they begin in it or reach into it. */
export const clipLayer = (layer: Layer, bounds: Bounds): Layer =>
  mapContents(layer, {
    images: (images) =>
      images.filter(
        (one) =>
          one.x < bounds.right &&
          one.x + one.width > bounds.left &&
          one.y < bounds.top &&
          one.y + one.height > bounds.bottom,
      ),
    areas: (areas) =>
      areas.flatMap((one) => {
        const loops = one.loops.flatMap((loop) => {
          const left = clipLoop(loop, bounds);
          return left ? [left] : [];
        });
        return loops.length > 0 ? [{ ...one, loops }] : [];
      }),
    strokes: (strokes) => strokes.flatMap((stroke) => clipStroke(stroke, bounds)),
    words: (words) =>
      words.filter(
        (word) => word.x >= bounds.left && word.x <= bounds.right && word.y >= bounds.bottom && word.y <= bounds.top,
      ),
  });

/** Cut to the sheet: words outside are left out. Points beyond the paper have their own table. */
export function clipToSheet(drawing: Drawing): Drawing {
  const bounds = { left: 0, right: drawing.width, bottom: 0, top: drawing.height };
  return { ...drawing, layers: drawing.layers.map((layer) => clipLayer(layer, bounds)) };
}
