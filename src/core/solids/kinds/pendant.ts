import { ball, drum, turned, type Part } from '../parts';
import { rule, type Kind } from '../kind';

export const pendant: Kind = {
  id: 'pendant',
  name: 'Pendant light',
  group: 'lights',
  lift: 1900,
  sizes: {
    width: rule(400, 100, 1000),
    depth: rule(400, 100, 1000),
    height: rule(900, 150, 4000),
    'shade height': rule(220, 40, 600),
    'shade top radius': rule(60, 15, 300),
    'cord radius': rule(4, 2, 15),
    'rose radius': rule(50, 20, 120),
  },
  choices: { shade: ['cone', 'half ball', 'ball'] },
  refuse: (v) => {
    if (Math.abs(v.width - v.depth) > 0.5) return 'a round shade is as deep as it is wide';
    const tall =
      v.choice('shade') === 'cone' ? v.size('shade height') : v.choice('shade') === 'ball' ? v.width : v.width / 2;
    if (tall + 60 > v.height) return 'its shade is taller than it hangs';
    return v.size('shade top radius') * 2 > v.width ? 'its shade is wider above than below' : null;
  },
  parts: (v) => {
    const c = v.width / 2;
    const cord = v.size('cord radius');
    const shade: readonly Part[] =
      v.choice('shade') === 'ball'
        ? [ball('shade', [c, c, c], c)]
        : v.choice('shade') === 'half ball'
          ? [
              turned(
                'shade',
                [c, c, 0],
                [
                  { r: c - 4, h: 0 },
                  { r: c, h: 0, ball: 0 },
                  { r: 0, h: c },
                  { r: 0, h: c - 4, ball: 0 },
                ],
              ),
            ]
          : [
              turned(
                'shade',
                [c, c, 0],
                [
                  { r: c - 3, h: 0 },
                  { r: c, h: 0 },
                  { r: v.size('shade top radius'), h: v.size('shade height') },
                  { r: 0, h: v.size('shade height') },
                  { r: 0, h: v.size('shade height') - 3 },
                  { r: v.size('shade top radius') - 3, h: v.size('shade height') - 3 },
                ],
              ),
            ];
    const top = v.choice('shade') === 'ball' ? v.width : v.choice('shade') === 'half ball' ? c : v.size('shade height');
    return [
      ...shade,
      drum('cord', [c, c, top], cord, v.height - top - 25),
      drum('rose', [c, c, v.height - 25], Math.max(v.size('rose radius'), cord), 25),
    ];
  },
};
