import { bearingOf, type Vector2 } from '@/core/geometry';
import {
  freshId,
  mmOf,
  newSize,
  outlineOf,
  PLAIN_SPACE,
  several,
  typedWalls,
  USUAL_UNCERTAINTY_MM,
  type Change,
  type Id,
  type Project,
  type Size,
  type Space,
} from '@/core/record';
import { freeName, idsOf } from './place-template';

/** Nothing has been measured in it yet: the room one begins with, which the first walls replace. */
const isBare = ({ openings, pieces, surfaces, spaces }: Project): boolean =>
  openings.length + pieces.length + surfaces.length === 0 && spaces.length === 1;

/** The id of the room whose walls are laid next. */
export const newSpaceId = (project: Project): Id =>
  isBare(project) ? (project.spaces[0]?.id ?? 'room') : freshId('room', idsOf(project));

/** A new room is as high as the first there is; usual, until somebody measures it. */
export function usualCeiling({ spaces }: Project, spaceId: Id, print: (mm: number) => string): Size {
  const mm = spaces[0] ? mmOf(spaces[0].ceilingHeight) : 2500;
  return newSize(`${spaceId}/ceiling-height`, {
    mm,
    asTyped: print(mm),
    source: 'usual',
    uncertaintyMm: USUAL_UNCERTAINTY_MM.usual,
  });
}

/** The change that lays a room: in place of the one one begins with, or beside those there are. */
export function layingOf(project: Project, space: Space, how: 'share' | 'as-typed'): Change {
  const laid: Change = isBare(project)
    ? { kind: 'lay-first-room', space }
    : { kind: 'add-space', space: beside(project, space) };
  return how === 'share' ? several([laid, { kind: 'share-closing-error', spaceId: space.id }]) : laid;
}

/** A further room is laid down to the right of those there are, a wall's thickness away; its place can be typed. */
function beside(project: Project, space: Space): Space {
  const name = freeName(project, 'Room');
  if (space.origin.x !== 0 || space.origin.y !== 0) return { ...space, name };
  const across = (one: Space): readonly number[] => outlineOf(one).corners.map((corner) => corner.at.x);
  const right = Math.max(...project.spaces.flatMap(across));
  return { ...space, name, origin: { x: right + WALL_MM - Math.min(...across(space)), y: 0 } };
}
/** A wall's usual thickness, mm. */
const WALL_MM = 150;

/** A room by corners pressed on the plan: its walls run clockwise whichever way they were drawn. Null without a corner. */
export function drawnRoom(
  project: Project,
  levelId: Id,
  corners: readonly Vector2[],
  print: (mm: number) => string,
): Space | null {
  let twice = 0;
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length] ?? p;
    twice += p.x * q.y - q.x * p.y;
  });
  const clockwise = twice < 0 ? corners : [...corners].reverse();
  const [start] = clockwise;
  if (!start) return null;
  const sides = clockwise.map((p, i) => {
    const q = clockwise[(i + 1) % clockwise.length] ?? p;
    return { mm: Math.hypot(q.x - p.x, q.y - p.y), bearing: bearingOf({ x: q.x - p.x, y: q.y - p.y }) };
  });
  const id = newSpaceId(project);
  const walls = typedWalls(
    id,
    ((sides[0]?.bearing ?? 0) + 360) % 360,
    sides.map((one, i) => ({
      mm: one.mm,
      asTyped: print(one.mm),
      turnDeg: i === 0 ? 0 : one.bearing - (sides[i - 1]?.bearing ?? 0),
      source: 'estimated' as const,
    })),
  );
  return {
    ...PLAIN_SPACE,
    ...{ id, levelId, walls },
    name: freeName(project, 'Room'),
    origin: { x: start.x, y: start.y },
    ceilingHeight: usualCeiling(project, id, print),
  };
}
