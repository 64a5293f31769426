import type { Fitted } from './opening-kind';

/** Outline of the opening grown by `by` on the sides and the head, from `low` up, its head bent as the opening's is. */
export function headed(f: Fitted, by: number, low: number): [number, number, number?][] {
  const { width: w, height: h } = f;
  if (f.rise === 0)
    return [
      [-by, low],
      [w + by, low],
      [w + by, h + by],
      [-by, h + by],
    ];
  // The same centre, the radius larger by as much: it meets the grown sides above or below the springing line.
  const radius = (w * w) / (8 * f.rise) + f.rise / 2;
  const centre = h + f.rise - radius;
  const grown = radius + by;
  const half = w / 2 + by;
  const spring = centre + Math.sqrt(Math.max(0, grown * grown - half * half));
  return [
    [-by, low],
    [w + by, low],
    [w + by, spring, (centre + grown - spring) / half],
    [-by, spring],
  ];
}
