/**
 * Writes the demonstration projects to src/app/demo. Run `node scripts/make-demo.mjs` after changing it; a test holds the written files to
 * what this makes. The scenarios are invented. The file is long because it is data: three rooms, one size a line.
 */
import {
  newSize,
  PLAIN_OPENING,
  PLAIN_PIECE,
  PLAIN_SPACE,
  PROJECT_KIND,
  PROJECT_VERSION,
  USUAL_UNCERTAINTY_MM,
  type Opening,
  type Piece,
  type PieceCorner,
  type Project,
  type Size,
  type Source,
  type Space,
  type View,
  type Wall,
} from '@/core/record';
import { parseLength } from '@/core/units';

type Units = 'metric' | 'imperial';
type Given = readonly [text: string, source: Source];

/** Sizes are written as a person would type them. */
function maker(units: Units) {
  const size = (id: string, [text, source]: Given): Size => {
    const read = parseLength(text, { units, negative: 'allowed', zero: 'allowed' });
    if (!read.ok) throw new Error(`${id}: ${read.error.message}`);
    return newSize(id, { mm: read.value.mm, asTyped: text, source, uncertaintyMm: USUAL_UNCERTAINTY_MM[source] });
  };
  const wall = (id: string, name: string, startCorner: string, bearingDeg: number, length: Given): Wall => ({
    id,
    name,
    startCorner,
    bearingDeg,
    length: size(`${id}/length`, length),
  });
  const opening = (
    id: string,
    name: string,
    kind: Opening['kind'],
    wallId: string,
    fromCorner: string,
    s: { offset: Given; width: Given; sill?: Given; height: Given; reveal: Given },
  ): Opening => ({
    id,
    name,
    ...PLAIN_OPENING,
    kind,
    wallId,
    fromCorner,
    offset: size(`${id}/offset`, s.offset),
    width: size(`${id}/width`, s.width),
    sill: size(`${id}/sill`, s.sill ?? ['0', 'measured']),
    height: size(`${id}/height`, s.height),
    reveal: size(`${id}/reveal`, s.reveal),
  });
  const piece = (
    id: string,
    name: string,
    [width, depth, height]: readonly [Given, Given, Given],
    at: {
      corner: PieceCorner;
      from: readonly [readonly [string, Given], readonly [string, Given]];
      turn?: number;
      lift?: Given;
    },
  ): Piece => ({
    id,
    name,
    ...PLAIN_PIECE,
    kind: 'box',
    levelId: 'ground',
    width: size(`${id}/width`, width),
    depth: size(`${id}/depth`, depth),
    height: size(`${id}/height`, height),
    lift: size(`${id}/lift`, at.lift ?? ['0', 'measured']),
    place: {
      pieceCorner: at.corner,
      from: [
        { wallId: at.from[0][0], distance: size(`${id}/first`, at.from[0][1]) },
        { wallId: at.from[1][0], distance: size(`${id}/second`, at.from[1][1]) },
      ],
      turnDeg: at.turn ?? 0,
    },
  });
  const project = (
    id: string,
    name: string,
    space: Omit<Space, 'levelId' | 'origin' | 'ceilingHeight' | 'ceiling' | 'skirting' | 'cornice'> & {
      ceiling: Given;
    },
    rest: { openings: Opening[]; pieces: Piece[]; views: View[]; first: string },
  ): Project => {
    const { ceiling, ...room } = space;
    return {
      kind: PROJECT_KIND,
      version: PROJECT_VERSION,
      id,
      name,
      units,
      fractions: { real: 8, ruler: 32 },
      rulerStepMm: 0.1,
      levels: [{ id: 'ground', name: 'Ground floor', elevation: size('ground/elevation', ['0', 'measured']) }],
      spaces: [
        {
          ...room,
          levelId: 'ground',
          origin: { x: 0, y: 0 },
          ...PLAIN_SPACE,
          ceilingHeight: size(`${room.id}/ceiling-height`, ceiling),
        },
      ],
      openings: rest.openings,
      pieces: rest.pieces,
      surfaces: [],
      underlays: [],
      views: rest.views,
      plans: rest.views.map((view) => ({
        id: `plan-${view.id}`,
        viewId: view.id,
        pieceId: rest.first,
        school: 'measuring-points' as const,
      })),
    };
  };
  return { size, wall, opening, piece, project };
}

const m = (text: string): Given => [text, 'measured'];
const usual = (text: string): Given => [text, 'usual'];
const scaled = (text: string): Given => [text, 'scaled'];
const sheetOf = (text: string): Given => [text, 'maker'];

export function teaRoom(): Project {
  const { wall, opening, piece, project } = maker('metric');
  const shelf = (number: number, lift: string): Piece =>
    piece(`shelf-${number}`, `shelf ${number}`, [m('1740'), m('280'), m('40')], {
      corner: 'back-left',
      from: [
        ['north-left', m('0')],
        ['west', m('430')],
      ],
      lift: m(lift),
    });
  const stool = (number: number, fromWest: string): Piece =>
    piece(`stool-${number}`, `stool ${number}`, [sheetOf('360'), sheetOf('360'), sheetOf('750')], {
      corner: 'back-left',
      from: [
        ['north-left', scaled('2350')],
        ['west', scaled(fromWest)],
      ],
    });
  const pendant = (number: number, fromWest: string): Piece =>
    piece(`pendant-${number}`, `pendant lamp ${number}`, [sheetOf('260'), sheetOf('260'), sheetOf('220')], {
      corner: 'back-left',
      from: [
        ['north-left', m('1500')],
        ['west', m(fromWest)],
      ],
      lift: m('1780'),
    });
  return project(
    'tea-room',
    'Pilots’ tea room',
    {
      id: 'tea-room-space',
      name: 'the tea room',
      ceiling: m('2850'),
      walls: [
        wall('west', 'the west wall', 'sw', 0, m('4200')),
        wall('north-left', 'the shelf wall', 'nw', 90, m('2600')),
        wall('niche-left', 'the niche’s left side', 'n1', 0, m('450')),
        wall('niche-back', 'the niche’s back', 'n2', 90, m('1400')),
        wall('niche-right', 'the niche’s right side', 'n3', 180, m('450')),
        wall('north-right', 'the north wall beside the niche', 'n4', 90, m('2000')),
        wall('east', 'the harbour wall', 'ne', 180, m('4200')),
        wall('south', 'the street wall', 'se', 270, m('6000')),
      ],
    },
    {
      first: 'counter',
      openings: [
        opening('harbour-window', 'the harbour window', 'window', 'east', 'ne', {
          offset: m('700'),
          width: m('1500'),
          sill: m('900'),
          height: m('1300'),
          reveal: m('180'),
        }),
        opening('second-window', 'the second harbour window', 'window', 'east', 'ne', {
          offset: m('2700'),
          width: m('1000'),
          sill: m('900'),
          height: m('1300'),
          reveal: m('180'),
        }),
        opening('kitchen-door', 'the kitchen door', 'door', 'west', 'sw', {
          offset: m('700'),
          width: usual('900'),
          height: usual('2050'),
          reveal: m('60'),
        }),
        opening('high-window', 'the high window', 'window', 'north-right', 'ne', {
          offset: m('500'),
          width: m('1000'),
          sill: m('1400'),
          height: m('800'),
          reveal: m('180'),
        }),
      ],
      pieces: [
        piece('counter', 'the counter', [scaled('2600'), scaled('650'), usual('1050')], {
          corner: 'back-left',
          from: [
            ['north-left', scaled('1300')],
            ['west', scaled('900')],
          ],
        }),
        piece('counter-return', 'the counter’s return', [scaled('650'), scaled('1300'), usual('1050')], {
          corner: 'back-left',
          from: [
            ['north-left', m('0')],
            ['west', scaled('2850')],
          ],
        }),
        shelf(1, '850'),
        shelf(2, '1250'),
        shelf(3, '1650'),
        shelf(4, '2050'),
        piece('shelf-left', 'the shelf wall’s left side', [m('40'), m('300'), m('2400')], {
          corner: 'back-left',
          from: [
            ['north-left', m('0')],
            ['west', m('390')],
          ],
        }),
        piece('shelf-right', 'the shelf wall’s right side', [m('40'), m('300'), m('2400')], {
          corner: 'back-left',
          from: [
            ['north-left', m('0')],
            ['west', m('2170')],
          ],
        }),
        stool(1, '1150'),
        stool(2, '1900'),
        stool(3, '2650'),
        piece('niche-bench', 'the bench in the niche', [m('1400'), m('420'), usual('450')], {
          corner: 'back-left',
          from: [
            ['niche-back', m('0')],
            ['niche-left', m('0')],
          ],
        }),
        piece('chart-chest', 'the chart chest', [m('900'), m('600'), m('820')], {
          corner: 'back-right',
          from: [
            ['north-right', m('900')],
            ['east', m('700')],
          ],
          turn: 25,
        }),
        piece('harbour-table', 'the table by the harbour', [m('700'), m('1100'), usual('740')], {
          corner: 'back-right',
          from: [
            ['north-right', m('2200')],
            ['east', m('250')],
          ],
        }),
        pendant(1, '1300'),
        pendant(2, '2200'),
        pendant(3, '3100'),
      ],
      views: [
        {
          id: 'from-the-street',
          name: 'From the street',
          levelId: 'ground',
          station: { x: 3100, y: -5000 },
          eyeHeight: { mm: 1600, asTyped: '1600' },
          lineOfSightBearingDeg: 0,
          picturePlane: { through: 'wall', wallId: 'south' },
          scaleDenominator: 20,
          frame: { left: -170, right: 160, bottom: -92, top: 78 },
          sheet: { name: 'A2', width: 594, height: 420 },
          centreOfVisionOnSheet: { x: 297, y: 215 },
          board: { width: 1000, height: 700 },
          sheetOnBoard: { x: 203, y: 140 },
        },
      ],
    },
  );
}

export function weavingLoft(): Project {
  const { wall, opening, piece, project } = maker('metric');
  const steps: Piece[] = [];
  // Quarter turn: five treads along the north wall, a landing in the corner, three more down the east wall; 180 rise, 280 going.
  for (let i = 1; i <= 5; i += 1) {
    steps.push(
      piece(`tread-${i}`, `tread ${i}`, [m('280'), m('1000'), m(`${i} x 180`)], {
        corner: 'back-left',
        from: [
          ['north', m('0')],
          ['west', m(`2920 + ${i - 1} x 280`)],
        ],
      }),
    );
  }
  steps.push(
    piece('landing', 'the landing', [m('1000'), m('1000'), m('6 x 180')], {
      corner: 'back-right',
      from: [
        ['north', m('0')],
        ['east', m('0')],
      ],
    }),
  );
  for (let i = 7; i <= 9; i += 1) {
    steps.push(
      piece(`tread-${i}`, `tread ${i}`, [m('280'), m('1000'), m(`${i} x 180`)], {
        corner: 'back-left',
        from: [
          ['east', m('0')],
          ['north', m(`1000 + ${i - 7} x 280`)],
        ],
      }),
    );
  }
  return project(
    'weaving-loft',
    'Weaving loft stair hall',
    {
      id: 'hall',
      name: 'the stair hall',
      ceiling: m('3000'),
      walls: [
        wall('west', 'the west wall', 'sw', 0, m('4600')),
        wall('north', 'the north wall', 'nw', 90, m('5320')),
        wall('east', 'the east wall', 'ne', 180, m('4600')),
        wall('south', 'the south wall', 'se', 270, m('5320')),
      ],
    },
    {
      first: 'loom-bench',
      openings: [
        opening('yard-door', 'the yard door', 'door', 'north', 'nw', {
          offset: m('650'),
          width: usual('950'),
          height: usual('2050'),
          reveal: m('90'),
        }),
        opening('stair-window', 'the stair window', 'window', 'north', 'ne', {
          offset: m('1250'),
          width: m('1100'),
          sill: m('1500'),
          height: m('1000'),
          reveal: m('220'),
        }),
        opening('east-window', 'the east window', 'window', 'east', 'se', {
          offset: m('900'),
          width: m('1200'),
          sill: m('950'),
          height: m('1350'),
          reveal: m('220'),
        }),
      ],
      pieces: [
        piece('loom-bench', 'the loom bench', [sheetOf('1500'), sheetOf('420'), sheetOf('520')], {
          corner: 'back-left',
          from: [
            ['north', m('1700')],
            ['west', m('1700')],
          ],
          turn: 12,
        }),
        piece('yarn-chest', 'the yarn chest', [m('900'), m('480'), m('560')], {
          corner: 'front-right',
          from: [
            ['east', m('1450')],
            ['south', m('1100')],
          ],
          turn: 352,
        }),
        piece('dye-chest', 'the dye chest', [m('700'), m('450'), m('640')], {
          corner: 'back-left',
          from: [
            ['west', m('260')],
            ['north', m('1900')],
          ],
          turn: 335,
        }),
        piece('mirror', 'the tall mirror', [m('620'), m('35'), m('1900')], {
          corner: 'back-left',
          from: [
            ['north', m('0')],
            ['west', m('1950')],
          ],
        }),
        ...steps,
      ],
      views: [
        {
          id: 'from-the-door',
          name: 'Into the corner',
          levelId: 'ground',
          station: { x: -500, y: -1300 },
          eyeHeight: { mm: 1600, asTyped: '1600' },
          lineOfSightBearingDeg: 45,
          picturePlane: { through: 'distance', mm: 5000 },
          scaleDenominator: 25,
          frame: { left: -118, right: 118, bottom: -88, top: 72 },
          sheet: { name: 'A3', width: 420, height: 297 },
          centreOfVisionOnSheet: { x: 210, y: 155 },
          board: { width: 1000, height: 700 },
          sheetOnBoard: { x: 290, y: 200 },
        },
        {
          id: 'along-the-hall',
          name: 'Along the hall',
          levelId: 'ground',
          station: { x: 2300, y: -4200 },
          eyeHeight: { mm: 1600, asTyped: '1600' },
          lineOfSightBearingDeg: 0,
          picturePlane: { through: 'wall', wallId: 'south' },
          scaleDenominator: 25,
          frame: { left: -100, right: 130, bottom: -72, top: 64 },
          sheet: { name: 'A3', width: 420, height: 297 },
          centreOfVisionOnSheet: { x: 200, y: 150 },
          board: { width: 1000, height: 700 },
          sheetOnBoard: { x: 290, y: 200 },
        },
      ],
    },
  );
}

export function seedShop(): Project {
  const { wall, opening, piece, project } = maker('imperial');
  const drawers: Piece[] = [];
  for (let row = 0; row < 5; row += 1) {
    for (let column = 0; column < 4; column += 1) {
      drawers.push(
        piece(
          `drawer-${row + 1}-${column + 1}`,
          `seed drawer ${row + 1}.${column + 1}`,
          [m(`1'-6"`), m(`1"`), m('10"')],
          {
            corner: 'back-left',
            from: [
              ['north', m(`1'-6"`)],
              ['west', m(`1'-3" + ${column} x 20"`)],
            ],
            lift: m(`8" + ${row} x 12"`),
          },
        ),
      );
    }
  }
  const locker = (number: number): Piece =>
    piece(`locker-${number}`, `locker ${number}`, [sheetOf(`1'-3"`), sheetOf(`1'-6"`), sheetOf(`6'-0"`)], {
      corner: 'back-right',
      from: [
        ['east', m('0')],
        ['south', m(`8'-6" + ${number - 1} x 15"`)],
      ],
    });
  return project(
    'seed-shop',
    'Seed shop corner',
    {
      id: 'shop',
      name: 'the shop',
      ceiling: m(`9'-0"`),
      walls: [
        wall('west', 'the west wall', 'sw', 0, m(`14'-0"`)),
        wall('north', 'the drawer wall', 'nw', 90, m(`16'-0"`)),
        wall('east', 'the locker wall', 'ne', 180, m(`14'-0"`)),
        wall('south', 'the street wall', 'se', 270, m(`16'-0"`)),
      ],
    },
    {
      first: 'table',
      openings: [
        opening('back-door', 'the back door', 'door', 'north', 'ne', {
          offset: m(`3'-0"`),
          width: usual(`2'-8"`),
          height: usual(`6'-8"`),
          reveal: m('3 1/2"'),
        }),
        opening('side-window', 'the side window', 'window', 'east', 'se', {
          offset: m(`2'-6"`),
          width: m(`4'-0"`),
          sill: m(`3'-0"`),
          height: m(`4'-2"`),
          reveal: m('6"'),
        }),
      ],
      pieces: [
        piece('drawer-case', 'the drawer case', [m(`7'-0"`), m(`1'-6"`), m(`5'-10"`)], {
          corner: 'back-left',
          from: [
            ['north', m('0')],
            ['west', m(`1'-0"`)],
          ],
        }),
        ...drawers,
        locker(1),
        locker(2),
        locker(3),
        piece('table', 'the packing table', [sheetOf(`4'-0"`), sheetOf(`2'-6"`), usual(`2'-5 1/2"`)], {
          corner: 'back-left',
          from: [
            ['north', m(`5'-6"`)],
            ['west', m(`8'-0"`)],
          ],
          turn: 20,
        }),
        piece('rug', 'the rug', [m(`8'-0"`), m(`5'-0"`), m('1/4"')], {
          corner: 'back-left',
          from: [
            ['north', m(`3'-6"`)],
            ['west', m(`4'-6"`)],
          ],
        }),
        piece('crate', 'the bulb crate', [m(`1'-8"`), m(`1'-2"`), m(`1'-0"`)], {
          corner: 'back-left',
          from: [
            ['north', m(`6'-9"`)],
            ['west', m(`3'-9"`)],
          ],
          turn: 340,
        }),
      ],
      views: [
        {
          id: 'back-corner',
          name: 'Into the back corner',
          levelId: 'ground',
          station: { x: 0, y: -2438.4 },
          eyeHeight: { mm: 1574.8, asTyped: `5'-2"` },
          lineOfSightBearingDeg: 30,
          picturePlane: { through: 'corner', cornerId: 'ne' },
          scaleDenominator: 24,
          frame: { left: -165, right: 160, bottom: -125, top: 100 },
          sheet: { name: '18 x 24 in', width: 609.6, height: 457.2 },
          centreOfVisionOnSheet: { x: 304.8, y: 240 },
          board: { width: 1066.8, height: 762 },
          sheetOnBoard: { x: 228.6, y: 152.4 },
        },
      ],
    },
  );
}

export const DEMOS = { 'tea-room': teaRoom, 'weaving-loft': weavingLoft, 'seed-shop': seedShop } as const;
