import { newSize, PLAIN_SPACE, type Project } from '@/core/record';
import { newPiece } from '@/core/solids';
import { DEMOS } from '@/app/demo';

const KINDS = [
  'table',
  'side-chair',
  'crate',
  'box',
  'bench',
  'stool',
  'base-unit',
  'shelves',
  'armchair',
  'round-table',
] as const;

/** One room of 60 m by 36 m with so many pieces in it, ten kinds in turn, none in another. */
export function fullRoom(count: number): Project {
  const demo = DEMOS.find((one) => one.id === 'weaving-loft');
  const view = demo?.views[0];
  if (!demo || !view) throw new Error('the loft is there');
  const size = (id: string, mm: number) =>
    newSize(id, { mm, asTyped: String(mm), source: 'measured', uncertaintyMm: 3 });
  const wall = (id: string, startCorner: string, bearingDeg: number, mm: number) => ({
    id,
    name: `the ${id} wall`,
    startCorner,
    bearingDeg,
    length: size(`${id}/length`, mm),
  });
  const pieces = Array.from({ length: count }, (_, i) => {
    const kind = KINDS[i % KINDS.length] ?? 'box';
    const at = [
      { wallId: 'north', mm: 400 + Math.floor(i / 20) * 2200 },
      { wallId: 'west', mm: 400 + (i % 20) * 2900 },
    ] as const;
    const piece = newPiece(kind, { id: `piece-${i}`, name: `piece ${i}`, levelId: 'ground', from: at }, String);
    if (!piece) throw new Error(kind);
    return piece;
  });
  return {
    ...demo,
    id: 'full-room',
    name: `Full room of ${count}`,
    spaces: [
      {
        ...PLAIN_SPACE,
        id: 'hall',
        name: 'the hall',
        levelId: 'ground',
        origin: { x: 0, y: 0 },
        ceilingHeight: size('hall/ceiling', 3600),
        walls: [
          wall('west', 'sw', 0, 36000),
          wall('north', 'nw', 90, 60000),
          wall('east', 'ne', 180, 36000),
          wall('south', 'se', 270, 60000),
        ],
      },
    ],
    openings: [],
    surfaces: [],
    pieces,
    levels: demo.levels.filter((level) => level.id === 'ground'),
    views: [
      {
        ...view,
        station: { x: 30000, y: -30000 },
        lineOfSightBearingDeg: 0,
        picturePlane: { through: 'distance', mm: 30000 },
        scaleDenominator: 150,
      },
    ],
    plans: [],
  };
}
