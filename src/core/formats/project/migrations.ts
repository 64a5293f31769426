import { PROJECT_VERSION } from '@/core/record';

/** Steps from each older version to the next. Version 1 is the first: there is nothing older to bring up to date. */
const STEPS: Readonly<Record<number, (value: object) => object>> = {};

/** Brings an older file's value up to this version's shape, one version at a time. */
export function migrate(value: object): object {
  let current = value;
  for (;;) {
    const version = 'version' in current ? current.version : undefined;
    const step = typeof version === 'number' && version < PROJECT_VERSION ? STEPS[version] : undefined;
    if (!step) return current;
    current = step(current);
  }
}
