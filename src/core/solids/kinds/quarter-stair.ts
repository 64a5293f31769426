import { block, group } from '../parts';
import { rule, type Kind, type Values } from '../kind';
import { flightParts, newel, STAIR_CAUTION } from './flight';
import { stairOptions } from './stair-options';

function stepOf(v: Values) {
  const [all, lower, s] = [v.count('risers'), v.count('risers to the landing'), v.size('flight width')];
  return {
    rise: v.height / all,
    going: (v.depth - s) / (lower - 1),
    upperGoing: (v.width - s) / (all - lower - 1),
  };
}

/** Climbs from the front along the left, turns on a landing at the back left, and goes on to the right along the back. */
export const quarterStair: Kind = {
  id: 'quarter-stair',
  name: 'Quarter-turn stair with landing',
  group: 'stairs',
  caution: STAIR_CAUTION,
  sizes: {
    width: rule(2720, 800, 8000),
    depth: rule(2460, 800, 8000),
    height: rule(2700, 600, 6000),
    'flight width': rule(900, 500, 2000),
    tread: rule(40, 15, 90),
    nosing: rule(20, 0, 50),
    stringer: rule(40, 0, 80),
    'rail height': rule(900, 700, 1200),
  },
  counts: { risers: rule(16, 6, 30), 'risers to the landing': rule(8, 3, 20), 'balusters per tread': rule(2, 1, 3) },
  choices: { risers: ['closed', 'open'], rails: ['inner', 'none'] },
  refuse: (v) => {
    const [all, lower, s] = [v.count('risers'), v.count('risers to the landing'), v.size('flight width')];
    if (all - lower < 3) return 'fewer than three risers are left above the landing';
    if (v.width < s + 300 || v.depth < s + 300) return 'its landing leaves no room for the flights';
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
    const [all, lower, s] = [v.count('risers'), v.count('risers to the landing'), v.size('flight width')];
    const { rise, going, upperGoing } = stepOf(v);
    const at = lower * rise;
    const options = stairOptions(v);
    const rails = v.choice('rails') === 'inner';
    const post = 80;
    return [
      group(
        'lower',
        [s, v.depth, 0],
        180,
        flightParts({ width: s, risers: lower, rise, going, ...options, rails: rails ? ['low x'] : [] }),
      ),
      block('landing', [0, s], [0, s], [at - 180, at]),
      group(
        'upper',
        [s, s, at],
        -90,
        flightParts({
          width: s,
          risers: all - lower,
          rise,
          going: upperGoing,
          ...options,
          rails: rails ? ['low x'] : [],
        }),
      ),
      ...(rails
        ? [
            newel('newel-turn', s - post / 2 + 20, s - post / 2 + 20, [
              at - 180 - 250,
              at + rise + v.size('rail height') + 80,
            ]),
            newel('newel-foot', s - 20, v.depth + post / 2 - 20, [0, rise + v.size('rail height') + 80]),
          ]
        : []),
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
