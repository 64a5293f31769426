import { dot2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { picturePoint } from '@/core/space';
import type { Millimetres } from '@/core/units';
import type { SetUp } from '@/core/view';
import { Coordinates } from './coordinates';
import type { Desk } from './desk';
import { worldAt, type AxisFrame, type Place } from './frame';
import type { LineId, MarkId, Operation } from './operation';
import { CENTRE, CV, HORIZON_LINE, type GroundOf } from './set-out-operations';
import { Way } from './way';

/** The station point as it lies on the plan. */
export const STATION: MarkId = 'SP';
/** Where the line of sight crosses the picture plane on the plan: the strip's zero. */
export const PLAN_ZERO: MarkId = 'C';
/** Where the elevation beside the plan meets the ground line, by its own edge: heights are carried from there. */
export const ELEVATION_ZERO: MarkId = 'E';
/** The picture plane seen from above. */
export const PLAN_PLANE: LineId = 'plan:picture-plane';

/** A place on the plan, mm of the room: to the right of the line of sight, and from the station point along it. */
export interface PlanPlace {
  readonly aside: Millimetres;
  readonly depth: Millimetres;
}

/** An upright of the picture, and the mark of the ground line it stands on. */
export interface Dropped {
  readonly mark: MarkId;
  readonly line: LineId;
}

/** Between the plan and the elevation beside it, mm. */
const BESIDE_MM = 20;

/** The marks of an elevation that heights are carried from, its zero among them. */
export const marksOfElevation = (operations: readonly Operation[]): ReadonlySet<MarkId> =>
  new Set(
    operations.flatMap((one) =>
      one.op === 'strip' && one.zero[1] === ELEVATION_ZERO ? [ELEVATION_ZERO, ...one.marks.map(([, of]) => of)] : [],
    ),
  );

/** Of the way from its nearer corner to the picture plane a side must be so much long to be extended; a shorter one is drawn parallel to a longer. */
const LEAST_SIDE = 0.5;

/**
 * The plan on its own paper, at the scale of the picture plane, turned so that the plane is level: corners are found on it, rays to the station point cut on
 * the plane, sides extended to it. A strip alone leads from it to the picture. Source: construction, 1; geometry, Plan projection.
 */
export class PlanSheet {
  private readonly corners = { x: new Coordinates(), y: new Coordinates() };
  private readonly laterals = new Coordinates();
  private readonly heights = new Coordinates();
  /** How far the plan reaches to the right of the line of sight, mm of the room. */
  private reach = 0;
  /** The longest side of each direction, which parallels are set to. */
  private readonly longest = new Map<string, readonly [PlanPlace, PlanPlace]>();

  constructor(
    private readonly desk: Desk,
    private readonly setUp: SetUp,
    private readonly ground: GroundOf,
  ) {}

  /** The plan as it is laid: the station point, the picture plane, and its zero. */
  get beginning(): readonly Operation[] {
    return [
      { op: 'take', mark: STATION, point: picturePoint(0, -this.setUp.viewingDistance), slides: 'none', paper: 'plan' },
      { op: 'take', mark: PLAN_ZERO, point: picturePoint(0, 0), slides: 'none', paper: 'plan' },
      { op: 'level', line: PLAN_PLANE, through: PLAN_ZERO },
    ];
  }

  placeOf(frame: AxisFrame, place: Place): PlanPlace {
    const { setUp } = this;
    const p = worldAt(frame, setUp, place);
    const away = { x: p.x - setUp.station.x, y: p.y - setUp.station.y };
    return { aside: dot2(away, setUp.right), depth: dot2(away, setUp.forward) };
  }

  /** Where the ray to a place cuts the picture plane, mm of the room from the line of sight; null beside or behind the eye. */
  cutOf({ aside, depth }: PlanPlace): Millimetres | null {
    return depth < tolerance.nearMm ? null : (this.setUp.pictureDistance * aside) / depth;
  }

  /** On the picture plane itself, where all is at scale. */
  onPlane({ depth }: PlanPlace): boolean {
    return Math.abs(depth - this.setUp.pictureDistance) < tolerance.touchMm;
  }

  /** Says what the plan must show, so that the elevation stands clear of it. */
  shows(frame: AxisFrame, places: readonly Place[]): void {
    for (const place of places) this.reach = Math.max(this.reach, this.placeOf(frame, place).aside);
  }

  /** Finds the sides of a frame that its directions are taken from: the longest of each between two of its places. */
  layFrame(frame: AxisFrame, places: readonly Place[]): void {
    for (const axis of ['x', 'y'] as const) {
      const other = axis === 'x' ? 'y' : 'x';
      let best: readonly [Place, Place] | null = null;
      const ends = new Map<string, [Place, Place]>();
      const lines = new Coordinates();
      for (const place of places) {
        const known = ends.get(lines.name(place[other]));
        const [low, high] = known ?? [place, place];
        const now: [Place, Place] = [place[axis] < low[axis] ? place : low, place[axis] > high[axis] ? place : high];
        ends.set(lines.name(place[other]), now);
        if (!best || now[1][axis] - now[0][axis] > best[1][axis] - best[0][axis]) best = now;
      }
      if (best && best[1][axis] - best[0][axis] > tolerance.samePointMm)
        this.longest.set(this.sideKey(frame, axis), [this.placeOf(frame, best[0]), this.placeOf(frame, best[1])]);
    }
  }

  /** A corner as the plan shows it. */
  corner(way: Way, { aside, depth }: PlanPlace): MarkId {
    const { scaleDenominator: N, pictureDistance: d, station, right: r, forward: f } = this.setUp;
    // By where it lies in the room, wherever one stands.
    const x = this.corners.x.name(station.x + aside * r.x + depth * f.x);
    const mark = `plan:${x},${this.corners.y.name(station.y + aside * r.y + depth * f.y)}`;
    if (!way.has(mark))
      way.add({ op: 'take', mark, point: picturePoint(aside / N, (depth - d) / N), slides: 'none', paper: 'plan' });
    return mark;
  }

  /** Where the ray from the station point to a place cuts the picture plane. */
  cut(way: Way, place: PlanPlace): MarkId {
    const corner = this.corner(way, place);
    if (this.onPlane(place)) return corner;
    const [ray, mark] = [`ray:${corner}`, `cut:${corner}`];
    if (!way.drawn(ray)) way.add({ op: 'rule', line: ray, through: [STATION, corner] });
    if (!way.has(mark)) way.add({ op: 'cross', mark, lines: [ray, PLAN_PLANE] });
    return mark;
  }

  /**
   * Where a side through a place, extended along a direction of its frame, meets the picture plane. @param partner another corner of that side, as far off
   * as there is. Null where neither that nor a side to set a square to is there.
   */
  trace(way: Way, frame: AxisFrame, axis: 'x' | 'y', place: PlanPlace, partner: PlanPlace | null): MarkId | null {
    const corner = this.corner(way, place);
    if (this.onPlane(place)) return corner;
    const [line, mark] = [
      `side:${this.sideKey(frame, axis)}:${corner}`,
      `trace:${this.sideKey(frame, axis)}:${corner}`,
    ];
    if (!way.drawn(line)) {
      const d = this.setUp.pictureDistance;
      const off = ({ depth }: PlanPlace): number => Math.abs(depth - d);
      const extended =
        partner && Math.abs(partner.depth - place.depth) >= LEAST_SIDE * Math.min(off(place), off(partner));
      if (frame.turnDeg === 0) way.add({ op: 'upright', line, through: corner });
      else if (extended) way.add({ op: 'rule', line, through: [corner, this.corner(way, partner)] });
      else {
        const to = this.direction(way, frame, axis);
        if (to === null) return null;
        way.add({ op: 'parallel', line, through: corner, to });
      }
    }
    if (!way.has(mark)) way.add({ op: 'cross', mark, lines: [line, PLAN_PLANE] });
    return mark;
  }

  /** A vanishing point: the parallel to a side through the station point, cut on the picture plane and carried to the horizon; null where no side runs so. */
  vanishing(frame: AxisFrame, axis: 'x' | 'y', mark: MarkId): readonly Operation[] | null {
    const way = new Way(this.desk);
    const to = this.direction(way, frame, axis);
    if (to === null) return null;
    const [line, cut] = [`direction:${mark}`, `plan:${mark}`];
    if (!way.drawn(line)) way.add({ op: 'parallel', line, through: STATION, to });
    if (!way.has(cut)) way.add({ op: 'cross', mark: cut, lines: [line, PLAN_PLANE] });
    if (!way.has(mark)) way.add({ op: 'strip', marks: [[mark, cut]], on: HORIZON_LINE, zero: [CV, PLAN_ZERO] });
    return way.operations;
  }

  /** The upright of the picture under what is so far aside on the picture plane, by its name; the centre line under the line of sight. */
  dropped(aside: Millimetres): Dropped {
    if (Math.abs(aside) < tolerance.touchMm) return { mark: this.ground.zero, line: CENTRE };
    const n = this.laterals.name(aside);
    return { mark: `dropped:${n}`, line: `upright:${n}` };
  }

  /** Carries a mark of the picture plane to the ground line. */
  carry(way: Way, of: MarkId, aside: Millimetres): Dropped {
    const dropped = this.dropped(aside);
    if (!way.has(dropped.mark)) way.add(this.strip([[dropped.mark, of]]));
    return dropped;
  }

  /** One strip laid on the ground line. */
  strip(marks: readonly (readonly [MarkId, MarkId])[]): Operation {
    return { op: 'strip', marks, on: this.ground.line, zero: [this.ground.zero, PLAN_ZERO] };
  }

  /** The name of a height on an upright at true size. */
  heightMark({ mark }: Dropped, z: Millimetres): MarkId {
    return `height:${mark}:${this.heights.name(z)}`;
  }

  /** A height at true size on an upright, carried from the elevation: from its own edge, as far above the ground line as it is there. */
  raised(way: Way, mark: MarkId, { line, mark: foot }: Dropped, above: Millimetres): Operation {
    const of = `elevation:${this.heights.name(above)}`;
    this.onElevation(way, ELEVATION_ZERO, 0);
    this.onElevation(way, of, above);
    return { op: 'strip', marks: [[mark, of]], on: line, zero: [foot, ELEVATION_ZERO] };
  }

  private onElevation(way: Way, mark: MarkId, above: Millimetres): void {
    const N = this.setUp.scaleDenominator;
    const point = picturePoint(this.reach / N + BESIDE_MM, above / N);
    if (!way.has(mark)) way.add({ op: 'take', mark, point, slides: 'none', paper: 'plan' });
  }

  /** A side of the plan that runs along a direction of a frame. */
  private direction(way: Way, frame: AxisFrame, axis: 'x' | 'y'): LineId | null {
    const ends = this.longest.get(this.sideKey(frame, axis));
    if (!ends) return null;
    const line = `longest:${this.sideKey(frame, axis)}`;
    if (!way.drawn(line))
      way.add({ op: 'rule', line, through: [this.corner(way, ends[0]), this.corner(way, ends[1])] });
    return line;
  }

  private sideKey({ name }: AxisFrame, axis: 'x' | 'y'): string {
    return `${name}${axis}`;
  }
}
