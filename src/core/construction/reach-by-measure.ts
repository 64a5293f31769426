import { dot2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { picturePoint, type PicturePoint } from '@/core/space';
import { degreesFromRadians, type Millimetres } from '@/core/units';
import type { SetUp } from '@/core/view';
import type { Desk } from './desk';
import type { AxisFrame, Place } from './frame';
import type { FramePoints, Measuring } from './frame-points';
import type { LineId, MarkId } from './operation';
import { FLAT_DEG } from './pencil-error';
import { ReachPlace, type Axis } from './reach-place';
import { CENTRE, groundOf, laidOff, sideways, type GroundOf, type SheetEdges } from './set-out-operations';
import { Way } from './way';

/** Where a frame is measured: the corner through which its two measured floor lines run, and the level plane they lie in. */
export interface Reference {
  readonly x: Millimetres;
  readonly y: Millimetres;
  readonly z: Millimetres;
}

/** Where the measured line of a direction meets the picture plane. */
interface Trace {
  readonly mark: MarkId;
  readonly line: LineId;
  /** Its coordinate along the direction. */
  readonly along: Millimetres;
  readonly lateral: Millimetres;
}

/**
 * By measure: along two floor lines through a reference corner lengths are measured by their measuring points, on an upright at their traces heights at
 * true size. Source: construction, 2 and 3.
 */
export class ReachByMeasure extends ReachPlace {
  protected readonly ground: GroundOf;
  protected readonly traces: Readonly<Record<'x' | 'y', Trace>>;
  /** Level lines on which lengths are measured above the floor, or below it. */
  readonly levelsOfOwn = new Set<LineId>();

  constructor(
    desk: Desk,
    setUp: SetUp,
    frame: AxisFrame,
    vanishing: FramePoints['vanishing'],
    private readonly points: Measuring,
    protected readonly reference: Reference,
    edges: SheetEdges,
  ) {
    super(desk, setUp, frame, vanishing, reference.z, edges);
    this.ground = groundOf(reference.z);
    const { forward: f, right: r, pictureDistance: d } = setUp;
    const trace = (axis: 'x' | 'y'): Trace => {
      const [own, other] = axis === 'x' ? [frame.x, frame.y] : [frame.y, frame.x];
      const fixed = axis === 'x' ? reference.y : reference.x;
      // Square to the picture plane the x line is the ground line itself: its zero serves for a trace.
      const along = vanishing[axis].by === 'level' ? 0 : (d - fixed * dot2(other, f)) / dot2(own, f);
      const line = this.lineId(
        axis,
        axis === 'x' ? { x: 0, y: fixed, z: reference.z } : { x: fixed, y: 0, z: reference.z },
      );
      return {
        // Square to the picture plane the other line leaves it in the corner itself.
        ...{ mark: vanishing.x.by === 'level' ? this.markId(reference) : `${line}/trace`, line, along },
        lateral: vanishing[axis].by === 'level' ? 0 : along * dot2(own, r) + fixed * dot2(other, r),
      };
    };
    this.traces = { x: trace('x'), y: trace('y') };
  }

  /** The measured floor lines, from their traces to their vanishing points. */
  begin(): boolean {
    const { ground, traces } = this;
    const N = this.setUp.scaleDenominator;
    const way = new Way(this.desk);
    for (const axis of ['x', 'y'] as const) {
      const vanishing = this.vanishing[axis];
      if (vanishing.by === 'level') continue;
      const { mark, line, lateral } = traces[axis];
      way.add(sideways(mark, ground.line, ground.zero, lateral / N));
      if (!this.ruler.rule(way, line, mark, vanishing, this.onGround(lateral / N), this.roleOf(axis))) return false;
    }
    if (this.vanishing.x.by === 'level') way.places.push(this.reference);
    return this.carry(way);
  }

  /** All of a frame is measured from the same two lines: nothing needs to be made ready. */
  prepare(_places: readonly Place[], _cut: readonly Place[]): void {}

  /** The mark of a place on one of the two measured lines, made by its measuring point; null where that cannot be. */
  measure(place: Place): MarkId | null {
    const way = new Way(this.desk);
    return this.measured(way, place) && this.desk.carryOut(way.operations) ? this.markId(place) : null;
  }

  /** A point of the ground line. */
  protected onGround(u: number): PicturePoint {
    const { setUp, reference } = this;
    return picturePoint(u, (reference.z - setUp.eyeZ) / setUp.scaleDenominator);
  }

  override reachAtItsHeight(place: Place): MarkId | null {
    const best = this.same(place.z, this.reference.z) ? null : this.cheapest(this.waysAtItsHeight(place));
    return best && this.carry(best) ? this.markId(place) : null;
  }

  /**
   * Measured in the level plane at its own height, which meets the picture plane in a level line of its own. Source: geometry, Vanishing and measuring points:
   * lengths are laid off at scale on the level line through the trace, at whatever height the receding line lies.
   */
  private *waysAtItsHeight(place: Place): Generator<Way> {
    const { ground, setUp, points } = this;
    const N = setUp.scaleDenominator;
    for (const axis of ['x', 'y'] as const) {
      const [to, measuring] = [this.vanishing[axis], points.measuring[axis]];
      if (to.by === 'level' || measuring.by === 'level') continue;
      const way = new Way(this.desk);
      const mark = this.markId(place);
      const line = this.lineId(axis, place);
      const trace = this.traceOf(axis, place);
      const foot = `${line}/foot`;
      if (way.drawn(line) || !this.desk.onBoard(this.onGround(trace.u))) continue;
      if (!way.has(foot)) way.add(sideways(foot, ground.line, ground.zero, trace.u));
      const zero = this.heightOn(way, foot, `${foot}/heights`, foot, place.z);
      if (!this.ruler.rule(way, line, zero, to, trace, this.roleOf(axis))) continue;
      const level = `${zero}/level`;
      if (!way.drawn(level)) way.add({ op: 'level', line: level, through: zero });
      const length = place[axis] - this.alongAtTrace(axis, place);
      const off = (points.behind[axis] * length) / (N * points.parts[axis]);
      if (Math.abs(length) < tolerance.touchMm) continue;
      way.add(laidOff(`${mark}/laid`, level, zero, off, 'level'));
      const measure = `${mark}/measure`;
      const from = picturePoint(trace.u + off, trace.v);
      if (!this.ruler.rule(way, measure, `${mark}/laid`, measuring, from, 'measuring')) continue;
      way.add({ op: 'cross', mark, lines: [line, measure] });
      way.places.push(place);
      this.levelsOfOwn.add(level);
      yield way;
    }
  }

  /** Where a line leaves the measured ones: the mark it is ruled from when nothing lies on it yet. */
  protected source(way: Way, axis: Axis, place: Place): MarkId | null {
    const { reference } = this;
    if (axis === 'z') return this.foot(way, place);
    const start: Place = axis === 'x' ? { ...place, x: reference.x } : { ...place, y: reference.y };
    const other = axis === 'x' ? 'y' : 'x';
    const onReference = this.same(place[other], reference[other]);
    if (this.same(place.z, reference.z)) return onReference ? null : this.measuredMark(way, start);
    if (onReference) return this.height(way, axis, place.z);
    // From above the measured line on the floor, or below it.
    return this.cross(way, start, [other, 'z'], null) ? this.markId(start) : null;
  }

  /** The place on the floor plane under or over a place. */
  private foot(way: Way, place: Place): MarkId | null {
    const foot: Place = { ...place, z: this.reference.z };
    const mark = this.markId(foot);
    if (way.has(mark)) return mark;
    if (this.same(place.x, this.reference.x) || this.same(place.y, this.reference.y))
      return this.measuredMark(way, foot);
    return this.cross(way, foot, ['x', 'y'], null) ? mark : null;
  }

  private measuredMark(way: Way, place: Place): MarkId | null {
    return this.measured(way, place) ? this.markId(place) : null;
  }

  /** A place on one of the two measured lines, by its measuring point. */
  protected measured(way: Way, place: Place): boolean {
    const { reference, points, ground, traces } = this;
    const mark = this.markId(place);
    if (way.has(mark)) return true;
    if (!this.same(place.z, reference.z)) return false;
    const axis = this.same(place.y, reference.y) ? 'x' : this.same(place.x, reference.x) ? 'y' : null;
    if (axis === null) return false;
    const N = this.setUp.scaleDenominator;
    const trace = traces[axis];
    const measuring = points.measuring[axis];
    const length = place[axis] - trace.along;
    if (measuring.by === 'level') {
      // In the picture plane itself: at true size.
      way.add(sideways(mark, ground.line, ground.zero, (trace.lateral + length) / N));
      way.places.push(place);
      return true;
    }
    const laid = `${mark}/laid`;
    const line = `${mark}/measure`;
    if (Math.abs(length) < tolerance.touchMm) {
      // In the picture plane: where its line meets the ground line; laid off once more where the two cross too flatly.
      way.add(
        this.isSteep(axis)
          ? { op: 'cross', mark, lines: [trace.line, ground.line] }
          : sideways(mark, ground.line, ground.zero, trace.lateral / N),
      );
      way.places.push(place);
      return true;
    }
    const off = (points.behind[axis] * length) / (N * points.parts[axis]);
    way.add(laidOff(laid, ground.line, trace.mark, off, 'level'));
    if (!this.ruler.rule(way, line, laid, measuring, this.onGround(trace.lateral / N + off), 'measuring')) return false;
    way.add({ op: 'cross', mark, lines: [trace.line, line] });
    way.places.push(place);
    return true;
  }

  /** Whether a measured line crosses the ground line well. */
  private isSteep(axis: 'x' | 'y'): boolean {
    const to = this.vanishing[axis];
    if (to.by === 'level') return false;
    const { u, v } = this.onGround(this.traces[axis].lateral / this.setUp.scaleDenominator);
    return degreesFromRadians(Math.atan2(Math.abs(v), Math.abs(to.u - u))) >= FLAT_DEG;
  }

  /** A height at true size on the upright at a measured line's trace. */
  protected height(way: Way, axis: 'x' | 'y', z: Millimetres): MarkId | null {
    const { traces, ground } = this;
    // Square to the picture plane it is the centre line, up from the ground line's zero.
    const level = this.vanishing[axis].by === 'level';
    const foot = level ? ground.zero : traces[axis].mark;
    const upright = level ? CENTRE : `${foot}/heights`;
    return this.heightOn(way, foot, upright, level ? this.frame.name : foot, z);
  }

  /** A height at true size on an upright in the picture plane, drawn from its foot on the ground line if it is not there yet. */
  protected heightOn(way: Way, foot: MarkId, upright: LineId, named: string, z: Millimetres): MarkId {
    const mark = `${named}/height ${this.coordinates.z.name(z)}`;
    if (way.has(mark)) return mark;
    if (!way.drawn(upright)) way.add({ op: 'upright', line: upright, through: foot });
    way.add(laidOff(mark, upright, foot, (z - this.reference.z) / this.setUp.scaleDenominator, 'upright'));
    return mark;
  }

  protected override lineId(axis: Axis, place: Place): LineId {
    const { reference } = this;
    const onGround = this.same(place.y, reference.y) && this.same(place.z, reference.z);
    return axis === 'x' && this.vanishing.x.by === 'level' && onGround ? this.ground.line : super.lineId(axis, place);
  }
}
