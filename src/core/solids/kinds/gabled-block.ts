import { prism } from '../parts';
import { rule, type Kind, type Values } from '../kind';

/** Rise of the roof for each mm across. */
const pitchOf = (v: Values): number =>
  (v.height - v.size('roof thickness') - v.size('eaves height')) / (v.width / 2 - v.size('overhang'));

export const gabledBlock: Kind = {
  id: 'gabled-block',
  name: 'Small gabled building',
  group: 'blocks',
  sizes: {
    width: rule(300, 20, 8000),
    depth: rule(450, 20, 8000),
    height: rule(320, 20, 8000),
    'eaves height': rule(190, 10, 7900),
    overhang: rule(15, 0, 600),
    'roof thickness': rule(12, 2, 300),
  },
  refuse: (v) => {
    const { width } = v;
    if (v.size('eaves height') + v.size('roof thickness') * 2 + 5 > v.height) return 'its roof has no pitch left';
    if (2 * v.size('overhang') + 10 > Math.min(width, v.depth)) return 'its roof overhangs the whole house';
    const rise = v.height - v.size('eaves height') - v.size('roof thickness');
    return v.size('eaves height') < (rise * v.size('overhang')) / (width / 2 - v.size('overhang')) + 5
      ? 'its roof reaches the ground'
      : null;
  },
  parts: (v) => {
    const [eaves, over, t] = [v.size('eaves height'), v.size('overhang'), v.size('roof thickness')];
    const [l, r, m] = [over, v.width - over, v.width / 2];
    const ridge = v.height - t;
    const pitch = pitchOf(v);
    const low = eaves - pitch * over;
    return [
      prism(
        'house',
        'y',
        [over, v.depth - over],
        [
          [l, 0],
          [r, 0],
          [r, eaves],
          [m, ridge],
          [l, eaves],
        ],
      ),
      prism(
        'roof-left',
        'y',
        [0, v.depth],
        [
          [0, low],
          [m, ridge],
          [m, v.height],
          [0, low + t],
        ],
      ),
      prism(
        'roof-right',
        'y',
        [0, v.depth],
        [
          [m, ridge],
          [v.width, low],
          [v.width, low + t],
          [m, v.height],
        ],
      ),
    ];
  },
  slopes: (v) => [
    { words: 'the left slope of the roof', along: [1, 0], rise: pitchOf(v) },
    { words: 'the right slope of the roof', along: [-1, 0], rise: pitchOf(v) },
  ],
};
