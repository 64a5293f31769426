import { at, err, ok } from '@/core/base';
import { bearingOf, along2, length2, type Vector2 } from '@/core/geometry';
import { normaliseBearing } from '@/core/units';
import { plansOf, replace, withoutServed, type Edit } from './edits';
import { freshId } from './fresh-id';
import { wallOf } from './lookup';
import { outlineFault, outlineOf, wallRuns } from './outline';
import { standByRule } from './stand-by-rule';
import { movedSize } from './piece-edits';
import type { Project, Space, Wall } from './project';
import {
  claimOf,
  estimatedSize,
  mmOf,
  newSize,
  USUAL_UNCERTAINTY_MM,
  withClaim,
  type Id,
  type Size,
  type Source,
} from './size';

/** One wall as it is typed: its length, and the angle from the wall before it, clockwise; 90 turns right, as the walls of a plain room do. */
export interface TypedWall {
  readonly mm: number;
  readonly asTyped: string;
  readonly turnDeg: number;
  readonly source: Source;
}

/**
 * Walls from typed lengths and turns, named after where they look, with ids of their own. The last wall is kept as typed: what it misses
 * the first corner by is the closing error, shown and never hidden.
 */
export function typedWalls(spaceId: Id, firstBearingDeg: number, typed: readonly TypedWall[]): readonly Wall[] {
  let bearing = firstBearingDeg;
  const used: string[] = [];
  const named: string[] = [];
  return typed.map((one, i) => {
    bearing = normaliseBearing(i === 0 ? firstBearingDeg : bearing + one.turnDeg);
    const name = sideName(bearing);
    const id = freshId(`${spaceId}-${name}`, used);
    used.push(id);
    named.push(name);
    const many = named.filter((other) => other === name).length;
    return {
      id,
      name: many === 1 ? `the ${name} wall` : `the ${name} wall ${many}`,
      startCorner: `${id}/corner`,
      bearingDeg: bearing,
      length: newSize(`${id}/length`, {
        mm: one.mm,
        asTyped: one.asTyped,
        source: one.source,
        uncertaintyMm: USUAL_UNCERTAINTY_MM[one.source],
      }),
    };
  });
}

/** The side of the room a wall lies on: walls run clockwise, so one that runs east lies to the north. */
function sideName(bearing: number): string {
  return at(
    ['west', 'north-west', 'north', 'north-east', 'east', 'south-east', 'south', 'south-west'],
    Math.round(bearing / 45) % 8,
  );
}

const OUTLINE_WORDS = {
  'too-few-walls': 'A room wants at least three walls.',
  'crosses-itself': 'These walls cross or fold back on each other. Check lengths and angles.',
  'runs-the-wrong-way': 'These walls run anticlockwise. Go round the room to the right: 90 at each inner corner.',
} as const;

export function addSpace(project: Project, space: Space): Edit {
  if (project.spaces.some((one) => one.id === space.id))
    return err({ reason: 'id-in-use', message: 'That name is taken by another room.' });
  const fault = outlineFault(space);
  if (fault) return err({ reason: 'refused-outline', message: OUTLINE_WORDS[fault] });
  return ok({ ...project, spaces: [...project.spaces, space] });
}

/** Guessed intervals on walls that are gone go with them. */
const withoutGuesses = (views: Project['views'], gone: (wallId: Id) => boolean): Project['views'] =>
  views.some((view) => view.guesses.some((guess) => gone(guess.wallId)))
    ? views.map((view) => ({ ...view, guesses: view.guesses.filter((guess) => !gone(guess.wallId)) }))
    : views;

/** Takes a room out with all that is measured from its walls. Refused for the last one. */
export function removeSpace(project: Project, spaceId: Id): Edit {
  if (project.spaces.length < 2) return err({ reason: 'last-view', message: 'A project keeps at least one room.' });
  const walls = new Set(project.spaces.find((one) => one.id === spaceId)?.walls.map((wall) => wall.id) ?? []);
  const corners = new Set(
    project.spaces.find((one) => one.id === spaceId)?.walls.map((wall) => wall.startCorner) ?? [],
  );
  const bound = project.views.find(({ picturePlane: plane }) =>
    plane.through === 'wall' ? walls.has(plane.wallId) : plane.through === 'corner' && corners.has(plane.cornerId),
  );
  if (bound)
    return err({
      reason: 'refused-place',
      message: `The picture plane of ${bound.name} is bound to this room. Bind it elsewhere first.`,
    });
  const pieces = project.pieces.filter((piece) => !piece.place.from.some((offset) => walls.has(offset.wallId)));
  const left = new Set(pieces.map((piece) => piece.id));
  const openings = project.openings.filter((one) => !walls.has(one.wallId));
  const gone = new Set<Id>([
    spaceId,
    ...walls,
    ...project.pieces.filter((one) => !left.has(one.id)).map((one) => one.id),
    ...project.openings.filter((one) => walls.has(one.wallId)).map((one) => one.id),
  ]);
  const next: Project = {
    ...project,
    spaces: project.spaces.filter((one) => one.id !== spaceId),
    openings: openings.map((one) =>
      one.throughWallId !== null && walls.has(one.throughWallId) ? { ...one, throughWallId: null } : one,
    ),
    pieces,
    surfaces: project.surfaces.filter((one) => one.spaceId !== spaceId),
    plans: plansOf(project.plans, (id) => left.has(id)),
    views: withoutGuesses(project.views, (wallId) => walls.has(wallId)),
  };
  return ok(withoutServed(next, gone));
}

export function addLevel(project: Project, id: Id, name: string, elevation: Size): Edit {
  if (project.levels.some((one) => one.id === id))
    return err({ reason: 'id-in-use', message: 'That name is taken by another level.' });
  return ok({ ...project, levels: [...project.levels, { id, name, elevation }] });
}

export function changeSpace(project: Project, spaceId: Id, change: Partial<Omit<Space, 'id' | 'walls'>>): Edit {
  if (!project.spaces.some((one) => one.id === spaceId))
    return err({ reason: 'unknown', message: 'That room is not in this project.' });
  return ok({ ...project, spaces: replace(project.spaces, spaceId, (one) => ({ ...one, ...change })) });
}

/** Changes one wall's bearing; refused when the room would enclose nothing. */
export function changeWall(project: Project, wallId: Id, change: Partial<Pick<Wall, 'bearingDeg' | 'name'>>): Edit {
  const owner = wallOf(project, wallId);
  if (!owner) return err({ reason: 'unknown', message: 'That wall is not in this project.' });
  const walls = owner.space.walls.map((wall) =>
    wall.id === wallId
      ? {
          ...wall,
          ...change,
          ...(change.bearingDeg === undefined ? {} : { bearingDeg: normaliseBearing(change.bearingDeg) }),
        }
      : wall,
  );
  return withWalls(project, owner.space, walls);
}

function withWalls(project: Project, space: Space, walls: readonly Wall[], origin = space.origin): Edit {
  const next = { ...space, walls, origin };
  const fault = outlineFault(next);
  if (fault) return err({ reason: 'refused-outline', message: OUTLINE_WORDS[fault] });
  const gone = new Set(space.walls.map((wall) => wall.id));
  for (const wall of walls) gone.delete(wall.id);
  const changed: Project = {
    ...project,
    spaces: replace(project.spaces, space.id, () => next),
    views: withoutGuesses(project.views, (wallId) => gone.has(wallId)),
  };
  return ok(gone.size > 0 ? withoutServed(changed, gone) : changed);
}

/** A wall between two points: bearing and length as they come out, the length an estimate unless it did not change. */
function drawnWall(wall: Wall, from: Vector2, to: Vector2, print: (mm: number) => string): Wall {
  const run = { x: to.x - from.x, y: to.y - from.y };
  const mm = Math.round(length2(run) * 1000) / 1000;
  return {
    ...wall,
    bearingDeg: normaliseBearing(bearingOf(run)),
    length: Math.abs(mm - mmOf(wall.length)) < 0.01 ? wall.length : movedSize(wall.length, mm, print),
  };
}

/**
 * Shares the closing error over all walls in proportion to their length, as surveyors do (Bowditch's rule): each corner moves by the
 * error times the way walked so far over the whole way. Lengths become claims of their own; what was measured stays in the record.
 */
export function shareClosingError(project: Project, spaceId: Id, print: (mm: number) => string): Edit {
  const space = project.spaces.find((one) => one.id === spaceId);
  if (!space) return err({ reason: 'unknown', message: 'That room is not in this project.' });
  const { corners, closingGap } = outlineOf(space);
  const whole = space.walls.reduce((sum, wall) => sum + mmOf(wall.length), 0);
  let walked = 0;
  const points = corners.map(({ at: p }, i) => {
    const share = walked / whole;
    walked += mmOf(at(space.walls, i).length);
    return { x: p.x - closingGap.x * share, y: p.y - closingGap.y * share };
  });
  const walls = space.walls.map((wall, i) => closed(wall, at(points, i), at(points, (i + 1) % points.length), print));
  return withWalls(project, space, walls);
}

/** The last wall takes the whole closing error: its length and bearing become what closes the room. */
export function closeIntoLastWall(project: Project, spaceId: Id, print: (mm: number) => string): Edit {
  const space = project.spaces.find((one) => one.id === spaceId);
  if (!space) return err({ reason: 'unknown', message: 'That room is not in this project.' });
  const { corners } = outlineOf(space);
  const last = space.walls.length - 1;
  const walls = space.walls.map((wall, i) =>
    i === last ? closed(wall, at(corners, last).at, at(corners, 0).at, print) : wall,
  );
  return withWalls(project, space, walls);
}

/** A wall drawn to close a room keeps the full figure: rounding it would open the room again. Its uncertainty covers what was shared out. */
function closed(wall: Wall, from: Vector2, to: Vector2, print: (mm: number) => string): Wall {
  const run = { x: to.x - from.x, y: to.y - from.y };
  const mm = length2(run);
  const before = claimOf(wall.length);
  const change = Math.abs(mm - before.mm);
  return {
    ...wall,
    bearingDeg: normaliseBearing(bearingOf(run)),
    length:
      change < 1e-9
        ? wall.length
        : withClaim(wall.length, {
            mm,
            asTyped: print(mm),
            source: before.source,
            uncertaintyMm: Math.max(before.uncertaintyMm, change),
          }),
  };
}

/** Moves one corner of a room in plan; the two walls that meet there follow. */
export function moveCorner(
  project: Project,
  spaceId: Id,
  cornerId: Id,
  to: Vector2,
  print: (mm: number) => string,
): Edit {
  const space = project.spaces.find((one) => one.id === spaceId);
  const index = space?.walls.findIndex((wall) => wall.startCorner === cornerId) ?? -1;
  if (!space || index < 0) return err({ reason: 'unknown', message: 'That corner is not in this project.' });
  const n = space.walls.length;
  const points = outlineOf(space).corners.map((corner, i): Vector2 => (i === index ? to : corner.at));
  const walls = space.walls.map((wall, i) =>
    i === index || i === (index + n - 1) % n ? drawnWall(wall, at(points, i), at(points, (i + 1) % n), print) : wall,
  );
  return withWalls(project, space, walls, index === 0 ? { x: to.x, y: to.y } : space.origin);
}

/** Takes a corner out: the wall before it runs on to the next corner. Openings of the lost wall are refused, not lost. */
export function removeCorner(project: Project, spaceId: Id, cornerId: Id, print: (mm: number) => string): Edit {
  const space = project.spaces.find((one) => one.id === spaceId);
  const index = space?.walls.findIndex((wall) => wall.startCorner === cornerId) ?? -1;
  if (!space || index < 0) return err({ reason: 'unknown', message: 'That corner is not in this project.' });
  const n = space.walls.length;
  const gone = at(space.walls, index);
  const used =
    project.openings.some(
      (one) => one.wallId === gone.id || one.throughWallId === gone.id || one.fromCorner === cornerId,
    ) ||
    project.pieces.some((one) => one.place.from.some((offset) => offset.wallId === gone.id)) ||
    project.surfaces.some((one) => one.wallId === gone.id);
  if (used)
    return err({
      reason: 'refused-place',
      message: `Things are measured from ${gone.name}. Measure them from another wall first.`,
    });
  const bound = project.views.find(({ picturePlane: plane }) =>
    plane.through === 'wall' ? plane.wallId === gone.id : plane.through === 'corner' && plane.cornerId === cornerId,
  );
  if (bound)
    return err({
      reason: 'refused-place',
      message: `The picture plane of ${bound.name} is bound to ${gone.name}. Bind it elsewhere first.`,
    });
  const { corners } = outlineOf(space);
  const beforeIndex = (index + n - 1) % n;
  const walls = space.walls
    .map((wall, i) =>
      i === beforeIndex ? drawnWall(wall, at(corners, beforeIndex).at, at(corners, (index + 1) % n).at, print) : wall,
    )
    .filter((_, i) => i !== index);
  const origin = index === 0 ? at(corners, 1).at : space.origin;
  return withWalls(project, space, walls, { x: origin.x, y: origin.y });
}

export interface PushedWall {
  readonly wallId: Id;
  /** Distances from the wall's left corner between which it is pushed. */
  readonly from: number;
  readonly to: number;
  /** Out of the room, mm: a niche the height of the room; negative for a breast that comes into it. */
  readonly by: number;
}

/** Pushes a part of a wall out or in: four new corners, three new walls, and the rest of the wall under a new name. */
export function pushWall(project: Project, { wallId, from, to, by }: PushedWall, print: (mm: number) => string): Edit {
  const owner = wallOf(project, wallId);
  if (!owner) return err({ reason: 'unknown', message: 'That wall is not in this project.' });
  const { space, wall, index } = owner;
  const run = at(wallRuns(space), index);
  if (!(from > 0 && to > from && to < run.lengthMm))
    return err({ reason: 'outside-wall', message: `The part to push must lie between the ends of ${wall.name}.` });
  if (by === 0) return err({ reason: 'bad-value', message: 'Say how far it is pushed, such as 300.' });
  const held = project.openings.filter((one) => one.wallId === wallId);
  if (held.length > 0)
    return err({
      reason: 'refused-place',
      message: `${held.map((one) => one.name).join(' and ')} is measured on ${wall.name}. Push the wall first, then put openings into it.`,
    });
  const ids = space.walls.map((one) => one.id);
  const fresh = (what: string): Id => {
    const id = freshId(`${wallId}-${what}`, ids);
    ids.push(id);
    return id;
  };
  const point = (along: number, out: number): Vector2 => along2(along2(run.start, run.run, along), run.intoRoom, -out);
  const estimate = (id: Id, mm: number): Size => estimatedSize(`${id}/length`, mm, print);
  const made = (what: string, name: string, a: Vector2, b: Vector2): Wall => {
    const id = fresh(what);
    const d = { x: b.x - a.x, y: b.y - a.y };
    return {
      id,
      name,
      startCorner: `${id}/corner`,
      bearingDeg: normaliseBearing(bearingOf(d)),
      length: estimate(id, length2(d)),
    };
  };
  const word = by > 0 ? 'niche' : 'breast';
  const walls = [
    ...space.walls.slice(0, index),
    { ...wall, length: movedSize(wall.length, from, print) },
    made('left', `the left side of the ${word}`, point(from, 0), point(from, by)),
    made('back', by > 0 ? 'the back of the niche' : 'the face of the breast', point(from, by), point(to, by)),
    made('right', `the right side of the ${word}`, point(to, by), point(to, 0)),
    made('rest', `${wall.name}, right part`, point(to, 0), point(run.lengthMm, 0)),
    ...space.walls.slice(index + 1),
  ];
  return withWalls(project, space, walls);
}

/** Lays the first room of a project in place of the one it began with. Views stand before it by rule. */
export function layFirstRoom(project: Project, space: Space): Edit {
  const fault = outlineFault(space);
  if (fault) return err({ reason: 'refused-outline', message: OUTLINE_WORDS[fault] });
  const room = { ...space, name: project.spaces[0]?.name ?? space.name };
  return ok({
    ...project,
    spaces: [room],
    plans: [],
    views: project.views.map((view) => ({
      ...view,
      ...standByRule(room, view, project.units),
      guesses: [],
      // The room's points lie elsewhere now; what helped the old ones helps nothing.
      aids: [],
    })),
  });
}
