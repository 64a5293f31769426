import { block, drum, prism, type Part } from '../parts';
import { rule, type Kind } from '../kind';
import { equal, laid } from './helpers';

export const socket: Kind = {
  id: 'socket',
  name: 'Socket or switch',
  group: 'on the wall',
  lift: 300,
  caution: 'Where sockets and switches may sit is laid down by local rules; a licensed electrician decides.',
  sizes: {
    width: rule(85, 60, 500),
    depth: rule(12, 5, 60),
    height: rule(85, 60, 500),
    border: rule(8, 3, 30),
  },
  counts: { inserts: rule(1, 1, 5) },
  choices: { inserts: ['sockets', 'switches'] },
  refuse: (v) => {
    const [b, n] = [v.size('border'), v.count('inserts')];
    return v.width < (n + 1) * b + n * 40 || v.height < 2 * b + 40 ? 'its inserts do not go into its plate' : null;
  },
  parts: (v) => {
    const [b, n] = [v.size('border'), v.count('inserts')];
    const plate = v.depth * 0.6;
    const across = laid(b, equal(n, v.width - 2 * b, b), b);
    const z = [b, v.height - b] as const;
    return [
      block('plate', [0, v.width], [0, plate], [0, v.height]),
      ...across.flatMap((x, i): Part[] => {
        const rocker = block(`rocker-${i + 1}`, x, [plate, v.depth], z);
        if (v.choice('inserts') === 'switches') return [rocker];
        const [middle, up] = [(x[0] + x[1]) / 2, (z[0] + z[1]) / 2];
        const radius = Math.min(x[1] - x[0], z[1] - z[0]) / 2 - 1;
        // A round well in the insert, told by its two circles, with its two holes on its floor.
        return [
          prism(
            `insert-${i + 1}`,
            'y',
            [plate, v.depth],
            [
              [x[0], z[0]],
              [x[1], z[0]],
              [x[1], z[1]],
              [x[0], z[1]],
            ],
            [
              [
                [middle - radius, up, 1],
                [middle + radius, up, 1],
              ],
            ],
          ),
          ...[-1, 1].map((s) =>
            drum(`hole-${i + 1}-${s < 0 ? 'left' : 'right'}`, [middle + s * radius * 0.45, plate, up], 2.5, 1, 'y'),
          ),
        ];
      }),
    ];
  },
};
