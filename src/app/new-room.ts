import {
  newSize,
  PLAIN_SPACE,
  PLAIN_VIEW,
  PROJECT_KIND,
  PROJECT_VERSION,
  standByRule,
  type Project,
  type Size,
  type Space,
} from '@/core/record';

const usual = (id: string, mm: number): Size =>
  newSize(id, { mm, asTyped: String(mm), source: 'usual', uncertaintyMm: 30 });

/** Something alone on a bare sheet: it is placed by two walls like everything, but none is drawn. */
export function pieceAlone(id: string): Project {
  const room = newRoom(id);
  return { ...room, name: 'A piece alone', views: room.views.map((view) => ({ ...view, walls: 'left-out' })) };
}

/** A room of usual sizes to begin with: 4 m by 3 m by 2.5 m, nothing in it yet, seen square on from the street side. */
export function newRoom(id: string): Project {
  const wall = (name: string, startCorner: string, bearingDeg: number, mm: number) => ({
    id: name,
    name: `the ${name} wall`,
    startCorner,
    bearingDeg,
    length: usual(`${name}/length`, mm),
  });
  const room: Space = {
    id: 'room',
    name: 'the room',
    levelId: 'ground',
    origin: { x: 0, y: 0 },
    ...PLAIN_SPACE,
    ceilingHeight: usual('room/ceiling-height', 2500),
    walls: [
      wall('west', 'sw', 0, 3000),
      wall('north', 'nw', 90, 4000),
      wall('east', 'ne', 180, 3000),
      wall('south', 'se', 270, 4000),
    ],
  };
  const eyeHeight = { mm: 1600, asTyped: '1600' };
  const sheet = { name: 'A3', width: 420, height: 297 };
  return {
    kind: PROJECT_KIND,
    version: PROJECT_VERSION,
    id,
    name: 'New room',
    units: 'metric',
    fractions: { real: 8, ruler: 32 },
    rulerStepMm: 0.1,
    levels: [{ id: 'ground', name: 'Ground floor', elevation: usual('ground/elevation', 0) }],
    spaces: [room],
    openings: [],
    pieces: [],
    surfaces: [],
    underlays: [],
    views: [
      {
        id: 'view',
        name: 'First view',
        ...PLAIN_VIEW,
        eyeHeight,
        sheet,
        ...standByRule(room, { eyeHeight, sheet, margins: PLAIN_VIEW.margins }, 'metric'),
        board: { width: 1000, height: 700 },
        sheetOnBoard: { x: 290, y: 200 },
      },
    ],
    plans: [],
    laidAside: [],
  };
}
