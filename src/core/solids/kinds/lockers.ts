import { block, drum, prism, type Range } from '../parts';
import { rule, type Kind } from '../kind';
import { laid } from './helpers';

export const lockers: Kind = {
  id: 'lockers',
  name: 'Lockers',
  group: 'storage',
  backed: true,
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
  counts: { vents: rule(4, 0, 8), 'vents below': rule(0, 0, 8), hinges: rule(0, 0, 4) },
  choices: { lock: ['latch', 'round lock'] },
  divisions: {
    doors: {
      one: 'door',
      usual: 4,
      most: 16,
      whole: (v, n) => v.width - n * v.size('frame'),
      clearOf: 'the frame',
    },
    tiers: {
      one: 'tier',
      usual: 1,
      most: 4,
      whole: (v, n) => v.height - v.size('plinth height') - n * v.size('frame'),
      clearOf: 'the frame',
      each: () => 'doors',
    },
  },
  refuse: (v) => {
    const doors = v.share('doors');
    if (Math.min(...doors) < v.size('frame') + 120) return `its narrowest door would be under ${v.show(120)}`;
    const tiers = doors.flatMap((_, door) => v.share('tiers', door));
    if (Math.min(...tiers) < v.size('frame') + 200 + 40 * (v.count('vents') + v.count('vents below')))
      return 'its tiers are too low for their doors and vents';
    return v.size('plinth set-back') + 120 > v.depth ? 'its plinth is set back behind the case' : null;
  },
  parts: (v) => {
    const [frame, deep, foot] = [v.size('frame'), v.size('recess'), v.size('plinth height')];
    const front = v.depth;
    // A frame's width between two doors, half of it at the ends.
    const doors = laid(frame / 2, v.share('doors'), frame).flatMap((x, c) =>
      laid(foot + frame / 2, v.share('tiers', c), frame).map((z, t) => ({ name: `${c + 1}-${t + 1}`, x, z })),
    );
    const [vents, hinges] = [v.count('vents'), v.count('hinges')];
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
          ...Array.from({ length: v.count('vents below') }, (_, i) =>
            block(`low-vent-${name}-${i + 1}`, [x[0] + margin, x[1] - margin], y, [
              z[0] + 52 + 30 * i,
              z[0] + 60 + 30 * i,
            ]),
          ),
          // Two hinges stand a hand from either end, more of them evenly between.
          ...Array.from({ length: hinges }, (_, i) => {
            const from = z[0] + 70;
            const at = hinges === 1 ? (z[0] + z[1]) / 2 : from + ((z[1] - 70 - from) * i) / (hinges - 1);
            return drum(`hinge-${name}-${i + 1}`, [x[0] + 7, front - deep + 6, at - 25], 6, 50);
          }),
          v.choice('lock') === 'latch'
            ? block(
                `latch-${name}`,
                [x[1] - 40, x[1] - 20],
                [front - deep, front - deep + 10],
                [(z[0] + z[1]) / 2 - 40, (z[0] + z[1]) / 2 + 40],
              )
            : drum(`lock-${name}`, [x[1] - 35, front - deep, (z[0] + z[1]) / 2], 13, 10, 'y'),
        ];
      }),
    ];
  },
};
