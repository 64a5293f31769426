import { block, drum, prism, ring } from '../parts';
import { rule, type Kind } from '../kind';

export const rug: Kind = {
  id: 'rug',
  name: 'Rug',
  group: 'things',
  caution: 'Loose rugs slip: think of an underlay and of where people step.',
  sizes: {
    width: rule(2000, 400, 6000),
    depth: rule(1400, 400, 6000),
    height: rule(12, 2, 60),
    border: rule(120, 0, 500),
  },
  choices: { shape: ['rectangular', 'round'] },
  refuse: (v) => {
    if (2 * v.size('border') + 100 > Math.min(v.width, v.depth)) return 'its border leaves no field';
    return v.choice('shape') === 'round' && Math.abs(v.width - v.depth) > 0.5
      ? 'a round rug is as deep as it is wide'
      : null;
  },
  parts: (v) => {
    const m = v.size('border');
    const low = v.height * 0.8;
    if (v.choice('shape') === 'round') {
      const r = v.width / 2;
      return m > 0
        ? [ring('border', [r, r, 0], r - m, r, low), drum('field', [r, r, 0], r - m, v.height)]
        : [drum('field', [r, r, 0], r, v.height)];
    }
    if (m === 0) return [block('field', [0, v.width], [0, v.depth], [0, v.height])];
    const box = (k: number): [number, number][] => [
      [k, k],
      [v.width - k, k],
      [v.width - k, v.depth - k],
      [k, v.depth - k],
    ];
    return [
      prism('border', 'z', [0, low], box(0), [box(m)]),
      block('field', [m, v.width - m], [m, v.depth - m], [0, v.height]),
    ];
  },
};
