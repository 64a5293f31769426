import { splitOutline, type Vector2 } from '@/core/geometry';
import { alongWall, mmOf } from '@/core/record';
import { distanceTo, farthestFrom, type CeilingKind, type CeilingRegion } from './ceiling-kind';

/** Strips along walls at heights of their own; earlier strips go before later ones where they cross. */
export const stepped: CeilingKind = {
  id: 'stepped',
  words: 'stepped',
  along: 'nothing',
  zones: [{ depth: 900, below: 300 }],
  sizes: {},
  says: [],
  fault: ({ space, runs, outline }) => {
    for (const zone of space.ceiling.zones) {
      const run = runs.find((one) => one.wall.id === zone.wallId);
      if (run && !(mmOf(zone.depth) > 0 && mmOf(zone.depth) < farthestFrom(run, outline)))
        return `has a ceiling zone along ${run.wall.name} that is deeper than the room`;
    }
    return null;
  },
  shape: ({ space, runs, outline, eaves }) => {
    const regions: CeilingRegion[] = [];
    let rest: readonly (readonly Vector2[])[] = [outline];
    for (const zone of space.ceiling.zones) {
      const run = runs.find((one) => one.wall.id === zone.wallId);
      if (!run) continue;
      const depth = mmOf(zone.depth);
      const height = mmOf(zone.height);
      const cut = rest.map((part) =>
        splitOutline(
          part,
          (p) => distanceTo(run)(p) - depth,
          (p) => alongWall(run, p),
        ),
      );
      regions.push(...cut.flatMap((one) => one.near).map((part) => ({ outline: part, height: () => height })));
      rest = cut.flatMap((one) => one.far);
    }
    return { kind: 'regions', regions: [...regions, ...rest.map((part) => ({ outline: part, height: () => eaves }))] };
  },
  heights: ({ space }) => space.ceiling.zones.map((zone) => ({ mm: mmOf(zone.height), words: 'lower ceiling' })),
  slopes: () => [],
};
