import { drum, turned } from '../parts';
import { rule, type Kind } from '../kind';

export const roundTable: Kind = {
  id: 'round-table',
  name: 'Round table',
  group: 'tables',
  sizes: {
    width: rule(1000, 400, 2400),
    depth: rule(1000, 400, 2400),
    height: rule(740, 300, 1150),
    'top thickness': rule(28, 10, 80),
    'stem radius': rule(45, 15, 150),
    'foot radius': rule(280, 100, 800),
  },
  refuse: (v) => {
    if (Math.abs(v.width - v.depth) > 0.5) return 'a round top is as deep as it is wide';
    if (v.size('foot radius') * 2 > v.width) return 'its foot is wider than its top';
    return v.size('stem radius') + 10 > v.size('foot radius') ? 'its stem is as thick as its foot' : null;
  },
  parts: (v) => {
    const radius = v.width / 2;
    const at = [radius, radius, 0] as const;
    const [stem, foot] = [v.size('stem radius'), v.size('foot radius')];
    const under = v.height - v.size('top thickness');
    return [
      turned('pedestal', at, [
        { r: 0, h: 0 },
        { r: foot, h: 0 },
        { r: foot, h: 18 },
        { r: stem, h: 60 },
        { r: stem, h: under },
        { r: 0, h: under },
      ]),
      drum('top', [radius, radius, under], radius, v.size('top thickness')),
    ];
  },
};
