import { tolerance } from '@/core/numeric';
import { picturePoint } from '@/core/space';
import type { Millimetres } from '@/core/units';
import type { SetUp } from '@/core/view';
import { Coordinates } from './coordinates';
import type { Desk } from './desk';
import type { AxisFrame, Place } from './frame';
import type { FramePoints } from './frame-points';
import type { LineId, MarkId } from './operation';
import type { Dropped, PlanSheet } from './plan-sheet';
import { ReachPlace, type Axis } from './reach-place';
import { groundOf, laidOff, type GroundOf, type SheetEdges } from './set-out-operations';
import { Way, type HeightsFrom } from './way';

/** All that stands in one level line of a frame, seen from above: two of its places, as far apart as there are. */
type Side = readonly [Place, Place];

/**
 * By the plan: what stands over one point of the plan stands on one upright of the picture, under the cut of its ray; heights are laid off at true size
 * where a plane of the thing, extended on the plan, meets the picture plane, or carried there from an elevation. Source: construction, 3; job, 4.
 */
export class ReachByPlan extends ReachPlace {
  protected override readonly heights: readonly HeightsFrom[] = ['its-own-plane', 'the-reference'];
  private readonly ground: GroundOf;
  /** Planes whose heights others are carried along: the one x, and the one y, in which most stands; null where none meets the picture plane on the board. */
  private readonly reference: { readonly x: Millimetres | null; readonly y: Millimetres | null };
  private readonly sides: Readonly<Record<'x' | 'y', ReadonlyMap<string, Side>>>;

  /** @param wanted all that is to be reached in the frame. */
  constructor(
    desk: Desk,
    setUp: SetUp,
    frame: AxisFrame,
    vanishing: FramePoints['vanishing'],
    plane: Millimetres,
    edges: SheetEdges,
    private readonly plan: PlanSheet,
    wanted: readonly Place[],
  ) {
    super(desk, setUp, frame, vanishing, plane, edges);
    this.ground = groundOf(plane);
    this.sides = { x: this.sidesAlong('x', wanted), y: this.sidesAlong('y', wanted) };
    this.reference = { x: this.mostUsed('y', wanted), y: this.mostUsed('x', wanted) };
  }

  /** The plan itself is all there is to begin with. */
  begin(): boolean {
    return this.reference.x !== null || this.reference.y !== null;
  }

  /** One strip carries all that stands in a thing: the rays to its corners cut the picture plane, and the cuts are carried down together. */
  prepare(places: readonly Place[]): void {
    const { plan, desk } = this;
    const way = new Way(desk);
    const marks: (readonly [MarkId, MarkId])[] = [];
    for (const place of places) {
      const at = plan.placeOf(this.frame, place);
      const aside = plan.cutOf(at);
      if (aside === null || !this.onGroundLine(aside)) continue;
      const dropped = plan.dropped(aside);
      if (way.has(dropped.mark) || marks.some(([mark]) => mark === dropped.mark)) continue;
      const trial = new Way(desk);
      plan.cut(trial, at);
      if (desk.priced(trial.operations) === null) continue;
      marks.push([dropped.mark, plan.cut(way, at)]);
    }
    if (marks.length > 0) desk.carryOut([...way.operations, plan.strip(marks)]);
  }

  protected source(way: Way, axis: Axis, place: Place): MarkId | null {
    if (axis === 'z') return this.column(way, place)?.mark ?? null;
    const other = axis === 'x' ? 'y' : 'x';
    const own = this.vanishing[axis].by !== 'level';
    const reference = this.reference[axis];
    const inReference = this.reference[other] !== null && this.same(place[other], this.reference[other]);
    if (own && (way.heights === 'its-own-plane' || inReference || reference === null))
      return this.height(way, axis, place);
    if (reference === null || this.same(place[axis], reference)) return null;
    // From a reference plane that the line starts in, at its height there.
    const start: Place = { ...place, [axis]: reference };
    return this.cross(way, start, [other, 'z'], null) ? this.markId(start) : null;
  }

  /** A corner that touches the picture plane is found on its own upright, at true height. */
  protected measured(way: Way, place: Place): boolean {
    const { plan, ground } = this;
    const at = plan.placeOf(this.frame, place);
    const mark = this.markId(place);
    if (way.has(mark)) return true;
    if (!plan.onPlane(at)) return false;
    const { line, mark: foot } = plan.carry(way, plan.corner(way, at), at.aside);
    if (this.same(place.z, this.plane)) {
      this.upright(way, { line, mark: foot });
      way.add({ op: 'cross', mark, lines: [line, ground.line] });
    } else {
      this.upright(way, { line, mark: foot });
      this.raise(way, mark, { line, mark: foot }, place.z);
    }
    way.places.push(place);
    return true;
  }

  /** All places over one point of the ground line share its upright. */
  protected override lineId(axis: Axis, place: Place): LineId {
    if (axis !== 'z') return super.lineId(axis, place);
    const aside = this.plan.cutOf(this.plan.placeOf(this.frame, place));
    return aside === null ? super.lineId(axis, place) : this.plan.dropped(aside).line;
  }

  /** The upright a place stands on, by its ray. */
  private column(way: Way, place: Place): Dropped | null {
    const { plan } = this;
    const at = plan.placeOf(this.frame, place);
    const aside = plan.cutOf(at);
    if (aside === null) return null;
    const dropped = plan.dropped(aside);
    return way.has(dropped.mark) ? dropped : plan.carry(way, plan.cut(way, at), aside);
  }

  private upright(way: Way, { line, mark }: Dropped): void {
    if (!way.drawn(line)) way.add({ op: 'upright', line, through: mark });
  }

  /** The height of a line at true size, where its plane meets the picture plane. */
  private height(way: Way, axis: 'x' | 'y', place: Place): MarkId | null {
    const { plan, setUp } = this;
    const aside = this.traceOf(axis, place).u * setUp.scaleDenominator;
    if (!this.onGroundLine(aside)) return null;
    const dropped = plan.dropped(aside);
    if (!way.has(dropped.mark)) {
      const [near, far] = this.nearestFirst(axis, place);
      const trace = plan.trace(
        way,
        this.frame,
        axis,
        plan.placeOf(this.frame, near),
        far && plan.placeOf(this.frame, far),
      );
      if (trace === null) return null;
      plan.carry(way, trace, aside);
    }
    if (this.same(place.z, this.plane)) return dropped.mark;
    const mark = plan.heightMark(dropped, place.z);
    if (way.has(mark)) return mark;
    this.upright(way, dropped);
    this.raise(way, mark, dropped, place.z);
    return mark;
  }

  /** A height at true size on an upright of the picture plane: by the scale rule, or from the elevation. */
  private raise(way: Way, mark: MarkId, { line, mark: foot }: Dropped, z: Millimetres): void {
    const above = z - this.plane;
    way.add(
      this.frame.depthBy === 'plan-and-elevation'
        ? this.plan.raised(way, mark, { line, mark: foot }, above)
        : laidOff(mark, line, foot, above / this.setUp.scaleDenominator, 'upright'),
    );
  }

  /** The corners of the side a place lies in, the one nearer to the picture plane first. */
  private nearestFirst(axis: 'x' | 'y', place: Place): readonly [Place, Place | null] {
    const other = axis === 'x' ? 'y' : 'x';
    const side = this.sides[axis].get(this.coordinates[other].name(place[other]));
    if (!side) return [place, null];
    const d = this.setUp.pictureDistance;
    const off = (one: Place): number => Math.abs(this.plan.placeOf(this.frame, one).depth - d);
    const [a, b] = side;
    return off(a) <= off(b) ? [a, b] : [b, a];
  }

  private onGroundLine(aside: Millimetres): boolean {
    const { eyeZ, scaleDenominator: N } = this.setUp;
    return this.desk.onBoard(picturePoint(aside / N, (this.plane - eyeZ) / N));
  }

  private sidesAlong(axis: 'x' | 'y', wanted: readonly Place[]): ReadonlyMap<string, Side> {
    const other = axis === 'x' ? 'y' : 'x';
    const sides = new Map<string, Side>();
    for (const place of wanted) {
      const n = this.coordinates[other].name(place[other]);
      const [low, high] = sides.get(n) ?? [place, place];
      sides.set(n, [place[axis] < low[axis] ? place : low, place[axis] > high[axis] ? place : high]);
    }
    return sides;
  }

  /** The plane along an axis in which most is, of those that meet the picture plane on the board. */
  private mostUsed(axis: 'x' | 'y', wanted: readonly Place[]): Millimetres | null {
    if (this.vanishing[axis].by === 'level') return null;
    const other = axis === 'x' ? 'y' : 'x';
    const counts = new Coordinates();
    const planes = new Map<string, { readonly at: Millimetres; count: number }>();
    for (const place of wanted) {
      const n = counts.name(place[other]);
      const known = planes.get(n);
      if (known) known.count += 1;
      else if (this.onGroundLine(this.traceOf(axis, place).u * this.setUp.scaleDenominator))
        planes.set(n, { at: place[other], count: 1 });
    }
    const most = [...planes.values()].sort((a, b) => b.count - a.count)[0];
    return most && Math.abs(most.at) > tolerance.samePointMm ? most.at : (most?.at ?? null);
  }
}
