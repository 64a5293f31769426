import { wallOf, type Id, type Project } from '@/core/record';
import type { Contradiction } from '@/core/solids';

/**
 * What is ringed while something is chosen. Whoever is at a room's walls types one after the other: between two of them the room cannot close, and is
 * not ringed for it until another thing is at hand. How much is missing stands in its sentence all the while.
 */
export function ringsNow(
  findings: readonly Contradiction[],
  project: Project,
  chosen: Id | null,
): readonly Contradiction[] {
  const at = chosen === null ? undefined : wallOf(project, chosen)?.space.id;
  return at === undefined ? findings : findings.filter((one) => one.kind !== 'closing-error' || one.about !== at);
}
