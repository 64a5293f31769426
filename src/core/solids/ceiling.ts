import { at } from '@/core/base';
import { dot2, type Vector2, splitOutline } from '@/core/geometry';
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

const distanceTo =
  (run: WallRun) =>
  (p: Vector2): number =>
    (p.x - run.start.x) * run.intoRoom.x + (p.y - run.start.y) * run.intoRoom.y;
const placeOn =
  (run: WallRun) =>
  (p: Vector2): number =>
    (p.x - run.start.x) * run.run.x + (p.y - run.start.y) * run.run.y;

const farthest = (run: WallRun, outline: readonly Vector2[]): number => Math.max(...outline.map(distanceTo(run)));

/** Why the ceiling cannot be as it is said, in words without the room's name, or null. */
export function ceilingFault(space: Space): string | null {
  const { ceiling } = space;
  if (ceiling.shape === 'flat') return null;
  const runs = wallRuns(space);
  const outline = runs.map((run) => run.start);
  const eaves = mmOf(space.ceilingHeight);
  const named = (wallId: string): WallRun | undefined => runs.find((run) => run.wall.id === wallId);
  if (ceiling.shape === 'stepped') {
    for (const zone of ceiling.zones) {
      const run = named(zone.wallId);
      if (!run) return 'names a wall for a ceiling zone that is not one of its own';
      if (!(mmOf(zone.depth) > 0 && mmOf(zone.depth) < farthest(run, outline)))
        return `has a ceiling zone along ${run.wall.name} that is deeper than the room`;
    }
    return null;
  }
  const run = named(ceiling.wallId);
  if (!run) return 'names a wall for its ceiling that is not one of its own';
  const span = farthest(run, outline);
  if (ceiling.shape === 'sloped') return mmOf(ceiling.highHeight) > 0 ? null : 'has a ceiling that slopes to nothing';
  if (ceiling.shape === 'gabled') {
    const ridge = mmOf(ceiling.ridgeFrom);
    if (!(ridge > 0 && ridge < span))
      return `has its ridge outside the room: it must lie within ${Math.round(span)} mm of ${run.wall.name}`;
    return mmOf(ceiling.ridgeHeight) > eaves ? null : 'has a ridge that is not above the eaves';
  }
  const square =
    runs.length === 4 &&
    runs.every((one) => {
      const along = Math.abs(dot2(one.run, run.run));
      return along < 1e-6 || along > 1 - 1e-9;
    });
  if (!square) return 'has a barrel vault, which needs four walls square to each other';
  return mmOf(ceiling.rise) > 0 && mmOf(ceiling.rise) <= span / 2 + 1e-6
    ? null
    : `has a vault that rises more than half its span of ${Math.round(span)} mm`;
}

/** The ceiling's shape; a flat one where it cannot be as it is said. */
export function ceilingShape(space: Space): CeilingShape {
  const runs = wallRuns(space);
  const outline: readonly Vector2[] = runs.map((run) => run.start);
  const base = mmOf(space.ceilingHeight);
  const flat: CeilingShape = { kind: 'regions', regions: [{ outline, height: () => base }] };
  if (ceilingFault(space) !== null) return flat;
  const { ceiling } = space;
  const named = (wallId: string): WallRun =>
    at(
      runs.filter((run) => run.wall.id === wallId),
      0,
    );
  switch (ceiling.shape) {
    case 'flat':
      return flat;
    case 'stepped': {
      const regions: CeilingRegion[] = [];
      let rest: readonly (readonly Vector2[])[] = [outline];
      for (const zone of ceiling.zones) {
        const run = named(zone.wallId);
        const depth = mmOf(zone.depth);
        const height = mmOf(zone.height);
        const cut = rest.map((part) => splitOutline(part, (p) => distanceTo(run)(p) - depth, placeOn(run)));
        regions.push(...cut.flatMap((one) => one.near).map((part) => ({ outline: part, height: () => height })));
        rest = cut.flatMap((one) => one.far);
      }
      return { kind: 'regions', regions: [...regions, ...rest.map((part) => ({ outline: part, height: () => base }))] };
    }
    case 'sloped': {
      const run = named(ceiling.wallId);
      const span = farthest(run, outline);
      const pitch = (mmOf(ceiling.highHeight) - base) / span;
      return { kind: 'regions', regions: [{ outline, height: (p) => base + pitch * distanceTo(run)(p) }] };
    }
    case 'gabled': {
      const run = named(ceiling.wallId);
      const [ridge, top, span] = [mmOf(ceiling.ridgeFrom), mmOf(ceiling.ridgeHeight), farthest(run, outline)];
      const { near, far } = splitOutline(outline, (p) => distanceTo(run)(p) - ridge, placeOn(run));
      const up = (top - base) / ridge;
      const down = (top - base) / (span - ridge);
      return {
        kind: 'regions',
        regions: [
          ...near.map((part): CeilingRegion => ({ outline: part, height: (p) => base + up * distanceTo(run)(p) })),
          ...far.map((part): CeilingRegion => ({
            outline: part,
            height: (p) => base + down * (span - distanceTo(run)(p)),
          })),
        ],
      };
    }
    case 'barrel': {
      const along = named(ceiling.wallId);
      return {
        kind: 'vault',
        vault: { along, span: farthest(along, outline), springing: base, rise: mmOf(ceiling.rise) },
      };
    }
  }
}

/** A point of a wall's upper edge: place along the wall and height above the floor. */
export interface TopPoint {
  readonly along: number;
  readonly height: number;
  /** Number of the region that the stretch to the next point borders; none where it steps up or down in place. */
  readonly region: number | null;
}

const SAME_MM = 1e-4;

/** A wall's upper edge from its left end to its right, under the regions of the ceiling. */
export function wallTop(run: WallRun, regions: readonly CeilingRegion[]): readonly TopPoint[] {
  const spans = regions.flatMap(({ outline, height }, region) =>
    outline.flatMap((a, i) => {
      const b = at(outline, (i + 1) % outline.length);
      if (Math.abs(distanceTo(run)(a)) > SAME_MM || Math.abs(distanceTo(run)(b)) > SAME_MM) return [];
      const [from, to] = [placeOn(run)(a), placeOn(run)(b)];
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
