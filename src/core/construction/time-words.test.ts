import { expect, it } from 'vitest';
import { timeWords } from './index';

it.each([
  [0.1, '1 min'],
  [2.4, '2 min'],
  [4.9, '5 min'],
  [7, '5 min'],
  [58, '1 h'],
  [318, '5 h 20 min'],
])('%d minutes are told as %s', (minutes, words) => expect(timeWords(minutes)).toBe(words));
