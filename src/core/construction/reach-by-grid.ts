import { tolerance } from '@/core/numeric';
import { gridPlaceCall } from '@/core/solids';
import { worldPoint } from '@/core/space';
import type { Millimetres } from '@/core/units';
import { eyeFromWorld, type SetUp } from '@/core/view';
import { Coordinates } from './coordinates';
import type { Desk } from './desk';
import { placeIn, worldAt, type AxisFrame, type Place } from './frame';
import type { FramePoints, Measuring } from './frame-points';
import { atSquares, countedPlace, squaresOf, squaresTo, type Counted, type GridAtHand } from './grid-at-hand';
import { lineBetween } from './line-between';
import { LEAST_DEPTH } from './measured-corner';
import type { LineId, MarkId } from './operation';
import { ReachByMeasure, type Reference } from './reach-by-measure';
import type { Axis } from './reach-place';
import { HORIZON_LINE, laidOff, sideways, type SheetEdges } from './set-out-operations';
import type { FrameSide } from './target';
import { Way } from './way';

type Level = 'x' | 'y';
const ACROSS: Readonly<Record<Level, Level>> = { x: 'y', y: 'x' };

/** A gridded wall in the frame: along which axis it runs, at which coordinate of the other, and from where to where. */
interface WallInFrame {
  readonly runs: Level;
  readonly at: Millimetres;
  readonly from: Millimetres;
  readonly to: Millimetres;
}

/** Squares from one outward, to both sides. */
function* nearestFirst(low: number): Generator<number> {
  yield low;
  for (let off = 1; off <= MOST_BEYOND; off += 1) yield* [low - off, low + off];
}

/** A square's edge is laid off whole, or at a part or a multiple of it, so that the point it is divided from lies on the board and its lines cross the edge well. */
const PARTS = [1, 2, 3, 4, 1 / 2, 1 / 3, 1 / 4] as const;
/** So many squares away at most is the one whose edge is carried on to a coordinate beyond the last that can be had. */
const MOST_BEYOND = 12;
/** A plane that passes the eye nearer than this share of the picture plane's distance is seen too nearly as a line. */
const EDGE_ON = 0.02;
/** A part of a square is a half or a quarter to so much of it. */
const SAME_PART = 1e-6;

/**
 * By squares: a grid of whole units is set out on floor and walls, and every place counted on it. What lies between two of its lines is found within the
 * square, by diagonals where it is a half or a quarter, otherwise on the edge divided by a level line through its nearer corner; never in proportion on
 * the paper. Heights go along the floor to the gridded wall that is nearest, up it, and back. Source: construction, 2 and 3; job, 4 and 5.7.
 */
export class ReachByGrid extends ReachByMeasure {
  /** Names of the grid's own lines, and what is written at the marks they are ruled from. */
  readonly names = new Map<LineId, string>();
  readonly calls = new Map<LineId, string>();
  readonly labels = new Map<MarkId, string>();
  /** What is drawn of the grid, wanted for itself. */
  readonly laid: string[] = [];
  private readonly grid: GridAtHand;
  private readonly counted: Readonly<Record<Level, Counted>>;
  private readonly side: (side: FrameSide) => LineId;
  private readonly lengths = new Coordinates();
  /** Coordinates that are found already, by their axes. */
  private readonly found = new Set<string>();
  /** Those that are being found. */
  private readonly sought = new Set<string>();
  /** Points of the horizon from which edges are divided. */
  readonly divided = new Set<MarkId>();
  /** Diagonals of squares. */
  readonly diagonals = new Set<LineId>();
  /** The first and the last whole line that is seen, by the axis it is counted on. */
  private readonly seen: Readonly<Record<Level, readonly [number, number]>>;
  private readonly walls: readonly WallInFrame[];
  /** The wall that heights of the thing in hand are carried from. */
  private wall: WallInFrame | null = null;

  constructor(
    desk: Desk,
    setUp: SetUp,
    frame: AxisFrame,
    vanishing: FramePoints['vanishing'],
    points: Measuring,
    reference: Reference,
    edges: SheetEdges,
    squares: {
      readonly grid: GridAtHand;
      readonly counted: Readonly<Record<Level, Counted>>;
      /** The sides of the picture as lines. */
      readonly side: (side: FrameSide) => LineId;
    },
  ) {
    super(desk, setUp, frame, vanishing, points, reference, edges);
    const { grid, counted, side } = squares;
    [this.grid, this.counted, this.side] = [grid, counted, side];
    this.seen = { x: squaresOf(grid, counted, frame, setUp, 'x'), y: squaresOf(grid, counted, frame, setUp, 'y') };
    this.walls = grid.walls.flatMap((wall): WallInFrame[] => {
      const [from, to] = [wall.from, wall.to].map(({ x, y }) => placeIn(frame, setUp, worldPoint(x, y, 0)));
      if (!from || !to) return [];
      const runs = this.same(from.y, to.y) ? 'x' : this.same(from.x, to.x) ? 'y' : null;
      if (runs === null) return [];
      const [low, high] = [Math.min(from[runs], to[runs]), Math.max(from[runs], to[runs])];
      return [{ runs, at: from[ACROSS[runs]], from: low, to: high }];
    });
  }

  override begin(): boolean {
    if (!super.begin()) return false;
    const { grid, frame, setUp } = this;
    for (const { call, words, from, to } of grid.lines) {
      const [p, q] = [from, to].map(({ at }) => placeIn(frame, setUp, at)) as [Place, Place];
      this.prepare([p, q], []);
      const ends = [from, to].map(({ cutBy }, i) =>
        this.reach(i === 0 ? p : q, cutBy === null ? [] : [this.side(cutBy)]),
      );
      const [a, b] = ends;
      if (!a || !b || a === b) continue;
      const axis = (['x', 'y', 'z'] as const).find((one) => !this.same(p[one], q[one]));
      const line = lineBetween(this.desk, a, b, () => (axis === undefined ? null : this.lineAt(axis, p)));
      if (line === null) continue;
      this.laid.push(a, b, line);
      this.names.set(line, words);
      this.calls.set(line, call);
    }
    return true;
  }

  /** Every coordinate of a thing, found once on the frame's two measured lines; and the wall its heights come from. */
  override prepare(places: readonly Place[], cut: readonly Place[]): void {
    this.wall = this.nearestWall(places.length > 0 ? places : cut);
    // The foot of a wall is counted like everything else.
    for (const wall of [this.wall, this.wall && this.sideWall(this.wall)])
      if (wall) this.find(ACROSS[wall.runs], wall.at);
    for (const axis of ['x', 'y'] as const) for (const place of [...places, ...cut]) this.find(axis, place[axis]);
  }

  /** From the wall that is nearest; from the frame's own height line only where that cannot be. */
  override reach(place: Place, cutting: readonly LineId[] = [], through: LineId | null = null): MarkId | null {
    if (this.wall === null) return super.reach(place, cutting, through);
    this.heights = ['its-own-plane'];
    const mark = super.reach(place, cutting, through);
    this.heights = ['the-reference'];
    return mark ?? super.reach(place, cutting, through);
  }

  /** A place as it is counted on the grid. */
  readonly countOf = (place: Place): string => countedPlace(this.grid, this.counted, place);

  protected override source(way: Way, axis: Axis, place: Place): MarkId | null {
    const { wall, reference } = this;
    if (axis === 'z' || way.heights !== 'its-own-plane' || wall === null || this.same(place.z, reference.z))
      return super.source(way, axis, place);
    const across = ACROSS[axis];
    const own = this.walls.find((one) => one.runs === axis && this.same(place[across], one.at));
    if (own) return this.heightOnWall(way, own, place.z);
    if (wall.runs === axis) return null;
    // Out to the wall, along the floor and up it.
    const there: Place = { ...place, [axis]: wall.at };
    return this.cross(way, there, [across, 'z'], null) ? this.markId(there) : null;
  }

  /** The height of a wall's level line, at true size where the wall meets the picture plane; of one that never does, from a wall that meets it in a corner. */
  private heightOnWall(way: Way, wall: WallInFrame, z: Millimetres): MarkId | null {
    const across = ACROSS[wall.runs];
    if (this.vanishing[wall.runs].by === 'level') {
      const side = this.sideWall(wall);
      if (!side) return null;
      const corner = this.placeOn(wall, side.at, z);
      return this.cross(way, corner, [across, 'z'], null) ? this.markId(corner) : null;
    }
    const foot = this.traceOfWall(way, wall);
    return this.heightOn(way, foot, `${foot}/heights`, foot, z);
  }

  /** Where the foot of a wall meets the ground line, at true size from its zero. */
  private traceOfWall(way: Way, wall: WallInFrame): MarkId {
    const place = this.placeOn(wall, wall.from, this.reference.z);
    const mark = `${this.lineId(wall.runs, place)}/trace`;
    if (!way.has(mark)) way.add(sideways(mark, this.ground.line, this.ground.zero, this.traceOf(wall.runs, place).u));
    return mark;
  }

  private placeOn({ runs, at }: WallInFrame, along: Millimetres, z: Millimetres): Place {
    return runs === 'x' ? { x: along, y: at, z } : { x: at, y: along, z };
  }

  /** Whether a wall's heights can be had: at its own trace on the board, or from a wall that has one. */
  private usable(wall: WallInFrame): boolean {
    if (this.vanishing[wall.runs].by === 'level') return this.sideWall(wall) !== null;
    if (Math.abs(wall.at) < EDGE_ON * this.setUp.pictureDistance) return false;
    const { u } = this.traceOf(wall.runs, this.placeOn(wall, wall.from, this.reference.z));
    return this.desk.onBoard(this.onGround(u));
  }

  /** The wall across a level one, nearest to the line of sight's own corner of it, from which heights come. */
  private sideWall(wall: WallInFrame): WallInFrame | null {
    const inFront = (one: WallInFrame): boolean => this.inFront(this.placeOn(wall, one.at, this.reference.z));
    const sides = this.walls.filter((one) => one.runs !== wall.runs && inFront(one) && this.usable(one));
    const off = ({ at }: WallInFrame): number => Math.min(Math.abs(at - wall.from), Math.abs(at - wall.to));
    return [...sides].sort((a, b) => off(a) - off(b) || a.at - b.at)[0] ?? null;
  }

  private inFront(place: Place): boolean {
    const { setUp, frame } = this;
    return eyeFromWorld(setUp, worldAt(frame, setUp, place)).depth > LEAST_DEPTH * setUp.pictureDistance;
  }

  /** The gridded wall nearest to a thing, of those that heights can be had from. */
  private nearestWall(places: readonly Place[]): WallInFrame | null {
    const apart = (wall: WallInFrame): number =>
      Math.min(
        ...places.map((place) => {
          const along = place[wall.runs];
          const beside = Math.max(0, wall.from - along, along - wall.to);
          return Math.hypot(beside, place[ACROSS[wall.runs]] - wall.at);
        }),
      );
    const told = this.walls.filter((one) => this.usable(one)).map((wall) => ({ wall, off: apart(wall) }));
    return told.sort((a, b) => a.off - b.off)[0]?.wall ?? null;
  }

  /** A place of the measured line of an axis. */
  private onLine(axis: Level, at: Millimetres): Place {
    return { ...this.reference, [axis]: at };
  }

  private whole(axis: Level, count: number): Place {
    return this.onLine(axis, atSquares(this.counted[axis], count));
  }

  /** A place of the plane that is measured on, by its squares in both directions. */
  private square(axis: Level, count: number, row: number): Place {
    const across = ACROSS[axis];
    return {
      ...this.reference,
      [axis]: atSquares(this.counted[axis], count),
      [across]: atSquares(this.counted[across], row),
    };
  }

  /** Finds a coordinate once for all that has it: a whole line's by measure, what lies between two of them within a square. */
  private find(axis: Level, at: Millimetres): void {
    const name = `${axis} ${this.coordinates[axis].name(at)}`;
    if (this.found.has(name) || this.sought.has(name)) return;
    if (this.desk.has(this.markId(this.onLine(axis, at)))) {
      this.found.add(name);
      return;
    }
    this.sought.add(name);
    const count = squaresTo(this.counted[axis], at);
    const whole = Math.abs(count - Math.round(count)) * this.counted[axis].unit < tolerance.touchMm;
    if (whole && this.measureWhole(axis, Math.round(count))) this.found.add(name);
    else {
      const way = this.between(axis, at, count);
      if (way && this.carry(way)) this.found.add(name);
    }
    this.sought.delete(name);
  }

  /** Leads what was found in a square on to the measured line, along the line that all places of its coordinate lie on. */
  private toMeasured(way: Way, axis: Level, place: Place): boolean {
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

  /** The mark of a whole line on the measured line of its axis. */
  private measureWhole(axis: Level, count: number): MarkId | null {
    const place = this.whole(axis, count);
    const mark = this.markId(place);
    if (this.desk.has(mark)) return mark;
    if (!this.inFront(place)) return null;
    const way = new Way(this.desk);
    if (!this.measured(way, place) || !this.carry(way)) return null;
    this.labels.set(mark, gridPlaceCall(this.counted[axis].by, count));
    return mark;
  }

  /** What lies between two whole lines is not measured where it is found in a square. */
  protected override measured(way: Way, place: Place): boolean {
    if (way.has(this.markId(place))) return true;
    const axis = this.same(place.y, this.reference.y) ? 'x' : this.same(place.x, this.reference.x) ? 'y' : null;
    if (axis !== null && this.found.has(`${axis} ${this.coordinates[axis].name(place[axis])}`)) {
      const count = squaresTo(this.counted[axis], place[axis]);
      if (Math.abs(count - Math.round(count)) * this.counted[axis].unit > tolerance.touchMm) return false;
    }
    return super.measured(way, place);
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
      const from = this.measureWhole('x', base);
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
  private rows(axis: Level): readonly number[] {
    const [low, high] = this.seen[ACROSS[axis]];
    const own = squaresTo(this.counted[ACROSS[axis]], this.reference[ACROSS[axis]]);
    const whole = Math.abs(own - Math.round(own)) < SAME_PART ? [Math.round(own)] : [];
    return [...new Set([...whole, low, Math.round((low + high) / 2), high])];
  }

  /** The corner of a square, by the lines that cross in it. */
  private corner(axis: Level, count: number, row: number): MarkId | null {
    const place = this.square(axis, count, row);
    if (!this.inFront(place) || this.measureWhole(ACROSS[axis], row) === null) return null;
    if (Number.isInteger(count)) {
      if (this.measureWhole(axis, count) === null) return null;
    } else this.find(axis, place[axis]);
    return this.reach(place);
  }

  /** A half where the diagonals of a square cross, a quarter where those of its half do; none for any other part. */
  private *byDiagonals(axis: Level, low: number, part: number): Generator<Way> {
    const quarters = Math.round(part * 4);
    if (Math.abs(part * 4 - quarters) > SAME_PART || quarters === 0 || quarters === 4) return;
    const off = quarters === 2 ? 2 : 1;
    const [from, to] = [low + (quarters - off) / 4, low + (quarters + off) / 4];
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
