import type { Opening, Piece, Space } from './project';

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
  'checks' | 'mirrored' | 'sizes' | 'counts' | 'choices' | 'divisions' | 'outlines'
> = { checks: [], mirrored: false, sizes: {}, counts: {}, choices: {}, divisions: {}, outlines: [] };

export const PLAIN_SPACE: Pick<Space, 'ceiling' | 'skirting' | 'cornice'> = {
  ceiling: { shape: 'flat' },
  skirting: null,
  cornice: null,
};
