import { splitOutline } from '@/core/geometry';
import { alongWall } from '@/core/record';
import { distanceTo, farthestFrom, type CeilingKind, type CeilingRegion, type CeilingRoom } from './ceiling-kind';

const FROM = 'ridge from the wall';
const TOP = 'ridge height';

/** Rise for each mm toward the ridge, from the wall and from the other side. */
function pitches({ wall, outline, eaves, size }: CeilingRoom): { readonly near: number; readonly far: number } {
  const span = wall ? farthestFrom(wall, outline) : 0;
  const up = size(TOP) - eaves;
  return { near: up / size(FROM), far: up / (span - size(FROM)) };
}

/** A ridge parallel to a wall; the eaves on both sides at the height at the walls. */
export const gabled: CeilingKind = {
  id: 'gabled',
  words: 'gabled',
  along: 'a-wall',
  zones: [],
  sizes: { [FROM]: () => 1500, [TOP]: (eaves) => eaves + 1000 },
  says: [
    ', its ridge ',
    { size: TOP, label: 'ridge height' },
    ' high, ',
    { size: FROM, label: 'ridge distance' },
    ' from that wall',
  ],
  fault: ({ wall, outline, eaves, size }, show) => {
    if (!wall) return null;
    const span = farthestFrom(wall, outline);
    if (!(size(FROM) > 0 && size(FROM) < span))
      return `has its ridge outside the room: it must lie within ${show(Math.round(span))} of ${wall.wall.name}`;
    return size(TOP) > eaves ? null : 'has a ridge that is not above the eaves';
  },
  shape: (room) => {
    const { wall, outline, eaves, size } = room;
    if (!wall) return { kind: 'regions', regions: [{ outline, height: () => eaves }] };
    const span = farthestFrom(wall, outline);
    const { near, far } = splitOutline(
      outline,
      (p) => distanceTo(wall)(p) - size(FROM),
      (p) => alongWall(wall, p),
    );
    const up = pitches(room);
    return {
      kind: 'regions',
      regions: [
        ...near.map((part): CeilingRegion => ({ outline: part, height: (p) => eaves + up.near * distanceTo(wall)(p) })),
        ...far.map((part): CeilingRegion => ({
          outline: part,
          height: (p) => eaves + up.far * (span - distanceTo(wall)(p)),
        })),
      ],
    };
  },
  heights: ({ size }) => [{ mm: size(TOP), words: 'ridge' }],
  slopes: (room) => {
    const { wall } = room;
    if (!wall) return [];
    const up = pitches(room);
    const back = { x: -wall.intoRoom.x, y: -wall.intoRoom.y };
    return [
      { words: `the slope of the ceiling on the side of ${wall.wall.name}`, toward: wall.intoRoom, rise: up.near },
      { words: 'the slope of the ceiling on the other side', toward: back, rise: up.far },
    ];
  },
};
