import { at, seededRandom } from '@/core/base';
import {
  newSize,
  PLAIN_OPENING,
  SURFACE_KINDS,
  type Ceiling,
  type Opening,
  type Piece,
  type LightRows,
  type Project,
  type Size,
  type Space,
} from '@/core/record';
import { CATALOGUE, CEILINGS, newCeiling, newPiece, OPENINGS } from '@/core/solids';

/** What one draw of lots gives: the same seed always the same. */
interface Lots {
  readonly random: () => number;
  readonly pick: <T>(list: readonly T[]) => T;
  /** A whole number between two, both included. */
  readonly between: (low: number, high: number) => number;
  readonly mm: (id: string, value: number) => Size;
}

function lotsOf(seed: number): Lots {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => at(list, Math.floor(random() * list.length));
  // A length of nought has no sign: less than half below it is rounded to nought all the same.
  const between = (low: number, high: number): number => Math.round(low + random() * (high - low)) + 0;
  const mm = (id: string, value: number): Size =>
    newSize(id, {
      mm: value,
      asTyped: String(value),
      source: pick(['measured', 'scaled', 'maker', 'usual', 'estimated'] as const),
      uncertaintyMm: between(0, 50),
    });
  return { random, pick, between, mm };
}

/** A ceiling of any kind, its sizes near the usual ones, along any wall. */
function randomCeiling(space: Space, { pick, between, mm }: Lots): Ceiling {
  const kind = pick(CEILINGS);
  const plain = newCeiling(kind, space, 2500, String);
  const zones = plain.zones.length > 0 && pick([true, false]) ? [...plain.zones, ...plain.zones] : plain.zones;
  return {
    ...plain,
    wallId: plain.wallId === null ? null : pick(space.walls).id,
    sizes: Object.fromEntries(
      Object.entries(kind.sizes).map(([name, usual]) => [
        name,
        mm(`${space.id}/${name}`, between(usual(2500) * 0.8, usual(2500) * 1.35)),
      ]),
    ),
    zones: zones.map((_, i) => ({
      id: `zone-${i + 1}`,
      wallId: pick(space.walls).id,
      depth: mm(`zone-${i + 1}/depth`, between(300, 1800)),
      height: mm(`zone-${i + 1}/height`, between(2000, 2900)),
    })),
  };
}

/** An opening of any kind in a wall. */
function randomOpening(space: Space, index: number, { random, pick, between, mm }: Lots): Opening {
  const wall = at(space.walls, index);
  const rules = pick(OPENINGS);
  const id = `opening-${index}`;
  return {
    ...PLAIN_OPENING,
    id,
    name: `opening ${index}`,
    kind: rules.id,
    wallId: wall.id,
    fromCorner: wall.startCorner,
    offset: mm(`${id}/offset`, between(200, 900)),
    width: mm(`${id}/width`, between(500, 1800)),
    sill: mm(`${id}/sill`, rules.usual.sill === 0 ? 0 : between(100, 900)),
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
        between(rule.least, Math.min(rule.most, name === 'open by' ? 120 : 4)),
      ]),
    ),
    choices: Object.fromEntries(Object.entries(rules.choices).map(([name, list]) => [name, pick(list)])),
  };
}

/** A piece of the catalogue somewhere by the second and the first wall, turned and mirrored as it falls. */
function randomPiece(space: Space, index: number, { random, pick, between, mm }: Lots): Piece {
  const [first, second, , last] = space.walls;
  const piece = newPiece(
    pick(CATALOGUE).id,
    {
      id: `piece-${index}`,
      name: `piece ${index}`,
      levelId: space.levelId,
      from: [
        { wallId: second?.id ?? '', mm: between(-200, 2500) },
        { wallId: first?.id ?? '', mm: between(-200, 3500) },
      ],
    },
    String,
  );
  if (!piece) throw new Error('The catalogue does not know a kind it has itself.');
  const checks =
    last && random() < 0.3
      ? [
          {
            id: `check-${index}`,
            pieceCorner: 'front-left' as const,
            wallId: last.id,
            distance: mm(`check-${index}/distance`, between(100, 900)),
          },
        ]
      : [];
  return { ...piece, mirrored: random() < 0.5, checks, place: { ...piece.place, turnDeg: between(0, 359) } };
}

const randomLights = ({ between, mm }: Lots): LightRows => ({
  length: mm('surface/light length', between(60, 900)),
  fromWall: mm('surface/first row', between(0, 900)),
  rowDistance: mm('surface/row distance', between(300, 1500)),
  rows: between(1, 3),
  perRow: between(0, 4),
  innerLines: between(0, 3),
});

/**
 * The project's rooms fitted with everything the record knows, by lot: ceilings of every kind, mouldings, openings, pieces of the catalogue,
 * surfaces. Not every one can stand as it falls; contradictions are part of it. The same seed gives the same room.
 */
export function randomRoom(base: Project, seed: number): Project {
  const lots = lotsOf(seed);
  const { random, pick, between, mm } = lots;
  const home = at(base.spaces, 0);
  const moulding = (id: string): Space['skirting'] =>
    random() < 0.5
      ? { height: mm(`${id}/height`, between(40, 200)), thickness: mm(`${id}/thickness`, between(10, 60)) }
      : null;
  const openings = home.walls.flatMap((_, i) => (random() < 0.3 ? [] : [randomOpening(home, i, lots)]));
  const pieces = Array.from({ length: between(0, 5) }, (_, i) => randomPiece(home, i, lots));
  return {
    ...base,
    spaces: base.spaces.map((space) => ({
      ...space,
      ceilingHeight: newSize(space.ceilingHeight.id, {
        mm: 2500,
        asTyped: '2500',
        source: 'measured',
        uncertaintyMm: 3,
      }),
      ceiling: randomCeiling(space, lots),
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
              spaceId: home.id,
              on: pick(['floor', 'ceiling', 'wall'] as const),
              wallId: pick(home.walls).id,
              bond: pick(['square', 'broken', 'staggered'] as const),
              length: mm('surface/length', between(200, 900)),
              breadth: mm('surface/breadth', between(80, 400)),
              joint: mm('surface/joint', pick([0, 5])),
              start: mm('surface/start', between(0, 300)),
              turnDeg: pick([0, 0, 45]),
              lights: random() < 0.5 ? null : randomLights(lots),
            },
          ]
        : [],
  };
}
