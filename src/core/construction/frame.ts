import { at } from '@/core/base';
import { bearingOf, dot2, type Vector2, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import { worldPoint, type WorldPoint } from '@/core/space';
import { radiansFromDegrees, type Degrees } from '@/core/units';
import { turnOfPair, type SetUp } from '@/core/view';
import { figureName } from './coordinates';
import type { TargetEdge, Targets } from './target';

/**
 * By what depth is spaced in a frame: lengths measured on lines of its own, rays on the plan, squares counted on a grid, or an interval repeated, the first
 * of them measured or found at the back wall by the corners of the frame, its parts exact or judged in binary steps.
 */
export type DepthBy =
  'measure' | 'plan' | 'plan-and-elevation' | 'grid' | 'diagonals' | 'sheet-corners' | 'binary-steps';
/** Whether depth comes from the plan, wherever heights come from. */
export const fromPlan = (depthBy: DepthBy): boolean => depthBy === 'plan' || depthBy === 'plan-and-elevation';
/** Whether intervals are repeated and halved by diagonals, wherever the first comes from. */
export const byIntervals = (depthBy: DepthBy): boolean =>
  depthBy === 'diagonals' || depthBy === 'sheet-corners' || depthBy === 'binary-steps';
/** How each begins the names of its frames. */
const BEGINS: Readonly<Record<DepthBy, string>> = {
  ...{
    measure: 'f',
    plan: 'p',
    'plan-and-elevation': 'e',
    grid: 'g',
    diagonals: 'd',
    'sheet-corners': 's',
    'binary-steps': 'b',
  },
};

/**
 * Two level directions at right angles and the upright, in which straight-sided things stand: all that are turned alike share one. x runs to the right as
 * it recedes (turned φ from the line of sight, 0 < φ < 90), y to the left (φ − 90); in a frame square to the picture plane x runs level to the right
 * and y straight away.
 */
export interface AxisFrame {
  /** By its directions in the room and its way of spacing depth, whatever the view. */
  readonly name: string;
  readonly turnDeg: Degrees;
  readonly depthBy: DepthBy;
  readonly x: Vector2;
  readonly y: Vector2;
}

/** A place in a frame, mm: x and y from the station point, z from the project's zero. */
export interface Place {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export function frameTurned(setUp: SetUp, turnDeg: Degrees, depthBy: DepthBy = 'measure'): AxisFrame {
  const { right: r, forward: f } = setUp;
  const [c, s] = [Math.cos(radiansFromDegrees(turnDeg)), Math.sin(radiansFromDegrees(turnDeg))];
  const x = turnDeg === 0 ? r : { x: f.x * c + r.x * s, y: f.y * c + r.y * s };
  const y = turnDeg === 0 ? f : { x: f.x * s - r.x * c, y: f.y * s - r.y * c };
  return { name: `${BEGINS[depthBy]}${bearingName(x)}`, turnDeg, depthBy, x, y };
}

/** Which way a direction runs in the room, in words of ids. */
export function bearingName(run: Vector2): string {
  const name = figureName(bearingOf(run));
  return name === '-180' ? '180' : name === '-0' ? '0' : name;
}

export function placeIn({ x, y }: AxisFrame, setUp: SetUp, p: WorldPoint): Place {
  const away = { x: p.x - setUp.station.x, y: p.y - setUp.station.y };
  return { x: dot2(away, x), y: dot2(away, y), z: p.z };
}

export const worldAt = ({ x, y }: AxisFrame, setUp: SetUp, place: Place): WorldPoint =>
  worldPoint(setUp.station.x + x.x * place.x + y.x * place.y, setUp.station.y + x.y * place.x + y.y * place.y, place.z);

/** The axis of a frame that a direction runs along; null where it runs askew. */
export function axisAlong({ x, y }: AxisFrame, run: Vector3): 'x' | 'y' | 'z' | null {
  const [flat, size] = [Math.hypot(run.x, run.y), Math.hypot(run.x, run.y, run.z)];
  if (flat <= tolerance.directionRad * size) return 'z';
  if (Math.abs(run.z) > tolerance.directionRad * size) return null;
  const askew = (axis: Vector2): number => Math.abs(axis.x * run.y - axis.y * run.x);
  if (askew(x) <= tolerance.directionRad * flat) return 'x';
  return askew(y) <= tolerance.directionRad * flat ? 'y' : null;
}

/** Fewer seen edges than this are not worth points of their own. Source: construction, 2. */
const LEAST_EDGES = 3;

/** The turn of an edge's frame; null for an upright or a sloping one, which tell nothing. */
function turnOfEdge(setUp: SetUp, { from, to }: TargetEdge): Degrees | null {
  const run = { x: to.at.x - from.at.x, y: to.at.y - from.at.y };
  const size = Math.hypot(run.x, run.y, to.at.z - from.at.z);
  if (size === 0 || Math.abs(to.at.z - from.at.z) > tolerance.directionRad * size) return null;
  return turnOf(setUp, run);
}

/** The turn of the frame that a level direction belongs to. */
export function turnOf(setUp: SetUp, run: Vector2): Degrees {
  const turn = turnOfPair(setUp, bearingOf(run));
  return turn < tolerance.sameTurnDeg || turn > 90 - tolerance.sameTurnDeg ? 0 : turn;
}

/** Which frame each target's ends are reached in. */
export interface Frames {
  /** The one with most edges first. */
  readonly list: readonly AxisFrame[];
  readonly ofEdge: (edge: TargetEdge) => AxisFrame;
  readonly ofThing: (of: Id) => AxisFrame;
}

/**
 * The frames of all targets, each thing's as its school draws it. An edge along one of a frame's directions is reached in it; what runs askew, and what is round, in the frame of most of
 * the thing it belongs to, and where a thing has none, in the first.
 */
export function framesOf(
  setUp: SetUp,
  targets: Targets,
  usable: (frame: AxisFrame, ticks: 'where-chosen' | 'where-needed') => boolean,
  schoolOf: (thing: Id) => { readonly measuredAt: (turnDeg: Degrees) => Degrees; readonly depthBy: DepthBy },
): Frames {
  const counts = new Map<AxisFrame, number>();
  const known: number[] = [];
  const sameTurn = (turn: number): number => {
    const found = known.find((one) => Math.abs(one - turn) < tolerance.sameTurnDeg);
    if (found !== undefined) return found;
    known.push(turn);
    return turn;
  };
  const made = new Map<DepthBy, Map<number, AxisFrame>>();
  const frameAt = (turn: number, depthBy: DepthBy): AxisFrame => {
    const own = made.get(depthBy) ?? new Map<number, AxisFrame>();
    const known = own.get(turn);
    if (known) return known;
    let frame = frameTurned(setUp, turn, depthBy);
    // Directions so near to one another that they are called alike.
    while ([...own.values()].some((one) => one.name === frame.name)) frame = { ...frame, name: `${frame.name}’` };
    made.set(depthBy, own.set(turn, frame));
    return frame;
  };
  const wanted = new Map<TargetEdge, AxisFrame>();
  const byThing = new Map<Id, Map<AxisFrame, number>>();
  for (const edge of targets.edges) {
    const told = turnOfEdge(setUp, edge);
    if (told === null) continue;
    const school = schoolOf(edge.of);
    const frame = frameAt(sameTurn(school.measuredAt(told)), school.depthBy);
    wanted.set(edge, frame);
    counts.set(frame, (counts.get(frame) ?? 0) + 1);
    const own = byThing.get(edge.of) ?? new Map<AxisFrame, number>();
    own.set(frame, (own.get(frame) ?? 0) + 1);
    byThing.set(edge.of, own);
  }
  const frames = new Set<AxisFrame>();
  // Where no frame's points lie on the board, ticks on the sheet's edges stand for them: better than nothing, though each line is a laying of its own.
  for (const ticks of ['where-chosen', 'where-needed'] as const) {
    if (frames.size > 0) break;
    for (const [frame, count] of [...counts].sort((a, b) => b[1] - a[1]))
      if (count >= LEAST_EDGES && usable(frame, ticks)) frames.add(frame);
  }
  // A room of round things alone is measured square to the picture plane.
  const [first] = [...targets.edges, ...targets.curves];
  if (frames.size === 0) frames.add(frameAt(0, first ? schoolOf(first.of).depthBy : 'measure'));
  const list = [...frames];
  const ofThing = (of: Id): AxisFrame => {
    const own = [...(byThing.get(of) ?? [])].sort((a, b) => b[1] - a[1]);
    return own.find(([frame]) => frames.has(frame))?.[0] ?? at(list, 0);
  };
  return {
    list,
    ofThing,
    ofEdge: (edge) => {
      const frame = wanted.get(edge);
      return frame && frames.has(frame) ? frame : ofThing(edge.of);
    },
  };
}
