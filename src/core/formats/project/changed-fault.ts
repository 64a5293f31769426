import { ValidationError } from 'yup';
import { allSizes, MOST_OF, type Project } from '@/core/record';
import { THING_SCHEMAS } from './schema';
import { sizeFault } from './size-fault';

const LISTS = Object.keys(THING_SCHEMAS) as readonly (keyof typeof THING_SCHEMAS)[];

/** Things of a list that are not in the one before, by identity: all that an edit can have made wrong. */
function changedOf<T>(now: readonly T[], before: readonly T[]): readonly T[] {
  if (now === before) return [];
  const known = new Set(before);
  return now.filter((one) => !known.has(one));
}

/** The names in the path of a fault, as words: "margins left". */
const pathWords = (path: string): string =>
  path
    .split(/[.[\]"]+/)
    .filter((part) => part !== '' && !/^\d+$/.test(part))
    .join(' ');

/**
 * Why the record would not be read again as a change leaves it; null where it would. What edits may do is what files may hold: one place states
 * the bounds of both, and only what the change touched is looked at.
 */
export function changedFault(before: Project, after: Project): string | null {
  const changed = Object.fromEntries(
    LISTS.map((list) => [list, changedOf<Project[typeof list][number]>(after[list], before[list])]),
  ) as unknown as Pick<Project, (typeof LISTS)[number]>;
  for (const one of allSizes(changed)) {
    const fault = sizeFault(one, after.units);
    if (fault !== null) return fault;
  }
  for (const list of LISTS) {
    if (after[list].length > MOST_OF[list] && after[list].length > before[list].length)
      return `A project has at most ${MOST_OF[list]} ${list === 'spaces' ? 'rooms' : list === 'laidAside' ? 'rings laid aside' : list}.`;
    for (const one of changed[list]) {
      try {
        THING_SCHEMAS[list].validateSync(one, { strict: true, abortEarly: true });
      } catch (error) {
        if (!(error instanceof ValidationError)) throw error;
        const path = error.path ?? '';
        const [said = ''] = error.errors;
        const name = 'name' in one ? ` of ${one.name}` : '';
        return `The ${pathWords(path)}${name} ${said.startsWith(path) ? said.slice(path.length).trim() : said}.`;
      }
    }
  }
  return null;
}
