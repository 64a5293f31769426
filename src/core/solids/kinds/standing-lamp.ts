import { turned } from '../parts';
import { rule, type Kind } from '../kind';

export const standingLamp: Kind = {
  id: 'standing-lamp',
  name: 'Standing or table lamp',
  group: 'lights',
  sizes: {
    width: rule(420, 120, 800),
    depth: rule(420, 120, 800),
    height: rule(1550, 250, 2200),
    'shade height': rule(260, 60, 600),
    'shade top radius': rule(130, 20, 400),
    'foot radius': rule(140, 40, 300),
    'stem radius': rule(12, 4, 40),
  },
  refuse: (v) => {
    if (Math.abs(v.width - v.depth) > 0.5) return 'a round shade is as deep as it is wide';
    if (v.size('shade top radius') > v.width / 2) return 'its shade is wider above than below';
    if (v.size('stem radius') + 10 > v.size('shade top radius')) return 'its stem fills the shade';
    if (v.size('stem radius') + 5 > v.size('foot radius')) return 'its stem is as thick as its foot';
    return v.size('shade height') + 80 > v.height ? 'its shade reaches down to the foot' : null;
  },
  parts: (v) => {
    const c = v.width / 2;
    const low = v.height - v.size('shade height');
    const [foot, stem, r] = [v.size('foot radius'), v.size('stem radius'), v.size('shade top radius')];
    return [
      turned(
        'stand',
        [c, c, 0],
        [
          { r: 0, h: 0 },
          { r: foot, h: 0 },
          { r: foot, h: 14 },
          { r: stem, h: 30 },
          { r: stem, h: low + 30 },
          { r: 0, h: low + 30 },
        ],
      ),
      // A thin skin, so that one looks into it from below.
      turned(
        'shade',
        [c, c, low],
        [
          { r: c - 3, h: 0 },
          { r: c, h: 0 },
          { r, h: v.size('shade height') },
          { r: r - 3, h: v.size('shade height') },
        ],
      ),
    ];
  },
};
