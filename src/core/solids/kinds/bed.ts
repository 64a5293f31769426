import { block, prism, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { equal, laid, roundedRectangle } from './helpers';

/** Only the upper corners are rounded. */
const ABOVE = { low: 'none', high: 'both' } as const;

export const bed: Kind = {
  id: 'bed',
  name: 'Bed with headboard',
  group: 'beds',
  sizes: {
    width: rule(1600, 700, 2200),
    depth: rule(2080, 1400, 2400),
    height: rule(1000, 500, 1600),
    'mattress top': rule(500, 250, 800),
    'mattress thickness': rule(200, 80, 350),
    'rail height': rule(180, 60, 350),
    board: rule(40, 15, 90),
    leg: rule(70, 30, 150),
    'mattress edge radius': rule(0, 0, 120),
    'headboard corner radius': rule(0, 0, 600),
  },
  counts: { pillows: rule(2, 0, 4) },
  refuse: (v) => {
    const deck = v.size('mattress top') - v.size('mattress thickness');
    if (deck < v.size('rail height') / 2 + 40) return 'its mattress is thicker than it lies high';
    if (v.height < v.size('mattress top') + 60) return 'its headboard is lower than the mattress';
    if (v.count('pillows') * 350 > v.width) return 'its pillows are too many for its width';
    if (v.size('mattress edge radius') * 2 > v.size('mattress thickness'))
      return 'the edges of its mattress are rounder than it is thick';
    const round = v.size('headboard corner radius');
    return round * 2 > v.width || round > v.height - v.size('mattress top')
      ? 'its headboard is rounder than it stands above the mattress'
      : null;
  },
  parts: (v) => {
    const b = v.size('board');
    const top = v.size('mattress top');
    const deck = top - v.size('mattress thickness');
    const rail: Range = [Math.max(30, deck - v.size('rail height') / 2), deck + v.size('rail height') / 2];
    const high = Math.min(rail[1], top - 20);
    const leg = v.size('leg');
    const n = v.count('pillows');
    return [
      v.size('headboard corner radius') > 0
        ? prism(
            'headboard',
            'y',
            [0, b],
            roundedRectangle([0, v.width], [0, v.height], v.size('headboard corner radius'), ABOVE),
          )
        : block('headboard', [0, v.width], [0, b], [0, v.height]),
      block('rail-left', [0, b], [b, v.depth - b], [rail[0], high]),
      block('rail-right', [v.width - b, v.width], [b, v.depth - b], [rail[0], high]),
      block('footboard', [0, v.width], [v.depth - b, v.depth], [rail[0], high + 40]),
      block('leg-left', [0, leg], [v.depth - leg, v.depth], [0, rail[0]]),
      block('leg-right', [v.width - leg, v.width], [v.depth - leg, v.depth], [0, rail[0]]),
      v.size('mattress edge radius') > 0
        ? prism(
            'mattress',
            'y',
            [b, v.depth - b],
            roundedRectangle([b, v.width - b], [deck, top], v.size('mattress edge radius'), ABOVE),
          )
        : block('mattress', [b, v.width - b], [b, v.depth - b], [deck, top]),
      ...laid(b + 40, equal(n || 1, v.width - 2 * b - 80, 40), 40)
        .slice(0, n)
        .map((x, i) => block(`pillow-${i + 1}`, x, [b + 30, b + 430], [top, top + 90])),
    ];
  },
};
