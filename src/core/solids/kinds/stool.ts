import { block, drum, group, ring, taper, type Part } from '../parts';
import { rule, type Kind } from '../kind';

export const stool: Kind = {
  id: 'stool',
  name: 'Stool with a foot ring',
  group: 'seats',
  sizes: {
    width: rule(360, 250, 600),
    depth: rule(360, 250, 600),
    height: rule(650, 350, 950),
    'seat thickness': rule(35, 15, 100),
    'ring height': rule(220, 80, 500),
    'leg thickness': rule(30, 15, 60),
  },
  counts: { legs: rule(4, 3, 6) },
  choices: { legs: ['splayed', 'upright'] },
  refuse: (v) =>
    v.size('ring height') + 80 > v.height - v.size('seat thickness') ? 'its foot ring comes up to the seat' : null,
  parts: (v) => {
    const seat = Math.min(v.width, v.depth) / 2;
    const top = v.height - v.size('seat thickness');
    const t = v.size('leg thickness');
    const [cx, cy] = [v.width / 2, v.depth / 2];
    const foot = seat - t * 0.75;
    const head = v.choice('legs') === 'splayed' ? seat * 0.55 : foot;
    const n = v.count('legs');
    const atRing = foot + ((head - foot) * v.size('ring height')) / top;
    const legs = Array.from({ length: n }, (_, i): Part =>
      group(`leg-${i + 1}`, [cx, cy, 0], 45 + (360 * i) / n, [
        taper(
          'leg',
          [0, top],
          { x: [foot - t / 2, foot + t / 2], y: [-t / 2, t / 2] },
          { x: [head - t / 2, head + t / 2], y: [-t / 2, t / 2] },
        ),
      ]),
    );
    return [
      drum('seat', [cx, cy, top], seat, v.size('seat thickness')),
      ...legs,
      ring('foot-ring', [cx, cy, v.size('ring height')], atRing - t * 0.9, atRing - t * 0.5, 14),
      block(
        'stretcher',
        [cx - atRing + t * 0.9, cx + atRing - t * 0.9],
        [cy - 6, cy + 6],
        [v.size('ring height') + 1, v.size('ring height') + 13],
      ),
    ];
  },
};
