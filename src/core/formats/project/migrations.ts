import { PROJECT_VERSION } from '@/core/record';
import {
  CEILING_SIZES_IN_FOUR,
  OPENING_IN_TWO,
  GRID_IN_SIX,
  OUTLINE_IN_SEVEN,
  PIECE_IN_SIX,
  PIECE_IN_TWO,
  PLAN_IN_FIVE,
  PIECE_IN_EIGHT,
  PIECE_SIZES_IN_EIGHT,
  OPENING_SIZES_IN_EIGHT,
  PROJECT_IN_SIX,
  SURFACE_IN_EIGHT,
  USUAL_UNCERTAINTY_IN_EIGHT,
  SPACE_IN_TWO,
  VIEW_IN_SEVEN,
  VIEW_IN_SIX,
  VIEW_IN_THREE,
} from './defaults';
import { aidsInFour } from './marks-in-four';
import { each, record } from './raw';

/** Version 1 knew boxes, plain openings and flat ceilings only. */
function fromOne(value: object): object {
  const old = record(value);
  return {
    ...old,
    version: 2,
    spaces: each(old.spaces, (one) => ({ ...one, ...SPACE_IN_TWO })),
    openings: each(old.openings, (one) => ({ ...one, ...OPENING_IN_TWO })),
    pieces: each(old.pieces, (one) => ({ ...one, ...PIECE_IN_TWO })),
  };
}

/** Version 2 knew nothing of margins, straightedge and what helps the reach. */
function fromTwo(value: object): object {
  const old = record(value);
  return { ...old, version: 3, views: each(old.views, (one) => ({ ...one, ...VIEW_IN_THREE })) };
}

/** A ceiling of version 3, whose fields differed by shape, as one shape for all: a wall or none, sizes by name, zones. */
function ceilingInFour(value: unknown): unknown {
  const { shape, wallId, zones, ...sizes } = record(value);
  if (shape === undefined) return value;
  return {
    shape,
    wallId: wallId ?? null,
    sizes: Object.fromEntries(Object.entries(sizes).map(([name, size]) => [CEILING_SIZES_IN_FOUR[name] ?? name, size])),
    zones: zones ?? [],
  };
}

/** Version 3 named marks by their place in a list, and each shape of ceiling had fields of its own. */
function fromThree(value: object): object {
  const old = record(value);
  return {
    ...old,
    version: 4,
    spaces: each(old.spaces, (one) => ({ ...one, ceiling: ceilingInFour(one.ceiling) })),
    views: each(old.views, (one) => ({ ...one, aids: aidsInFour(old, one.aids) })),
  };
}

/** Version 4 had one school and one way to begin, and a plan only for a chosen piece. */
function fromFour(value: object): object {
  const old = record(value);
  return { ...old, version: 5, plans: each(old.plans, (one) => ({ ...one, ...PLAN_IN_FIVE })) };
}

/** Columns of a chest were a number in version 5; now they are a division, as its drawers are. */
function pieceInSix(piece: Readonly<Record<string, unknown>>): object {
  const { columns, ...counts } = record(piece.counts);
  const own = piece.kind === 'chest-of-drawers' && columns !== undefined;
  return {
    ...piece,
    ...(own ? { counts, divisions: { ...record(piece.divisions), columns: { by: 'equal', count: columns } } } : {}),
    ...PIECE_IN_SIX,
  };
}

/** In version 5 one stood where one was put, saw every room, and a grid was counted from the first wall. */
const viewInSix = (view: Readonly<Record<string, unknown>>): object => ({
  ...view,
  ...VIEW_IN_SIX,
  grid: typeof view.grid === 'object' && view.grid !== null ? { ...view.grid, ...GRID_IN_SIX } : view.grid,
});

/** Version 5 had nowhere to lay a ring aside, and divisions were the same throughout. */
function fromFive(value: object): object {
  const old = record(value);
  return {
    ...old,
    version: 6,
    pieces: each(old.pieces, pieceInSix),
    views: each(old.views, viewInSix),
    ...PROJECT_IN_SIX,
  };
}

/** Version 6 cut no holes into outlines, and always drew the walls. */
function fromSix(value: object): object {
  const old = record(value);
  return {
    ...old,
    version: 7,
    pieces: each(old.pieces, (one) => ({
      ...one,
      outlines: each(one.outlines, (outline) => ({ ...outline, ...OUTLINE_IN_SEVEN })),
    })),
    views: each(old.views, (one) => ({ ...one, ...VIEW_IN_SEVEN })),
  };
}

/** A size as a kind usually has it, under the name of the thing and its own. */
const usualSize = (id: unknown, name: string, mm: number): object => {
  const claim = {
    id: `${String(id)}/${name}/1`,
    mm,
    asTyped: `${mm} mm`,
    source: 'usual',
    uncertaintyMm: USUAL_UNCERTAINTY_IN_EIGHT,
  };
  return { id: `${String(id)}/${name}`, claims: [claim], inForce: claim.id };
};

/** What a thing's kind had gained, beside what the thing had: nothing of that is changed. */
const withGained = (
  one: Readonly<Record<string, unknown>>,
  gained: Readonly<Record<string, Readonly<Record<string, number>>>>,
): object => {
  const own = record(one.sizes);
  const usual = Object.entries(
    typeof one.kind === 'string' && Object.hasOwn(gained, one.kind) ? (gained[one.kind] ?? {}) : {},
  );
  const missing = usual.filter(([name]) => own[name] === undefined);
  return { ...own, ...Object.fromEntries(missing.map(([name, mm]) => [name, usualSize(one.id, name, mm)])) };
};

/** Version 7 hid every seam, laid lights in one row of squares, and did not say what its kinds have gained since. */
function fromSeven(value: object): object {
  const old = record(value);
  return {
    ...old,
    version: 8,
    pieces: each(old.pieces, (one) => ({ ...one, sizes: withGained(one, PIECE_SIZES_IN_EIGHT), ...PIECE_IN_EIGHT })),
    openings: each(old.openings, (one) => ({ ...one, sizes: withGained(one, OPENING_SIZES_IN_EIGHT) })),
    surfaces: each(old.surfaces, (one) => ({ ...one, ...SURFACE_IN_EIGHT })),
  };
}

/** Steps from each older version to the next. */
const STEPS: Readonly<Record<number, (value: object) => object>> = {
  1: fromOne,
  2: fromTwo,
  3: fromThree,
  4: fromFour,
  5: fromFive,
  6: fromSix,
  7: fromSeven,
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
