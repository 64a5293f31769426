import type { FrameSide, GridAtHand, GridLineAtHand, TargetEnd } from '@/core/construction';
import { gridSystemOf, seenGrid, type SeenGridLine } from '@/core/drawing';
import { at } from '@/core/base';
import { dot2, type Vector2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { wallRuns, type GridChoice, type Id, type Project, type View } from '@/core/record';
import { gridCall, type Body, type GridLine, type GridSystem } from '@/core/solids';
import { worldPoint, type PicturePoint, type WorldPoint } from '@/core/space';
import type { UnitSystem } from '@/core/units';
import { roomMeant, type SetUp } from '@/core/view';

/** The grid one begins with: half metres, or feet, on floor, walls and ceiling. */
export const usualGrid = (units: UnitSystem): GridChoice => ({
  unit: units === 'imperial' ? { mm: 304.8, asTyped: "1'" } : { mm: 500, asTyped: '500' },
  ...{ floor: true, walls: true, ceiling: true },
  from: null,
  on: null,
});

/** More lines than this are not drawn: of a finer grid every second, fifth, tenth, under the numbers that they have. */
const MOST_DRAWN = 120;
const NUMBERS = [1, 2, 5, 10, 20, 50, 100] as const;

/** Nearer than this to the frame's side a seen part ends there because the frame cuts it, mm. */
const ON_FRAME_MM = 1e-6;

/** The grid that things are counted on: that of the view, or where it has none the usual one; the same lines and numbers that are printed. */
export function gridAtHand(project: Project, view: View, setUp: SetUp, bodies: readonly Body[]): GridAtHand | null {
  // A ceiling's squares are printed, but nothing is counted on them: heights go by the walls.
  const choice = { ...(view.grid ?? usualGrid(project.units)), floor: true, ceiling: false };
  const system = gridSystemOf(project, view, setUp, choice);
  if (!system) return null;
  const names = new Map(project.spaces.flatMap((space) => space.walls.map((wall) => [wall.id, wall.name] as const)));
  const room = roomMeant(project, view);
  const byLine = new Map<Id, SeenGridLine[]>();
  for (const one of seenGrid(project, view, setUp, bodies, choice)) {
    // What lies in a further room is printed; counting there goes on from the lines of the room one draws.
    if (one.line.counted === 'edge' || one.room !== room?.id) continue;
    byLine.set(one.id, [...(byLine.get(one.id) ?? []), one]);
  }
  const told = [...byLine.values()].flatMap((parts) => lineSeen(parts, system, setUp.floor, view) ?? []);
  const runs = room ? wallRuns(room) : [];
  const onAskew = [...byLine.values()].flatMap((parts) => levelOnAskew(parts, system, view) ?? []);
  const shared = sharedEnds(told);
  const every = NUMBERS.find(
    (n) => [...told, ...onAskew].filter(({ line }) => line.number % n === 0).length <= MOST_DRAWN,
  );
  const isDrawn = ({ line }: { readonly line: GridLine }): boolean => line.number % (every ?? Infinity) === 0;
  const named = (line: GridLine, from: TargetEnd, to: TargetEnd): GridLineAtHand => {
    const call = gridCall(line);
    const where =
      line.on === 'wall' ? ` of ${names.get(line.face) ?? 'the wall'}` : line.on === 'ceiling' ? ' of the ceiling' : '';
    return { call, words: `line ${call}${where}`, from, to };
  };
  const straight = told.filter(isDrawn).flatMap(({ line, runs, ends: [a, b] }): GridLineAtHand[] => {
    const [from, to] = [drawnTo(a, b, runs, shared), drawnTo(b, a, runs, shared)];
    // Less than a square is seen of it, and neither end lies on a wall.
    if ((from.count[runs] - to.count[runs]) * (a.count[runs] - b.count[runs]) <= 0) return [];
    const end = ({ count, cutBy }: CountedEnd): TargetEnd => ({ at: countedAt(count, system, setUp.floor), cutBy });
    return [named(line, end(from), end(to))];
  });
  const lines = [...straight, ...onAskew.filter(isDrawn).map(({ line, from, to }) => named(line, from, to))];
  const walls = choice.walls
    ? runs
        .filter(({ wall }) => !choice.on || choice.on.includes(wall.id))
        .map(({ start, end }) => ({ from: start, to: end }))
    : [];
  return { system, floor: setUp.floor, lines, walls };
}

/** A place in squares from the grid's zero: along, away, up. */
interface Count {
  readonly along: number;
  readonly away: number;
  readonly up: number;
}
const WAYS = ['along', 'away', 'up'] as const;
type CountedWay = (typeof WAYS)[number];

interface CountedEnd {
  readonly count: Count;
  readonly cutBy: FrameSide | null;
}

/** Squares that differ by less are one. */
const SAME_COUNT = 1e-6;

function countOf({ zero, along, away, unit }: GridSystem, floor: number, p: WorldPoint): Count {
  const off = { x: p.x - zero.x, y: p.y - zero.y };
  return { along: dot2(off, along) / unit, away: dot2(off, away) / unit, up: (p.z - floor) / unit };
}

const countedAt = (
  { along: a, away: w, up }: Count,
  { zero, along, away, unit }: GridSystem,
  floor: number,
): WorldPoint =>
  worldPoint(zero.x + (along.x * a + away.x * w) * unit, zero.y + (along.y * a + away.y * w) * unit, floor + up * unit);

interface LineSeen {
  readonly line: GridLine;
  readonly runs: CountedWay;
  readonly ends: readonly [CountedEnd, CountedEnd];
}

/** What is seen of a line from its first to its last part; null where it runs along none of the directions that are counted. */
function lineSeen(parts: readonly SeenGridLine[], system: GridSystem, floor: number, view: View): LineSeen | null {
  const [first, last] = [
    parts.reduce((a, b) => (b.along[0] < a.along[0] ? b : a)),
    parts.reduce((a, b) => (b.along[1] > a.along[1] ? b : a)),
  ];
  const end = ({ ends: [p, q], along, picture }: SeenGridLine, i: 0 | 1): CountedEnd => {
    const s = along[i];
    const at = worldPoint(p.x + (q.x - p.x) * s, p.y + (q.y - p.y) * s, p.z + (q.z - p.z) * s);
    return { count: countOf(system, floor, at), cutBy: sideOf(picture[i], view) };
  };
  const ends = [end(first, 0), end(last, 1)] as const;
  const runs = WAYS.filter((way) => Math.abs(ends[0].count[way] - ends[1].count[way]) > SAME_COUNT);
  const [own] = runs;
  return own !== undefined && runs.length === 1 ? { line: first.line, runs: own, ends } : null;
}

/** A level line of a wall askew to the count: from the wall's end to its end, or to the picture's side that cuts it. Null for any other line. */
function levelOnAskew(
  parts: readonly SeenGridLine[],
  system: GridSystem,
  view: View,
): { readonly line: GridLine; readonly from: TargetEnd; readonly to: TargetEnd } | null {
  const [one] = parts;
  if (!one || one.line.counted !== 'up') return null;
  const [p, q] = one.ends;
  const runsAlong = (way: Vector2): boolean =>
    Math.abs((q.x - p.x) * way.y - (q.y - p.y) * way.x) < tolerance.directionRad * Math.hypot(q.x - p.x, q.y - p.y);
  if (runsAlong(system.along) || runsAlong(system.away)) return null;
  const ends = parts.flatMap(({ along, picture }) => [0, 1].map((i) => ({ s: at(along, i), picture: at(picture, i) })));
  const end = (own: WorldPoint, seen: (typeof ends)[number]): TargetEnd => {
    const cutBy = sideOf(seen.picture, view);
    const { s } = seen;
    return { at: cutBy === null ? own : worldPoint(p.x + (q.x - p.x) * s, p.y + (q.y - p.y) * s, p.z), cutBy };
  };
  return {
    line: one.line,
    from: end(
      p,
      ends.reduce((a, b) => (b.s < a.s ? b : a)),
    ),
    to: end(
      q,
      ends.reduce((a, b) => (b.s > a.s ? b : a)),
    ),
  };
}

/** The side of the picture that a place lies on. */
function sideOf({ u, v }: PicturePoint, { frame }: View): FrameSide | null {
  const off: readonly (readonly [FrameSide, number])[] = [
    ['left', u - frame.left],
    ['right', u - frame.right],
    ['bottom', v - frame.bottom],
    ['top', v - frame.top],
  ];
  return off.find(([, one]) => Math.abs(one) < ON_FRAME_MM)?.[0] ?? null;
}

/** Counts at which more than one line ends, by their way: walls, and the ceiling. What a line alone ends at is where something happens to hide it. */
function sharedEnds(lines: readonly LineSeen[]): (way: CountedWay, count: number) => boolean {
  const counts = new Map<string, number>();
  const name = (way: CountedWay, count: number): string => `${way} ${Math.round(count / SAME_COUNT)}`;
  for (const { runs, ends } of lines)
    for (const { count, cutBy } of ends) {
      if (cutBy !== null) continue;
      const key = name(runs, count[runs]);
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
  return (way, count) => (counts.get(name(way, count)) ?? 0) > 1;
}

/** To where a line is drawn: to the picture's side, to the wall, or to the last whole line before it is hidden. */
function drawnTo(
  end: CountedEnd,
  other: CountedEnd,
  runs: CountedWay,
  shared: ReturnType<typeof sharedEnds>,
): CountedEnd {
  const at = end.count[runs];
  if (end.cutBy !== null || shared(runs, at)) return end;
  const whole = at > other.count[runs] ? Math.floor(at + SAME_COUNT) : Math.ceil(at - SAME_COUNT);
  return { ...end, count: { ...end.count, [runs]: whole } };
}
