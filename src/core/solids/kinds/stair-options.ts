import type { Values } from '../kind';
import type { Flight } from './flight';

/** What all flights of a stair share. */
export const stairOptions = (
  v: Values,
): Pick<Flight, 'tread' | 'nosing' | 'open' | 'stringer' | 'railHeight' | 'balusters'> => ({
  tread: v.size('tread'),
  nosing: v.size('nosing'),
  open: v.choice('risers') === 'open',
  stringer: v.size('stringer'),
  railHeight: v.size('rail height'),
  balusters: v.count('balusters per tread'),
});

/** Rails by the hand of one who climbs. Climbing turns the flight half round, so its low x is on the right. */
export function railsOf(v: Values): Flight['rails'] {
  switch (v.choice('rails')) {
    case 'right':
      return ['low x'];
    case 'left':
      return ['high x'];
    case 'both':
      return ['low x', 'high x'];
    default:
      return [];
  }
}
