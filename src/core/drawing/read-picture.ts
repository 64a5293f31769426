import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import { cross3, dot3, type Vector3 } from '@/core/geometry';
import { levelOf, mmOf, wallRuns, type Id, type Project, type View } from '@/core/record';
import { worldFromPlan, worldPoint, type PicturePoint, type WorldPoint } from '@/core/space';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import {
  eyeFromWorld,
  pictureFromEye,
  ParallelsOf,
  roomBearing,
  turnOfPair,
  type Parallels,
  type SetUp,
} from '@/core/view';
import { silhouetteLines, spaceConicPoint, type PreparedScene, type LineRole } from '@/core/visibility';
import type { Drawing, Stroke } from './drawing';
import { strokeRows } from './strokes';

const CELL_MM = 6;
/** Parts into which a curve's length is summed. */
const PARTS = 256;

interface PickRow {
  readonly stroke: Stroke;
  readonly row: readonly [number, number, number, number];
}

/** Strokes of a sheet by where they lie, so that the one under a pencil's tip is found without asking all. */
export class StrokeIndex {
  private readonly cells = new Map<string, PickRow[]>();

  constructor(drawing: Drawing) {
    for (const layer of drawing.layers) {
      for (const stroke of layer.strokes.filter((one) => one.role.is === 'line' || one.role.is === 'construction'))
        for (const row of strokeRows(stroke, 0.1)) {
          const [x0, y0, x1, y1] = row;
          const steps = Math.max(1, Math.ceil(Math.hypot(x1 - x0, y1 - y0) / (CELL_MM / 2)));
          let before = '';
          for (let i = 0; i <= steps; i += 1) {
            const key = keyOf(x0 + ((x1 - x0) * i) / steps, y0 + ((y1 - y0) * i) / steps);
            if (key === before) continue;
            before = key;
            const list = this.cells.get(key);
            if (list) list.push({ stroke, row });
            else this.cells.set(key, [{ stroke, row }]);
          }
        }
    }
  }

  /** The stroke nearest to a point of the sheet, no farther than `within` mm; a seen one goes before a hidden one. */
  nearest(x: number, y: number, within: number): Stroke | null {
    let best: { stroke: Stroke; off: number } | null = null;
    const reach = Math.ceil(within / CELL_MM);
    for (let i = -reach; i <= reach; i += 1)
      for (let j = -reach; j <= reach; j += 1)
        for (const { stroke, row } of this.cells.get(keyOf(x + i * CELL_MM, y + j * CELL_MM)) ?? []) {
          const [dx, dy] = [row[2] - row[0], row[3] - row[1]];
          const along = Math.min(1, Math.max(0, ((x - row[0]) * dx + (y - row[1]) * dy) / (dx * dx + dy * dy || 1)));
          const away = Math.hypot(row[0] + along * dx - x, row[1] + along * dy - y);
          if (away > within) continue;
          const off = away + (stroke.weight === 'hidden' ? within : 0);
          if (!best || off < best.off) best = { stroke, off };
        }
    return best?.stroke ?? null;
  }
}

const keyOf = (x: number, y: number): string => `${Math.floor(x / CELL_MM)} ${Math.floor(y / CELL_MM)}`;

/** A line of the picture as it truly is. */
export interface LineReading {
  readonly id: Id;
  readonly body: Id;
  readonly role: LineRole;
  /** Whole length of the real thing. */
  readonly real: Millimetres;
  /** Length of the whole line's picture; null when it reaches behind the eye. */
  readonly paperMm: PaperMillimetres | null;
  /** From the eye to its nearest and farthest points, as the tape would measure through the air. */
  readonly nearest: Millimetres;
  readonly farthest: Millimetres;
  /** null for a round line: it has no one direction. */
  readonly parallels: Parallels | null;
}

/** Reads a line by its name, silhouettes as they run for this eye; null for a name the scene does not know. */
export function readLine(
  project: Pick<Project, 'spaces'>,
  view: View,
  scene: PreparedScene,
  setUp: SetUp,
  id: Id,
): LineReading | null {
  const eye = worldPoint(setUp.station.x, setUp.station.y, setUp.eyeZ);
  const silhouettes = silhouetteLines(scene, eye);
  const straight = [...scene.edges, ...silhouettes.edges].filter((edge) => edge.id === id);
  const round = [...scene.curves, ...silhouettes.curves].filter((curve) => curve.id === id);
  const [first] = straight.length > 0 ? straight : round;
  if (!first) return null;
  const chains: readonly (readonly WorldPoint[])[] = [
    ...straight.map(({ from, to }) =>
      Array.from({ length: 33 }, (_, i) =>
        worldPoint(
          from.x + ((to.x - from.x) * i) / 32,
          from.y + ((to.y - from.y) * i) / 32,
          from.z + ((to.z - from.z) * i) / 32,
        ),
      ),
    ),
    ...round.map(({ conic, from, to }) =>
      Array.from({ length: PARTS + 1 }, (_, i) => spaceConicPoint(conic, from + ((to - from) * i) / PARTS)),
    ),
  ];
  const away = (p: Vector3): number => Math.hypot(p.x - eye.x, p.y - eye.y, p.z - eye.z);
  const sum = <P>(points: readonly P[], length: (a: P, b: P) => number): number =>
    points.slice(1).reduce((total, q, i) => total + length(at(points, i), q), 0);
  const chordal = (a: WorldPoint, b: WorldPoint): number => Math.hypot(b.x - a.x, b.y - a.y, b.z - a.z);
  // Chords of a circle fall short by (2π/n)²/24 of it: made good, so that a round length is right to a hundred-thousandth of a millimetre.
  const real =
    straight.reduce((total, { from, to }) => total + chordal(from, to), 0) +
    chains.slice(straight.length).reduce((total, points, i) => {
      const { from, to } = at(round, i);
      const step = (to - from) / PARTS;
      return total + sum(points, chordal) * (1 + (step * step) / 24);
    }, 0);
  const eyes = chains.map((points) => points.map((p) => eyeFromWorld(setUp, p)));
  const inFront = eyes.every((points) => points.every((p) => p.depth > 1));
  const paperMm = inFront
    ? eyes.reduce((total, points) => {
        const flat = points.map((p) => pictureFromEye(setUp.viewingDistance, p));
        return total + sum(flat, (a, b) => Math.hypot(b.u - a.u, b.v - a.v));
      }, 0)
    : null;
  const distances = chains.flat().map(away);
  const [edge] = straight;
  return {
    id,
    body: first.body,
    role: first.role,
    real,
    paperMm,
    nearest: Math.min(...distances, ...straight.map(({ from, to }) => nearestOf(eye, from, to))),
    farthest: Math.max(...distances),
    parallels: edge
      ? new ParallelsOf(setUp, turnOfPair(setUp, roomBearing(project, view))).of({
          x: edge.to.x - edge.from.x,
          y: edge.to.y - edge.from.y,
          z: edge.to.z - edge.from.z,
        })
      : null,
  };
}

function nearestOf(eye: WorldPoint, from: WorldPoint, to: WorldPoint): number {
  const run = { x: to.x - from.x, y: to.y - from.y, z: to.z - from.z };
  const size = dot3(run, run);
  const along =
    size === 0
      ? 0
      : Math.min(
          1,
          Math.max(0, ((eye.x - from.x) * run.x + (eye.y - from.y) * run.y + (eye.z - from.z) * run.z) / size),
        );
  return Math.hypot(from.x + run.x * along - eye.x, from.y + run.y * along - eye.y, from.z + run.z * along - eye.z);
}

/** A plane on which one measures in the picture. */
export interface TapePlane {
  readonly id: string;
  readonly name: string;
  readonly point: Vector3;
  readonly normal: Vector3;
}

/** Planes to measure on: the floor one stands on, each wall of its rooms, the top and front of a piece, the picture plane. */
export function tapePlanes(
  project: Project,
  view: View,
  setUp: SetUp,
  pieceId: Id | null,
  scene: PreparedScene,
): readonly TapePlane[] {
  const floor = mmOf(levelOf(project, view.levelId).elevation);
  const up = { x: 0, y: 0, z: 1 };
  const walls = project.spaces
    .filter((space) => space.levelId === view.levelId)
    .flatMap((space) => wallRuns(space))
    .map((run): TapePlane => ({
      id: `wall/${run.wall.id}`,
      name: run.wall.name,
      point: worldFromPlan(run.start, floor),
      normal: { x: run.intoRoom.x, y: run.intoRoom.y, z: 0 },
    }));
  const piece = project.pieces.find((one) => one.id === pieceId);
  const own = scene.faces.filter((one) => one.body === pieceId && one.shape?.kind !== 'round');
  const corner = (face: (typeof own)[number]): Vector3 => face.loops[0]?.[0] ?? { x: 0, y: 0, z: 0 };
  const level = own
    .filter(({ face }) => face.normal.z > 1 - tolerance.sameCosine)
    .sort((a, b) => corner(b).z - corner(a).z)[0];
  return [
    { id: 'floor', name: 'the floor', point: { x: 0, y: 0, z: floor }, normal: up },
    ...walls,
    ...(piece && level
      ? [{ id: `top/${piece.id}`, name: `the top of ${piece.name}`, point: corner(level), normal: up }]
      : []),
    {
      id: 'picture-plane',
      name: 'the picture plane',
      point: {
        x: setUp.station.x + setUp.forward.x * setUp.pictureDistance,
        y: setUp.station.y + setUp.forward.y * setUp.pictureDistance,
        z: setUp.eyeZ,
      },
      normal: { x: -setUp.forward.x, y: -setUp.forward.y, z: 0 },
    },
  ];
}

/**
 * The point of a plane that a point of the picture is the picture of, or null where the sight line does not meet it before the eye.
 * Source: geometry "Back to the world": t from n·(E + t(u/k·r + v/k·z + f) − Q) = 0.
 */
export function onPlane(setUp: SetUp, plane: TapePlane, { u, v }: PicturePoint): WorldPoint | null {
  const { viewingDistance: k, right: r, forward: f } = setUp;
  const ray = { x: (u / k) * r.x + f.x, y: (u / k) * r.y + f.y, z: v / k };
  const n = plane.normal;
  const run = dot3(n, ray);
  const start =
    n.x * (plane.point.x - setUp.station.x) +
    n.y * (plane.point.y - setUp.station.y) +
    n.z * (plane.point.z - setUp.eyeZ);
  const t = start / run;
  // Level with the plane, or so nearly that the answer is nowhere in the room.
  if (!(t > 1) || t > 1e6) return null;
  return worldPoint(setUp.station.x + ray.x * t, setUp.station.y + ray.y * t, setUp.eyeZ + ray.z * t);
}

/** What two points of the picture are truly apart on a plane, and how it lies: along a level line of the plane, and across. */
export function measuredOn(
  setUp: SetUp,
  plane: TapePlane,
  a: PicturePoint,
  b: PicturePoint,
): {
  readonly from: WorldPoint;
  readonly to: WorldPoint;
  readonly length: Millimetres;
  readonly level: Millimetres;
  readonly across: Millimetres;
} | null {
  const [from, to] = [onPlane(setUp, plane, a), onPlane(setUp, plane, b)];
  if (!from || !to) return null;
  const d = { x: to.x - from.x, y: to.y - from.y, z: to.z - from.z };
  const upright = Math.abs(plane.normal.z) < 1 - tolerance.sameCosine;
  // On a level plane: along the picture plane and into the depth; on another: level and up.
  const side = upright ? cross3({ x: 0, y: 0, z: 1 }, plane.normal) : { x: setUp.right.x, y: setUp.right.y, z: 0 };
  const size = Math.hypot(side.x, side.y, side.z);
  const level = Math.abs(dot3(d, side)) / size;
  const length = Math.hypot(d.x, d.y, d.z);
  return { from, to, length, level, across: Math.sqrt(Math.max(0, length * length - level * level)) };
}
