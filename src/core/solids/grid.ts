import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import { cross2, cross3, dot3, type Vector2, type Vector3 } from '@/core/geometry';
import { mmOf, MOST_MADE, wallRuns, type GridChoice, type Id, type Space, type WallRun } from '@/core/record';
import { worldPoint, type WorldPoint } from '@/core/space';
import type { Millimetres } from '@/core/units';
import { circlePoint, type Body, type Edge, type Face, type Vertex } from './body';

/**
 * Which way a line of a grid is counted: `along` the wall the squares are counted from, `away` from it, `up` from the floor; `own`, along a wall that runs
 * askew to both. `edge`: the face's own outline.
 */
export type GridCounted = 'along' | 'away' | 'up' | 'own' | 'edge';

/** One line of a grid as its name tells it: on which face, counted which way, how many units from its zero. */
export interface GridLine {
  readonly face: Id;
  readonly on: 'floor' | 'wall' | 'ceiling';
  readonly counted: GridCounted;
  readonly number: number;
}

export interface GridBody {
  readonly body: Body;
  /** By the edge's name. */
  readonly lines: ReadonlyMap<Id, GridLine>;
}

/** The corner that squares are counted from, in plan, and the directions in which they are: one count for all surfaces that the grid lies on. */
export interface GridSystem {
  readonly zero: Vector2;
  /** Unit vectors: along the wall that begins at the corner, numbers; away from it, letters. */
  readonly along: Vector2;
  readonly away: Vector2;
  readonly unit: Millimetres;
}

/** How a whole line is called: numbers along the wall, letters away from it, numbers with a plus above the floor, so that nobody takes one for another. */
export function gridCall({ counted, number }: Pick<GridLine, 'counted' | 'number'>): string {
  const sign = number < 0 ? '−' : '';
  switch (counted) {
    case 'away':
      return `${sign}${gridLetters(Math.abs(number))}`;
    case 'up':
      return `${number < 0 ? '−' : '+'}${Math.abs(number)}`;
    case 'own':
      return `${number}′`;
    case 'along':
    case 'edge':
      return `${sign}${Math.abs(number)}`;
  }
}

/** Decimals of a square that are told; halves and quarters are written as such. */
const DECIMALS = 1000;
const QUARTERS: readonly string[] = ['', '¼', '½', '¾'];

/** How a place is called that may lie between two lines: 3½ squares along, C.2 away, +1.375 up. @param count in squares. */
export function gridPlaceCall(counted: 'along' | 'away' | 'up', count: number): string {
  const parts = Math.round(Math.abs(count) * DECIMALS);
  const [whole, rest] = [Math.floor(parts / DECIMALS), parts % DECIMALS];
  const quarter = rest % (DECIMALS / 4) === 0 ? QUARTERS[rest / (DECIMALS / 4)] : undefined;
  const fraction = quarter ?? `.${String(rest).padStart(3, '0').replace(/0+$/, '')}`;
  const sign = count < 0 && parts > 0 ? '−' : counted === 'up' ? '+' : '';
  return `${sign}${counted === 'away' ? gridLetters(whole) : String(whole)}${fraction}`;
}

/** A, B … Z, AA …; the wall itself is 0A: nobody takes it for the other zero. */
function gridLetters(number: number): string {
  if (number === 0) return '0A';
  let [left, letters] = [number, ''];
  while (left > 0) {
    letters = String.fromCharCode(65 + ((left - 1) % 26)) + letters;
    left = Math.floor((left - 1) / 26);
  }
  return letters;
}

/**
 * The wall whose left corner all squares are counted from, numbers along it and letters away from it: the corner that was chosen, else the first of the room
 * that is in the picture, else the first of all. @param runs of all rooms, those of the room the view is of first.
 */
export function gridZero(runs: readonly WallRun[], choice: GridChoice, isSeen: (corner: Vector2) => boolean): WallRun {
  const chosen = runs.find((run) => run.startCorner === choice.from);
  return chosen ?? runs.find((run) => isSeen(run.start)) ?? at(runs, 0);
}

export const gridSystem = (zero: WallRun, { unit }: GridChoice): GridSystem => ({
  zero: { x: zero.start.x, y: zero.start.y },
  along: zero.run,
  away: zero.intoRoom,
  unit: unit.mm,
});

/** Arcs of an outline as this many chords: what the grid is cut to, not what is drawn. */
const ARC_CHORDS = 48;

/** The outline of a face in space, its arcs as chords. */
function outlineOfFace(body: Body, face: Face): readonly WorldPoint[] {
  const loop = face.loops[0] ?? [];
  return loop.flatMap((corner, i): WorldPoint[] => {
    const here = at(body.vertices, corner).at;
    const bend = face.bends.find((one) => one.loop === 0 && one.after === i);
    const arc = bend && body.arcs.find((one) => one.id === bend.arc);
    if (!arc) return [here];
    const points = Array.from({ length: ARC_CHORDS - 1 }, (_, j) =>
      circlePoint(arc.circle, arc.from + ((arc.to - arc.from) * (j + 1)) / ARC_CHORDS),
    );
    const start = circlePoint(arc.circle, arc.from);
    const forward = Math.hypot(start.x - here.x, start.y - here.y, start.z - here.z) < tolerance.samePointMm;
    return [here, ...(forward ? points : points.reverse())];
  });
}

/** Stretches of the plane m·P = c inside a planar outline: even-odd, between neighbouring crossings along the line. */
function crossings(
  outline: readonly WorldPoint[],
  normal: Vector3,
  m: Vector3,
  c: number,
): readonly (readonly [WorldPoint, WorldPoint])[] {
  const along = cross3(normal, m);
  const found: { s: number; p: WorldPoint }[] = [];
  outline.forEach((a, i) => {
    const b = at(outline, (i + 1) % outline.length);
    const [da, db] = [dot3(m, a) - c, dot3(m, b) - c];
    if (da >= 0 === db >= 0) return;
    const f = da / (da - db);
    const p = worldPoint(a.x + (b.x - a.x) * f, a.y + (b.y - a.y) * f, a.z + (b.z - a.z) * f);
    found.push({ s: dot3(along, p), p });
  });
  found.sort((x, y) => x.s - y.s);
  const parts: (readonly [WorldPoint, WorldPoint])[] = [];
  for (let i = 0; i + 1 < found.length; i += 2) parts.push([at(found, i).p, at(found, i + 1).p]);
  return parts;
}

/**
 * How many lines of one direction a grid would have on the largest surface it lies on, where those are more than are laid; null where all are laid.
 */
export function tooManyGridLines(spaces: readonly Space[], choice: GridChoice): number | null {
  const carrying = (runs: readonly WallRun[]): readonly WallRun[] =>
    runs.filter((run) => choice.on === null || choice.on.includes(run.wall.id));
  const counts = spaces.flatMap((space) => {
    const runs = wallRuns(space);
    const [first] = runs;
    if (!first) return [];
    const reach = (m: { readonly x: number; readonly y: number }): number => {
      const along = runs.map(({ start }) => start.x * m.x + start.y * m.y);
      return Math.max(...along) - Math.min(...along);
    };
    const level = choice.floor || choice.ceiling ? [reach(first.run), reach(first.intoRoom)] : [];
    const upright = choice.walls ? carrying(runs).flatMap((run) => [run.lengthMm, mmOf(space.ceilingHeight)]) : [];
    return [...level, ...upright].map((mm) => Math.floor(mm / choice.unit.mm));
  });
  const most = Math.max(0, ...counts);
  return most > MOST_MADE.gridLines ? most : null;
}

/**
 * A grid of unit squares on floor, walls and ceiling of one room, as lines on its faces. All surfaces share one count: floor and ceiling along the wall that
 * begins at the corner and away from it, and where those lines meet a wall they go on up it; heights are counted from the floor. A wall askew to both is
 * counted along itself. On a slope the plan's squares are carried straight up. A vault carries no grid.
 */
export function gridBody(room: Body, space: Space, choice: GridChoice, system: GridSystem): GridBody {
  const { unit } = system;
  const runs = wallRuns(space);
  const vertices: Vertex[] = [];
  const edges: Edge[] = [];
  const lines = new Map<Id, GridLine>();
  const put = (line: GridLine, part: number, from: WorldPoint, to: WorldPoint): void => {
    const id = `grid/${line.face}/${line.counted}-${line.number}${part === 0 ? '' : `-${part + 1}`}`;
    const role = { is: 'grid', face: line.face, which: `${line.counted} ${line.number}` } as const;
    vertices.push({ id: `${id}/from`, role, at: from }, { id: `${id}/to`, role, at: to });
    edges.push({ id, role, from: vertices.length - 2, to: vertices.length - 1, faces: [line.face] });
    lines.set(id, line);
  };
  const floorZ = Math.min(...room.vertices.map((vertex) => vertex.at.z));
  const from = ({ x, y }: Vector2): WorldPoint => worldPoint(x, y, floorZ);
  const level = (counted: 'along' | 'away') =>
    ({ counted, m: { ...system[counted], z: 0 }, zero: from(system.zero) }) as const;
  const families = (run: WallRun | undefined): readonly Family[] => {
    if (!run) return [level('along'), level('away')];
    const up = { counted: 'up', m: { x: 0, y: 0, z: 1 }, zero: from(run.start) } as const;
    const goesOn = (['along', 'away'] as const).find(
      (way) => Math.abs(cross2(run.run, system[way])) < tolerance.directionRad,
    );
    return [goesOn ? level(goesOn) : { counted: 'own', m: { ...run.run, z: 0 }, zero: from(run.start) }, up];
  };
  for (const face of room.faces) {
    const run = runs.find((one) => one.wall.id === face.id);
    const on =
      run !== undefined ? 'wall' : face.role.is === 'floor' || face.role.is === 'ceiling' ? face.role.is : null;
    if (on === null || !choice[on === 'wall' ? 'walls' : on]) continue;
    if (run && choice.on && !choice.on.includes(run.wall.id)) continue;
    const outline = outlineOfFace(room, face);
    outline.forEach((from, i) =>
      put({ face: face.id, on, counted: 'edge', number: i }, 0, from, at(outline, (i + 1) % outline.length)),
    );
    for (const { counted, m, zero } of families(run)) {
      const nought = dot3(m, zero);
      const reach = outline.map((p) => (dot3(m, p) - nought) / unit);
      const [low, high] = [Math.min(...reach), Math.max(...reach)];
      if (high - low > MOST_MADE.gridLines) continue;
      for (let n = Math.ceil(low + tolerance.wholeNumber); n < high - tolerance.wholeNumber; n += 1)
        crossings(outline, face.normal, m, nought + n * unit).forEach(([from, to], part) =>
          put({ face: face.id, on, counted, number: n }, part, from, to),
        );
    }
  }
  return {
    body: { id: 'grid', kind: 'surface', name: 'the grid', vertices, edges, faces: [], rounds: [], arcs: [] },
    lines,
  };
}

/** Lines that are counted alike: those on which m·P is a whole number of units more than at their zero. */
interface Family {
  readonly counted: GridCounted;
  readonly m: Vector3;
  readonly zero: WorldPoint;
}
