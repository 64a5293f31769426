import type { Taken } from './output';

/** A file's name: nothing in it that a file system could mind. */
export const fileNameOf = ({ name, ending }: Pick<Extract<Taken, { kind: 'file' }>, 'name' | 'ending'>): string =>
  `${name.join('-').replace(/[^a-z0-9.-]+/gi, '-')}${ending}`;
