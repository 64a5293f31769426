import { gridPlaceCall } from '@/core/solids';
import { worldPoint } from '@/core/space';
import type { Millimetres } from '@/core/units';
import { placeIn, type Place } from './frame';
import { countedPlace, squaresOf, type Counted, type GridAtHand } from './grid-at-hand';
import { lineBetween } from './line-between';
import type { LineId, MarkId } from './operation';
import type { ReachByMeasure } from './reach-by-measure';
import { ACROSS, ReachBySquares, type Level } from './reach-by-squares';
import type { Axis } from './reach-place';
import { sideways } from './set-out-operations';
import type { FrameSide } from './target';
import type { Way } from './way';

/** A gridded wall in the frame: along which axis it runs, at which coordinate of the other, and from where to where. */
interface WallInFrame {
  readonly runs: Level;
  readonly at: Millimetres;
  readonly from: Millimetres;
  readonly to: Millimetres;
}

interface GridInFrame {
  readonly grid: GridAtHand;
  readonly counted: Readonly<Record<Level, Counted>>;
  readonly side: (side: FrameSide) => LineId;
}

/** A plane that passes the eye nearer than this share of the picture plane's distance is seen too nearly as a line. */
const EDGE_ON = 0.02;
/**
 * On a grid: its whole lines are measured and drawn on floor and walls, and every place is counted on them. Heights go along the floor to the gridded wall
 * that is nearest, up it, and back. Source: construction, 2 and 3; job, 4 and 5.7.
 */
export class ReachByGrid extends ReachBySquares {
  /** Names of the grid's own lines, and what is written at the marks they are ruled from. */
  readonly names = new Map<LineId, string>();
  readonly calls = new Map<LineId, string>();
  readonly labels = new Map<MarkId, string>();
  /** What is drawn of the grid, wanted for itself. */
  readonly laid: string[] = [];
  private readonly grid: GridAtHand;
  private readonly side: (side: FrameSide) => LineId;
  private readonly walls: readonly WallInFrame[];
  /** The wall that heights of the thing in hand are carried from. */
  private wall: WallInFrame | null = null;

  /** @param squares the grid as the frame counts it, and the sides of the picture as lines. */
  constructor(squares: GridInFrame, ...own: ConstructorParameters<typeof ReachByMeasure>) {
    const [, setUp, frame] = own;
    const { grid, counted, side } = squares;
    const seen = (axis: Level): readonly [number, number] => squaresOf(grid, counted, frame, setUp, axis);
    super({ counted, seen: { x: seen('x'), y: seen('y') } }, ...own);
    [this.grid, this.side] = [grid, side];
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
      const [axis, askew] = (['x', 'y', 'z'] as const).filter((one) => !this.same(p[one], q[one]));
      const line = lineBetween(this.desk, a, b, () =>
        axis === undefined || askew !== undefined ? null : this.lineAt(axis, p),
      );
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
    super.prepare(places, cut);
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

  /** A whole line by measure: its number is written at it. */
  protected override wholeLine(axis: Level, count: number): MarkId | null {
    const mark = this.measureWhole(axis, count);
    if (mark !== null) this.labels.set(mark, gridPlaceCall(this.counted[axis].by, count));
    return mark;
  }
}
