import { turned } from '../parts';
import { rule, type Kind } from '../kind';

export const vase: Kind = {
  id: 'vase',
  name: 'Vase or jar',
  group: 'things',
  sizes: {
    width: rule(220, 40, 900),
    depth: rule(220, 40, 900),
    height: rule(380, 60, 1500),
    'foot radius': rule(60, 12, 300),
    'neck radius': rule(45, 8, 300),
    'mouth radius': rule(65, 10, 400),
  },
  refuse: (v) => {
    const r = v.width / 2;
    if (Math.abs(v.width - v.depth) > 0.5) return 'a turned vase is as deep as it is wide';
    if (Math.max(v.size('foot radius'), v.size('neck radius')) > r * 0.98)
      return 'its foot or neck is wider than its belly';
    if (v.size('mouth radius') > r || v.size('mouth radius') < v.size('neck radius'))
      return 'its mouth must be between neck and belly';
    return v.height < v.width * 1.15 ? 'it is too low for its belly' : null;
  },
  parts: (v) => {
    const r = v.width / 2;
    const [foot, neck, mouth] = [v.size('foot radius'), v.size('neck radius'), v.size('mouth radius')];
    // The belly is a zone of a ball between the circles of foot and neck.
    const centre = Math.sqrt(r * r - foot * foot);
    const shoulder = centre + Math.sqrt(r * r - neck * neck);
    const wall = Math.min(4, neck / 4);
    return [
      turned(
        'vase',
        [r, r, 0],
        [
          { r: 0, h: 0 },
          { r: foot, h: 0, ball: centre },
          { r: neck, h: shoulder },
          { r: mouth, h: v.height },
          { r: mouth - wall, h: v.height },
          { r: neck - wall, h: shoulder },
          { r: 0, h: shoulder - neck * 0.6 },
        ],
      ),
    ];
  },
};
