import type { Id } from './size';

/** The first id of the form `stem-2`, `stem-3`, … not yet taken. Ids of things removed may come again; sizes go with them. */
export function freshId(stem: string, given: ReadonlySet<Id> | readonly Id[]): Id {
  const taken = new Set(given);
  if (!taken.has(stem)) return stem;
  let number = 2;
  while (taken.has(`${stem}-${number}`)) number += 1;
  return `${stem}-${number}`;
}
