import type { Bounds, Drawing } from './drawing';
import { strokePoints } from './strokes';
import { walk } from './walk';

/**
 * A drawing as one SVG path for small pictures: lines only, in mm from the bounds' upper left corner, y down, curves within `within` mm.
 * Tones, pictures and words would not be seen at that size.
 */
export function picturePath(drawing: Pick<Drawing, 'layers'>, { left, top }: Bounds, within: number): string {
  const paths: string[] = [];
  const nothing = (): void => undefined;
  walk(drawing, {
    images: nothing,
    areas: nothing,
    words: nothing,
    strokes: (strokes) => {
      for (const stroke of strokes)
        paths.push(
          strokePoints(stroke, within)
            .map((p, i) => `${i === 0 ? 'M' : 'L'}${(p.x - left).toFixed(1)} ${(top - p.y).toFixed(1)}`)
            .join(''),
        );
    },
  });
  return paths.join('');
}
