/**
 * Writes the demonstration projects to src/app/demo. Run `node scripts/make-demo.mjs` after changing it; a test holds the written files to
 * what this makes. The scenarios are invented. The file is long because it is data: three rooms, one size a line.
 */
import {
  newSize,
  PLAIN_OPENING,
  PLAIN_SPACE,
  PLAIN_VIEW,
  PROJECT_KIND,
  PROJECT_VERSION,
  USUAL_UNCERTAINTY_MM,
  USUAL_WAY,
  type Division,
  type Moulding,
  type Opening,
  type Piece,
  type PieceCorner,
  type Project,
  type Size,
  type Source,
  type Space,
  type Surface,
  type View,
  type Wall,
} from '@/core/record';
import { newPiece } from '@/core/solids';
import { formatBareLength, parseLength, type LengthStyle } from '@/core/units';

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
    s: {
      offset: Given;
      width: Given;
      sill?: Given;
      height: Given;
      reveal: Given;
      head?: Opening['head'];
      sizes?: Readonly<Record<string, Given>>;
      counts?: Readonly<Record<string, number>>;
      choices?: Readonly<Record<string, string>>;
      through?: string;
    },
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
    head: s.head ?? 'flat',
    sizes: Object.fromEntries(Object.entries(s.sizes ?? {}).map(([what, one]) => [what, size(`${id}/${what}`, one)])),
    counts: s.counts ?? {},
    choices: s.choices ?? {},
    throughWallId: s.through ?? null,
  });
  const style: LengthStyle = { units, realFraction: 8, rulerFraction: 32, rulerStepMm: 0.1 };
  const piece = (
    kind: string,
    id: string,
    name: string,
    [width, depth, height]: readonly [Given, Given, Given],
    at: {
      corner: PieceCorner;
      from: readonly [readonly [string, Given], readonly [string, Given]];
      turn?: number;
      lift?: Given;
      level?: string;
      sizes?: Readonly<Record<string, Given>>;
      counts?: Readonly<Record<string, number>>;
      choices?: Readonly<Record<string, string>>;
      divisions?: Readonly<Record<string, Division | readonly Given[]>>;
    },
  ): Piece => {
    const usually = newPiece(
      kind,
      {
        id,
        name,
        levelId: at.level ?? 'ground',
        from: [
          { wallId: at.from[0][0], mm: 0 },
          { wallId: at.from[1][0], mm: 0 },
        ],
      },
      (mm) => formatBareLength(mm, style),
      (mm) => (units === 'imperial' ? Math.round(mm / 3.175) * 3.175 : mm),
    );
    if (!usually) throw new Error(`${id}: no kind ${kind}`);
    for (const known of [at.sizes ?? {}, at.counts ?? {}, at.choices ?? {}, at.divisions ?? {}])
      for (const what of Object.keys(known))
        if (![usually.sizes, usually.counts, usually.choices, usually.divisions].some((list) => what in list))
          throw new Error(`${id}: ${kind} has no ${what}`);
    const given = Object.entries(at.sizes ?? {}).map(([what, one]) => [what, size(`${id}/${what}`, one)] as const);
    const divisions = Object.entries(at.divisions ?? {}).map(([what, one]): readonly [string, Division] => [
      what,
      'by' in one ? one : { by: 'sizes', sizes: one.map((part, i) => size(`${id}/${what}-${i + 1}`, part)) },
    ]);
    return {
      ...usually,
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
      sizes: { ...usually.sizes, ...Object.fromEntries(given) },
      counts: { ...usually.counts, ...at.counts },
      choices: { ...usually.choices, ...at.choices },
      divisions: { ...usually.divisions, ...Object.fromEntries(divisions) },
    };
  };
  const surface = (
    id: string,
    name: string,
    kind: Surface['kind'],
    laid: Pick<Surface, 'spaceId' | 'on' | 'wallId' | 'bond'> & {
      length: Given;
      breadth: Given;
      joint: Given;
      start?: Given;
    },
  ): Surface => ({
    id,
    name,
    kind,
    spaceId: laid.spaceId,
    on: laid.on,
    wallId: laid.wallId,
    bond: laid.bond,
    length: size(`${id}/length`, laid.length),
    breadth: size(`${id}/breadth`, laid.breadth),
    joint: size(`${id}/joint`, laid.joint),
    start: size(`${id}/start`, laid.start ?? ['0', 'measured']),
    turnDeg: 0,
    lights: null,
  });
  const moulding = (id: string, height: Given, thickness: Given): Moulding => ({
    height: size(`${id}/height`, height),
    thickness: size(`${id}/thickness`, thickness),
  });
  const project = (
    id: string,
    name: string,
    space: Omit<Space, 'levelId' | 'origin' | 'ceilingHeight' | 'ceiling' | 'skirting' | 'cornice'> &
      Partial<Pick<Space, 'ceiling' | 'skirting' | 'cornice'>> & { high: Given },
    rest: {
      openings: Opening[];
      pieces: Piece[];
      surfaces: Surface[];
      views: View[];
      first: string;
      /** Rooms beside the first. */
      beside?: readonly Space[];
      levels?: readonly (readonly [id: string, name: string, elevation: Given])[];
    },
  ): Project => {
    const { high, ...room } = space;
    return {
      kind: PROJECT_KIND,
      version: PROJECT_VERSION,
      id,
      name,
      units,
      fractions: { real: 8, ruler: 32 },
      rulerStepMm: 0.1,
      levels: [
        { id: 'ground', name: 'Ground floor', elevation: size('ground/elevation', ['0', 'measured']) },
        ...(rest.levels ?? []).map(([levelId, levelName, at]) => ({
          id: levelId,
          name: levelName,
          elevation: size(`${levelId}/elevation`, at),
        })),
      ],
      spaces: [
        {
          ...PLAIN_SPACE,
          ...room,
          levelId: 'ground',
          origin: { x: 0, y: 0 },
          ceilingHeight: size(`${room.id}/ceiling-height`, high),
        },
        ...(rest.beside ?? []),
      ],
      openings: rest.openings,
      pieces: rest.pieces,
      surfaces: rest.surfaces,
      underlays: [],
      views: rest.views,
      laidAside: [],
      plans: rest.views.map((view) => ({
        id: `plan-${view.id}`,
        viewId: view.id,
        pieceId: rest.first,
        ...USUAL_WAY,
        pieces: [],
      })),
    };
  };
  return { size, wall, opening, piece, surface, moulding, project };
}

const straight = (...corners: readonly (readonly [x: number, y: number])[]) =>
  corners.map(([x, y]) => ({ x, y, bulge: 0 }));

const m = (text: string): Given => [text, 'measured'];
const usual = (text: string): Given => [text, 'usual'];
const scaled = (text: string): Given => [text, 'scaled'];
const sheetOf = (text: string): Given => [text, 'maker'];

export function teaRoom(): Project {
  const { size, wall, opening, piece, surface, moulding, project } = maker('metric');
  const stool = (number: number, fromWest: string): Piece =>
    piece('stool', `stool-${number}`, `stool ${number}`, [sheetOf('360'), sheetOf('360'), sheetOf('750')], {
      corner: 'back-left',
      from: [
        ['north-left', scaled('2350')],
        ['west', scaled(fromWest)],
      ],
      sizes: { 'ring height': sheetOf('260') },
    });
  const pendant = (number: number, fromWest: string): Piece =>
    piece('pendant', `pendant-${number}`, `pendant lamp ${number}`, [sheetOf('260'), sheetOf('260'), m('770')], {
      corner: 'back-left',
      from: [
        ['north-left', m('1500')],
        ['west', m(fromWest)],
      ],
      lift: m('1780'),
      sizes: { 'shade height': sheetOf('180'), 'shade top radius': sheetOf('40') },
    });
  return project(
    'tea-room',
    'Pilots’ tea room',
    {
      id: 'tea-room-space',
      name: 'the tea room',
      high: m('2850'),
      ceiling: {
        shape: 'stepped',
        wallId: null,
        sizes: {},
        zones: [
          {
            id: 'over-the-counter',
            wallId: 'north-left',
            depth: size('over-the-counter/depth', m('1900')),
            height: size('over-the-counter/height', m('2550')),
          },
        ],
      },
      skirting: moulding('tea-room-skirting', m('110'), usual('18')),
      walls: [
        wall('west', 'the west wall', 'sw', 0, m('4200')),
        wall('north-left', 'the shelf wall', 'nw', 90, m('6000')),
        wall('east', 'the harbour wall', 'ne', 180, m('4200')),
        wall('south', 'the street wall', 'se', 270, m('6000')),
      ],
    },
    {
      first: 'counter',
      openings: [
        opening('niche', 'the arched niche', 'niche', 'north-left', 'nw', {
          offset: m('3600'),
          width: m('1400'),
          height: m('1600'),
          reveal: m('450'),
          head: 'arched',
        }),
        opening('harbour-window', 'the harbour window', 'window', 'east', 'ne', {
          offset: m('700'),
          width: m('1500'),
          sill: m('900'),
          height: m('1300'),
          reveal: m('180'),
          counts: { mullions: 2, 'bars across': 2 },
          sizes: { 'sill board': m('60'), 'trim width': m('80') },
        }),
        opening('second-window', 'the second harbour window', 'window', 'east', 'ne', {
          offset: m('2700'),
          width: m('1000'),
          sill: m('900'),
          height: m('1300'),
          reveal: m('180'),
          choices: { sashes: 'sliding' },
          sizes: { 'sill board': m('60'), 'trim width': m('80') },
        }),
        opening('kitchen-door', 'the kitchen door', 'door', 'west', 'sw', {
          offset: m('700'),
          width: usual('900'),
          height: usual('2050'),
          reveal: m('60'),
          sizes: { 'trim width': m('70') },
          through: 'kitchen-east',
        }),
        opening('high-window', 'the high window', 'window', 'north-left', 'ne', {
          offset: m('160'),
          width: m('560'),
          sill: m('1400'),
          height: m('800'),
          reveal: m('180'),
          counts: { mullions: 0, 'bars across': 1, 'bars up': 1 },
        }),
        opening('kitchen-window', 'the kitchen window', 'window', 'kitchen-west', 'kitchen-sw', {
          offset: m('1050'),
          width: m('900'),
          sill: m('1100'),
          height: m('1000'),
          reveal: m('180'),
          counts: { mullions: 0, 'bars across': 1 },
          choices: { curtains: 'none' },
        }),
      ],
      surfaces: [
        surface('floor-tiles', 'the floor tiles', 'tiles', {
          spaceId: 'tea-room-space',
          on: 'floor',
          wallId: 'west',
          bond: 'square',
          length: m('400'),
          breadth: m('400'),
          joint: m('0'),
        }),
      ],
      pieces: [
        piece('counter', 'counter', 'the counter', [scaled('2600'), scaled('650'), usual('1050')], {
          corner: 'back-left',
          from: [
            ['north-left', scaled('1300')],
            ['west', scaled('900')],
          ],
        }),
        piece('counter', 'counter-return', 'the counter’s return', [scaled('1300'), scaled('650'), usual('1050')], {
          corner: 'back-right',
          from: [
            ['west', scaled('2850')],
            ['north-left', m('0')],
          ],
          counts: { panels: 2 },
        }),
        piece('shelves', 'shelf-wall', 'the shelf wall’s shelves', [m('1820'), m('300'), m('2400')], {
          corner: 'back-left',
          from: [
            ['north-left', m('0')],
            ['west', m('390')],
          ],
          sizes: { board: m('40'), 'plinth height': m('80') },
          divisions: {
            openings: [m('640'), m('400'), m('400'), m('360'), m('280')],
            bays: { by: 'ratio', parts: [3, 2, 3] },
          },
        }),
        stool(1, '1150'),
        stool(2, '1900'),
        stool(3, '2650'),
        piece('bench', 'niche-bench', 'the bench in the niche', [m('1400'), m('430'), usual('450')], {
          corner: 'back-left',
          from: [
            ['north-left', m('-440')],
            ['west', m('3600')],
          ],
        }),
        piece('chest-of-drawers', 'chart-chest', 'the chart chest', [m('900'), m('600'), m('820')], {
          corner: 'back-right',
          from: [
            ['north-left', m('900')],
            ['east', m('700')],
          ],
          turn: 25,
          divisions: { drawers: { by: 'equal', count: 5 } },
          choices: { pulls: 'bars' },
        }),
        piece('table', 'harbour-table', 'the table by the harbour', [m('700'), m('1100'), usual('740')], {
          corner: 'back-right',
          from: [
            ['north-left', m('2200')],
            ['east', m('250')],
          ],
          sizes: { 'leg thickness': m('60') },
        }),
        piece('side-chair', 'chair', 'the pilot’s chair', [sheetOf('450'), sheetOf('520'), sheetOf('850')], {
          corner: 'back-left',
          from: [
            ['west', m('4460')],
            ['north-left', m('2990')],
          ],
          turn: 0,
        }),
        pendant(1, '1300'),
        pendant(2, '2200'),
        pendant(3, '3100'),
        // The kitchen's units fill it from wall to wall; its shelves end flush with them.
        piece('u-run', 'kitchen-run', 'the kitchen units', [m('3000'), m('2100'), usual('910')], {
          corner: 'back-left',
          level: 'kitchen-floor',
          from: [
            ['kitchen-west', m('0')],
            ['kitchen-south', m('0')],
          ],
          counts: { 'sink over unit': 2 },
          divisions: { 'right units': { by: 'equal', count: 3 } },
        }),
        piece('wall-unit', 'kitchen-shelves', 'the kitchen shelves', [m('1500'), m('300'), usual('600')], {
          corner: 'back-left',
          level: 'kitchen-floor',
          from: [
            ['kitchen-north', m('0')],
            ['kitchen-west', m('0')],
          ],
          lift: m('1400'),
          choices: { doors: 'open shelves' },
        }),
        piece('socket', 'kitchen-socket', 'the kitchen socket', [usual('160'), usual('12'), usual('85')], {
          corner: 'back-left',
          level: 'kitchen-floor',
          from: [
            ['kitchen-south', m('0')],
            ['kitchen-west', m('1500')],
          ],
          lift: m('1100'),
          counts: { inserts: 2 },
        }),
        piece('waste-bin', 'kitchen-bin', 'the kitchen bin', [m('280'), m('280'), m('380')], {
          corner: 'back-left',
          level: 'kitchen-floor',
          from: [
            ['kitchen-north', m('60')],
            ['kitchen-west', m('2300')],
          ],
        }),
      ],
      beside: [
        {
          ...PLAIN_SPACE,
          id: 'kitchen',
          name: 'the kitchen',
          levelId: 'kitchen-floor',
          origin: { x: -3420, y: 300 },
          ceilingHeight: size('kitchen/ceiling-height', m('2450')),
          walls: [
            wall('kitchen-west', 'the kitchen’s yard wall', 'kitchen-sw', 0, m('3000')),
            wall('kitchen-north', 'the kitchen’s north wall', 'kitchen-nw', 90, m('3300')),
            wall('kitchen-east', 'the kitchen’s door wall', 'kitchen-ne', 180, m('3000')),
            wall('kitchen-south', 'the kitchen’s south wall', 'kitchen-se', 270, m('3300')),
          ],
        },
      ],
      levels: [['kitchen-floor', 'Kitchen floor', m('-170')]],
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
          ...PLAIN_VIEW,
        },
        {
          id: 'in-the-kitchen',
          name: 'Down in the kitchen',
          levelId: 'kitchen-floor',
          station: { x: 3400, y: 1900 },
          eyeHeight: { mm: 1550, asTyped: '1550' },
          lineOfSightBearingDeg: 270,
          picturePlane: { through: 'wall', wallId: 'kitchen-east' },
          scaleDenominator: 20,
          frame: { left: -82, right: 92, bottom: -86, top: 54 },
          sheet: { name: 'A4', width: 297, height: 210 },
          centreOfVisionOnSheet: { x: 143.5, y: 121 },
          board: { width: 1000, height: 700 },
          sheetOnBoard: { x: 351, y: 245 },
          ...PLAIN_VIEW,
        },
      ],
    },
  );
}

export function weavingLoft(): Project {
  const { size, wall, opening, piece, surface, moulding, project } = maker('metric');
  /** Cut from its side: two frames, and between them the beams. */
  const handLoom = (): Piece => ({
    ...piece('block', 'hand-loom', 'the hand loom', [m('900'), m('520'), m('900')], {
      corner: 'back-right',
      from: [
        ['east', m('60')],
        ['south', m('450')],
      ],
    }),
    outlines: [
      ...(['left', 'right'] as const).map((side) => ({
        ...{
          id: `${side}-frame`,
          view: 'side' as const,
          from: side === 'left' ? 0 : 860,
          to: side === 'left' ? 40 : 900,
        },
        corners: straight(
          [0, 0],
          [80, 0],
          [80, 460],
          [440, 460],
          [440, 0],
          [520, 0],
          [520, 560],
          [80, 560],
          [80, 900],
          [0, 900],
        ),
        holes: [],
      })),
      ...(
        [
          ['breast-beam', 450, 560, 500, 610],
          ['warp-beam', 20, 560, 80, 620],
          ['head-beam', 0, 840, 80, 900],
          ['foot-beam', 10, 120, 70, 180],
        ] as const
      ).map(([id, x0, y0, x1, y1]) => ({
        ...{ id, view: 'side' as const, from: 40, to: 860 },
        corners: straight([x0, y0], [x1, y0], [x1, y1], [x0, y1]),
        holes: [],
      })),
    ],
  });
  return project(
    'weaving-loft',
    'Weaving loft stair hall',
    {
      id: 'hall',
      name: 'the stair hall',
      high: m('4000'),
      ceiling: {
        shape: 'gabled',
        wallId: 'north',
        sizes: {
          'ridge from the wall': size('ridge/from', m('2300')),
          'ridge height': size('ridge/height', m('5400')),
        },
        zones: [],
      },
      skirting: moulding('hall-skirting', m('140'), usual('20')),
      walls: [
        wall('west', 'the west wall', 'sw', 0, m('4600')),
        wall('north', 'the north wall', 'nw', 90, m('5320')),
        wall('east', 'the east wall', 'ne', 180, m('4600')),
        wall('south', 'the south wall', 'se', 270, m('5320')),
      ],
    },
    {
      first: 'yarn-chest',
      levels: [['loft', 'Loft', m('2880')]],
      openings: [
        opening('yard-door', 'the yard door', 'door', 'north', 'nw', {
          offset: m('650'),
          width: usual('950'),
          height: usual('2050'),
          reveal: m('90'),
          counts: { 'open by': 38, panels: 2 },
          sizes: { 'trim width': m('90') },
        }),
        opening('stair-window', 'the stair window', 'window', 'north', 'ne', {
          offset: m('1250'),
          width: m('1100'),
          sill: m('2100'),
          height: m('1200'),
          reveal: m('220'),
          counts: { mullions: 1, 'bars across': 2 },
        }),
        opening('east-window', 'the east window', 'window', 'east', 'se', {
          offset: m('500'),
          width: m('1200'),
          sill: m('950'),
          height: m('1350'),
          reveal: m('220'),
          counts: { mullions: 1, transoms: 1 },
        }),
      ],
      surfaces: [
        surface('floor-boards', 'the floor boards', 'boards', {
          spaceId: 'hall',
          on: 'floor',
          wallId: 'west',
          bond: 'staggered',
          length: m('2100'),
          breadth: m('190'),
          joint: m('0'),
        }),
      ],
      pieces: [
        piece('bench', 'loom-bench', 'the loom bench', [sheetOf('1500'), sheetOf('420'), sheetOf('520')], {
          corner: 'back-left',
          from: [
            ['north', m('1700')],
            ['west', m('1700')],
          ],
          turn: 12,
          choices: { ends: 'cut in' },
        }),
        piece('box', 'yarn-chest', 'the yarn chest', [m('900'), m('480'), m('560')], {
          corner: 'front-right',
          from: [
            ['east', m('1450')],
            ['south', m('1100')],
          ],
          turn: 352,
        }),
        piece('chest-of-drawers', 'dye-chest', 'the dye chest', [m('700'), m('450'), m('640')], {
          corner: 'back-left',
          from: [
            ['west', m('260')],
            ['north', m('2600')],
          ],
          turn: 20,
          divisions: { drawers: { by: 'ratio', parts: [4, 3, 2] } },
        }),
        piece('mirror', 'mirror', 'the tall mirror', [m('620'), m('35'), m('1900')], {
          corner: 'back-left',
          from: [
            ['north', m('0')],
            ['west', m('1850')],
          ],
          lift: m('160'),
        }),
        piece('quarter-stair', 'stair', 'the stair', [m('2750'), m('2750'), m('16 x 180')], {
          corner: 'back-left',
          from: [
            ['east', m('0')],
            ['north', m('0')],
          ],
          sizes: { 'flight width': m('1000'), tread: m('40'), nosing: m('25'), stringer: m('45') },
          counts: { risers: 16, 'risers to the landing': 8, 'balusters per tread': 2 },
        }),
        piece('box', 'gallery', 'the gallery floor', [m('1850'), m('1000'), m('180')], {
          corner: 'back-left',
          from: [
            ['east', m('0')],
            ['north', m('2750')],
          ],
          lift: m('2700'),
        }),
        piece('railing', 'gallery-rail', 'the gallery rail', [m('1850'), m('60'), m('1000')], {
          corner: 'front-left',
          from: [
            ['east', m('1000')],
            ['north', m('2750')],
          ],
          lift: m('2880'),
        }),
        piece('drum', 'yarn-drum', 'the yarn drum', [m('420'), m('420'), m('380')], {
          corner: 'back-left',
          from: [
            ['west', m('1100')],
            ['south', m('1500')],
          ],
          choices: { sides: 'tapered' },
          sizes: { 'top radius': m('180') },
        }),
        handLoom(),
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
          frame: { left: -118, right: 118, bottom: -88, top: 126 },
          sheet: { name: 'A3', width: 420, height: 297 },
          centreOfVisionOnSheet: { x: 210, y: 140 },
          board: { width: 1000, height: 700 },
          sheetOnBoard: { x: 290, y: 200 },
          ...PLAIN_VIEW,
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
          frame: { left: -100, right: 130, bottom: -72, top: 112 },
          sheet: { name: 'A3', width: 420, height: 297 },
          centreOfVisionOnSheet: { x: 200, y: 140 },
          board: { width: 1000, height: 700 },
          sheetOnBoard: { x: 290, y: 200 },
          ...PLAIN_VIEW,
        },
      ],
    },
  );
}

export function seedShop(): Project {
  const { wall, opening, piece, surface, moulding, project } = maker('imperial');
  const chair = (number: number, fromNorth: string, fromWest: string, turn: number): Piece =>
    piece('side-chair', `chair-${number}`, `chair ${number}`, [sheetOf(`1'-5"`), sheetOf(`1'-8"`), sheetOf(`2'-10"`)], {
      corner: 'back-left',
      from: [
        ['north', m(fromNorth)],
        ['west', m(fromWest)],
      ],
      turn,
    });
  return project(
    'seed-shop',
    'Seed shop corner',
    {
      id: 'shop',
      name: 'the shop',
      high: m(`9'-0"`),
      skirting: moulding('shop-skirting', m('6"'), usual('3/4"')),
      cornice: moulding('shop-cornice', m('4"'), usual('3"')),
      walls: [
        wall('west-low', 'the west wall by the street', 'sw', 0, m(`6'-0"`)),
        wall('alcove-south', 'the alcove’s south side', 'alcove-se', 270, m(`2'-0"`)),
        wall('alcove', 'the alcove', 'alcove-sw', 0, m(`4'-0"`)),
        wall('alcove-north', 'the alcove’s north side', 'alcove-nw', 90, m(`2'-0"`)),
        wall('west', 'the west wall', 'alcove-ne', 0, m(`4'-0"`)),
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
          sizes: { 'trim width': m('3 1/2"') },
          counts: { panels: 3 },
        }),
        opening('side-window', 'the side window', 'window', 'east', 'se', {
          offset: m(`2'-6"`),
          width: m(`4'-0"`),
          sill: m(`3'-0"`),
          height: m(`4'-2"`),
          reveal: m('6"'),
          choices: { sashes: 'sliding' },
          counts: { 'bars up': 1, mullions: 1 },
          sizes: { 'trim width': m('3 1/2"'), 'sill board': m('2"') },
        }),
      ],
      surfaces: [
        surface('shop-boards', 'the shop boards', 'boards', {
          spaceId: 'shop',
          on: 'floor',
          wallId: 'north',
          bond: 'staggered',
          length: m(`8'-0"`),
          breadth: m('8"'),
          joint: m('0'),
        }),
      ],
      pieces: [
        piece('chest-of-drawers', 'drawer-case', 'the wall of seed drawers', [m(`7'-0"`), m(`1'-6"`), m(`5'-10"`)], {
          corner: 'back-left',
          from: [
            ['north', m('0')],
            ['west', m(`1'-0"`)],
          ],
          sizes: { board: m('3/4"'), 'plinth height': m('4"'), 'plinth set-back': m('2"') },
          divisions: { drawers: { by: 'equal', count: 6 }, columns: { by: 'equal', count: 6 } },
          choices: { pulls: 'knobs' },
        }),
        piece('lockers', 'lockers', 'the lockers', [sheetOf(`3'-9"`), sheetOf(`1'-6"`), sheetOf(`6'-0"`)], {
          corner: 'back-right',
          from: [
            ['east', m('0')],
            ['south', m(`8'-6"`)],
          ],
          divisions: { doors: { by: 'equal', count: 3 }, tiers: { by: 'equal', count: 1 } },
        }),
        piece('round-table', 'table', 'the packing table', [sheetOf(`3'-6"`), sheetOf(`3'-6"`), usual(`2'-5 1/2"`)], {
          corner: 'back-left',
          from: [
            ['north', m(`5'-6"`)],
            ['west', m(`8'-0"`)],
          ],
          sizes: { 'foot radius': m('11"') },
        }),
        chair(1, `4'-3"`, `9'-1"`, 0),
        chair(2, `8'-3"`, `7'-1"`, 250),
        chair(3, `7'-9"`, `13'-1"`, 110),
        piece('rug', 'rug', 'the rug', [m(`8'-0"`), m(`5'-0"`), m('1/2"')], {
          corner: 'back-left',
          from: [
            ['north', m(`2'-0"`)],
            ['west', m(`1'-0"`)],
          ],
          sizes: { border: m('6"') },
        }),
        piece('crate', 'crate', 'the bulb crate', [m(`1'-8"`), m(`1'-2"`), m(`1'-0"`)], {
          corner: 'back-left',
          from: [
            ['north', m(`7'-9"`)],
            ['west', m(`3'-3"`)],
          ],
          turn: 340,
        }),
        piece('wall-clock', 'clock', 'the wall clock', [m(`1'-2"`), m('2 1/4"'), m(`1'-2"`)], {
          corner: 'back-left',
          from: [
            ['north', m('0')],
            ['west', m(`8'-8"`)],
          ],
          lift: m(`5'-6"`),
        }),
        piece('vase', 'jar', 'the seed jar', [m('7"'), m('7"'), m(`1'-0"`)], {
          corner: 'back-left',
          from: [
            ['north', m(`6'-11"`)],
            ['west', m(`9'-7"`)],
          ],
          lift: usual(`2'-5 1/2"`),
          sizes: { 'foot radius': m('2"'), 'neck radius': m('1 1/2"'), 'mouth radius': m('2"') },
        }),
        // From side to side of the alcove, and flush with its corner.
        piece('shelves', 'alcove-shelves', 'the alcove’s shelves', [m(`4'-0"`), m(`1'-4"`), m(`7'-0"`)], {
          corner: 'back-left',
          from: [
            ['alcove', m('0')],
            ['alcove-south', m('0')],
          ],
          sizes: { board: m('1"'), 'plinth height': m('3"') },
          divisions: { bays: { by: 'equal', count: 2 }, openings: { by: 'equal', count: 5 } },
          choices: { books: 'in every other opening' },
          counts: { 'books to an opening': 9 },
        }),
        piece('bench', 'street-bench', 'the bench by the street', [m(`4'-0"`), m(`1'-2"`), usual(`1'-6"`)], {
          corner: 'back-right',
          from: [
            ['west-low', m('0')],
            ['alcove-south', m('0')],
          ],
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
          ...PLAIN_VIEW,
          margins: { left: 12.7, right: 12.7, bottom: 12.7, top: 12.7 },
          straightedge: 42 * 25.4,
        },
        {
          id: 'the-alcove',
          name: 'Toward the alcove',
          levelId: 'ground',
          station: { x: 2514.6, y: 609.6 },
          eyeHeight: { mm: 1574.8, asTyped: `5'-2"` },
          lineOfSightBearingDeg: 315,
          picturePlane: { through: 'corner', cornerId: 'alcove-se' },
          scaleDenominator: 12,
          frame: { left: -112, right: 100, bottom: -118, top: 80 },
          sheet: { name: '18 x 24 in', width: 609.6, height: 457.2 },
          centreOfVisionOnSheet: { x: 304.8, y: 250 },
          board: { width: 1066.8, height: 762 },
          sheetOnBoard: { x: 228.6, y: 152.4 },
          ...PLAIN_VIEW,
          margins: { left: 12.7, right: 12.7, bottom: 12.7, top: 12.7 },
          straightedge: 42 * 25.4,
        },
      ],
    },
  );
}

export const DEMOS = { 'tea-room': teaRoom, 'weaving-loft': weavingLoft, 'seed-shop': seedShop } as const;
