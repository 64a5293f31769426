import { drum, prism, ring, type Part } from '../parts';
import { rule, type Kind } from '../kind';

export const wallClock: Kind = {
  id: 'wall-clock',
  name: 'Wall clock',
  group: 'on the wall',
  lift: 1900,
  sizes: {
    width: rule(320, 100, 1200),
    depth: rule(60, 20, 200),
    height: rule(320, 100, 1200),
    'rim width': rule(22, 5, 80),
  },
  counts: { marks: rule(12, 4, 60), hour: rule(10, 0, 11), minute: rule(10, 0, 59) },
  refuse: (v) => {
    if (Math.abs(v.width - v.height) > 0.5) return 'a round clock is as high as it is wide';
    return v.size('rim width') > v.width / 4 ? 'its rim covers the face' : null;
  },
  parts: (v) => {
    const r = v.width / 2;
    const face = v.depth * 0.7;
    const clear = r - v.size('rim width');
    // A hand lies in the face, its foot at the centre; clockwise as seen from the room, where x runs to the right.
    const hand = (name: string, turns: number, length: number, half: number, y: number): Part => {
      const [s, c] = [Math.sin(turns * 2 * Math.PI), Math.cos(turns * 2 * Math.PI)];
      const at = (along: number, across: number): [number, number] => [
        r + s * along + c * across,
        r + c * along - s * across,
      ];
      return prism(
        name,
        'y',
        [y, y + 1.5],
        [at(-length * 0.15, half), at(-length * 0.15, -half), at(length, -half), at(length, half)],
      );
    };
    const n = v.count('marks');
    const minute = v.count('minute') / 60;
    return [
      drum('face', [r, 0, r], clear, face, 'y'),
      ring('rim', [r, 0, r], clear, r, v.depth, 'y'),
      ...Array.from({ length: n }, (_, i) => {
        const [s, c] = [Math.sin((i / n) * 2 * Math.PI), Math.cos((i / n) * 2 * Math.PI)];
        const at = (along: number, across: number): [number, number] => [
          r + s * along + c * across,
          r + c * along - s * across,
        ];
        const h = clear * 0.02;
        return prism(
          `mark-${i + 1}`,
          'y',
          [face, face + 1],
          [at(clear * 0.84, h), at(clear * 0.84, -h), at(clear * 0.95, -h), at(clear * 0.95, h)],
        );
      }),
      hand('hour-hand', (v.count('hour') + minute) / 12, clear * 0.5, clear * 0.04, face + 2),
      hand('minute-hand', minute, clear * 0.75, clear * 0.025, face + 4),
      drum('boss', [r, face, r], clear * 0.06, 7, 'y'),
    ];
  },
};
