import { turned } from '../parts';
import { rule, type Kind } from '../kind';

export const plantPot: Kind = {
  id: 'plant-pot',
  name: 'Plant pot',
  group: 'things',
  sizes: {
    width: rule(360, 60, 1200),
    depth: rule(360, 60, 1200),
    height: rule(340, 60, 1200),
    'foot radius': rule(120, 20, 600),
    'rim height': rule(50, 5, 200),
    wall: rule(14, 3, 60),
  },
  refuse: (v) => {
    const r = v.width / 2;
    if (Math.abs(v.width - v.depth) > 0.5) return 'a round pot is as deep as it is wide';
    if (v.size('foot radius') > r - v.size('wall') * 2) return 'its foot is as wide as its rim';
    return v.size('rim height') + 3 * v.size('wall') > v.height ? 'its rim reaches the floor' : null;
  },
  parts: (v) => {
    const r = v.width / 2;
    const [w, foot] = [v.size('wall'), v.size('foot radius')];
    const under = v.height - v.size('rim height');
    const soil = v.height - v.size('rim height') * 0.8;
    return [
      turned(
        'pot',
        [r, r, 0],
        [
          { r: 0, h: 0 },
          { r: foot, h: 0 },
          { r: r - w, h: under },
          { r, h: under },
          { r, h: v.height },
          { r: r - w * 1.5, h: v.height },
          { r: r - w * 1.5, h: soil },
          { r: 0, h: soil },
        ],
      ),
    ];
  },
};
