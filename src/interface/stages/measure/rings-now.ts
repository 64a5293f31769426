import type { Change, Id, Project } from '@/core/record';
import type { Contradiction } from '@/core/solids';

/**
 * What is ringed while something is chosen. Whoever types the lengths of a room's walls on the plan types one after the other: between two of them the
 * room cannot close, and is not ringed for it until something else is done or chosen. How much is missing stands in its sentence all the while.
 * @param last what was done last.
 */
export function ringsNow(
  findings: readonly Contradiction[],
  project: Project,
  chosen: Id | null,
  last: readonly Change[],
): readonly Contradiction[] {
  const [change] = last;
  if (last.length !== 1 || change?.kind !== 'correct-size') return findings;
  const typed = project.spaces.find((space) => space.walls.some((wall) => wall.length.id === change.sizeId));
  const atIt = typed && (chosen === typed.id || typed.walls.some((wall) => wall.id === chosen));
  return atIt ? findings.filter((one) => one.kind !== 'closing-error' || one.about !== typed.id) : findings;
}
