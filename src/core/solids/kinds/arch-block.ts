import { prism, type Range } from '../parts';
import { rule, type Kind } from '../kind';

export const archBlock: Kind = {
  id: 'arch-block',
  name: 'Arch, scoop or notch block',
  group: 'blocks',
  sizes: {
    width: rule(600, 60, 6000),
    depth: rule(200, 10, 3000),
    height: rule(500, 40, 6000),
    'cut width': rule(300, 20, 5800),
    'cut height': rule(300, 10, 5900),
  },
  choices: { cut: ['arch', 'scoop', 'notch', 'slope'] },
  refuse: (v) => {
    const [w, h, cut] = [v.size('cut width'), v.size('cut height'), v.choice('cut')];
    if (w + 10 > v.width || h + 10 > v.height) return 'the cut is larger than the block';
    if (cut === 'arch' && h < w / 2 + 1) return 'its arch must be at least half as high as wide';
    return cut === 'scoop' && h > w / 2 ? 'its scoop must be at most half as deep as wide' : null;
  },
  parts: (v) => {
    const [w, h, cut] = [v.size('cut width'), v.size('cut height'), v.choice('cut')];
    const [l, r] = [(v.width - w) / 2, (v.width + w) / 2];
    const y: Range = [0, v.depth];
    const [W, H] = [v.width, v.height];
    switch (cut) {
      case 'arch':
        return [
          prism('block', 'y', y, [
            [0, 0],
            [l, 0],
            [l, h - w / 2, -1],
            [r, h - w / 2],
            [r, 0],
            [W, 0],
            [W, H],
            [0, H],
          ]),
        ];
      case 'scoop':
        // Rise over half the chord.
        return [
          prism('block', 'y', y, [
            [0, 0],
            [W, 0],
            [W, H],
            [r, H, -(2 * h) / w],
            [l, H],
            [0, H],
          ]),
        ];
      case 'notch':
        return [
          prism('block', 'y', y, [
            [0, 0],
            [W, 0],
            [W, H],
            [r, H],
            [r, H - h],
            [l, H - h],
            [l, H],
            [0, H],
          ]),
        ];
      default:
        return [
          prism('block', 'y', y, [
            [0, 0],
            [W, 0],
            [W, H - h],
            [W - w, H],
            [0, H],
          ]),
        ];
    }
  },
};
