import { tolerance } from '@/core/numeric';
import type { Millimetres } from '@/core/units';
import { eyeFromWorld } from '@/core/view';
import { Coordinates } from './coordinates';
import { worldAt, type Place } from './frame';
import { atSquares, squaresTo, type Counted } from './grid-at-hand';
import { LEAST_DEPTH } from './measured-corner';
import type { LineId, MarkId } from './operation';
import { ReachByMeasure } from './reach-by-measure';
import { HORIZON_LINE, laidOff, sideways } from './set-out-operations';
import { Way } from './way';

export type Level = 'x' | 'y';
export const ACROSS: Readonly<Record<Level, Level>> = { x: 'y', y: 'x' };

/** Squares from one outward, to both sides. */
function* nearestFirst(low: number): Generator<number> {
  yield low;
  for (let off = 1; off <= MOST_BEYOND; off += 1) yield* [low - off, low + off];
}

/** A square's edge is laid off whole, or at a part or a multiple of it, so that the point it is divided from lies on the board and its lines cross the edge well. */
const PARTS = [1, 2, 3, 4, 1 / 2, 1 / 3, 1 / 4] as const;
/** So many squares away at most is the one whose edge is carried on to a coordinate beyond the last that can be had. */
const MOST_BEYOND = 12;
/** A part of a square is a half or a quarter to so much of it. */
const SAME_PART = 1e-6;

/** How a frame is counted in squares, and which whole lines of each direction are seen. */
export interface SquaresCounted {
  readonly counted: Readonly<Record<Level, Counted>>;
  readonly seen: Readonly<Record<Level, readonly [number, number]>>;
}

/**
 * In squares: whole lines are had first, and what lies between two of them is found within a square, by diagonals where it is a half or a quarter, otherwise
 * on its edge divided by a level line through the nearer corner; never in proportion on the paper. Source: construction, 3; job, 4 and 5.3.
 */
export abstract class ReachBySquares extends ReachByMeasure {
  private readonly lengths = new Coordinates();
  /** Coordinates that are found already, by their axes. */
  private readonly found = new Set<string>();
  /** Those that are being found. */
  private readonly sought = new Set<string>();
  /** Points of the horizon from which edges are divided. */
  readonly divided = new Set<MarkId>();
  /** Diagonals of squares, and those that repeat one. */
  readonly diagonals = new Set<LineId>();
  readonly repeats = new Set<LineId>();
  protected counted: SquaresCounted['counted'];
  protected readonly seen: SquaresCounted['seen'];

  constructor({ counted, seen }: SquaresCounted, ...own: ConstructorParameters<typeof ReachByMeasure>) {
    super(...own);
    [this.counted, this.seen] = [counted, seen];
  }

  /** The mark of a whole line on the measured line of its axis; null where it cannot be had. */
  protected abstract wholeLine(axis: Level, count: number): MarkId | null;

  /** Every coordinate of a thing is found once, on the frame's two measured lines. */
  override prepare(places: readonly Place[], cut: readonly Place[]): void {
    for (const axis of ['x', 'y'] as const) for (const place of [...places, ...cut]) this.find(axis, place[axis]);
  }

  protected inFront(place: Place): boolean {
    const { setUp, frame } = this;
    return eyeFromWorld(setUp, worldAt(frame, setUp, place)).depth > LEAST_DEPTH * setUp.pictureDistance;
  }

  /** A place of the measured line of an axis. */
  protected onLine(axis: Level, at: Millimetres): Place {
    return { ...this.reference, [axis]: at };
  }

  protected whole(axis: Level, count: number): Place {
    return this.onLine(axis, atSquares(this.counted[axis], count));
  }

  /** A place of the plane that is measured on, by its squares in both directions. */
  protected square(axis: Level, count: number, row: number): Place {
    const across = ACROSS[axis];
    return {
      ...this.reference,
      [axis]: atSquares(this.counted[axis], count),
      [across]: atSquares(this.counted[across], row),
    };
  }

  /** Finds a coordinate once for all that has it: a whole line's by measure, what lies between two of them within a square. */
  protected find(axis: Level, at: Millimetres): void {
    const name = `${axis} ${this.coordinates[axis].name(at)}`;
    if (this.found.has(name) || this.sought.has(name)) return;
    if (this.desk.has(this.markId(this.onLine(axis, at)))) {
      this.found.add(name);
      return;
    }
    this.sought.add(name);
    const count = squaresTo(this.counted[axis], at);
    const whole = !this.isPart(axis, at);
    if (whole && this.wholeLine(axis, Math.round(count))) this.found.add(name);
    else {
      const way = this.between(axis, at, count);
      if (way && this.carry(way)) this.found.add(name);
    }
    this.sought.delete(name);
  }

  /** Leads what was found in a square on to the measured line, along the line that all places of its coordinate lie on. */
  protected toMeasured(way: Way, axis: Level, place: Place): boolean {
    const across = ACROSS[axis];
    const there = this.onLine(axis, place[axis]);
    const [mark, line] = [this.markId(there), this.lineId(across, place)];
    if (way.has(mark)) return true;
    if (!way.drawn(line)) {
      const to = this.vanishing[across];
      const from = this.markId(place);
      if (to.by === 'level') way.add({ op: 'level', line, through: from });
      else if (!this.ruler.rule(way, line, from, to, this.traceOf(across, place), this.roleOf(across))) return false;
    }
    way.add({ op: 'cross', mark, lines: [this.traces[axis].line, line] });
    way.places.push(there);
    return true;
  }

  /** A whole line's mark by measure. */
  protected measureWhole(axis: Level, count: number): MarkId | null {
    const place = this.whole(axis, count);
    const mark = this.markId(place);
    if (this.desk.has(mark)) return mark;
    if (!this.inFront(place)) return null;
    const way = new Way(this.desk);
    return this.measured(way, place) && this.carry(way) ? mark : null;
  }

  /** What lies between two whole lines is not measured where it is found in a square, or being found. */
  protected override measured(way: Way, place: Place): boolean {
    if (way.has(this.markId(place))) return true;
    const axis = this.same(place.y, this.reference.y) ? 'x' : this.same(place.x, this.reference.x) ? 'y' : null;
    if (axis !== null && this.isPart(axis, place[axis])) {
      const name = `${axis} ${this.coordinates[axis].name(place[axis])}`;
      if (this.found.has(name) || this.sought.has(name)) return false;
    }
    return super.measured(way, place);
  }

  /** Whether a coordinate lies between two whole lines. */
  private isPart(axis: Level, at: Millimetres): boolean {
    const count = squaresTo(this.counted[axis], at);
    return Math.abs(count - Math.round(count)) * this.counted[axis].unit >= tolerance.touchMm;
  }

  /** The cheapest way to a coordinate between two whole lines, or beyond the last that can be had. */
  private between(axis: Level, at: Millimetres, count: number): Way | null {
    const low = Math.floor(count);
    if (this.vanishing[axis].by === 'level') return this.onGroundLine(at, low);
    // Diagonals are drawn where they cross well; where not, an edge is divided.
    const diagonals = this.cheapest(this.byDiagonals(axis, low, count - low));
    if (diagonals && this.desk.priced(diagonals.operations)?.flat === false) return diagonals;
    return this.cheapest(this.byDividedEdges(axis, at, low)) ?? diagonals;
  }

  /** The ground line lies in the picture plane: what is left of a square is at true size there. */
  private onGroundLine(at: Millimetres, low: number): Way | null {
    for (const base of [low, low + 1]) {
      const from = this.wholeLine('x', base);
      if (from === null) continue;
      const way = new Way(this.desk);
      const place = this.onLine('x', at);
      const rest = (at - this.whole('x', base).x) / this.setUp.scaleDenominator;
      way.add(sideways(this.markId(place), this.ground.line, from, rest));
      way.places.push(place);
      return way;
    }
    return null;
  }

  /** Rows of squares in which a part is looked for: at the measured line, and at both ends and in the middle of what is seen. */
  protected rows(axis: Level): readonly number[] {
    const [low, high] = this.seen[ACROSS[axis]];
    const own = squaresTo(this.counted[ACROSS[axis]], this.reference[ACROSS[axis]]);
    const whole = Math.abs(own - Math.round(own)) < SAME_PART ? [Math.round(own)] : [];
    return [...new Set([...whole, low, Math.round((low + high) / 2), high])];
  }

  /** The corner of a square, by the lines that cross in it. */
  protected corner(axis: Level, count: number, row: number): MarkId | null {
    const place = this.square(axis, count, row);
    if (!this.inFront(place) || this.wholeLine(ACROSS[axis], row) === null) return null;
    if (Number.isInteger(count)) {
      if (this.wholeLine(axis, count) === null) return null;
    } else this.find(axis, place[axis]);
    return this.reach(place);
  }

  /** How often a square is halved by diagonals at most: quarters. */
  protected readonly halvings: number = 2;

  /** A half where the diagonals of a square cross, a quarter where those of its half do, and so on; none for any other part. */
  private *byDiagonals(axis: Level, low: number, part: number): Generator<Way> {
    const halved = Array.from({ length: this.halvings }, (_, i) => 2 ** (i + 1));
    const parts = halved.find((one) => Math.abs(part * one - Math.round(part * one)) < SAME_PART);
    if (parts === undefined || part < SAME_PART || part > 1 - SAME_PART) return;
    const [from, to] = [low + (Math.round(part * parts) - 1) / parts, low + (Math.round(part * parts) + 1) / parts];
    // All corners first: what is drawn for one must not be drawn again by a way to another.
    const squares = this.rows(axis).flatMap((row) =>
      [row + 1, row - 1].map((next) => ({
        ...{ row, next },
        near: [this.corner(axis, from, row), this.corner(axis, to, row)] as const,
        far: [this.corner(axis, from, next), this.corner(axis, to, next)] as const,
      })),
    );
    for (const {
      row,
      next,
      near: [a, b],
      far: [c, d],
    } of squares) {
      if (!a || !b || !c || !d) continue;
      const way = new Way(this.desk);
      const diagonal = (p: MarkId, q: MarkId): LineId => {
        const line = `${this.frame.name}:diagonal ${p}~${q}`;
        this.diagonals.add(line);
        if (!way.drawn(line)) way.add({ op: 'rule', line, through: [p, q] });
        return line;
      };
      const middle = this.square(axis, (from + to) / 2, (row + next) / 2);
      const centre = this.markId(middle);
      if (!way.has(centre)) way.add({ op: 'cross', mark: centre, lines: [diagonal(a, d), diagonal(b, c)] });
      way.places.push(middle);
      if (this.toMeasured(way, axis, middle)) yield way;
    }
  }

  /** The edges of the square that holds a coordinate, or of the nearest that can be had, divided from either end. */
  private *byDividedEdges(axis: Level, at: Millimetres, low: number): Generator<Way> {
    for (const first of nearestFirst(low)) {
      let any = false;
      const rows = this.rows(axis).filter((row) =>
        [this.corner(axis, first, row), this.corner(axis, first + 1, row)].every((end) => end !== null),
      );
      for (const row of rows) {
        for (const base of [first, first + 1])
          for (const parts of PARTS)
            for (const to of [1, -1] as const) {
              const edge = { axis, base, end: base === first ? first + 1 : first, row };
              const way = this.byDividedEdge(at, edge, parts, to);
              any ||= way !== null && this.desk.priced(way.operations) !== null;
              if (way) yield way;
            }
      }
      if (any) return;
    }
  }

  /**
   * A square's edge divided: on a level line through one end its length and the part of it are laid off at scale, the one ruled through the other end to the
   * horizon, the other to the same point there. Parallels share a vanishing point, so that the level line and the edge are divided alike.
   */
  private byDividedEdge(
    at: Millimetres,
    {
      axis,
      base,
      end,
      row,
    }: { readonly axis: Level; readonly base: number; readonly end: number; readonly row: number },
    parts: number,
    to: 1 | -1,
  ): Way | null {
    const N = this.setUp.scaleDenominator;
    const [from, far] = [this.square(axis, base, row), this.square(axis, end, row)];
    const [p, q] = [this.markId(from), this.markId(far)];
    const length = Math.abs(far[axis] - from[axis]);
    const part = ((at - from[axis]) / (far[axis] - from[axis])) * length;
    const way = new Way(this.desk);
    const edge = this.lineId(axis, from);
    if (Math.abs(part) < tolerance.touchMm || !way.drawn(edge)) return null;
    const level = this.vanishing.x.by === 'level' ? this.lineId('x', from) : `${p}/level`;
    if (!way.drawn(level)) way.add({ op: 'level', line: level, through: p });
    const laid = (mm: Millimetres): MarkId => {
      const mark = `${p}/laid ${this.lengths.name(mm)}/${parts * to}`;
      if (!way.has(mark)) way.add(laidOff(mark, level, p, (to * mm) / (N * parts), 'level'));
      return mark;
    };
    const through = `${p}~${q}/divided ${parts * to}`;
    const vanishing = `${through}/point`;
    const whole = laid(length);
    if (!way.drawn(through)) way.add({ op: 'rule', line: through, through: [whole, q] });
    if (!way.has(vanishing)) way.add({ op: 'cross', mark: vanishing, lines: [through, HORIZON_LINE] });
    way.aside.add(vanishing);
    this.divided.add(vanishing);
    const place: Place = { ...from, [axis]: at };
    const mark = this.markId(place);
    const line = `${mark}/part`;
    if (way.has(mark) || way.drawn(line)) return null;
    way.add({ op: 'rule', line, through: [laid(part), vanishing] });
    way.add({ op: 'cross', mark, lines: [edge, line] });
    way.places.push(place);
    return this.toMeasured(way, axis, place) ? way : null;
  }
}
