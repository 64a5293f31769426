import {
  newSize,
  PLAIN_PIECE,
  PLAIN_SPACE,
  PLAIN_VIEW,
  PROJECT_KIND,
  PROJECT_VERSION,
  type Piece,
  type PieceCorner,
  type Project,
  type Size,
  type View,
} from '@/core/record';

export const size = (id: string, mm: number): Size =>
  newSize(id, { mm, asTyped: String(mm), source: 'measured', uncertaintyMm: 3 });

export interface BoxGiven {
  readonly id?: string;
  readonly width?: number;
  readonly depth?: number;
  readonly height?: number;
  readonly lift?: number;
  readonly corner?: PieceCorner;
  readonly fromNorth?: number;
  readonly fromWest?: number;
  readonly turnDeg?: number;
}

/** A box measured from the small room's north and west walls. */
export function boxPiece(given: BoxGiven = {}): Piece {
  const id = given.id ?? 'box';
  return {
    id,
    name: id,
    ...PLAIN_PIECE,
    kind: 'box',
    levelId: 'ground',
    width: size(`${id}/width`, given.width ?? 1200),
    depth: size(`${id}/depth`, given.depth ?? 600),
    height: size(`${id}/height`, given.height ?? 900),
    lift: size(`${id}/lift`, given.lift ?? 0),
    place: {
      pieceCorner: given.corner ?? 'back-left',
      from: [
        { wallId: 'north', distance: size(`${id}/from-north`, given.fromNorth ?? 500) },
        { wallId: 'west', distance: size(`${id}/from-west`, given.fromWest ?? 700) },
      ],
      turnDeg: given.turnDeg ?? 0,
    },
  };
}

export function boxView(change: Partial<View> = {}): View {
  return {
    id: 'view',
    name: 'View',
    levelId: 'ground',
    station: { x: 2000, y: -2500 },
    eyeHeight: { mm: 1600, asTyped: '1600' },
    lineOfSightBearingDeg: 0,
    picturePlane: { through: 'wall', wallId: 'south' },
    scaleDenominator: 20,
    frame: { left: -180, right: 180, bottom: -120, top: 120 },
    sheet: { name: 'A3', width: 420, height: 297 },
    centreOfVisionOnSheet: { x: 210, y: 150 },
    board: { width: 900, height: 650 },
    sheetOnBoard: { x: 240, y: 150 },
    ...PLAIN_VIEW,
    ...change,
  };
}

/** A room 4 m by 3 m by 2.5 m, south-west corner at the origin; walls clockwise from the west wall, which runs north. */
export function smallRoom(pieces: readonly Piece[] = [], view: View = boxView()): Project {
  const wall = (id: string, startCorner: string, bearingDeg: number, mm: number) => ({
    id,
    name: `the ${id} wall`,
    startCorner,
    bearingDeg,
    length: size(`${id}/length`, mm),
  });
  return {
    kind: PROJECT_KIND,
    version: PROJECT_VERSION,
    id: 'small',
    name: 'Small room',
    units: 'metric',
    fractions: { real: 16, ruler: 32 },
    rulerStepMm: 0.1,
    levels: [{ id: 'ground', name: 'Ground floor', elevation: size('ground/elevation', 0) }],
    spaces: [
      {
        id: 'room',
        name: 'Room',
        levelId: 'ground',
        origin: { x: 0, y: 0 },
        ceilingHeight: size('room/ceiling', 2500),
        ...PLAIN_SPACE,
        walls: [
          wall('west', 'sw', 0, 3000),
          wall('north', 'nw', 90, 4000),
          wall('east', 'ne', 180, 3000),
          wall('south', 'se', 270, 4000),
        ],
      },
    ],
    openings: [],
    pieces,
    surfaces: [],
    underlays: [],
    views: [view],
    plans: [],
    laidAside: [],
  };
}
