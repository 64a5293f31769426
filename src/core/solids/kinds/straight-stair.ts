import { group } from '../parts';
import { rule, type Kind, type Values } from '../kind';
import { flightParts, STAIR_CAUTION } from './flight';
import { railsOf, stairOptions } from './stair-options';

const stepOf = (v: Values) => ({
  rise: v.height / v.count('risers'),
  going: v.depth / (v.count('risers') - 1),
});

/** The first riser's face lies in the front of the footprint, the last one's in its back: the face of the floor above. */
export const straightStair: Kind = {
  id: 'straight-stair',
  name: 'Straight stair',
  group: 'stairs',
  caution: STAIR_CAUTION,
  sizes: {
    width: rule(900, 500, 3000),
    depth: rule(3640, 400, 9000),
    height: rule(2700, 300, 6000),
    tread: rule(40, 15, 90),
    nosing: rule(20, 0, 50),
    stringer: rule(40, 0, 80),
    'rail height': rule(900, 700, 1200),
  },
  counts: { risers: rule(15, 3, 30), 'balusters per tread': rule(2, 1, 3) },
  choices: { risers: ['closed', 'open'], rails: ['right', 'left', 'both', 'none'] },
  refuse: (v) => {
    const { rise, going } = stepOf(v);
    if (rise < 80 || rise > 260)
      return `each rise would be ${v.show(Math.round(rise))}: change the risers or the height`;
    if (going < 120 || going > 500)
      return `each going would be ${v.show(Math.round(going))}: change the risers or the length`;
    return v.size('tread') + 20 > rise ? 'its treads are as thick as its rise' : null;
  },
  parts: (v) => {
    const { rise, going } = stepOf(v);
    // Climbing goes from the front to the back: the flight's own axes are turned half round.
    return [
      group(
        'flight',
        [v.width, v.depth, 0],
        180,
        flightParts({ width: v.width, risers: v.count('risers'), rise, going, ...stairOptions(v), rails: railsOf(v) }),
      ),
    ];
  },
  slopes: (v) => {
    const { rise, going } = stepOf(v);
    return [{ words: 'the pitch', along: [0, -1], rise: rise / going }];
  },
};
