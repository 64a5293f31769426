import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import { cross3, dot3, type Vector2, type Vector3 } from '@/core/geometry';
import { mmOf, MOST_MADE, wallRuns, type GridChoice, type Id, type Space, type WallRun } from '@/core/record';
import { worldPoint, type WorldPoint } from '@/core/space';
import { circlePoint, type Body, type Edge, type Face, type Vertex } from './body';

/** One line of a grid as its name tells it: on which face, counted along or up (or away from) the wall, how many units from the corner. */
export interface GridLine {
  readonly face: Id;
  readonly on: 'floor' | 'wall' | 'ceiling';
  /** `along`: at a distance from the corner along a wall; `away`: at a distance from the wall, or above the floor. `edge`: the face's own outline. */
  readonly counted: 'along' | 'away' | 'edge';
  readonly number: number;
}

export interface GridBody {
  readonly body: Body;
  /** By the edge's name. */
  readonly lines: ReadonlyMap<Id, GridLine>;
}

/** How a line is called: numbers along the wall, letters away from it and up, so that nobody takes one for the other. */
export const gridCall = ({ counted, number }: Pick<GridLine, 'counted' | 'number'>): string =>
  counted === 'away' ? gridLetters(number) : String(number);

/** A, B … Z, AA …; on the other side of the corner with a minus. */
function gridLetters(number: number): string {
  if (number === 0) return '0';
  let [left, letters] = [Math.abs(number), ''];
  while (left > 0) {
    letters = String.fromCharCode(65 + ((left - 1) % 26)) + letters;
    left = Math.floor((left - 1) / 26);
  }
  return number < 0 ? `−${letters}` : letters;
}

/**
 * The wall whose left corner the squares of floor and ceiling are counted from, numbers along it and letters away from it: the corner that was chosen, else
 * the first that is in the picture, else the first of all.
 */
export function gridZero(runs: readonly WallRun[], choice: GridChoice, isSeen: (corner: Vector2) => boolean): WallRun {
  const chosen = runs.find((run) => run.startCorner === choice.from);
  return chosen ?? runs.find((run) => isSeen(run.start)) ?? at(runs, 0);
}

/** Where a wall's own squares are counted from: the corner that was chosen if it is one of its two, else its left one if that is in the picture, else its right one if that is. */
function wallZero(run: WallRun, choice: GridChoice, isSeen: (corner: Vector2) => boolean): 'left' | 'right' {
  if (choice.from === run.startCorner) return 'left';
  if (choice.from === run.endCorner) return 'right';
  return isSeen(run.start) || !isSeen(run.end) ? 'left' : 'right';
}

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
 * A grid of unit squares on floor, walls and ceiling of one room, as lines on its faces. Floor and ceiling are counted from a corner along the wall that begins
 * there, and away from it; a wall along itself from one of its corners, and up from the floor. On a slope the plan's squares are carried
 * straight up. A vault carries no grid.
 * @param isSeen whether a corner of the floor is in the picture.
 * @param unit mm, more than zero.
 */
export function gridBody(room: Body, space: Space, choice: GridChoice, isSeen: (corner: Vector2) => boolean): GridBody {
  const unit = choice.unit.mm;
  const runs = wallRuns(space);
  const first = gridZero(runs, choice, isSeen);
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
  for (const face of room.faces) {
    const run = runs.find((one) => one.wall.id === face.id);
    const on =
      run !== undefined ? 'wall' : face.role.is === 'floor' || face.role.is === 'ceiling' ? face.role.is : null;
    if (on === null || !choice[on === 'wall' ? 'walls' : on]) continue;
    if (run && choice.on && !choice.on.includes(run.wall.id)) continue;
    const outline = outlineOfFace(room, face);
    const backward = run !== undefined && wallZero(run, choice, isSeen) === 'right';
    const forth = (run ?? first).run;
    const axis = backward ? { x: -forth.x, y: -forth.y } : forth;
    const origin = backward ? run.end : (run ?? first).start;
    const away = run ? { x: 0, y: 0, z: 1 } : { x: first.intoRoom.x, y: first.intoRoom.y, z: 0 };
    const families = [
      { counted: 'along', m: { x: axis.x, y: axis.y, z: 0 } },
      { counted: 'away', m: away },
    ] as const;
    outline.forEach((from, i) =>
      put({ face: face.id, on, counted: 'edge', number: i }, 0, from, at(outline, (i + 1) % outline.length)),
    );
    for (const { counted, m } of families) {
      const zero = dot3(m, worldPoint(origin.x, origin.y, floorZ));
      const reach = outline.map((p) => (dot3(m, p) - zero) / unit);
      const [low, high] = [Math.min(...reach), Math.max(...reach)];
      if (high - low > MOST_MADE.gridLines) continue;
      for (let n = Math.ceil(low + tolerance.wholeNumber); n < high - tolerance.wholeNumber; n += 1)
        crossings(outline, face.normal, m, zero + n * unit).forEach(([from, to], part) =>
          put({ face: face.id, on, counted, number: n }, part, from, to),
        );
    }
  }
  return {
    body: { id: 'grid', kind: 'surface', name: 'the grid', vertices, edges, faces: [], rounds: [], arcs: [] },
    lines,
  };
}
