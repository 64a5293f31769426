import { tolerance } from '@/core/numeric';
import { radiansFromDegrees } from '@/core/units';
import { at } from '@/core/base';
import { along2, lineInside, rightOf, type Vector2 } from '@/core/geometry';
import { MOST_MADE, mmOf, wallRuns, type Space, type Surface, type WallRun } from '@/core/record';
import { planPoint, worldFromPlan, type WorldPoint } from '@/core/space';
import type { Body, Edge, Vertex } from './body';
import { spoken, type Role } from './role';
import type { Cut } from './cut';
import { wallTop, ceilingShape } from './ceiling';

interface Sheet {
  readonly loops: readonly (readonly Vector2[])[];
  /** A point of the sheet in the world. */
  readonly place: (p: Vector2) => WorldPoint;
  readonly origin: Vector2;
  readonly along: Vector2;
  readonly faces: readonly string[];
}

function turnedBy(v: Vector2, clockwiseDeg: number): Vector2 {
  const radians = radiansFromDegrees(clockwiseDeg);
  const [c, s] = [Math.cos(radians), Math.sin(radians)];
  return { x: v.x * c + v.y * s, y: v.y * c - v.x * s };
}

function sheetOf(
  surface: Surface,
  space: Space,
  cutsOf: (run: WallRun, top: number) => readonly Cut[],
  floorZ: number,
): Sheet | null {
  const runs = wallRuns(space);
  const run = runs.find((one) => one.wall.id === surface.wallId);
  if (!run) return null;
  if (surface.on === 'wall') {
    const shape = ceilingShape(space);
    const top =
      shape.kind === 'regions'
        ? wallTop(run, shape.regions)
        : [
            { along: 0, height: mmOf(space.ceilingHeight) },
            { along: run.lengthMm, height: mmOf(space.ceilingHeight) },
          ];
    const holes = cutsOf(run, Math.min(...top.map((one) => one.height))).map((cut): Vector2[] => [
      { x: cut.left, y: cut.sill },
      { x: cut.right, y: cut.sill },
      { x: cut.right, y: cut.spring + cut.rise },
      { x: cut.left, y: cut.spring + cut.rise },
    ]);
    const outer: Vector2[] = [
      { x: 0, y: 0 },
      { x: run.lengthMm, y: 0 },
      ...[...top].reverse().map(({ along, height }) => ({ x: along, y: height })),
    ];
    return {
      loops: [outer, ...holes],
      place: (p) => {
        const q = along2(run.start, run.run, p.x);
        return worldFromPlan(planPoint(q.x, q.y), floorZ + p.y);
      },
      origin: { x: 0, y: 0 },
      along: turnedBy({ x: 1, y: 0 }, -surface.turnDeg),
      faces: [surface.wallId],
    };
  }
  const z = surface.on === 'floor' ? floorZ : floorZ + mmOf(space.ceilingHeight);
  // Only a level ceiling carries a pattern: its part at the ceiling height.
  const shape = ceilingShape(space);
  const level =
    surface.on === 'floor'
      ? [{ outline: runs.map((one): Vector2 => one.start), id: `${space.id}/floor` }]
      : shape.kind === 'regions'
        ? shape.regions.flatMap(({ outline, height }, r) =>
            outline.every((p) => Math.abs(height(p) - mmOf(space.ceilingHeight)) < tolerance.samePointMm)
              ? [{ outline, id: r === 0 ? `${space.id}/ceiling` : `${space.id}/ceiling-${r + 1}` }]
              : [],
          )
        : [];
  if (level.length === 0) return null;
  return {
    loops: level.map((one) => one.outline),
    place: (p) => worldFromPlan(planPoint(p.x, p.y), z),
    origin: run.start,
    along: turnedBy(run.run, surface.turnDeg),
    faces: level.map((one) => one.id),
  };
}

/** How far a sheet reaches along its pattern and across it, from the pattern's zero. */
function extents({ loops, origin, along }: Sheet, away: Vector2) {
  const corners = loops.flat().map((p) => ({ x: p.x - origin.x, y: p.y - origin.y }));
  const extent = (d: Vector2): readonly [number, number] => {
    const values = corners.map((p) => p.x * d.x + p.y * d.y);
    return [Math.min(...values), Math.max(...values)];
  };
  return { a: extent(along), b: extent(away) };
}

const awayFrom = (surface: Surface, along: Vector2): Vector2 =>
  surface.on === 'wall' ? { x: -along.y, y: along.x } : rightOf(along);

/** How many rows a pattern has, or lights their row: counted before any is laid. */
function rowsOf(surface: Surface, sheet: Sheet): number {
  const { a, b } = extents(sheet, awayFrom(surface, sheet.along));
  return surface.kind === 'lights'
    ? Math.ceil((a[1] - a[0]) / mmOf(surface.length))
    : Math.ceil((b[1] - b[0]) / (mmOf(surface.breadth) + mmOf(surface.joint)));
}

/** How many rows or lights a pattern would come to, where that is more than is laid; null where it is laid. */
export function tooManyRows(surface: Surface, space: Space): number | null {
  const sheet = sheetOf(surface, space, () => [], 0);
  const rows = sheet ? rowsOf(surface, sheet) : 0;
  return rows > MOST_MADE.rows ? rows : null;
}

/**
 * Joints of boards, tiles and panels, or a row of lights, as lines on their face, cut to its outline. All are measured from one zero:
 * the wall's left corner, by the start.
 */
export function surfaceBody(
  surface: Surface,
  space: Space,
  cutsOf: (run: WallRun, top: number) => readonly Cut[],
  floorZ: number,
): Body | null {
  const sheet = sheetOf(surface, space, cutsOf, floorZ);
  if (!sheet || rowsOf(surface, sheet) > MOST_MADE.rows) return null;
  const vertices: Vertex[] = [];
  const edges: Edge[] = [];
  const away = awayFrom(surface, sheet.along);
  const {
    a: [a0, a1],
    b: [b0, b1],
  } = extents(sheet, away);
  const [length, breadth, joint, start] = [surface.length, surface.breadth, surface.joint, surface.start].map(mmOf) as [
    number,
    number,
    number,
    number,
  ];
  const world = (a: number, b: number): WorldPoint =>
    sheet.place(along2(along2(sheet.origin, sheet.along, a), away, b));
  const line = (name: string, a: number, b: number, toA: number, toB: number): void => {
    const i = vertices.length;
    const role = (which: string): Role => ({ is: 'pattern', surfaceId: surface.id, which });
    const said = spoken(name);
    vertices.push(
      { id: `${surface.id}/${name}/from`, role: role(`${said}, first end`), at: world(a, b) },
      { id: `${surface.id}/${name}/to`, role: role(`${said}, far end`), at: world(toA, toB) },
    );
    edges.push({ id: `${surface.id}/${name}/line`, role: role(said), from: i, to: i + 1, faces: sheet.faces });
  };
  /** Where the line through (a, b) along one of the two directions runs inside the outline. */
  const inside = (a: number, b: number, d: Vector2): readonly (readonly [number, number])[] =>
    lineInside(sheet.loops, along2(along2(sheet.origin, sheet.along, a), away, b), d);
  if (surface.kind === 'lights') {
    // Length is the distance from light to light, breadth their diameter or side, start the first one's distance from the corner.
    const half = breadth / 2;
    const row = start + half;
    let light = 0;
    for (const [from, to] of inside(0, row, sheet.along)) {
      const n = Math.max(0, Math.floor((to - from - breadth - start) / length)) + 1;
      for (let i = 0; i < n; i += 1) {
        const a = from + start + half + i * length;
        if (a + half > to) break;
        light += 1;
        line(`light-${light}-1`, a - half, row - half, a + half, row - half);
        line(`light-${light}-2`, a + half, row - half, a + half, row + half);
        line(`light-${light}-3`, a + half, row + half, a - half, row + half);
        line(`light-${light}-4`, a - half, row + half, a - half, row - half);
      }
    }
    return { id: surface.id, kind: 'surface', name: surface.name, vertices, edges, faces: [], rounds: [], arcs: [] };
  }
  const [stepA, stepB] = [length + joint, breadth + joint];
  const rows = Math.ceil((b1 - b0) / stepB) + 2;
  const columns = Math.ceil((a1 - a0) / stepA) + 2;
  const crossToo = rows * columns <= MOST_MADE.joints;
  const sides = joint > 0 ? [0, joint] : [0];
  const firstRow = Math.floor((b0 - start) / stepB);
  const firstColumn = Math.floor((a0 - start) / stepA) - 1;
  let name = 0;
  for (let r = firstRow; r <= firstRow + rows; r += 1) {
    const b = start + r * stepB;
    for (const side of sides)
      for (const [from, to] of inside(0, b - side, sheet.along))
        line(`joint-${(name += 1)}`, from, b - side, to, b - side);
    if (!crossToo) continue;
    // A broken bond shifts every other row by half; staggered boards by thirds that do not repeat side by side.
    const shift =
      surface.bond === 'broken'
        ? (((r % 2) + 2) % 2) * 0.5
        : surface.bond === 'staggered'
          ? at([0, 0.38, 0.72, 0.2, 0.55], ((r % 5) + 5) % 5)
          : 0;
    for (let c = firstColumn; c <= firstColumn + columns + 1; c += 1) {
      const a = start + (c + shift) * stepA;
      for (const side of sides)
        for (const [from, to] of inside(a - side, b, away)) {
          const [low, high] = [Math.max(0, from), Math.min(breadth, to)];
          if (high - low > 0.5) line(`cross-${(name += 1)}`, a - side, b + low, a - side, b + high);
        }
    }
  }
  return { id: surface.id, kind: 'surface', name: surface.name, vertices, edges, faces: [], rounds: [], arcs: [] };
}
