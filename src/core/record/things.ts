import type { MeasuredRoom } from './project';
import type { Id } from './size';

export type Thing = 'level' | 'space' | 'wall' | 'opening' | 'piece' | 'surface';

/** What an id names in the measured record, and how it is called. */
export function findThing(project: MeasuredRoom, id: Id): { readonly kind: Thing; readonly name: string } | null {
  const lists = [
    ['level', project.levels],
    ['space', project.spaces],
    ['wall', project.spaces.flatMap((space) => space.walls)],
    ['opening', project.openings],
    ['piece', project.pieces],
    ['surface', project.surfaces],
  ] as const;
  for (const [kind, list] of lists) {
    const found = (list as readonly { readonly id: Id; readonly name: string }[]).find((one) => one.id === id);
    if (found) return { kind, name: found.name };
  }
  return null;
}

export const nameOfThing = (project: MeasuredRoom, id: Id): string => findThing(project, id)?.name ?? id;
