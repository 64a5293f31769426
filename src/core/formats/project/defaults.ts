/**
 * What older files did not say, as it was meant when they were written. Frozen: a later default of the application must not change what an old
 * file becomes, so nothing here is imported from the record.
 */
export const OPENING_IN_TWO = { throughWallId: null, head: 'flat', sizes: {}, counts: {}, choices: {} } as const;

export const PIECE_IN_TWO = {
  checks: [],
  mirrored: false,
  sizes: {},
  counts: {},
  choices: {},
  divisions: {},
  outlines: [],
} as const;

export const SPACE_IN_TWO = { ceiling: { shape: 'flat' }, skirting: null, cornice: null } as const;

export const VIEW_IN_THREE = {
  figure: 'none',
  margins: { left: 10, right: 10, bottom: 10, top: 10 },
  straightedge: 1000,
  aids: [],
  grid: null,
  guesses: [],
  zero: 'left-edge',
} as const;

export const PLAN_IN_FIVE = { begin: 'footprint', pieces: [] } as const;

export const PIECE_IN_SIX = { divisionsEach: {} } as const;

export const VIEW_IN_SIX = { standsBy: 'hand', spacesAside: [] } as const;

export const GRID_IN_SIX = { from: null, on: null } as const;

export const PROJECT_IN_SIX = { laidAside: [] } as const;

export const OUTLINE_IN_SEVEN = { holes: [] } as const;

export const VIEW_IN_SEVEN = { walls: 'drawn' } as const;

/** Names of a ceiling's own sizes in version 4, by the fields they had before. */
export const CEILING_SIZES_IN_FOUR: Readonly<Record<string, string>> = {
  highHeight: 'height at the high side',
  ridgeFrom: 'ridge from the wall',
  ridgeHeight: 'ridge height',
  rise: 'rise of the vault',
};
