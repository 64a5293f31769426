import type { Millimetres } from '@/core/units';
import type { Place } from './frame';
import { squaresTo } from './grid-at-hand';
import type { MarkId } from './operation';
import { ACROSS, ReachBySquares, type Level, type SquaresCounted } from './reach-by-squares';
import { Way } from './way';

/** More intervals than this one after another are not repeated: each adds to the error of the one before. */
const MOST_REPEATED = 8;

/** An interval that cannot be had is halved so often at most. */
const MOST_HALVED = 4;

/**
 * By diagonals: the first interval of each direction is measured, the others repeat it, by a diagonal through the midline of the one before; parts of an
 * interval are halved and quartered by crossing diagonals, other ratios laid off on an auxiliary line. Source: construction, 3; job, 4.
 */
export class ReachByDiagonals extends ReachBySquares {
  /** Eighths too: halving costs no measure. */
  protected override readonly halvings = 3;

  /** The two measured lines; and an interval that lies in front of the eye and on the board, halved until it does. */
  override begin(): boolean {
    if (!super.begin()) return false;
    for (const axis of ['x', 'y'] as const)
      for (let i = 0; i < MOST_HALVED && this.first(axis) === null; i += 1) {
        const own = this.counted[axis];
        this.counted = { ...this.counted, [axis]: { ...own, unit: own.unit / 2 } };
      }
    return true;
  }

  /** The reference corner, and the end of the first interval: to the far side of it where that can be had. */
  protected override wholeLine(axis: Level, count: number): MarkId | null {
    const place = this.whole(axis, count);
    const known = this.known(place);
    if (known !== null) return known;
    const first = this.first(axis);
    if (first === null || !this.inFront(place) || Math.abs(count) > MOST_REPEATED) return null;
    if (count === 0 || count === first || this.vanishing[axis].by === 'level') return this.measureWhole(axis, count);
    return this.repeated(axis, count);
  }

  /** On which side of the reference corner the first interval of an axis lies: where most of the room is, if it can be had there; null where on neither. */
  protected first(axis: Level): 1 | -1 | null {
    const [low, high] = this.seen[axis];
    const sides = -low > high ? ([-1, 1] as const) : ([1, -1] as const);
    return this.measureWhole(axis, 0) === null ? null : (sides.find((one) => this.measureWhole(axis, one)) ?? null);
  }

  /** A diagonal from one interval's beginning through the middle of its end leads as far beyond, on the other row; by either of the two that there are. */
  private repeated(axis: Level, count: number): MarkId | null {
    const across = ACROSS[axis];
    const row = this.first(across);
    const on = count > 0 ? 1 : -1;
    const [last, before] = [count - on, count - 2 * on];
    if (row === null || this.wholeLine(axis, last) === null || this.wholeLine(axis, before) === null) return null;
    const middle = this.square(axis, last, row / 2);
    this.find(across, middle[across]);
    const through = this.reach(middle);
    // All that both need first: what is drawn for one must not be drawn again by the way of the other.
    const ends = [0, row].map((from) => ({
      from: this.reach(this.square(axis, before, from)),
      edge: this.lineAt(axis, this.square(axis, before, row - from)),
      beyond: this.square(axis, count, row - from),
    }));
    const ways = ends.flatMap(({ from, edge, beyond }): Way[] => {
      if (from === null || through === null || edge === null) return [];
      const way = new Way(this.desk);
      const line = `${this.frame.name}:repeats ${from}~${through}`;
      this.repeats.add(line);
      if (!way.drawn(line)) way.add({ op: 'rule', line, through: [from, through] });
      const mark = this.markId(beyond);
      if (!way.has(mark)) {
        way.add({ op: 'cross', mark, lines: [line, edge] });
        way.places.push(beyond);
      }
      return this.toMeasured(way, axis, beyond) ? [way] : [];
    });
    const best = this.cheapest(ways);
    // A flat crossing tells too little: what lies there is found from the squares that there are.
    if (!best || this.desk.priced(best.operations)?.flat !== false || !this.carry(best)) return null;
    return this.markId(this.whole(axis, count));
  }

  /** Rows of squares in which a part is looked for: the first interval's own. */
  protected override rows(axis: Level): readonly number[] {
    const first = this.first(ACROSS[axis]);
    return first === null ? [] : [0, first];
  }
}

/** How a frame is counted in intervals of its two directions: from its reference corner, as far as its places lie. */
export function intervalsFrom(
  reference: Place,
  unit: Readonly<Record<Level, Millimetres>>,
  places: readonly Place[],
): SquaresCounted {
  const counted = {
    x: { by: 'along', zero: reference.x, way: 1, unit: unit.x },
    y: { by: 'away', zero: reference.y, way: 1, unit: unit.y },
  } as const;
  const seen = (axis: Level): readonly [number, number] => {
    const counts = places.map((place) => squaresTo(counted[axis], place[axis]));
    return [Math.floor(Math.min(0, ...counts)), Math.ceil(Math.max(0, ...counts))];
  };
  return { counted, seen: { x: seen('x'), y: seen('y') } };
}
