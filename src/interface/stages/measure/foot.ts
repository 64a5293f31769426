import type { Project, Space } from '@/core/record';

/** Whether a room is as one begins with it: nobody has said anything of its walls. */
export const isUsual = (space: Space): boolean =>
  space.walls.every((wall) => wall.length.claims.every((claim) => claim.source === 'usual'));

/** What there is so far, and what comes next. */
export function foot(project: Project): { readonly counted: string; readonly next: 'walls' | 'templates' | 'stand' } {
  const untouched = project.openings.length === 0 && project.pieces.length === 0;
  const count = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;
  const walls = project.spaces.flatMap((space) => space.walls);
  const usual = project.spaces.every(isUsual);
  return {
    counted: [
      count(project.spaces.length, 'room', 'rooms'),
      count(walls.length, 'wall', 'walls'),
      count(project.openings.length, 'opening', 'openings'),
      count(project.pieces.length, 'piece', 'pieces'),
    ].join(', '),
    next: untouched ? (usual ? 'walls' : 'templates') : 'stand',
  };
}
