import type { Vector2 } from '@/core/geometry';
import { Taken, type Box } from './taken';

/** A mark to be named, in whatever unit the paper has, y up. */
export interface ToName {
  readonly x: number;
  readonly y: number;
  readonly text: string;
}

/** A name as it is placed: the left end of its baseline, and where it had to go away from its mark, a leader to it. */
export interface PlacedLabel {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly leader: { readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number } | null;
}

/** Height of the letters, width of one, and how far a mark reaches: no name covers it. */
export interface LabelSizes {
  readonly high: number;
  readonly wide: number;
  readonly clear: number;
  /** How far from its mark a name may stand, in rings of letters; far, when left out. */
  readonly rings?: number;
  /** What stands there already: no name covers it. */
  readonly standing?: readonly Box[];
  /** What the names stay within; anywhere, when left out. */
  readonly within?: Box;
}

/** Around a mark, nearest first: to the upper right as one writes, then the other sides. */
const SIDES: readonly (readonly [number, number])[] = [
  [1, 1],
  [-1, 1],
  [1, -1],
  [-1, -1],
  [0, 1],
  [0, -1],
  [1, 0],
  [-1, 0],
];
/** Rings about a mark on which a place is looked for, in letters' heights. */
const RINGS = 24;

/** Lower left corners of a name beside its mark, nearest first, ring by ring: `first` away from it, then farther by `step`. */
export function* placesBeside(
  mark: Vector2,
  { width, height }: { readonly width: number; readonly height: number },
  { first, step, rings }: { readonly first: number; readonly step: number; readonly rings: number },
): Generator<{ readonly left: number; readonly low: number; readonly ring: number }> {
  for (let ring = 0; ring < rings; ring += 1) {
    const away = first + ring * step;
    for (const [sx, sy] of SIDES)
      yield {
        left: sx > 0 ? mark.x + away : sx < 0 ? mark.x - away - width : mark.x - width / 2,
        low: sy > 0 ? mark.y + away : sy < 0 ? mark.y - away - height : mark.y - height / 2,
        ring,
      };
  }
}

/**
 * Names beside marks, so that none covers another or a mark: each at the nearest free place about its own, with a leader where that is not beside it.
 * Where there is none within reach a name is left out: the mark is still there to be pointed at.
 */
export function placeLabels(
  marks: readonly ToName[],
  { high, wide, clear, rings = RINGS, standing = [], within }: LabelSizes,
): readonly PlacedLabel[] {
  const taken = new Taken(high * 4);
  const gap = high * 0.15;
  for (const one of standing) taken.put(one);
  for (const { x, y } of marks) taken.put({ left: x - clear, right: x + clear, low: y - clear, high: y + clear });
  return marks.flatMap(({ x, y, text }): readonly PlacedLabel[] => {
    const width = wide * text.length;
    const about = { first: clear + gap, step: high * 0.8, rings };
    for (const { left, low, ring } of placesBeside({ x, y }, { width, height: high }, about)) {
      const box = { left: left - gap, right: left + width + gap, low: low - gap, high: low + high + gap };
      const inside =
        !within ||
        (left >= within.left && left + width <= within.right && low >= within.low && low + high <= within.high);
      if (!inside || !taken.isFree(box)) continue;
      taken.put(box);
      const toward = {
        x: Math.min(left + width, Math.max(left, x)),
        y: Math.min(low + high, Math.max(low, y)),
      };
      return [{ text, x: left, y: low, leader: ring < 2 ? null : { x0: x, y0: y, x1: toward.x, y1: toward.y } }];
    }
    return [];
  });
}
