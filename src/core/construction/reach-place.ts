import { dot2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { picturePoint, type PicturePoint } from '@/core/space';
import type { Millimetres } from '@/core/units';
import type { SetUp } from '@/core/view';
import { Coordinates } from './coordinates';
import { leastCost, type Desk } from './desk';
import type { AxisFrame, Place } from './frame';
import { makes, type LineId, type MarkId, type Operation } from './operation';
import type { FramePoints, PointRole } from './frame-points';
import { RulerToPoints } from './ruler-to-points';
import { Way, type HeightsFrom } from './way';
import type { SheetEdges } from './set-out-operations';

/** Along which of its directions a frame's line runs. */
export type Axis = 'x' | 'y' | 'z';
const AXES: readonly Axis[] = ['x', 'y', 'z'];
const OTHERS: Readonly<Record<Axis, readonly [Axis, Axis]>> = { x: ['y', 'z'], y: ['x', 'z'], z: ['x', 'y'] };
const PAIRS: readonly (readonly [Axis, Axis])[] = [
  ['x', 'y'],
  ['x', 'z'],
  ['y', 'z'],
];

/** A mark and the same found another way, with what leads there. */
export interface SecondWay {
  readonly mark: MarkId;
  readonly again: MarkId;
  readonly operations: readonly Operation[];
}

/** Marks on a line that is to be ruled are tried from the nearest few. */
const MOST_SOURCES = 3;

/**
 * How places of one frame are reached: each is where two of its three lines cross. A line is ruled from whatever lies on it already, or else from its
 * source: where it leaves what the school measures, or the plan gives. Source: construction, 2 and 3.
 */
export abstract class ReachPlace {
  protected readonly coordinates: Readonly<Record<Axis, Coordinates>>;
  /** Marks on each line that is, or could be, drawn. */
  private readonly on = new Map<LineId, { readonly mark: MarkId; readonly place: Place }[]>();
  /** Every place that has a mark, on the way to others too. */
  readonly reached = new Map<MarkId, Place>();
  /** The two lines whose crossing each place was found by. */
  private readonly foundBy = new Map<MarkId, readonly [LineId, LineId]>();
  protected readonly ruler: RulerToPoints;

  protected constructor(
    protected readonly desk: Desk,
    protected readonly setUp: SetUp,
    protected readonly frame: AxisFrame,
    protected readonly vanishing: FramePoints['vanishing'],
    /** The level plane whose line in the picture plane is the ground line. */
    protected readonly plane: Millimetres,
    edges: SheetEdges,
  ) {
    this.ruler = new RulerToPoints(desk, edges);
    this.coordinates = {
      x: new Coordinates(dot2(setUp.station, frame.x)),
      y: new Coordinates(dot2(setUp.station, frame.y)),
      z: new Coordinates(),
    };
  }

  /** Draws what everything in the frame is reached from. @returns whether that can be had. */
  abstract begin(): boolean;

  /** Makes ready what places of one thing are reached from together. @param cut where the frame cuts its lines. */
  abstract prepare(places: readonly Place[], cut: readonly Place[]): void;

  /** Where a line comes from when nothing lies on it yet: the mark it is ruled from. */
  protected abstract source(way: Way, axis: Axis, place: Place): MarkId | null;

  /** Leads to a place that the school measures itself. @returns false for any other. */
  protected abstract measured(way: Way, place: Place): boolean;

  /** From where heights come, where there is a choice. */
  protected heights: readonly HeightsFrom[] = ['the-reference'];

  /**
   * The mark of a place, made if it is not there yet by the cheapest way there is; null where there is none. @param cutting sides of the picture that it
   * lies on. @param through a line that is drawn and runs through it.
   */
  reach(place: Place, cutting: readonly LineId[] = [], through: LineId | null = null): MarkId | null {
    const mark = this.markId(place);
    if (this.desk.has(mark)) return mark;
    const best = this.cheapest(this.ways(place, cutting, through)) ?? this.cheapest(this.waysByTicks(place));
    return best && this.carry(best) ? mark : null;
  }

  /** Carries a way out and keeps in mind what is reached by it. @returns false, with nothing done, where it cannot be. */
  protected carry({ operations, places }: Way): boolean {
    if (!this.desk.carryOut(operations)) return false;
    for (const made of places) this.note(made);
    for (const one of operations) if (one.op === 'cross') this.foundBy.set(one.mark, one.lines);
    return true;
  }

  /** The line that runs along an axis through a place that has a mark, drawn if it is not there yet; null where it cannot be, or would want a tick of its own. */
  lineAt(axis: Axis, place: Place): LineId | null {
    const line = this.lineId(axis, place);
    if (this.desk.drawn(line)) return line;
    if (axis !== 'z' && this.vanishing[axis].by === 'ticks') return null;
    const way = new Way(this.desk);
    return this.line(way, axis, place, 0) !== null && this.desk.carryOut(way.operations) ? line : null;
  }

  /** Ticks on the sheet's edges, by what the points beyond the board are to their lines. */
  get ticks(): ReadonlyMap<MarkId, PointRole> {
    return this.ruler.ticks;
  }

  /** The mark of a place that has one; null where it has none yet. */
  known(place: Place): MarkId | null {
    const mark = this.markId(place);
    return this.desk.has(mark) ? mark : null;
  }

  protected cheapest(given: Iterable<Way>): Way | null {
    let best: { readonly way: Way; readonly moves: number } | null = null;
    // Those that cost least if nothing is missed come first: most of the others then need not be tried.
    const ways = [...given].map((way) => ({ way, least: leastCost(way.operations) }));
    for (const { way } of ways.sort((a, b) => a.least - b.least)) {
      const cost = this.desk.priced(
        way.operations,
        best === null ? Infinity : best.moves - tolerance.nought,
        way.aside,
      );
      if (cost && (best === null || cost.moves < best.moves - tolerance.nought)) best = { way, moves: cost.moves };
    }
    return best?.way ?? null;
  }

  /**
   * A second way to a place: where its third line crosses one of the two it was found by, a mark that must fall on the first. The third line must not have
   * been ruled from the mark itself, which would tell nothing. Null where there is none.
   * @param third whether that line is there already, or is ruled for the check.
   */
  secondWay(place: Place, third: 'is-drawn' | 'is-ruled'): SecondWay | null {
    const mark = this.markId(place);
    const found = this.foundBy.get(mark);
    const again = `${mark}/again`;
    if (!found || this.desk.has(again)) return null;
    const axis = AXES.find((one) => !found.includes(this.lineId(one, place)));
    const crossed = found.find((line) => AXES.some((one) => this.lineId(one, place) === line));
    if (axis === undefined || crossed === undefined) return null;
    const way = new Way(this.desk);
    const line = this.lineId(axis, place);
    if (this.desk.drawn(line) !== (third === 'is-drawn')) return null;
    if (third === 'is-ruled' && this.line(way, axis, place, null) === null) return null;
    const ruled = way.operations.find((one) => 'line' in one && one.line === line) ?? this.desk.madeBy(line);
    if (!ruled || makes(ruled).usesMarks.includes(mark)) return null;
    way.add({ op: 'cross', mark: again, lines: [crossed, line] });
    return { mark, again, operations: way.operations };
  }

  /** What a way begins with: what lies on a line already or its source, and from where heights come. */
  private get beginnings(): readonly (readonly ['what-lies-on-it' | 'the-source', HeightsFrom])[] {
    return (['what-lies-on-it', 'the-source'] as const).flatMap((from) =>
      this.heights.map((heights) => [from, heights] as const),
    );
  }

  private *ways(place: Place, cutting: readonly LineId[], through: LineId | null): Generator<Way> {
    // Where a line that is drawn already leaves the picture.
    if (through !== null)
      for (const side of cutting) {
        const way = new Way(this.desk);
        way.add({ op: 'cross', mark: this.markId(place), lines: [through, side] });
        way.places.push(place);
        yield way;
      }
    for (const [from, heights] of this.beginnings) {
      for (const pair of PAIRS) {
        for (let turn = 0; turn < (from === 'what-lies-on-it' ? MOST_SOURCES : 1); turn += 1) {
          const way = new Way(this.desk, 'themselves', heights);
          if (this.cross(way, place, pair, from === 'what-lies-on-it' ? turn : null)) yield way;
        }
      }
      // Where the frame, or a line that is drawn already, cuts one of its lines.
      for (const side of through === null ? cutting : [...cutting, through])
        for (const axis of AXES) {
          const way = new Way(this.desk, 'themselves', heights);
          const line = this.line(way, axis, place, from === 'what-lies-on-it' ? 0 : null);
          if (line === null) continue;
          // On its way it may have been made.
          if (!way.has(this.markId(place))) {
            way.add({ op: 'cross', mark: this.markId(place), lines: [line, side] });
            way.places.push(place);
          }
          yield way;
        }
    }
    const measured = new Way(this.desk);
    if (this.measured(measured, place)) yield measured;
  }

  /** Where a point lies beyond the straightedge's reach: its lines are ruled to ticks on the sheet's edges instead. */
  private *waysByTicks(place: Place): Generator<Way> {
    for (const turn of [0, null])
      for (const pair of PAIRS) {
        const way = new Way(this.desk, 'by-ticks');
        if (this.cross(way, place, pair, turn)) yield way;
      }
    const measured = new Way(this.desk, 'by-ticks');
    if (this.measured(measured, place)) yield measured;
  }

  /** The mark of a place that nothing else leads to, because the floor under it lies beyond the board; null where nothing is measured. */
  reachAtItsHeight(_place: Place): MarkId | null {
    return null;
  }

  /** Where two of a place's lines cross. @param turn which of what lies on the lines to rule them from; null: from their sources. */
  protected cross(way: Way, place: Place, pair: readonly [Axis, Axis], turn: number | null): boolean {
    const mark = this.markId(place);
    if (way.has(mark)) return true;
    const lines = pair.map((axis) => this.line(way, axis, place, turn));
    const [first, second] = lines;
    if (!first || !second) return false;
    // On its way it may have been made.
    if (way.has(mark)) return true;
    way.add({ op: 'cross', mark, lines: [first, second] });
    way.places.push(place);
    return true;
  }

  protected line(way: Way, axis: Axis, place: Place, turn: number | null): LineId | null {
    const line = this.lineId(axis, place);
    if (way.drawn(line)) return line;
    const along = (one: Place): number => Math.abs(one[axis] - place[axis]);
    const known =
      turn === null
        ? []
        : [...(this.on.get(line) ?? [])].sort((a, b) => along(a.place) - along(b.place)).slice(turn, turn + 1);
    const source = known[0]?.mark ?? (turn === null || turn === 0 ? this.source(way, axis, place) : null);
    if (source === null) return null;
    if (axis === 'z') way.add({ op: 'upright', line, through: source });
    else {
      const vanishing = this.vanishing[axis];
      if (vanishing.by === 'level') way.add({ op: 'level', line, through: source });
      else if (!this.ruler.rule(way, line, source, vanishing, this.traceOf(axis, place), this.roleOf(axis)))
        return null;
    }
    return line;
  }

  /** What the vanishing point of an axis is to the lines that run to it. */
  protected roleOf(axis: 'x' | 'y'): PointRole {
    if (this.frame.turnDeg === 0) return 'vanishing-centre';
    return axis === 'x' ? 'vanishing-right' : 'vanishing-left';
  }

  /** Where the line of an axis through a place meets the picture plane, at scale there. */
  protected traceOf(axis: 'x' | 'y', place: Place): PicturePoint {
    const { right: r, scaleDenominator: N, eyeZ } = this.setUp;
    const [own, other] = axis === 'x' ? [this.frame.x, this.frame.y] : [this.frame.y, this.frame.x];
    const fixed = axis === 'x' ? place.y : place.x;
    const along = this.alongAtTrace(axis, place);
    return picturePoint((along * dot2(own, r) + fixed * dot2(other, r)) / N, (place.z - eyeZ) / N);
  }

  /** The coordinate, along its own direction, at which such a line meets the picture plane. */
  protected alongAtTrace(axis: 'x' | 'y', place: Place): Millimetres {
    const { forward: f, pictureDistance: d } = this.setUp;
    const [own, other] = axis === 'x' ? [this.frame.x, this.frame.y] : [this.frame.y, this.frame.x];
    return (d - (axis === 'x' ? place.y : place.x) * dot2(other, f)) / dot2(own, f);
  }

  protected same(a: number, b: number): boolean {
    return Math.abs(a - b) < tolerance.touchMm;
  }

  private note(place: Place): void {
    const mark = this.markId(place);
    this.reached.set(mark, place);
    for (const axis of ['x', 'y', 'z'] as const) {
      const line = this.lineId(axis, place);
      const list = this.on.get(line);
      if (list) list.push({ mark, place });
      else this.on.set(line, [{ mark, place }]);
    }
  }

  markId({ x, y, z }: Place): MarkId {
    const { coordinates, frame } = this;
    return `${frame.name}:${coordinates.x.name(x)},${coordinates.y.name(y)},${coordinates.z.name(z)}`;
  }

  protected lineId(axis: Axis, place: Place): LineId {
    const [a, b] = OTHERS[axis];
    const { coordinates, frame } = this;
    return `${frame.name}:${axis}|${coordinates[a].name(place[a])},${coordinates[b].name(place[b])}`;
  }
}
