import { dot2, type Vector2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { gridPlaceCall, type GridSystem } from '@/core/solids';
import type { WorldPoint } from '@/core/space';
import type { Millimetres } from '@/core/units';
import type { SetUp } from '@/core/view';
import { axisAlong, placeIn, type AxisFrame, type Place } from './frame';
import type { LineId, MarkId } from './operation';
import type { TargetEnd } from './target';

/** A line of the grid that is seen: what is written at it, what it is in words, and its ends. */
export interface GridLineAtHand {
  readonly call: string;
  /** As a sentence says it: "line 3", "line +1 of the north wall". */
  readonly words: string;
  readonly from: TargetEnd;
  readonly to: TargetEnd;
}

/** A wall that carries the grid, by the ends of its foot. */
export interface GriddedWall {
  readonly from: Vector2;
  readonly to: Vector2;
}

/** The grid as the view has it: its count, the lines that are seen of it, and the walls it goes up. Given from outside, as targets are. */
export interface GridAtHand {
  readonly system: GridSystem;
  /** From where heights are counted. */
  readonly floor: Millimetres;
  readonly lines: readonly GridLineAtHand[];
  readonly walls: readonly GriddedWall[];
}

/** One of a frame's level directions as the grid counts along it: n squares from the zero lie at zero + way·n·unit. */
export interface Counted {
  readonly by: 'along' | 'away';
  readonly zero: Millimetres;
  readonly way: 1 | -1;
  readonly unit: Millimetres;
}

/** Squares from the grid's zero to a coordinate, and back. */
export const squaresTo = ({ zero, way, unit }: Counted, at: Millimetres): number => ((at - zero) * way) / unit;
export const atSquares = ({ zero, way, unit }: Counted, count: number): Millimetres => zero + way * count * unit;

/** How a frame's directions are counted; null where the grid runs askew to them. */
export function countedIn(
  { system }: GridAtHand,
  frame: AxisFrame,
  setUp: SetUp,
): Readonly<Record<'x' | 'y', Counted>> | null {
  const zero = placeIn(frame, setUp, { ...system.zero, z: 0 } as WorldPoint);
  const counted = (axis: 'x' | 'y'): Counted | null => {
    const by = (['along', 'away'] as const).find((one) => axisAlong(frame, { ...system[one], z: 0 }) === axis);
    if (!by) return null;
    return { by, zero: zero[axis], way: dot2(system[by], frame[axis]) > 0 ? 1 : -1, unit: system.unit };
  };
  const [x, y] = [counted('x'), counted('y')];
  return x && y && { x, y };
}

/** A place as it is counted: numbers along, letters away, with a plus above the floor. */
export function countedPlace(
  { floor, system }: GridAtHand,
  counted: Readonly<Record<'x' | 'y', Counted>>,
  place: Place,
): string {
  const of = (by: 'along' | 'away'): string => {
    const axis = counted.x.by === by ? 'x' : 'y';
    return gridPlaceCall(by, squaresTo(counted[axis], place[axis]));
  };
  const up = place.z - floor;
  const level = Math.abs(up) < tolerance.touchMm ? [] : [gridPlaceCall('up', up / system.unit)];
  return [of('along'), of('away'), ...level].join(', ');
}

/** A grid as it is drawn: the names of its lines, what is written at them and at marks on them, and how places are counted. */
export interface GridDrawn {
  readonly names: ReadonlyMap<LineId, string>;
  readonly calls: ReadonlyMap<LineId, string>;
  readonly labels: ReadonlyMap<MarkId, string>;
  readonly counted: ReadonlyMap<MarkId, string>;
}

/** The first and the last whole line that is seen of those counted on an axis of the frame. */
export function squaresOf(
  { lines }: GridAtHand,
  counted: Readonly<Record<'x' | 'y', Counted>>,
  frame: AxisFrame,
  setUp: SetUp,
  axis: 'x' | 'y',
): readonly [number, number] {
  const counts = lines.flatMap(({ from, to }) =>
    [from, to].map(({ at }) => squaresTo(counted[axis], placeIn(frame, setUp, at)[axis])),
  );
  return [
    Math.ceil(Math.min(...counts) - tolerance.wholeNumber),
    Math.floor(Math.max(...counts) + tolerance.wholeNumber),
  ];
}

/** Corners of the whole squares that are seen, in the frame: each number of one direction with each of the other. */
export function squaresSeen(
  grid: GridAtHand,
  counted: Readonly<Record<'x' | 'y', Counted>>,
  frame: AxisFrame,
  setUp: SetUp,
): readonly Place[] {
  const whole = (axis: 'x' | 'y'): readonly Millimetres[] => {
    const [low, high] = squaresOf(grid, counted, frame, setUp, axis);
    return Array.from({ length: Math.max(0, high - low + 1) }, (_, i) => atSquares(counted[axis], low + i));
  };
  const [xs, ys] = [whole('x'), whole('y')];
  return xs.flatMap((x) => ys.map((y) => ({ x, y, z: grid.floor })));
}

/** The grids of all frames as one, of what is on the paper in the end; null where there are none. */
export function gridDrawn(
  grids: readonly (Omit<GridDrawn, 'counted'> & {
    readonly reached: ReadonlyMap<MarkId, Place>;
    readonly countOf: (place: Place) => string;
  })[],
  there: ReadonlySet<MarkId>,
): GridDrawn | null {
  if (grids.length === 0) return null;
  return {
    names: new Map(grids.flatMap(({ names }) => [...names])),
    calls: new Map(grids.flatMap(({ calls }) => [...calls])),
    labels: new Map(grids.flatMap(({ labels }) => [...labels].filter(([mark]) => there.has(mark)))),
    counted: new Map(
      grids.flatMap((grid) =>
        [...grid.reached].flatMap(([mark, place]) => (there.has(mark) ? [[mark, grid.countOf(place)] as const] : [])),
      ),
    ),
  };
}
