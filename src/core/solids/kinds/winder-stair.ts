import { group, prism, type Part, type Range } from '../parts';
import { rule, type Kind, type Values } from '../kind';
import { flightParts, newel, STAIR_CAUTION } from './flight';
import { stairOptions } from './stair-options';

function stepOf(v: Values) {
  const [all, lower, s] = [v.count('risers'), v.count('risers to the winders'), v.size('flight width')];
  // Three winders take three rises of the turn.
  return {
    rise: v.height / all,
    going: (v.depth - s) / (lower - 1),
    upperGoing: (v.width - s) / (all - lower - 3),
    upper: all - lower - 2,
  };
}

/** As the quarter turn, with three winders in place of the landing. */
export const winderStair: Kind = {
  id: 'winder-stair',
  name: 'Quarter-turn stair with winders',
  group: 'stairs',
  caution: `${STAIR_CAUTION} Winders are narrow at the newel.`,
  sizes: {
    width: rule(2200, 800, 8000),
    depth: rule(2460, 800, 8000),
    height: rule(2700, 600, 6000),
    'flight width': rule(900, 500, 2000),
    tread: rule(40, 15, 90),
    nosing: rule(20, 0, 50),
    stringer: rule(40, 0, 80),
    'rail height': rule(900, 700, 1200),
  },
  counts: { risers: rule(16, 8, 30), 'risers to the winders': rule(8, 3, 20), 'balusters per tread': rule(2, 1, 3) },
  choices: { risers: ['closed', 'open'], rails: ['inner', 'none'] },
  refuse: (v) => {
    const [all, lower, s] = [v.count('risers'), v.count('risers to the winders'), v.size('flight width')];
    if (all - lower < 5) return 'fewer than three risers are left above the winders';
    if (v.width < s + 300 || v.depth < s + 300) return 'its winders leave no room for the flights';
    const { rise, going, upperGoing } = stepOf(v);
    if (rise < 80 || rise > 260)
      return `each rise would be ${v.show(Math.round(rise))}: change the risers or the height`;
    for (const [which, one] of [
      ['lower', going],
      ['upper', upperGoing],
    ] as const)
      if (one < 120 || one > 500)
        return `each going of the ${which} flight would be ${v.show(Math.round(one))}: change its risers or its length`;
    return v.size('tread') + 20 > rise ? 'its treads are as thick as its rise' : null;
  },
  parts: (v) => {
    const [lower, s, tread] = [v.count('risers to the winders'), v.size('flight width'), v.size('tread')];
    const { rise, going, upperGoing, upper } = stepOf(v);
    const options = stairOptions(v);
    const rails: readonly 'low x'[] = v.choice('rails') === 'inner' ? ['low x'] : [];
    const near = s * (1 - Math.tan(Math.PI / 6));
    const kites: readonly (readonly [number, number][])[] = [
      [
        [s, s],
        [0, s],
        [0, near],
      ],
      [
        [s, s],
        [0, near],
        [0, 0],
        [near, 0],
      ],
      [
        [s, s],
        [near, 0],
        [s, 0],
      ],
    ];
    const at = (i: number): number => (lower + i) * rise;
    // A riser stands under the leading side of each winder: from the newel to the outer wall, 18 mm thick, inside its own winder.
    const riser = (name: string, to: readonly [number, number], z: Range): Part => {
      const [dx, dy] = [to[0] - s, to[1] - s];
      const length = Math.hypot(dx, dy);
      const [nx, ny] = [(-dy / length) * -18, (dx / length) * -18];
      return prism(name, 'z', z, [
        [s + (dx / length) * 60, s + (dy / length) * 60],
        [to[0] - (dx / length) * 40, to[1] - (dy / length) * 40],
        [to[0] - (dx / length) * 40 - nx, to[1] - (dy / length) * 40 - ny],
        [s + (dx / length) * 60 - nx, s + (dy / length) * 60 - ny],
      ]);
    };
    return [
      group('lower', [s, v.depth, 0], 180, flightParts({ width: s, risers: lower, rise, going, ...options, rails })),
      ...kites.map((outline, i) => prism(`winder-${i + 1}`, 'z', [at(i) - tread, at(i)], outline)),
      ...(options.open
        ? []
        : [
            riser('winder-riser-2', [0, near], [at(0), at(1) - tread]),
            riser('winder-riser-3', [near, 0], [at(1), at(2) - tread]),
          ]),
      group(
        'upper',
        [s, s, at(2)],
        -90,
        flightParts({ width: s, risers: upper, rise, going: upperGoing, ...options, rails }),
      ),
      newel('newel-turn', s - 20, s - 20, [0, at(2) + rise + v.size('rail height') + 80]),
    ];
  },
  slopes: (v) => {
    const { rise, going, upperGoing } = stepOf(v);
    return [
      { words: 'the pitch of the lower flight', along: [0, -1], rise: rise / going },
      { words: 'the pitch of the upper flight', along: [1, 0], rise: rise / upperGoing },
    ];
  },
};
