/** A box on the screen about something that is to be ringed, px. */
export interface RingedBox {
  readonly id: string;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** A box that one ring goes round, and all that is in it. */
export interface SharedRing extends Omit<RingedBox, 'id'> {
  readonly ids: readonly string[];
}

const round = (one: RingedBox): SharedRing => ({ ...one, ids: [one.id] });
const meets = (a: SharedRing, b: SharedRing): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
const holds = (a: SharedRing, b: SharedRing): boolean =>
  a.left <= b.left && a.right >= b.right && a.top <= b.top && a.bottom >= b.bottom;
const both = (a: SharedRing, b: SharedRing): SharedRing => ({
  ids: [...a.ids, ...b.ids],
  left: Math.min(a.left, b.left),
  right: Math.max(a.right, b.right),
  top: Math.min(a.top, b.top),
  bottom: Math.max(a.bottom, b.bottom),
});

/**
 * Rings for what is to be ringed: things whose rings would run into one another share one. What lies within a ring of something larger, a piece in a room,
 * keeps its own: which of the two is meant must be seen.
 * @param blank round each box, px.
 */
export function sharedRings(boxes: readonly RingedBox[], blank: number): readonly SharedRing[] {
  const rings = boxes.map((one) =>
    round({
      ...one,
      left: one.left - blank,
      right: one.right + blank,
      top: one.top - blank,
      bottom: one.bottom + blank,
    }),
  );
  // Each that grows may meet another: gone over until none does.
  for (let i = 0; i < rings.length; i += 1)
    for (let k = i + 1; k < rings.length; k += 1) {
      const [a, b] = [rings[i], rings[k]];
      if (!a || !b || !meets(a, b) || holds(a, b) || holds(b, a)) continue;
      rings[i] = both(a, b);
      rings.splice(k, 1);
      k = i;
    }
  return rings;
}

/** The box about some points of the screen. */
export const boxOf = (id: string, points: readonly { readonly x: number; readonly y: number }[]): RingedBox => ({
  id,
  left: Math.min(...points.map((p) => p.x)),
  right: Math.max(...points.map((p) => p.x)),
  top: Math.min(...points.map((p) => p.y)),
  bottom: Math.max(...points.map((p) => p.y)),
});
