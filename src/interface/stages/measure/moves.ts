import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import { dot2, insideLoops, type Vector2 } from '@/core/geometry';
import {
  leftAlongWall,
  distanceFromWall,
  footprintOf,
  mmOf,
  outlineOf,
  wallRuns,
  type Id,
  type Project,
} from '@/core/record';
import { planPoint } from '@/core/space';
import { MM_PER_INCH, type UnitSystem } from '@/core/units';

/** What a person would write when setting a thing down by eye: 10 mm, or half an inch. */
export const stepOf = (units: UnitSystem): number => (units === 'imperial' ? MM_PER_INCH / 2 : 10);
const toStep = (mm: number, units: UnitSystem): number => Math.round(mm / stepOf(units)) * stepOf(units);

export type Snap = (by: Vector2, reach: number) => Vector2;

/**
 * How far a piece moves when it is dragged by a vector: its back, sides or front catch at walls and in line with other pieces within
 * `reach` mm; else its offsets are rounded to what a person would write. The lines it may catch at are worked out once for a drag.
 */
export function snapFor(project: Project, pieceId: Id): Snap {
  const piece = project.pieces.find((one) => one.id === pieceId);
  const footprint = piece && footprintOf(project, piece);
  if (!piece || !footprint?.ok) return (by) => by;
  const corners = Object.values(footprint.value.corners);
  const home = project.spaces.find((space) => space.walls.some((wall) => wall.id === piece.place.from[0].wallId));
  const runs = home ? wallRuns(home) : [];
  const others = project.pieces
    .filter((one) => one.id !== pieceId && home?.walls.some((wall) => wall.id === one.place.from[0].wallId))
    .flatMap((one) => {
      const place = footprintOf(project, one);
      return place.ok ? [Object.values(place.value.corners)] : [];
    });
  const axes = piece.place.from.flatMap((offset) => {
    const run = runs.find((one) => one.wall.id === offset.wallId);
    if (!run) return [];
    const n = run.intoRoom;
    const own = corners.map((p) => distanceFromWall(run, p));
    // Walls parallel to this one, and the near and far sides of other pieces.
    const lines = [
      ...runs
        .filter((one) => Math.abs(dot2(one.intoRoom, n)) > 1 - tolerance.sameCosine)
        .map((one) => distanceFromWall(run, one.start)),
      ...others.flatMap((outline) => {
        const all = outline.map((p) => distanceFromWall(run, p));
        return [Math.min(...all), Math.max(...all)];
      }),
    ];
    return [{ n, low: Math.min(...own), high: Math.max(...own), lines, offset: mmOf(offset.distance) }];
  });
  return (by, reach) => {
    let moved = by;
    for (const { n, low, high, lines, offset } of axes) {
      const along = dot2(moved, n);
      let best: number | null = null;
      for (const line of lines)
        for (const side of [low, high]) {
          const shift = line - side - along;
          if (Math.abs(shift) <= reach && (best === null || Math.abs(shift) < Math.abs(best))) best = shift;
        }
      const shift = best ?? toStep(offset + along, project.units) - offset - along;
      moved = { x: moved.x + n.x * shift, y: moved.y + n.y * shift };
    }
    return moved;
  };
}

/** Where a new corner of walls being drawn falls: on the first one to close, in line with the last or the first, or on a round figure. */
export function snappedCorner(
  drawn: readonly Vector2[],
  p: Vector2,
  reach: number,
  units: UnitSystem,
): { readonly at: Vector2; readonly closes: boolean } {
  const first = drawn[0];
  const last = drawn.at(-1);
  if (first && drawn.length > 2 && Math.hypot(p.x - first.x, p.y - first.y) <= reach)
    return { at: first, closes: true };
  const rounded = (mm: number): number => toStep(mm, units);
  if (!last) return { at: { x: rounded(p.x), y: rounded(p.y) }, closes: false };
  let { x, y } = { x: last.x + rounded(p.x - last.x), y: last.y + rounded(p.y - last.y) };
  for (const line of [last, first]) {
    if (!line) continue;
    if (Math.abs(p.x - line.x) <= reach) x = line.x;
    if (Math.abs(p.y - line.y) <= reach) y = line.y;
  }
  return { at: { x, y }, closes: false };
}

/** A corner of a room dragged: in line with its neighbours within reach, else on a round distance from the one before. */
export function snappedRoomCorner(project: Project, spaceId: Id, cornerId: Id, p: Vector2, reach: number): Vector2 {
  const space = project.spaces.find((one) => one.id === spaceId);
  if (!space) return p;
  const { corners } = outlineOf(space);
  const index = corners.findIndex((one) => one.id === cornerId);
  const before = at(corners, (index + corners.length - 1) % corners.length).at;
  const after = at(corners, (index + 1) % corners.length).at;
  let { x, y } = {
    x: before.x + toStep(p.x - before.x, project.units),
    y: before.y + toStep(p.y - before.y, project.units),
  };
  for (const one of [before, after]) {
    if (Math.abs(p.x - one.x) <= reach) x = one.x;
    if (Math.abs(p.y - one.y) <= reach) y = one.y;
  }
  return { x, y };
}

export type Pick =
  { readonly kind: 'piece' | 'opening' | 'wall' | 'space'; readonly id: Id } | { readonly kind: 'nothing' };

/** What lies under a point of the plan: the smallest piece, then an opening, then a wall, then the room. */
export function pickInPlan(project: Project, p: Vector2, reach: number, levelId: Id): Pick {
  let best: { id: Id; area: number } | null = null;
  for (const piece of project.pieces) {
    if (piece.levelId !== levelId) continue;
    const footprint = footprintOf(project, piece);
    if (!footprint.ok) continue;
    const { corners, width, depth } = footprint.value;
    const outline = [corners['back-left'], corners['back-right'], corners['front-right'], corners['front-left']];
    if (!insideLoops([outline], p.x, p.y)) continue;
    if (!best || width * depth < best.area) best = { id: piece.id, area: width * depth };
  }
  if (best) return { kind: 'piece', id: best.id };
  for (const space of project.spaces) {
    if (space.levelId !== levelId) continue;
    for (const run of wallRuns(space)) {
      const away = distanceFromWall(run, planPoint(p.x, p.y));
      const along = (p.x - run.start.x) * run.run.x + (p.y - run.start.y) * run.run.y;
      if (Math.abs(away) > reach || along < -reach || along > run.lengthMm + reach) continue;
      const opening = project.openings.find((one) => {
        if (one.wallId !== run.wall.id) return false;
        const left = leftAlongWall(one, run);
        return along >= left && along <= left + mmOf(one.width);
      });
      return opening ? { kind: 'opening', id: opening.id } : { kind: 'wall', id: run.wall.id };
    }
  }
  const room = project.spaces.find(
    (space) => space.levelId === levelId && insideLoops([outlineOf(space).corners.map((one) => one.at)], p.x, p.y),
  );
  return room ? { kind: 'space', id: room.id } : { kind: 'nothing' };
}

/** The two walls a new piece near a point is measured from: the nearest, and the nearest of those not parallel to it. */
export function placingWalls(
  project: Project,
  p: Vector2,
  levelId: Id,
): readonly [{ wallId: Id; mm: number }, { wallId: Id; mm: number }] | null {
  const space =
    project.spaces.find(
      (one) => one.levelId === levelId && insideLoops([outlineOf(one).corners.map((c) => c.at)], p.x, p.y),
    ) ?? project.spaces.find((one) => one.levelId === levelId);
  if (!space) return null;
  const runs = wallRuns(space)
    .map((run) => ({ run, mm: distanceFromWall(run, planPoint(p.x, p.y)) }))
    .sort((a, b) => Math.abs(a.mm) - Math.abs(b.mm));
  const first = runs[0];
  const second = runs.find((one) => first && Math.abs(dot2(one.run.run, first.run.intoRoom)) > 0.5);
  if (!first || !second) return null;
  return [
    { wallId: first.run.wall.id, mm: first.mm },
    { wallId: second.run.wall.id, mm: second.mm },
  ];
}
