import type { Rect } from '@/interface/board';

/** A mark of the step, where it would lie on the screen, px. */
export interface Placed {
  readonly label: string;
  readonly x: number;
  readonly y: number;
}

export type Side = 'left' | 'right' | 'above' | 'below';

/** Marks beyond one side of what is seen: nearest first, how far beyond it the farthest lies, px, and where on the side to say so. */
export interface Beyond {
  readonly side: Side;
  readonly labels: readonly string[];
  readonly farthest: number;
  readonly x: number;
  readonly y: number;
}

/** Words at an edge keep this far from its corners, px. */
const CORNER_PX = 40;

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
  const within = (value: number, from: number, long: number): number =>
    Math.min(Math.max(value, from + CORNER_PX), from + Math.max(CORNER_PX, long - CORNER_PX));
  return [...bySide].map(([side, found]) => {
    const all = found.toSorted((a, b) => a.beyond - b.beyond);
    const [first] = all;
    return {
      side,
      labels: all.map((one) => one.label),
      farthest: Math.max(...all.map((one) => one.beyond)),
      x: side === 'left' ? x : side === 'right' ? x + width : within(first?.x ?? x, x, width),
      y: side === 'above' ? y : side === 'below' ? y + height : within(first?.y ?? y, y, height),
    };
  });
}
