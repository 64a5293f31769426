import { radiansFromDegrees } from '@/core/units';
import { err, ok, type Result } from '@/core/base';
import { cross2, rightOf, type Vector2 } from '@/core/geometry';
import { planPoint, type PlanPoint } from '@/core/space';
import { wallOf } from './lookup';
import { wallRuns, type WallRun } from './outline';
import { pieceCornerAt, type Piece, type PieceCorner, type Project } from './project';
import { mmOf, type Id } from './size';

export interface PlaceError {
  readonly reason: 'parallel-walls' | 'unknown-wall';
  readonly pieceId: Id;
  readonly message: string;
}

/** A piece's footprint in plan: unit width (left to right, facing its front) and depth (back to front) directions. */
export interface Footprint {
  readonly widthDirection: Vector2;
  readonly depthDirection: Vector2;
  readonly width: number;
  readonly depth: number;
  readonly corners: Readonly<Record<PieceCorner, PlanPoint>>;
}

/** Two walls whose runs are closer to parallel than this cannot fix a point: 0.5° would turn 1 mm of tape into 115 mm. */
const LEAST_SINE = Math.sin(radiansFromDegrees(0.5));

export function wallRunOf(project: Pick<Project, 'spaces'>, wallId: Id): WallRun | undefined {
  const owner = wallOf(project, wallId);
  return owner ? wallRuns(owner.space)[owner.index] : undefined;
}

/** The point at given distances square to two walls' room faces. */
function pointFromWalls(
  first: WallRun,
  firstDistance: number,
  second: WallRun,
  secondDistance: number,
): PlanPoint | null {
  // P with (P − start)·n = distance for both walls: two linear equations.
  const sine = cross2(first.intoRoom, second.intoRoom);
  if (Math.abs(sine) < LEAST_SINE) return null;
  const c1 = first.start.x * first.intoRoom.x + first.start.y * first.intoRoom.y + firstDistance;
  const c2 = second.start.x * second.intoRoom.x + second.start.y * second.intoRoom.y + secondDistance;
  return planPoint(
    (c1 * second.intoRoom.y - c2 * first.intoRoom.y) / sine,
    (first.intoRoom.x * c2 - second.intoRoom.x * c1) / sine,
  );
}

function turned(direction: Vector2, clockwiseDeg: number): Vector2 {
  const quarter = clockwiseDeg / 90;
  if (Number.isInteger(quarter)) {
    let result = direction;
    for (let i = 0; i < ((quarter % 4) + 4) % 4; i += 1) result = rightOf(result);
    return result;
  }
  const radians = radiansFromDegrees(clockwiseDeg);
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  return { x: direction.x * cos + direction.y * sin, y: direction.y * cos - direction.x * sin };
}

/** Where each piece stands among these spaces: asked again and again while neither changes. */
const footprintsKept = new WeakMap<
  Piece,
  { readonly among: Project['spaces']; readonly is: Result<Footprint, PlaceError> }
>();

/**
 * Where a piece stands. With turn 0 its back is parallel to the first wall and its front looks into the room; its width
 * then runs as the wall does, from left to right.
 */
export function footprintOf(project: Pick<Project, 'spaces'>, piece: Piece): Result<Footprint, PlaceError> {
  const known = footprintsKept.get(piece);
  if (known?.among === project.spaces) return known.is;
  const is = footprintAmong(project, piece);
  footprintsKept.set(piece, { among: project.spaces, is });
  return is;
}

function footprintAmong(project: Pick<Project, 'spaces'>, piece: Piece): Result<Footprint, PlaceError> {
  const [a, b] = piece.place.from;
  const first = wallRunOf(project, a.wallId);
  const second = wallRunOf(project, b.wallId);
  if (!first || !second) {
    return err({
      reason: 'unknown-wall',
      pieceId: piece.id,
      message: `${piece.name} is measured from a wall that is not in this project.`,
    });
  }
  const point = pointFromWalls(first, mmOf(a.distance), second, mmOf(b.distance));
  if (!point) {
    return err({
      reason: 'parallel-walls',
      pieceId: piece.id,
      message: `${piece.name} is measured from ${first.wall.name} and ${second.wall.name}, which are parallel: two offsets from parallel walls do not fix a place. Measure from two walls that meet at a corner.`,
    });
  }
  const widthDirection = turned(first.run, piece.place.turnDeg);
  const depthDirection = turned(first.intoRoom, piece.place.turnDeg);
  const width = mmOf(piece.width);
  const depth = mmOf(piece.depth);
  const measured = pieceCornerAt(piece.place.pieceCorner);
  const [across, forward] = [measured.across * width, measured.forward * depth];
  const corner = (w: number, d: number): PlanPoint =>
    planPoint(
      point.x + widthDirection.x * (w - across) + depthDirection.x * (d - forward),
      point.y + widthDirection.y * (w - across) + depthDirection.y * (d - forward),
    );
  return ok({
    widthDirection,
    depthDirection,
    width,
    depth,
    corners: {
      'back-left': corner(0, 0),
      'back-right': corner(width, 0),
      'front-left': corner(0, depth),
      'front-right': corner(width, depth),
    },
  });
}

/** Offsets of a plan point from a wall's room face, mm, positive into the room. */
export const distanceFromWall = (run: WallRun, point: PlanPoint): number =>
  (point.x - run.start.x) * run.intoRoom.x + (point.y - run.start.y) * run.intoRoom.y;
