import { join } from 'node:path';
import { hashesWithin } from './inline-scripts';
import { policyOf } from './policy';

let policy: string | null = null;
/** Read from the pages as they were built, once: a build brings its own policy. While developing, pages are made anew and none holds. */
export const pagePolicy = (): string => {
  policy ??=
    process.env.NODE_ENV === 'production'
      ? policyOf(hashesWithin(join(process.cwd(), '.next', 'server')))
      : "frame-ancestors 'none'";
  return policy;
};
