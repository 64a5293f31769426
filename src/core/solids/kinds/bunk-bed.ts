import { block, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { legs } from './helpers';

export const bunkBed: Kind = {
  id: 'bunk-bed',
  name: 'Bunk',
  group: 'beds',
  caution:
    'Upper bunks want a guard on every open side and a ladder that stays put; usual figures are only a start. Local rules and the maker decide.',
  sizes: {
    width: rule(2060, 1500, 2300),
    depth: rule(960, 700, 1600),
    height: rule(1750, 1300, 2300),
    'lower deck': rule(320, 150, 600),
    'upper deck': rule(1250, 900, 1800),
    'mattress thickness': rule(140, 60, 250),
    post: rule(70, 35, 120),
    'guard height': rule(300, 100, 500),
  },
  counts: { rungs: rule(5, 2, 9) },
  refuse: (v) => {
    if (v.size('upper deck') < v.size('lower deck') + v.size('mattress thickness') + 550)
      return 'nobody can sit between its decks';
    return v.height < v.size('upper deck') + v.size('mattress thickness') + 60
      ? 'its posts end below the upper bed'
      : null;
  },
  parts: (v) => {
    const [p, m] = [v.size('post'), v.size('mattress thickness')];
    const decks = [v.size('lower deck'), v.size('upper deck')] as const;
    const [x, y]: [Range, Range] = [
      [0, v.width],
      [0, v.depth],
    ];
    const inside: Range = [p, v.width - p];
    const guard = Math.min(v.height, decks[1] + m + v.size('guard height'));
    const ladder: Range = [v.width - p - 420, v.width - p - 40];
    const rungs = v.count('rungs');
    return [
      ...legs(x, y, [0, v.height], p),
      ...decks.flatMap((z, i) => {
        const name = i === 0 ? 'lower' : 'upper';
        return [
          block(`${name}-rail-back`, inside, [p * 0.2, p * 0.7], [z - 100, z + 20]),
          block(`${name}-rail-front`, inside, [v.depth - p * 0.7, v.depth - p * 0.2], [z - 100, z + 20]),
          block(`${name}-end-left`, [p * 0.2, p * 0.7], [p, v.depth - p], [z - 100, z + 20]),
          block(`${name}-end-right`, [v.width - p * 0.7, v.width - p * 0.2], [p, v.depth - p], [z - 100, z + 20]),
          block(`${name}-mattress`, [p * 0.7, v.width - p * 0.7], [p * 0.7, v.depth - p * 0.7], [z, z + m]),
        ];
      }),
      block('guard-front', [p, ladder[0] - 30], [v.depth - p * 0.7, v.depth - p * 0.2], [guard - 90, guard]),
      block('guard-back', inside, [p * 0.2, p * 0.7], [guard - 90, guard]),
      block('ladder-left', [ladder[0], ladder[0] + 40], [v.depth - p * 0.2, v.depth + 10], [0, decks[1] + m + 60]),
      block('ladder-right', [ladder[1] - 40, ladder[1]], [v.depth - p * 0.2, v.depth + 10], [0, decks[1] + m + 60]),
      ...Array.from({ length: rungs }, (_, i) => {
        const z = ((decks[1] - 40) * (i + 1)) / (rungs + 1);
        return block(`rung-${i + 1}`, [ladder[0] + 40, ladder[1] - 40], [v.depth - p * 0.1, v.depth + 8], [z, z + 30]);
      }),
    ];
  },
};
