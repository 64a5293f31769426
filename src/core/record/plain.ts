import type { Opening, Piece, Space, View } from './project';

/** What a plain opening, piece or room has nothing of: a flat head, no fittings of its own, a flat ceiling without mouldings. */
export const PLAIN_OPENING: Pick<Opening, 'throughWallId' | 'head' | 'sizes' | 'counts' | 'choices'> = {
  throughWallId: null,
  head: 'flat',
  sizes: {},
  counts: {},
  choices: {},
};

export const PLAIN_PIECE: Pick<
  Piece,
  'checks' | 'mirrored' | 'sizes' | 'counts' | 'choices' | 'divisions' | 'divisionsEach' | 'seams' | 'outlines'
> = {
  checks: [],
  mirrored: false,
  sizes: {},
  counts: {},
  choices: {},
  divisions: {},
  divisionsEach: {},
  seams: 'hidden',
  outlines: [],
};

export const PLAIN_SPACE: Pick<Space, 'ceiling' | 'skirting' | 'cornice'> = {
  ceiling: { shape: 'flat', wallId: null, sizes: {}, zones: [] },
  skirting: null,
  cornice: null,
};

/** Nobody beside the eye, 10 mm margins, a straightedge of one metre, nothing to help the reach, no grid, no guess. */
export const PLAIN_VIEW: Pick<
  View,
  'figure' | 'margins' | 'straightedge' | 'aids' | 'grid' | 'guesses' | 'zero' | 'standsBy' | 'spacesAside' | 'walls'
> = {
  figure: 'none',
  margins: { left: 10, right: 10, bottom: 10, top: 10 },
  straightedge: 1000,
  aids: [],
  grid: null,
  guesses: [],
  zero: 'left-edge',
  standsBy: 'hand',
  spacesAside: [],
  walls: 'drawn',
};
