import { dot2, insideLoops, type Vector2 } from '@/core/geometry';
import {
  distanceFromWall,
  footprintOf,
  alongWall,
  freshId,
  leftAlongWall,
  mmOf,
  newSize,
  onWall,
  outlineOf,
  USUAL_UNCERTAINTY_MM,
  wallOf,
  wallRuns,
  type Id,
  type LightRows,
  type Opening,
  type Piece,
  type Project,
  type Size,
  type Space,
  type Surface,
  type SurfaceKind,
  type WallRun,
  estimatedSize,
} from '@/core/record';
import { planPoint } from '@/core/space';
import { heightOver, kindOf, newOpening, newPiece, type Kind, type OpeningKind } from '@/core/solids';

export const idsOf = (project: Project): Id[] => [
  ...project.levels.map((one) => one.id),
  ...project.pieces.map((one) => one.id),
  ...project.openings.map((one) => one.id),
  ...project.surfaces.map((one) => one.id),
  ...project.spaces.flatMap((space) => [space.id, ...space.walls.map((wall) => wall.id)]),
];

/** A name nothing else has yet: “side chair”, then “side chair 2”. */
export function freeName(project: Project, stem: string): string {
  const taken = new Set(
    [...project.pieces, ...project.openings, ...project.surfaces, ...project.spaces].map((one) => one.name),
  );
  if (!taken.has(stem)) return stem;
  let n = 2;
  while (taken.has(`${stem} ${n}`)) n += 1;
  return `${stem} ${n}`;
}

const shortName = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

/**
 * A piece of a kind with usual sizes: its middle under a point where one is given, else in the nearest free place to the middle of the
 * room; things that hang on a wall or usually stand against one have their back to it, where that leaves its openings free.
 */
export function pieceFromTemplate(
  project: Project,
  kindId: string,
  levelId: Id,
  at: Vector2 | null,
  wall: WallRun | undefined,
  print: (mm: number) => string,
  home?: Space,
): Piece | null {
  const kind = kindOf(kindId);
  const space =
    (at &&
      project.spaces.find(
        (one) => one.levelId === levelId && insideLoops([outlineOf(one).corners.map((c) => c.at)], at.x, at.y),
      )) ??
    (wall && wallOf(project, wall.wall.id)?.space) ??
    home ??
    project.spaces.find((one) => one.levelId === levelId) ??
    project.spaces[0];
  if (!kind || !space) return null;
  const runs = wallRuns(space);
  const [width, depth] = [kind.sizes.width.usual, kind.sizes.depth.usual];
  const hangs = kind.group === 'on the wall' || kind.hangs === true;
  const near = (p: Vector2): WallRun | undefined =>
    [...runs].sort(
      (a, b) => Math.abs(distanceFromWall(a, planPoint(p.x, p.y))) - Math.abs(distanceFromWall(b, planPoint(p.x, p.y))),
    )[0];
  const first =
    (at && hangs ? near(at) : undefined) ??
    (wall && runs.find((run) => run.wall.id === wall.wall.id)) ??
    (at ? near(at) : undefined) ??
    [...runs].sort((a, b) => b.lengthMm - a.lengthMm)[0];
  const second = runs.find((run) => first && Math.abs(dot2(run.run, first.intoRoom)) > 0.5);
  if (!first || !second) return null;
  const corner = (middle: Vector2): Vector2 => {
    const into = hangs ? -distanceFromWall(first, planPoint(middle.x, middle.y)) : -depth / 2;
    return {
      x: middle.x - (first.run.x * width) / 2 + first.intoRoom.x * into,
      y: middle.y - (first.run.y * width) / 2 + first.intoRoom.y * into,
    };
  };
  const rounded = (mm: number): number => Math.round(mm / 10) * 10;
  const id = freshId(kindId, idsOf(project));
  const name = freeName(project, shortName(kind.name));
  const made = (middle: Vector2): Piece | null => {
    const p = corner(middle);
    const from = [first, second].map((run) => ({
      wallId: run.wall.id,
      mm: rounded(distanceFromWall(run, planPoint(p.x, p.y))),
    }));
    const [a, b] = from;
    if (!a || !b) return null;
    const eighth = (mm: number): number => (project.units === 'imperial' ? Math.round(mm / 3.175) * 3.175 : mm);
    const piece = newPiece(kindId, { id, name, levelId: space.levelId, from: [a, b] }, print, eighth);
    if (!piece || kind.group !== 'lights' || (kind.lift ?? 0) === 0) return piece;
    // A pendant reaches up to the ceiling it hangs from.
    const drop = heightOver(space, middle) - mmOf(piece.lift);
    const { least, most } = kind.sizes.height;
    const height = Math.min(most, Math.max(least, drop));
    return {
      ...piece,
      height: estimatedSize(piece.height.id, height, print),
    };
  };
  if (at) return made(at);
  const outline = outlineOf(space).corners.map((c) => c.at);
  const middle = {
    x: outline.reduce((s, p) => s + p.x, 0) / outline.length,
    y: outline.reduce((s, p) => s + p.y, 0) / outline.length,
  };
  const candidates: Vector2[] = [];
  if (hangs || kind.backed) {
    for (let along = width / 2; along <= first.lengthMm - width / 2; along += 150)
      if (!coversOpening(project, first, kind, along)) candidates.push(onWall(first, along, depth / 2));
    candidates.sort(
      (a, b) =>
        Math.hypot(a.x - onWall(first, first.lengthMm / 2).x, a.y - onWall(first, first.lengthMm / 2).y) -
        Math.hypot(b.x - onWall(first, first.lengthMm / 2).x, b.y - onWall(first, first.lengthMm / 2).y),
    );
  }
  if (!hangs) {
    const onFloor: Vector2[] = [];
    const [x0, x1] = [Math.min(...outline.map((p) => p.x)), Math.max(...outline.map((p) => p.x))];
    const [y0, y1] = [Math.min(...outline.map((p) => p.y)), Math.max(...outline.map((p) => p.y))];
    for (let x = x0; x <= x1; x += 200) for (let y = y0; y <= y1; y += 200) onFloor.push({ x, y });
    onFloor.sort((a, b) => Math.hypot(a.x - middle.x, a.y - middle.y) - Math.hypot(b.x - middle.x, b.y - middle.y));
    candidates.push(...onFloor);
  }
  const others = project.pieces.filter((one) => one.levelId === space.levelId).flatMap((one) => boxOf(project, one));
  const free = candidates.find((p) => {
    const piece = made(p);
    const box = piece && boxOf({ ...project, pieces: [...project.pieces, piece] }, piece)[0];
    if (!piece || !box) return false;
    const footprint = footprintOf(project, piece);
    const inside =
      footprint.ok &&
      Object.values(footprint.value.corners).every(
        (c) =>
          runs.every((run) => distanceFromWall(run, c) >= -1 || !insideSpan(run, c)) &&
          insideLoops([outline], (c.x * 9 + p.x) / 10, (c.y * 9 + p.y) / 10),
      );
    return (
      inside &&
      others.every(
        (other) =>
          box.x0 >= other.x1 ||
          box.x1 <= other.x0 ||
          box.y0 >= other.y1 ||
          box.y1 <= other.y0 ||
          box.z0 >= other.z1 ||
          box.z1 <= other.z0,
      )
    );
  });
  return made(free ?? candidates[0] ?? middle);
}

/** Whether a thing of a kind, with its back to a wall about a place along it, would stand before an opening of that wall: above its sill. */
function coversOpening(project: Project, run: WallRun, kind: Kind, along: number): boolean {
  const { width, height } = kind.sizes;
  const [low, high] = [kind.lift ?? 0, (kind.lift ?? 0) + height.usual];
  return project.openings.some((opening) => {
    if (opening.wallId !== run.wall.id) return false;
    const left = leftAlongWall(opening, run);
    const sill = mmOf(opening.sill);
    const beside = along + width.usual / 2 <= left || along - width.usual / 2 >= left + mmOf(opening.width);
    return !beside && high > sill && low < sill + mmOf(opening.height);
  });
}

const insideSpan = (run: WallRun, p: Vector2): boolean => {
  const along = alongWall(run, p);
  return along > -1 && along < run.lengthMm + 1;
};

function boxOf(
  project: Project,
  piece: Piece,
): { x0: number; x1: number; y0: number; y1: number; z0: number; z1: number }[] {
  const footprint = footprintOf(project, piece);
  if (!footprint.ok) return [];
  const corners = Object.values(footprint.value.corners);
  const [xs, ys] = [corners.map((p) => p.x), corners.map((p) => p.y)];
  const z0 = mmOf(piece.lift);
  return [
    {
      x0: Math.min(...xs),
      x1: Math.max(...xs),
      y0: Math.min(...ys),
      y1: Math.max(...ys),
      z0,
      z1: z0 + mmOf(piece.height),
    },
  ];
}

/** An opening with usual sizes in a wall: about a point where one is given, else in the free place nearest the wall's middle. */
export function openingFromTemplate(
  project: Project,
  kind: OpeningKind,
  wall: WallRun,
  at: Vector2 | null,
  print: (mm: number) => string,
): Opening {
  const { width } = kind.usual;
  const wanted = at ? alongWall(wall, at) - width / 2 : (wall.lengthMm - width) / 2;
  const others = project.openings
    .filter((one) => one.wallId === wall.wall.id)
    .map((one) => [leftAlongWall(one, wall), leftAlongWall(one, wall) + mmOf(one.width)] as const);
  const most = Math.max(0, wall.lengthMm - width);
  const places = [
    Math.min(most, Math.max(0, wanted)),
    ...Array.from({ length: Math.floor(most / 50) + 1 }, (_, i) => i * 50),
  ].sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted));
  const left =
    places.find((place) => others.every(([a, b]) => place + width <= a - 50 || place >= b + 50)) ?? Math.max(0, wanted);
  return newOpening(
    kind,
    {
      id: freshId(kind.id, idsOf(project)),
      name: freeName(project, shortName(kind.name)),
      wallId: wall.wall.id,
      fromCorner: wall.startCorner,
      offset: Math.round(left / 10) * 10,
    },
    print,
  );
}

const SURFACE_USUAL: Readonly<
  Record<
    SurfaceKind,
    {
      readonly on: Surface['on'];
      readonly bond: Surface['bond'];
      readonly length: number;
      readonly breadth: number;
      readonly joint: number;
      readonly start: number;
    }
  >
> = {
  boards: { on: 'floor', bond: 'staggered', length: 2400, breadth: 140, joint: 0, start: 0 },
  tiles: { on: 'floor', bond: 'square', length: 300, breadth: 300, joint: 5, start: 0 },
  panels: { on: 'ceiling', bond: 'square', length: 600, breadth: 600, joint: 0, start: 0 },
  lights: { on: 'ceiling', bond: 'square', length: 900, breadth: 120, joint: 0, start: 600 },
};

/** One row of lights a little off the wall, as long as they are wide: what is asked for beyond that is told in words. */
export const usualLights = (size: (name: string, mm: number) => Size): LightRows => ({
  length: size('light length', 120),
  fromWall: size('first row', 600),
  rowDistance: size('row distance', 1200),
  rows: 1,
  perRow: 0,
  innerLines: 0,
});

export function surfaceFromTemplate(
  project: Project,
  kind: SurfaceKind,
  wall: WallRun,
  print: (mm: number) => string,
): Surface | null {
  const space = wallOf(project, wall.wall.id)?.space;
  if (!space) return null;
  const id = freshId(kind, idsOf(project));
  const usual = SURFACE_USUAL[kind];
  const size = (name: string, mm: number) =>
    newSize(`${id}/${name}`, { mm, asTyped: print(mm), source: 'usual', uncertaintyMm: USUAL_UNCERTAINTY_MM.usual });
  return {
    id,
    name: freeName(project, kind),
    kind,
    spaceId: space.id,
    on: usual.on,
    wallId: wall.wall.id,
    bond: usual.bond,
    length: size('length', usual.length),
    breadth: size('breadth', usual.breadth),
    joint: size('joint', usual.joint),
    start: size('start', usual.start),
    turnDeg: 0,
    lights: kind === 'lights' ? usualLights(size) : null,
  };
}

/** Things one can walk through with the keyboard: rooms with their walls and openings, pieces, surfaces. */
export const walkOf = (project: Project): readonly Id[] => [
  ...project.spaces.flatMap((space) => [
    space.id,
    ...space.walls.flatMap((wall) => [
      wall.id,
      ...project.openings.filter((one) => one.wallId === wall.id).map((one) => one.id),
    ]),
  ]),
  ...project.pieces.map((one) => one.id),
  ...project.surfaces.map((one) => one.id),
];
