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
import type { CeilingRegion } from './ceilings';

/** What a pattern lies on: a floor, a wall, or one flat part of a ceiling, level or sloped, laid out flat. */
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

function sheetsOf(
  surface: Surface,
  space: Space,
  cutsOf: (run: WallRun, top: number) => readonly Cut[],
  floorZ: number,
): readonly Sheet[] {
  const runs = wallRuns(space);
  const run = runs.find((one) => one.wall.id === surface.wallId);
  if (!run) return [];
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
    return [
      {
        loops: [outer, ...holes],
        place: (p) => {
          const q = along2(run.start, run.run, p.x);
          return worldFromPlan(planPoint(q.x, q.y), floorZ + p.y);
        },
        origin: { x: 0, y: 0 },
        along: turnedBy({ x: 1, y: 0 }, -surface.turnDeg),
        faces: [surface.wallId],
      },
    ];
  }
  if (surface.on === 'floor')
    return [
      {
        loops: [runs.map((one): Vector2 => one.start)],
        place: (p) => worldFromPlan(planPoint(p.x, p.y), floorZ),
        origin: run.start,
        along: turnedBy(run.run, surface.turnDeg),
        faces: [`${space.id}/floor`],
      },
    ];
  // A vault is bent: no pattern is laid on it.
  const shape = ceilingShape(space);
  return shape.kind === 'regions'
    ? shape.regions.map((region, r) => ({
        ...onRegion(region, run, surface.turnDeg, floorZ),
        faces: [r === 0 ? `${space.id}/ceiling` : `${space.id}/ceiling-${r + 1}`],
      }))
    : [];
}

/**
 * A flat part of a ceiling laid out flat, so that a pattern keeps its sizes up a slope: what lies along the slope is as much longer than in plan as
 * the slope is steep. All parts are measured from the wall's left corner, so joints run on from one to the next of the same pitch.
 */
function onRegion(
  { outline, height }: CeilingRegion,
  run: WallRun,
  turnDeg: number,
  floorZ: number,
): Omit<Sheet, 'faces'> {
  const { x, y } = run.start;
  const [low, dx, dy] = [height({ x, y }), height({ x: x + 1, y }), height({ x, y: y + 1 })];
  const steep = Math.hypot(dx - low, dy - low);
  const up = steep < tolerance.wholeNumber ? { x: 0, y: 0 } : { x: (dx - low) / steep, y: (dy - low) / steep };
  const longer = Math.hypot(1, steep);
  const stretched = (p: Vector2, by: number): Vector2 =>
    along2(p, up, (by - 1) * ((p.x - x) * up.x + (p.y - y) * up.y));
  const end = stretched(along2(run.start, run.run, 1), longer);
  const length = Math.hypot(end.x - x, end.y - y);
  return {
    loops: [outline.map((p) => stretched(p, longer))],
    place: (p) => {
      const q = stretched(p, 1 / longer);
      return worldFromPlan(planPoint(q.x, q.y), floorZ + height(q));
    },
    origin: run.start,
    along: turnedBy({ x: (end.x - x) / length, y: (end.y - y) / length }, turnDeg),
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

/** How lights lie: where nothing else is said one row of squares as far from the wall as the first of them is from the corner. */
function lightsOf({ lights, breadth, start, length }: Surface) {
  return {
    long: mmOf(lights?.length ?? breadth),
    first: mmOf(lights?.fromWall ?? start),
    pitch: mmOf(lights?.rowDistance ?? length),
    rows: lights?.rows ?? 1,
    perRow: lights?.perRow ?? 0,
    innerLines: lights?.innerLines ?? 0,
  };
}

/** How many rows a pattern has on a sheet, or lights their row, and how many in a row: counted before any is laid. */
function countOf(surface: Surface, sheet: Sheet): { readonly rows: number; readonly joints: number } {
  const { a, b } = extents(sheet, awayFrom(surface, sheet.along));
  const joint = mmOf(surface.joint);
  if (surface.kind === 'lights') {
    const { rows, perRow, innerLines } = lightsOf(surface);
    const fit = Math.ceil((a[1] - a[0]) / mmOf(surface.length));
    // A light has four sides: what parts it counts as so much of another.
    return { rows: Math.ceil(rows * Math.min(fit, perRow || Infinity) * (1 + innerLines / 4)), joints: 0 };
  }
  const rows = Math.ceil((b[1] - b[0]) / (mmOf(surface.breadth) + joint));
  return { rows, joints: (rows + 2) * (Math.ceil((a[1] - a[0]) / (mmOf(surface.length) + joint)) + 2) };
}

/** What a pattern comes to that is too much to draw: rows, of which none is laid; or joints, of which only the long ones are. */
export function tooMuch(
  surface: Surface,
  space: Space,
): { readonly of: 'rows' | 'joints'; readonly count: number } | null {
  const counts = sheetsOf(surface, space, () => [], 0).map((sheet) => countOf(surface, sheet));
  const rows = Math.max(0, ...counts.map((one) => one.rows));
  if (rows > MOST_MADE.rows) return { of: 'rows', count: rows };
  const joints = Math.max(0, ...counts.map((one) => one.joints));
  return surface.bond !== 'square' && joints > MOST_MADE.joints ? { of: 'joints', count: joints } : null;
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
  const sheets = sheetsOf(surface, space, cutsOf, floorZ);
  const { id, name } = surface;
  const body: { vertices: Vertex[]; edges: Edge[] } = { vertices: [], edges: [] };
  const numbers = { light: 0, joint: 0 };
  for (const sheet of sheets) if (countOf(surface, sheet).rows <= MOST_MADE.rows) layOn(sheet, surface, body, numbers);
  return body.edges.length === 0
    ? null
    : { ...{ id, kind: 'surface', name }, ...body, faces: [], rounds: [], arcs: [] };
}

/** Lays a pattern on one sheet; what it lays is numbered on from the sheet before. */
function layOn(
  sheet: Sheet,
  surface: Surface,
  { vertices, edges }: { readonly vertices: Vertex[]; readonly edges: Edge[] },
  numbers: { light: number; joint: number },
): void {
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
    // Length is the distance from light to light, breadth what they are wide across their row, start the first one's distance along it.
    const { long, first, pitch, rows, perRow, innerLines } = lightsOf(surface);
    for (let r = 0; r < rows; r += 1) {
      const [near, far] = [first + r * pitch, first + r * pitch + breadth];
      for (const [from, to] of inside(0, (near + far) / 2, sheet.along)) {
        const n = Math.max(0, Math.floor((to - from - long - start) / length)) + 1;
        for (let i = 0; i < Math.min(n, perRow || Infinity); i += 1) {
          const a = from + start + i * length;
          if (a + long > to) break;
          const light = (numbers.light += 1);
          line(`light-${light}-1`, a, near, a + long, near);
          line(`light-${light}-2`, a + long, near, a + long, far);
          line(`light-${light}-3`, a + long, far, a, far);
          line(`light-${light}-4`, a, far, a, near);
          for (let k = 1; k <= innerLines; k += 1) {
            const b = near + (breadth * k) / (innerLines + 1);
            line(`light-${light}-inner-${k}`, a, b, a + long, b);
          }
        }
      }
    }
    return;
  }
  const [stepA, stepB] = [length + joint, breadth + joint];
  const rows = Math.ceil((b1 - b0) / stepB) + 2;
  const columns = Math.ceil((a1 - a0) / stepA) + 2;
  const tooMany = rows * columns > MOST_MADE.joints;
  // Laid square, joints across run through from end to end: as many lines as columns, however many tiles that makes.
  const through = surface.bond === 'square' && (joint === 0 || tooMany);
  const sides = joint > 0 ? [0, joint] : [0];
  const firstRow = Math.floor((b0 - start) / stepB);
  const firstColumn = Math.floor((a0 - start) / stepA) - 1;
  const named = (as: 'joint' | 'cross'): string => `${as}-${(numbers.joint += 1)}`;
  if (through)
    for (let c = firstColumn; c <= firstColumn + columns + 1; c += 1) {
      const a = start + c * stepA;
      for (const side of sides)
        for (const [from, to] of inside(a - side, 0, away)) line(named('cross'), a - side, from, a - side, to);
    }
  for (let r = firstRow; r <= firstRow + rows; r += 1) {
    const b = start + r * stepB;
    for (const side of sides)
      for (const [from, to] of inside(0, b - side, sheet.along)) line(named('joint'), from, b - side, to, b - side);
    if (through || tooMany) continue;
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
          if (high - low > 0.5) line(named('cross'), a - side, b + low, a - side, b + high);
        }
    }
  }
}
