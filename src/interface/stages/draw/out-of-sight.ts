import type { Rect } from '@/interface/board';

/** A mark of the step, where it would lie on the screen, px. */
export interface Placed {
  readonly label: string;
  readonly x: number;
  readonly y: number;
}

export type Side = 'left' | 'right' | 'above' | 'below';

/** Marks beyond one side of what is seen: nearest first, and how far beyond it the farthest lies, px. */
export interface Beyond {
  readonly side: Side;
  readonly labels: readonly string[];
  readonly farthest: number;
}

/** Which of a step's marks lie outside what is seen, by the side one would have to move towards. */
export function beyondSight(marks: readonly Placed[], { x, y, width, height }: Rect): readonly Beyond[] {
  const bySide = new Map<Side, (Placed & { readonly beyond: number })[]>();
  for (const mark of marks) {
    const over: readonly (readonly [Side, number])[] = [
      ['left', x - mark.x],
      ['right', mark.x - x - width],
      ['above', y - mark.y],
      ['below', mark.y - y - height],
    ];
    const [side, beyond] = over.reduce((most, one) => (one[1] > most[1] ? one : most));
    if (beyond > 0) bySide.set(side, [...(bySide.get(side) ?? []), { ...mark, beyond }]);
  }
  return [...bySide].map(([side, found]) => {
    const all = found.toSorted((a, b) => a.beyond - b.beyond);
    return { side, labels: all.map((one) => one.label), farthest: Math.max(...all.map((one) => one.beyond)) };
  });
}
