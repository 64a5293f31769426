import type { Vector2 } from '@/core/geometry';
import { mmOf, wallRuns, type Space, type WallRun } from '@/core/record';

/** A flat part of a ceiling: its outline in plan and its height at a point. */
export interface CeilingRegion {
  readonly outline: readonly Vector2[];
  readonly height: (p: Vector2) => number;
}

/** A round vault: over a rectangle, along a wall. */
export interface Vault {
  readonly along: WallRun;
  readonly span: number;
  readonly springing: number;
  readonly rise: number;
}

export type CeilingShape =
  | { readonly kind: 'regions'; readonly regions: readonly CeilingRegion[] }
  | { readonly kind: 'vault'; readonly vault: Vault };

/** A room as its ceiling reads it. */
export interface CeilingRoom {
  readonly space: Space;
  readonly runs: readonly WallRun[];
  /** Corners in plan, clockwise. */
  readonly outline: readonly Vector2[];
  /** Height at the walls, mm above the floor: flat height, eaves or springing line. */
  readonly eaves: number;
  /** The wall the ceiling runs along, where it has one. */
  readonly wall: WallRun | undefined;
  /** One of the ceiling's own sizes, mm; zero where the record has none. */
  readonly size: (name: string) => number;
}

/** A line up a slope: the level direction it climbs in, and how much it rises for each mm along it. */
export interface Slope {
  readonly words: string;
  readonly toward: Vector2;
  readonly rise: number;
}

/** One shape of ceiling, declared in one file. */
export interface CeilingKind {
  readonly id: string;
  /** How it is called in “its ceiling is …”. */
  readonly words: string;
  /** Whether it runs along a wall of the room. */
  readonly along: 'a-wall' | 'nothing';
  /** Zones with heights of their own that a new one begins with; none where the shape has no zones. */
  readonly zones: readonly { readonly depth: number; readonly below: number }[];
  /** Its own sizes by name, with what they usually are over the height at the walls. */
  readonly sizes: Readonly<Record<string, (eaves: number) => number>>;
  /** Its sizes in a sentence after the height at the walls. */
  readonly says: readonly (string | { readonly size: string; readonly label: string })[];
  /** Why it cannot be as it is said, in words without the room's name, or null. Asked when the wall and the zones' walls are its own. */
  readonly fault: (room: CeilingRoom, show: (mm: number) => string) => string | null;
  readonly shape: (room: CeilingRoom) => CeilingShape;
  /** Heights besides the one at the walls that are worth laying down before drawing, mm above the floor. */
  readonly heights: (room: CeilingRoom) => readonly { readonly mm: number; readonly words: string }[];
  /** The slopes whose lines vanish above or below the horizon. */
  readonly slopes: (room: CeilingRoom) => readonly Slope[];
}

export function ceilingRoom(space: Space): CeilingRoom {
  const runs = wallRuns(space);
  return {
    space,
    runs,
    outline: runs.map((run) => run.start),
    eaves: mmOf(space.ceilingHeight),
    wall: runs.find((run) => run.wall.id === space.ceiling.wallId),
    size: (name) => {
      const own = space.ceiling.sizes[name];
      return own ? mmOf(own) : 0;
    },
  };
}

/** Distance of a point from a wall's room face. */
export const distanceTo =
  (run: WallRun) =>
  (p: Vector2): number =>
    (p.x - run.start.x) * run.intoRoom.x + (p.y - run.start.y) * run.intoRoom.y;

/** How deep the room is, measured from a wall. */
export const farthestFrom = (run: WallRun, outline: readonly Vector2[]): number =>
  Math.max(...outline.map(distanceTo(run)));
