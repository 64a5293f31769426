import { tolerance } from '@/core/numeric';
import { farthestFrom, distanceTo, type CeilingKind, type CeilingRoom } from './ceiling-kind';

const HIGH = 'height at the high side';
/** Rise for each mm away from the wall. */
const pitch = ({ wall, outline, eaves, size }: CeilingRoom): number =>
  wall ? (size(HIGH) - eaves) / farthestFrom(wall, outline) : 0;

/** Rises from the height at one wall to the high side, the corner farthest from it. */
export const sloped: CeilingKind = {
  id: 'sloped',
  words: 'sloped',
  along: 'a-wall',
  zones: [],
  sizes: { [HIGH]: (eaves) => eaves + 800 },
  says: [', rising to ', { size: HIGH, label: 'height at the high side' }],
  fault: ({ wall, outline, size }) => {
    // Walls that are typed wrong may leave the whole room behind the one it rises from: it would climb over no distance at all.
    if (wall && farthestFrom(wall, outline) < tolerance.closingMm)
      return `has a ceiling that rises from ${wall.wall.name}, before which nothing of the room lies`;
    return size(HIGH) > 0 ? null : 'has a ceiling that slopes to nothing';
  },
  shape: (room) => {
    const { wall, outline, eaves } = room;
    const up = pitch(room);
    return {
      kind: 'regions',
      regions: [{ outline, height: (p) => eaves + (wall ? up * distanceTo(wall)(p) : 0) }],
    };
  },
  heights: ({ size }) => [{ mm: size(HIGH), words: 'high end of the ceiling' }],
  slopes: (room) => {
    const up = pitch(room);
    return room.wall && up !== 0 ? [{ words: 'the slope of the ceiling', toward: room.wall.intoRoom, rise: up }] : [];
  },
};
