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

export const PIECE_IN_EIGHT = { seams: 'hidden' } as const;

/** How far a usual size may be off, mm. */
export const USUAL_UNCERTAINTY_IN_EIGHT = 30;

export const SURFACE_IN_EIGHT = { lights: null } as const;

/**
 * Sizes that kinds of pieces and openings had gained by version 8, mm: a piece of before is drawn as it was with these, and shows them to be changed.
 * Doors had theirs from the later days of version 7.
 */
export const PIECE_SIZES_IN_EIGHT: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  'side-chair': { 'slat height': 0, 'gap between slats': 0, 'lowest slat above the seat': 60 },
  armchair: { 'foot thickness': 50, 'foot inset': 30, 'cushion drop in front': 0 },
  table: { 'corner radius': 0, 'edge radius': 0 },
  desk: { 'corner radius': 0, 'edge radius': 0 },
  counter: { 'corner radius': 0, 'edge radius': 0 },
  island: { 'corner radius': 0, 'edge radius': 0 },
  bed: { 'mattress edge radius': 0, 'headboard corner radius': 0 },
  'chest-of-drawers': { 'castor height': 0 },
};
export const OPENING_SIZES_IN_EIGHT: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  door: {
    'knob height': 1020,
    bar: 22,
    'letter plate height': 0,
    'cat flap height': 0,
    'number height': 60,
    'number above the floor': 1550,
  },
};
