import { at } from '@/core/base';
import { conicChain, conicPoint, placedConic, type ConicArc, type Vector2 } from '@/core/geometry';
import type { Stroke } from './drawing';

/** What of a stroke says where it runs. */
export type Drawn = Pick<Stroke, 'x0' | 'y0' | 'x1' | 'y1' | 'curve'>;

/** Scaled about the origin, then moved. */
export interface Placing {
  readonly scale?: number;
  readonly scaleY?: number;
  readonly x?: number;
  readonly y?: number;
}

export function placedStroke(stroke: Stroke, placing: Placing): Stroke {
  const { scale = 1, scaleY = scale, x = 0, y = 0 } = placing;
  return {
    ...stroke,
    x0: stroke.x0 * scale + x,
    y0: stroke.y0 * scaleY + y,
    x1: stroke.x1 * scale + x,
    y1: stroke.y1 * scaleY + y,
    ...(stroke.curve ? { curve: placedConic(stroke.curve, placing) } : {}),
  };
}

/** The ends of a curve, as a stroke has them. */
export function endsOf(curve: ConicArc): Pick<Stroke, 'x0' | 'y0' | 'x1' | 'y1' | 'curve'> {
  const [a, b] = [conicPoint(curve, curve.from), conicPoint(curve, curve.to)];
  return { x0: a.x, y0: a.y, x1: b.x, y1: b.y, curve };
}

/** A stroke as a chain of points, within so many mm of it: for screens and for picking. */
export function strokePoints(stroke: Drawn, within: number): readonly Vector2[] {
  return stroke.curve
    ? conicChain(stroke.curve, within)
    : [
        { x: stroke.x0, y: stroke.y0 },
        { x: stroke.x1, y: stroke.y1 },
      ];
}

/** A stroke as short straight rows. */
export function strokeRows(stroke: Drawn, within: number): readonly (readonly [number, number, number, number])[] {
  const points = strokePoints(stroke, within);
  return points.slice(1).map((b, i) => {
    const a = at(points, i);
    return [a.x, a.y, b.x, b.y] as const;
  });
}
