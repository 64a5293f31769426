import { seededRandom } from '@/core/base';
import {
  newSize,
  OPENING_KINDS,
  PLAIN_OPENING,
  SURFACE_KINDS,
  type Ceiling,
  type Opening,
  type Project,
  type Size,
} from '@/core/record';
import { CATALOGUE, newPiece, OPENING_FITTINGS } from '@/core/solids';
import { size, smallRoom } from './small-room';

/** A room with everything in it that the record knows: every sort of ceiling, mouldings, openings of all kinds, pieces of the catalogue, surfaces. */
export function randomRoom(seed: number): Project {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const between = (low: number, high: number): number => Math.round(low + random() * (high - low));
  const mm = (id: string, value: number): Size =>
    newSize(id, {
      mm: value,
      asTyped: String(value),
      source: pick(['measured', 'scaled', 'maker', 'usual', 'estimated'] as const),
      uncertaintyMm: between(0, 50),
    });
  const ceilings: readonly Ceiling[] = [
    { shape: 'flat' },
    {
      shape: 'stepped',
      zones: [
        {
          id: 'zone',
          wallId: pick(['north', 'west', 'east', 'south']),
          depth: mm('zone/depth', between(300, 1800)),
          height: mm('zone/height', between(2000, 2900)),
        },
      ],
    },
    {
      shape: 'stepped',
      zones: [
        {
          id: 'zone-1',
          wallId: 'north',
          depth: mm('zone-1/depth', between(300, 1200)),
          height: mm('zone-1/height', between(2000, 2900)),
        },
        {
          id: 'zone-2',
          wallId: 'west',
          depth: mm('zone-2/depth', between(300, 1200)),
          height: mm('zone-2/height', between(2000, 2900)),
        },
      ],
    },
    { shape: 'sloped', wallId: pick(['north', 'west']), highHeight: mm('high', between(2600, 4500)) },
    {
      shape: 'gabled',
      wallId: pick(['north', 'west']),
      ridgeFrom: mm('ridge/from', between(500, 2500)),
      ridgeHeight: mm('ridge', between(2700, 4500)),
    },
    { shape: 'barrel', wallId: pick(['north', 'west']), rise: mm('rise', between(200, 1400)) },
  ];
  const base = smallRoom();
  const openings = ['west', 'north', 'east', 'south'].flatMap((wallId, i): Opening[] => {
    if (random() < 0.3) return [];
    const kind = pick(OPENING_KINDS);
    const rules = OPENING_FITTINGS[kind];
    const id = `opening-${i}`;
    const floor = kind === 'door' || kind === 'archway' || kind === 'closet';
    return [
      {
        ...PLAIN_OPENING,
        id,
        name: `opening ${i}`,
        kind,
        wallId,
        fromCorner: base.spaces[0]?.walls[i]?.startCorner ?? '',
        offset: mm(`${id}/offset`, between(200, 900)),
        width: mm(`${id}/width`, between(500, 1800)),
        sill: mm(`${id}/sill`, floor ? 0 : between(100, 900)),
        height: mm(`${id}/height`, between(700, 1000)),
        reveal: mm(`${id}/reveal`, pick([0, 60, 250])),
        head: pick(['flat', 'arched']),
        sizes: Object.fromEntries(
          Object.entries(rules.sizes)
            .filter(([name]) => name !== 'rise' || random() < 0.5)
            .map(([name, rule]) => [
              name,
              mm(
                `${id}/${name}`,
                between(Math.max(rule.least, rule.usual / 2), Math.min(rule.most, Math.max(60, rule.usual * 1.5))),
              ),
            ]),
        ),
        counts: Object.fromEntries(
          Object.entries(rules.counts).map(([name, rule]) => [
            name,
            name === 'open by' ? between(0, 120) : between(rule.least, Math.min(rule.most, 4)),
          ]),
        ),
        choices: Object.fromEntries(Object.entries(rules.choices).map(([name, list]) => [name, pick(list)])),
      },
    ];
  });
  const pieces = Array.from({ length: between(0, 5) }, (_, i) => {
    const kind = pick(CATALOGUE);
    const piece = newPiece(
      kind.id,
      {
        id: `piece-${i}`,
        name: `piece ${i}`,
        levelId: 'ground',
        from: [
          { wallId: 'north', mm: between(-200, 2500) },
          { wallId: 'west', mm: between(-200, 3500) },
        ],
      },
      String,
    );
    if (!piece) throw new Error(kind.id);
    const checks =
      random() < 0.3
        ? [
            {
              id: `check-${i}`,
              pieceCorner: 'front-left' as const,
              wallId: 'south',
              distance: mm(`check-${i}/distance`, between(100, 900)),
            },
          ]
        : [];
    return { ...piece, mirrored: random() < 0.5, checks, place: { ...piece.place, turnDeg: between(0, 359) } };
  });
  const moulding = (id: string) =>
    random() < 0.5
      ? { height: mm(`${id}/height`, between(40, 200)), thickness: mm(`${id}/thickness`, between(10, 60)) }
      : null;
  return {
    ...base,
    spaces: base.spaces.map((space) => ({
      ...space,
      ceilingHeight: size('room/ceiling', 2500),
      ceiling: pick(ceilings),
      skirting: moulding('skirting'),
      cornice: moulding('cornice'),
    })),
    openings,
    pieces,
    surfaces:
      random() < 0.7
        ? [
            {
              id: 'surface',
              name: 'surface',
              kind: pick(SURFACE_KINDS),
              spaceId: 'room',
              on: pick(['floor', 'ceiling', 'wall'] as const),
              wallId: pick(['north', 'east']),
              bond: pick(['square', 'broken', 'staggered'] as const),
              length: mm('surface/length', between(200, 900)),
              breadth: mm('surface/breadth', between(80, 400)),
              joint: mm('surface/joint', pick([0, 5])),
              start: mm('surface/start', between(0, 300)),
              turnDeg: pick([0, 0, 45]),
            },
          ]
        : [],
  };
}
