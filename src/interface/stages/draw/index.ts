import type { Stage } from '@/interface/frame';
import { KEYS, SHEETS } from './declared';
import { DrawScreen } from './DrawScreen';
import { lacksToDraw } from './lacks';

/** Where one draws: the picture fills the paper, the sentence to follow stands at the foot. */
export const draw: Stage = {
  id: 'draw',
  name: 'Draw',
  key: { keys: 'd', shown: 'D', does: 'go to Draw' },
  order: 'in-the-work',
  invites: ({ perspective }) => (perspective.ok ? 'Draw it, step by step' : null),
  lacks: lacksToDraw,
  keys: KEYS,
  sheets: SHEETS,
  picture: 'worked-in',
  Screen: DrawScreen,
};
