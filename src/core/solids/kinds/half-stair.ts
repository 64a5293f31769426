import { block, group, type Part } from '../parts';
import { rule, type Kind, type Values } from '../kind';
import { flightParts, STAIR_CAUTION } from './flight';
import { stairOptions } from './stair-options';

function stepOf(v: Values) {
  const [all, lower, landing] = [v.count('risers'), v.count('risers to the landing'), v.size('landing depth')];
  return { rise: v.height / all, going: (v.depth - landing) / (Math.max(lower, all - lower) - 1) };
}

/** Climbs from the front along the left, turns half round on a landing across the back, and comes back along the right. */
export const halfStair: Kind = {
  id: 'half-stair',
  name: 'Half-turn stair with landing',
  group: 'stairs',
  caution: STAIR_CAUTION,
  sizes: {
    width: rule(1900, 1050, 6000),
    depth: rule(2720, 900, 8000),
    height: rule(2700, 600, 6000),
    'flight width': rule(900, 500, 2500),
    'landing depth': rule(900, 500, 2500),
    tread: rule(40, 15, 90),
    nosing: rule(20, 0, 50),
    stringer: rule(40, 0, 80),
    'rail height': rule(900, 700, 1200),
  },
  counts: { risers: rule(16, 6, 30), 'risers to the landing': rule(8, 3, 20), 'balusters per tread': rule(2, 1, 3) },
  choices: { risers: ['closed', 'open'], rails: ['inner', 'none'] },
  refuse: (v) => {
    const [all, lower] = [v.count('risers'), v.count('risers to the landing')];
    if (all - lower < 3) return 'fewer than three risers are left above the landing';
    if (v.width < 2 * v.size('flight width')) return 'its two flights are wider than the whole';
    if (v.depth < v.size('landing depth') + 300) return 'its landing leaves no room for the flights';
    const { rise, going } = stepOf(v);
    if (rise < 80 || rise > 260)
      return `each rise would be ${v.show(Math.round(rise))}: change the risers or the height`;
    if (going < 120 || going > 500)
      return `each going would be ${v.show(Math.round(going))}: change the risers or the length`;
    return v.size('tread') + 20 > rise ? 'its treads are as thick as its rise' : null;
  },
  parts: (v) => {
    const [all, lower, s, deep] = [
      v.count('risers'),
      v.count('risers to the landing'),
      v.size('flight width'),
      v.size('landing depth'),
    ];
    const { rise, going } = stepOf(v);
    const at = lower * rise;
    const options = stairOptions(v);
    const rails: readonly 'low x'[] = v.choice('rails') === 'inner' ? ['low x'] : [];
    const flight = (risers: number): readonly Part[] =>
      flightParts({ width: s, risers, rise, going, ...options, rails });
    return [
      group('lower', [s, deep + (lower - 1) * going, 0], 180, flight(lower)),
      block('landing', [0, v.width], [0, deep], [at - 180, at]),
      group('upper', [v.width - s, deep, at], 0, flight(all - lower)),
    ];
  },
  slopes: (v) => {
    const { rise, going } = stepOf(v);
    return [
      { words: 'the pitch of the lower flight', along: [0, -1], rise: rise / going },
      { words: 'the pitch of the upper flight', along: [0, 1], rise: rise / going },
    ];
  },
};
