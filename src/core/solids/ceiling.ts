import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import type { Vector2 } from '@/core/geometry';
import { alongWall, type Ceiling, type Id, type Size, type Space, type WallRun, estimatedSize } from '@/core/record';
import {
  ceilingKindOf,
  ceilingRoom,
  FLAT,
  type CeilingKind,
  type CeilingRegion,
  type CeilingShape,
  type Slope,
} from './ceilings';

/** Why the ceiling cannot be as it is said, in words without the room's name, or null. */
export function ceilingFault(space: Space, show: (mm: number) => string = (mm) => `${mm} mm`): string | null {
  const { ceiling } = space;
  const kind = ceilingKindOf(ceiling.shape);
  if (!kind) return `has a ceiling called “${ceiling.shape}”, which is not known here`;
  const room = ceilingRoom(space);
  const own = (wallId: Id): boolean => room.runs.some((run) => run.wall.id === wallId);
  if (!ceiling.zones.every((zone) => own(zone.wallId)))
    return 'names a wall for a ceiling zone that is not one of its own';
  if (kind.along === 'a-wall' && !room.wall) return 'names a wall for its ceiling that is not one of its own';
  return kind.fault(room, show);
}

/** The kind a ceiling is drawn as: flat where it cannot be as it is said. */
const soundKind = (space: Space): CeilingKind =>
  ceilingFault(space) === null ? (ceilingKindOf(space.ceiling.shape) ?? FLAT) : FLAT;

/** The ceiling's shape; a flat one where it cannot be as it is said. */
export const ceilingShape = (space: Space): CeilingShape => soundKind(space).shape(ceilingRoom(space));

/** Heights above the floor that are worth laying down besides the one at the walls. */
export const ceilingHeights = (space: Space): readonly { readonly mm: number; readonly words: string }[] =>
  soundKind(space).heights(ceilingRoom(space));

/** Its slopes, whose lines vanish off the horizon. */
export const ceilingSlopes = (space: Space): readonly Slope[] => soundKind(space).slopes(ceilingRoom(space));

/** A ceiling of a kind as one begins with it: along the first wall, its sizes estimated from the height at the walls. */
export function newCeiling(kind: CeilingKind, space: Space, eaves: number, print: (mm: number) => string): Ceiling {
  const first = at(space.walls, 0).id;
  const estimate = (what: string, mm: number): Size => estimatedSize(`${space.id}/${what}`, mm, print);
  return {
    shape: kind.id,
    wallId: kind.along === 'a-wall' ? first : null,
    sizes: Object.fromEntries(Object.entries(kind.sizes).map(([name, usual]) => [name, estimate(name, usual(eaves))])),
    zones: kind.zones.map(({ depth, below }, i) => ({
      id: `${space.id}/zone-${i + 1}`,
      wallId: first,
      depth: estimate(`zone-${i + 1}-depth`, depth),
      height: estimate(`zone-${i + 1}-height`, eaves - below),
    })),
  };
}

/** A point of a wall's upper edge: place along the wall and height above the floor. */
export interface TopPoint {
  readonly along: number;
  readonly height: number;
  /** Number of the region that the stretch to the next point borders; none where it steps up or down in place. */
  readonly region: number | null;
}

const SAME_MM = tolerance.sameHeightMm;

/** A wall's upper edge from its left end to its right, under the regions of the ceiling. */
export function wallTop(run: WallRun, regions: readonly CeilingRegion[]): readonly TopPoint[] {
  const off = (p: Vector2): number =>
    Math.abs((p.x - run.start.x) * run.intoRoom.x + (p.y - run.start.y) * run.intoRoom.y);
  const spans = regions.flatMap(({ outline, height }, region) =>
    outline.flatMap((a, i) => {
      const b = at(outline, (i + 1) % outline.length);
      if (off(a) > SAME_MM || off(b) > SAME_MM) return [];
      const [from, to] = [alongWall(run, a), alongWall(run, b)];
      // Outlines run clockwise as the walls do; the same stretch of another wall on this line runs beyond this one's ends.
      if (to - from < SAME_MM || from < -SAME_MM || to > run.lengthMm + SAME_MM) return [];
      return [{ from, to, low: height(a), high: height(b), region }];
    }),
  );
  spans.sort((a, b) => a.from - b.from);
  const points: TopPoint[] = [];
  for (const { from, to, low, high, region } of spans) {
    const last = points.at(-1);
    if (last && Math.abs(last.height - low) < SAME_MM) points.pop();
    points.push({ along: from, height: low, region }, { along: to, height: high, region: null });
  }
  return points;
}
