import { block, prism, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { laid } from './helpers';

export const lockers: Kind = {
  id: 'lockers',
  name: 'Lockers',
  group: 'storage',
  caution:
    'Tall lockers can tip: fixing to the wall and to each other is usual. The maker’s sheet and local rules decide.',
  sizes: {
    width: rule(1200, 250, 5000),
    depth: rule(500, 250, 800),
    height: rule(1800, 600, 2400),
    frame: rule(30, 12, 80),
    recess: rule(15, 3, 60),
    'plinth height': rule(100, 0, 250),
    'plinth set-back': rule(50, 0, 150),
  },
  counts: { vents: rule(4, 0, 8) },
  divisions: {
    doors: { usual: 4, most: 16, whole: (v) => v.width },
    tiers: { usual: 1, most: 4, whole: (v) => v.height - v.size('plinth height') },
  },
  refuse: (v) => {
    if (Math.min(...v.share('doors', v.width)) < 2 * v.size('frame') + 120)
      return `its narrowest door would be under ${v.show(120)}`;
    const tiers = v.share('tiers', v.height - v.size('plinth height'));
    if (Math.min(...tiers) < 2 * v.size('frame') + 200 + 40 * v.count('vents'))
      return 'its tiers are too low for their doors and vents';
    return v.size('plinth set-back') + 120 > v.depth ? 'its plinth is set back behind the case' : null;
  },
  parts: (v) => {
    const [frame, deep, foot] = [v.size('frame'), v.size('recess'), v.size('plinth height')];
    const front = v.depth;
    const columns = laid(0, v.share('doors', v.width), 0);
    const tiers = laid(foot, v.share('tiers', v.height - foot), 0);
    const doors = columns.flatMap(([l, r], c) =>
      tiers.map(([low, high], t) => ({
        name: `${c + 1}-${t + 1}`,
        x: [l + frame / 2, r - frame / 2] as Range,
        z: [low + frame / 2, high - frame / 2] as Range,
      })),
    );
    const vents = v.count('vents');
    return [
      block('case', [0, v.width], [0, front - deep], [foot, v.height]),
      prism(
        'frame',
        'y',
        [front - deep, front],
        [
          [0, foot],
          [v.width, foot],
          [v.width, v.height],
          [0, v.height],
        ],
        doors.map(({ x, z }): [number, number][] => [
          [x[0], z[0]],
          [x[1], z[0]],
          [x[1], z[1]],
          [x[0], z[1]],
        ]),
      ),
      ...(foot > 0 ? [block('plinth', [20, v.width - 20], [20, front - v.size('plinth set-back')], [0, foot])] : []),
      ...doors.flatMap(({ name, x, z }) => {
        const margin = (x[1] - x[0]) * 0.25;
        const y: Range = [front - deep, front - deep + 2];
        return [
          ...Array.from({ length: vents }, (_, i) =>
            block(`vent-${name}-${i + 1}`, [x[0] + margin, x[1] - margin], y, [z[1] - 60 - 30 * i, z[1] - 52 - 30 * i]),
          ),
          block(
            `latch-${name}`,
            [x[1] - 40, x[1] - 20],
            [front - deep, front - deep + 10],
            [(z[0] + z[1]) / 2 - 40, (z[0] + z[1]) / 2 + 40],
          ),
        ];
      }),
    ];
  },
};
