import { cone, drum } from '../parts';
import { rule, type Kind } from '../kind';

export const drumKind: Kind = {
  id: 'drum',
  name: 'Drum, disc or post',
  group: 'things',
  sizes: {
    width: rule(300, 10, 4000),
    depth: rule(300, 10, 4000),
    height: rule(500, 2, 4000),
    'top radius': rule(150, 0, 2000),
  },
  choices: { sides: ['upright', 'tapered'] },
  refuse: (v) => {
    if (Math.abs(v.width - v.depth) > 0.5) return 'a round thing is as deep as it is wide';
    return null;
  },
  parts: (v) => {
    const r = v.width / 2;
    return [
      v.choice('sides') === 'tapered'
        ? cone('drum', [r, r, 0], r, v.size('top radius'), v.height)
        : drum('drum', [r, r, 0], r, v.height),
    ];
  },
};
