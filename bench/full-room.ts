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

/** How far apart the pieces stand, mm: none in another, along the hall and across it. */
const [ALONG_MM, ACROSS_MM] = [2200, 2900];

/** One hall with so many pieces in it, ten kinds in turn, as long as they want. */
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
  const rows = count > 1000 ? 40 : 20;
  const [long, wide] = [Math.ceil(count / rows) * ALONG_MM + 800, rows * ACROSS_MM + 800];
  const pieces = Array.from({ length: count }, (_, i) => {
    const kind = KINDS[i % KINDS.length] ?? 'box';
    const at = [
      { wallId: 'north', mm: 400 + (i % rows) * ACROSS_MM },
      { wallId: 'west', mm: 400 + Math.floor(i / rows) * ALONG_MM },
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
          wall('west', 'sw', 0, wide),
          wall('north', 'nw', 90, long),
          wall('east', 'ne', 180, wide),
          wall('south', 'se', 270, long),
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
        station: { x: long / 2, y: -0.9 * long },
        lineOfSightBearingDeg: 0,
        picturePlane: { through: 'distance', mm: 0.9 * long },
        scaleDenominator: Math.ceil(long / 300),
      },
    ],
    plans: [],
    laidAside: [],
  };
}
