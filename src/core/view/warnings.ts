import type { Body } from '@/core/solids';
import type { Id } from '@/core/record';
import { angleOffSight } from './cone';
import { eyeFromWorld, type SetUp } from './set-up';

/** Something about where one stands that spoils the drawing. `about` names the thing to ring, if any. */
export interface ViewWarning {
  readonly kind: 'viewing-distance' | 'outside-cone' | 'behind-eye';
  readonly about: Id | null;
  readonly message: string;
}

/** Below this the sheet cannot be looked at from its right place: the eye does not focus nearer in comfort. */
const LEAST_VIEWING_DISTANCE_MM = 150;
const HALF_CONE_DEG = 30;

export function viewWarnings(set: SetUp, bodies: readonly Body[]): readonly ViewWarning[] {
  const warnings: ViewWarning[] = [];
  if (set.viewingDistance < LEAST_VIEWING_DISTANCE_MM) {
    warnings.push({
      kind: 'viewing-distance',
      about: null,
      message: `The sheet would have to be looked at from ${Math.round(set.viewingDistance)} mm, nearer than the eye can. Take a larger scale or a farther picture plane.`,
    });
  }
  for (const body of bodies) {
    if (body.kind !== 'piece') continue;
    const depths = body.vertices.map((vertex) => eyeFromWorld(set, vertex.at).depth);
    if (Math.min(...depths) <= 0) {
      if (Math.max(...depths) > 0)
        warnings.push({
          kind: 'behind-eye',
          about: body.id,
          message: `${body.name} reaches behind your eye. Stand farther back to see all of it.`,
        });
      continue;
    }
    const widest = Math.max(...body.vertices.map((vertex) => angleOffSight(set, vertex.at)));
    if (widest > HALF_CONE_DEG) {
      warnings.push({
        kind: 'outside-cone',
        about: body.id,
        message: `${body.name} reaches ${Math.round(widest)}° off the line of sight, outside the 60° cone of vision (30° each side). It will look stretched. Stand farther back or turn toward it.`,
      });
    }
  }
  return warnings;
}
