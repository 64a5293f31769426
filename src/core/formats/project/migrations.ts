import { PLAIN_OPENING, PLAIN_PIECE, PLAIN_SPACE, PLAIN_VIEW, PROJECT_VERSION } from '@/core/record';

const record = (value: unknown): Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Record<string, unknown>) : {};

/** Gives every thing of a list what it did not have before; a list that is none is left to the schema to refuse. */
const given = (list: unknown, more: object): unknown =>
  Array.isArray(list) ? list.map((one: unknown) => ({ ...record(one), ...more })) : list;

/** Version 1 knew boxes, plain openings and flat ceilings only. */
function fromOne(value: object): object {
  const old = record(value);
  return {
    ...old,
    version: 2,
    spaces: given(old.spaces, PLAIN_SPACE),
    openings: given(old.openings, PLAIN_OPENING),
    pieces: given(old.pieces, PLAIN_PIECE),
  };
}

/** Version 2 knew nothing of margins, straightedge and what helps the reach. */
function fromTwo(value: object): object {
  const old = record(value);
  return { ...old, version: 3, views: given(old.views, PLAIN_VIEW) };
}

/** Steps from each older version to the next. */
const STEPS: Readonly<Record<number, (value: object) => object>> = {
  1: fromOne,
  2: fromTwo,
};

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
