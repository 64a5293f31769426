import { convexOverlap, isConvex, triangles, type Vector2 } from '@/core/geometry';
import { outlineOf, type Space } from '@/core/record';
import type { Contradiction, Reading } from './contradiction';

/** Rooms that share a wall measured twice may lie over each other by a tape's reading, mm. */
const SHARED_MM = 10;

const outlines = new WeakMap<Space, readonly (readonly Vector2[])[]>();

/** A room's plan in convex parts. */
function partsOf(space: Space): readonly (readonly Vector2[])[] {
  let parts = outlines.get(space);
  if (!parts) {
    const outline = outlineOf(space).corners.map((corner) => corner.at);
    parts = outline.length < 3 ? [] : isConvex(outline) ? [outline] : triangles(outline);
    outlines.set(space, parts);
  }
  return parts;
}

/** Two rooms of one level in one place. */
export function roomsOverlap({ project, show }: Reading): Contradiction[] {
  return project.spaces.flatMap((one, i) =>
    project.spaces.slice(i + 1).flatMap((other): Contradiction[] => {
      if (one.levelId !== other.levelId) return [];
      let worst: { depth: number; away: Vector2 } | null = null;
      for (const a of partsOf(other))
        for (const b of partsOf(one)) {
          const found = convexOverlap(a, b);
          if (found && found.depth > (worst?.depth ?? SHARED_MM)) worst = found;
        }
      if (!worst) return [];
      const { depth, away } = worst;
      const { origin } = other;
      return [
        {
          kind: 'rooms-overlap',
          about: other.id,
          of: [one.id, depth],
          message: `${other.name} lies over ${one.name} by ${show(depth)}: two rooms of one level cannot be in one place. Check where its first corner lies, and its level.`,
          remedies:
            partsOf(one).length === 1 && partsOf(other).length === 1
              ? [
                  {
                    label: `Move ${other.name} clear`,
                    change: {
                      kind: 'change-space',
                      spaceId: other.id,
                      fields: { origin: { x: origin.x + away.x * depth, y: origin.y + away.y * depth } },
                    },
                  },
                ]
              : [],
        },
      ];
    }),
  );
}
