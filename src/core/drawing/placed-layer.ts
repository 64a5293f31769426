import type { Vector2 } from '@/core/geometry';
import type { Layer } from './drawing';
import { placedStroke, type Placing } from './strokes';
import { mapContents } from './walk';

/** A layer scaled about the origin, then moved. Words keep their height: they are to be read. */
export function placedLayer(layer: Layer, placing: Placing): Layer {
  const { scale = 1, scaleY = scale, x = 0, y = 0 } = placing;
  const place = (p: Vector2): Vector2 => ({ x: p.x * scale + x, y: p.y * scaleY + y });
  return mapContents(layer, {
    images: (images) =>
      images.map((one) => ({ ...one, ...place(one), width: one.width * scale, height: one.height * scaleY })),
    areas: (areas) => areas.map((one) => ({ ...one, loops: one.loops.map((loop) => loop.map(place)) })),
    strokes: (strokes) => strokes.map((one) => placedStroke(one, placing)),
    words: (words) => words.map((one) => ({ ...one, ...place(one) })),
  });
}
