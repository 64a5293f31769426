import { LOOKS } from '@/interface/theme/looks';
import { paintMeasure, paintMovedPieces } from './paint';
import { carriesPieces } from './measure-motion';
import { elevationDrawing, elevationOf, leftOutOf, sceneOf, planLinesOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { addPiece, footprintOf, mmOf, wallRuns, type Project, applyChange, type Change } from '@/core/record';
import { CATALOGUE, contradictionsOf, openingKindOf, OPENINGS, type OpeningKind, newPiece } from '@/core/solids';
import { boxPiece, size, smallRoom } from '@/testing';
import { pickInPlan, placingWalls, snapFor, snappedCorner, snappedRoomCorner } from './moves';
import { elevationFor, levelOfChosen } from './places';
import { boxOfName, figureBox, northOf, wallNamesAt } from './plan-edge';
import {
  dropsInto,
  elevationToScreen,
  fitMeasure,
  magnifyMeasure,
  measureLayout,
  NORTH_UP,
  onPaper,
  panMeasure,
  planMove,
  planToScreen,
  screenToPlan,
  turnFor,
} from './pose';
import { freeName, openingFromTemplate, pieceFromTemplate, surfaceFromTemplate, walkOf } from './place-template';

const print = String;
const paper = measureLayout(1048, 708);
const room = (): Project =>
  smallRoom([boxPiece({}), boxPiece({ id: 'other', fromWest: 2500, fromNorth: 1400, width: 500 })]);

const kindNamed = (id: string): OpeningKind => openingKindOf(id) ?? at(OPENINGS, 0);

describe('plan and elevation at one magnification', () => {
  it('each wall chosen lies level at the top, and its corners drop straight into its elevation', () => {
    const project = room();
    const scene = sceneOf(project);
    for (const run of wallRuns(at(project.spaces, 0))) {
      const turn = turnFor(project, run.wall.id, 'front');
      const { pose, layout } = fitMeasure(paper, project, turn, run.wall.id, 2500);
      const [start, end] = [planToScreen(pose, run.start), planToScreen(pose, run.end)];
      expect(start.y).toBeCloseTo(end.y, 6);
      expect(end.x).toBeGreaterThan(start.x);
      expect(start.y).toBeLessThan(layout.plan.height / 2);
      const what = elevationFor(project, run.wall.id, 'front', 1200);
      const elevation = what && elevationOf(project, scene, what);
      if (!elevation) throw new Error('no elevation');
      expect(elevationToScreen(pose, elevation, 0, 0).x).toBeCloseTo(start.x, 6);
      expect(elevationToScreen(pose, elevation, run.lengthMm, 2500).x).toBeCloseTo(end.x, 6);
      expect(elevationToScreen(pose, elevation, 0, 2500).y).toBeGreaterThan(layout.plan.height);
    }
  });
  it('an elevation that does not hang under the plan stands by itself, at the same magnification', () => {
    const project = room();
    const scene = sceneOf(project);
    const { pose } = fitMeasure(paper, project, NORTH_UP, 'room', 2500);
    const told = (wallId: string) => {
      const elevation = elevationOf(project, scene, { of: 'wall', wallId, within: 1200 });
      if (!elevation) throw new Error('no elevation');
      const [a, b] = [0, elevation.across].map((across) => elevationToScreen(pose, elevation, across, 0).x);
      return { drops: dropsInto(pose, elevation), long: (b ?? 0) - (a ?? 0), middle: ((a ?? 0) + (b ?? 0)) / 2 };
    };
    expect(told('north')).toMatchObject({ drops: true, long: expect.closeTo(4000 * pose.scale, 6) as number });
    expect(told('east')).toEqual({
      ...{
        drops: false,
        long: expect.closeTo(3000 * pose.scale, 6) as number,
        middle: expect.closeTo(524, 6) as number,
      },
    });
    // Seen from the south wall right is west: it does not hang under a plan with east to the right.
    expect(told('south').drops).toBe(false);
  });
  it('plan and elevation share the paper by what they want of it; another paper leaves the magnification', () => {
    const project = room();
    const [low, high] = [2500, 6000].map((highest) => fitMeasure(paper, project, NORTH_UP, 'room', highest));
    if (!low || !high) throw new Error('not fitted');
    expect(low.layout.plan.height).toBeGreaterThan(high.layout.plan.height);
    for (const [{ layout, pose }, highest] of [
      [low, 2500],
      [high, 6000],
    ] as const) {
      expect(pose.floorY - highest * pose.scale).toBeGreaterThan(layout.elevation.y);
      expect(layout.plan.height).toBeGreaterThan(3000 * pose.scale + 90);
    }
    const middle = screenToPlan(low.pose, 524, low.layout.plan.height / 2);
    const wider = onPaper(low, 1448, 900);
    const stays = screenToPlan(wider.pose, 724, wider.layout.plan.height / 2);
    expect([stays.x, stays.y, wider.pose.scale]).toEqual([
      expect.closeTo(middle.x, 6) as number,
      expect.closeTo(middle.y, 6) as number,
      low.pose.scale,
    ]);
  });
  it('the paper is moved: the plan alone, an elevation alone, or both to the side where one hangs under the other', () => {
    const { pose } = fitMeasure(paper, room(), NORTH_UP, 'room', 2500);
    const by = [30, -20] as const;
    const moved = (on: Parameters<typeof panMeasure>[2]) => {
      const now = panMeasure(pose, by, on);
      return [now.x - pose.x, now.y - pose.y, now.elevationX - pose.elevationX, now.floorY - pose.floorY];
    };
    expect(moved('plan')).toEqual([30, -20, 0, 0]);
    expect(moved('elevation')).toEqual([0, 0, 30, -20]);
    expect(moved('elevation under the plan')).toEqual([30, 0, 0, -20]);
  });
  it('walls are named outside, along themselves; those off the paper at its edge, on the side where they are', () => {
    const project = room();
    const { pose, layout } = fitMeasure(paper, project, NORTH_UP, 'room', 2500);
    const names = new Map(wallNamesAt(project, pose, layout, 'ground').map((one) => [one.wallId, one]));
    expect([...names.keys()].sort()).toEqual(['east', 'north', 'south', 'west']);
    expect([...names.values()].map((one) => one.off)).toEqual([false, false, false, false]);
    const ends = planToScreen(pose, { x: 4000, y: 3000 });
    expect(names.get('east')?.at.x).toBeGreaterThan(ends.x);
    expect(names.get('north')?.at.y).toBeLessThan(ends.y);
    expect(names.get('north')?.deg).toBeCloseTo(0, 9);
    expect(Math.abs(names.get('east')?.deg ?? 0)).toBeCloseTo(90, 9);
    const near = magnifyMeasure(pose, 20, layout.width / 2, layout.plan.height / 2, false);
    const far = new Map(wallNamesAt(project, near, layout, 'ground').map((one) => [one.wallId, one]));
    expect([...far.values()].map((one) => one.off)).toEqual([true, true, true, true]);
    expect(far.get('east')?.at).toEqual({ x: layout.width - 12, y: layout.plan.height / 2 });
    expect(far.get('south')?.at).toEqual({ x: layout.width / 2, y: layout.plan.height - 12 });
    expect(wallNamesAt(project, pose, layout, 'attic')).toEqual([]);
    // Between two rooms each names its wall on its own side.
    const own = at(project.spaces, 0);
    const walls = own.walls.map((wall) => ({ ...wall, id: `b-${wall.id}`, startCorner: `b-${wall.startCorner}` }));
    const row = { ...project, spaces: [own, { ...own, id: 'beside', origin: { x: 4150, y: 0 }, walls }] };
    const both = fitMeasure(paper, row, NORTH_UP, null, 2500);
    const sides = new Map(wallNamesAt(row, both.pose, both.layout, 'ground').map((one) => [one.wallId, one.at.x]));
    const [east, west] = [4000, 4150].map((x) => planToScreen(both.pose, { x, y: 0 }).x);
    expect(sides.get('east')).toBeLessThan(east ?? 0);
    expect(sides.get('b-west')).toBeGreaterThan(west ?? 0);
    expect(northOf(NORTH_UP)).toEqual([0, -1]);
    // Turned so that the east wall lies at the top, north lies to the left.
    expect(northOf(turnFor(project, 'east', 'front')).map((v) => Math.round(v) + 0)).toEqual([-1, 0]);
  });
  it.each(DEMOS.map((demo) => [demo.id, demo] as const))(
    '%s: no wall’s name covers another, or the figure of any wall’s length, at three magnifications',
    (_, demo) => {
      for (const level of demo.levels)
        for (const times of [0.7, 1, 1.6]) {
          const first = demo.spaces.find((space) => space.levelId === level.id);
          if (!first) continue;
          const { pose, layout } = fitMeasure(paper, demo, NORTH_UP, first.id, 2500);
          const near = magnifyMeasure(pose, times, layout.width / 2, layout.plan.height / 2, false);
          const names = wallNamesAt(demo, near, layout, level.id);
          expect(names.length).toBeGreaterThan(1);
          const runs = demo.spaces.filter((space) => space.levelId === level.id).flatMap((space) => wallRuns(space));
          const boxes = [...names.map(boxOfName), ...runs.map((run) => figureBox(run, near))];
          names.forEach((name, i) => {
            const own = boxOfName(name);
            boxes.forEach((other, k) => {
              if (k === i) return;
              const apart =
                own.right <= other.left ||
                other.right <= own.left ||
                own.bottom <= other.top ||
                other.bottom <= own.top;
              expect(apart, `${name.name} at ${times}`).toBe(true);
            });
          });
        }
    },
  );
  it('screen and plan are each other’s inverse, at every magnification', () => {
    const project = room();
    const pose = magnifyMeasure(
      fitMeasure(paper, project, turnFor(project, 'box', 'side'), 'box', 2500).pose,
      1.7,
      300,
      200,
      false,
    );
    const p = { x: 1234, y: 567 };
    const s = planToScreen(pose, p);
    const back = screenToPlan(pose, s.x, s.y);
    expect([back.x, back.y].map((v) => Math.round(v * 1e6))).toEqual([1234e6, 567e6]);
    const moved = planMove(pose, 30, -20);
    const shifted = planToScreen(pose, { x: p.x + moved.x, y: p.y + moved.y });
    expect([shifted.x - s.x, shifted.y - s.y].map((v) => Math.round(v * 1e6))).toEqual([30e6, -20e6]);
  });
  it('a wall’s elevation shows what stands before it as far as one says, how far off it is, and names what it leaves out', () => {
    const project = room();
    const scene = sceneOf(project);
    const told = (within: number) => {
      const elevation = elevationOf(project, scene, { of: 'wall', wallId: 'north', within });
      if (!elevation) throw new Error('no elevation');
      const away = new Map(elevation.lines.filter((one) => one.kind === 'piece').map((one) => [one.body, one.away]));
      return { away: [...away.keys()].sort(), far: away.get('other'), leftOut: elevation.leftOut };
    };
    // The box stands 500 before the north wall, the other 1400.
    const [box, other] = project.pieces;
    expect(told(400)).toMatchObject({ away: [], leftOut: [box?.name, other?.name] });
    expect(told(1200)).toMatchObject({ away: ['box'], leftOut: [other?.name] });
    expect(told(1500)).toEqual({ away: ['box', 'other'], far: expect.closeTo(1400, 6) as number, leftOut: [] });
    // From the west wall the first begins 700 off, the second 2500.
    expect(leftOutOf(project, scene, 'west', 800)).toEqual([other?.name]);
    const sheet = elevationOf(project, scene, { of: 'wall', wallId: 'north', within: 1200 });
    const words = sheet ? elevationDrawing(project, sheet, 50).layers.flatMap((layer) => layer.words) : [];
    // What stands in the room beside it, however near to the wall's line, is neither shown nor missed.
    const own = at(project.spaces, 0);
    const walls = own.walls.map((wall) => ({
      ...{ ...wall, id: `b-${wall.id}`, startCorner: `b-${wall.startCorner}` },
      length: { ...wall.length, id: `b-${wall.length.id}` },
    }));
    const high = { ...own.ceilingHeight, id: 'b-high' };
    const beside = { ...own, id: 'beside', name: 'beside', origin: { x: 4150, y: 0 }, walls, ceilingHeight: high };
    const there = boxPiece({ id: 'there' });
    const [first, second] = there.place.from;
    const placed: typeof there.place.from = [
      { ...first, wallId: `b-${first.wallId}` },
      { ...second, wallId: `b-${second.wallId}` },
    ];
    const both: Project = {
      ...project,
      spaces: [own, beside],
      pieces: [...project.pieces, { ...there, place: { ...there.place, from: placed } }],
    };
    const wall = elevationOf(both, sceneOf(both), { of: 'wall', wallId: 'north', within: 3000 });
    expect([...new Set(wall?.lines.filter((one) => one.kind === 'piece').map((one) => one.body))].sort()).toEqual([
      'box',
      'other',
    ]);
    expect(wall?.leftOut).toEqual([]);
    expect(words.some((word) => word.text.includes(`left out, standing farther before it: ${other?.name ?? ''}`))).toBe(
      true,
    );
  });
  it('a piece’s elevation is taken away at scale with its overall dimensions', () => {
    const project = room();
    const elevation = elevationOf(project, sceneOf(project), { of: 'piece', pieceId: 'box', from: 'side' });
    if (!elevation) throw new Error('no elevation');
    const drawing = elevationDrawing(project, elevation, 20);
    const xs = at(drawing.layers, 0).strokes.flatMap((stroke) => [stroke.x0, stroke.x1]);
    const ys = at(drawing.layers, 0).strokes.flatMap((stroke) => [stroke.y0, stroke.y1]);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(600 / 20, 9);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(900 / 20, 9);
    expect(elevationOf(project, sceneOf(project), { of: 'wall', wallId: 'nowhere', within: 1200 })).toBeNull();
    expect(elevationFor(project, 'room', 'front', 1200)).toEqual({ of: 'wall', wallId: 'north', within: 1200 });
    expect(elevationFor(project, null, 'front', 1200)).toBeNull();
  });
});

describe('dragging', () => {
  it('a piece catches at a wall and in line with another piece, else it stops on round figures', () => {
    const project = room();
    const snap = snapFor(project, 'box');
    // 700 from the west wall, 500 from the north: within 40 mm of both it stands against them.
    expect(snap({ x: -680, y: 470 }, 40)).toEqual({ x: -700, y: 500 });
    // Its right side in line with the other's left: 2500 − 1900 = 600.
    expect(snap({ x: 585, y: -333 }, 30).x).toBeCloseTo(600, 9);
    const free = snap({ x: 123, y: -123 }, 5);
    expect([Math.round(free.x), Math.round(free.y)]).toEqual([120, -120]);
    expect(snapFor(project, 'nothing')({ x: 1.5, y: 2 }, 9)).toEqual({ x: 1.5, y: 2 });
  });
  it('drawn corners keep in line and close on the first; a room’s corner keeps in line with its neighbours', () => {
    expect(snappedCorner([], { x: 1004, y: 1996 }, 50, 'metric')).toEqual({ at: { x: 1000, y: 2000 }, closes: false });
    expect(snappedCorner([{ x: 1000, y: 2000 }], { x: 1030, y: 5003 }, 50, 'metric').at).toEqual({ x: 1000, y: 5000 });
    const three = [
      { x: 0, y: 0 },
      { x: 0, y: 3000 },
      { x: 4000, y: 3000 },
    ];
    expect(snappedCorner(three, { x: 30, y: -20 }, 50, 'metric')).toEqual({ at: { x: 0, y: 0 }, closes: true });
    expect(snappedRoomCorner(smallRoom(), 'room', 'ne', { x: 4203, y: 3020 }, 40)).toEqual({ x: 4200, y: 3000 });
    expect(snappedCorner([{ x: 0, y: 0 }], { x: 500, y: 760 }, 5, 'imperial').at.x / 12.7).toBeCloseTo(39, 9);
  });
  it('what lies under the pointer: the smaller piece, the opening, the wall, the room, nothing', () => {
    const project = room();
    const pick = (x: number, y: number) => pickInPlan(project, { x, y }, 60, 'ground');
    expect(pick(1000, 2200)).toEqual({ kind: 'piece', id: 'box' });
    expect(pick(2000, 3010)).toEqual({ kind: 'wall', id: 'north' });
    expect(pick(200, 400)).toEqual({ kind: 'space', id: 'room' });
    expect(pick(9000, 400)).toEqual({ kind: 'nothing' });
    expect(placingWalls(project, { x: 3900, y: 200 }, 'ground')?.map((one) => one.wallId)).toEqual(['east', 'south']);
    expect(levelOfChosen(project, 'box', 'elsewhere')).toBe('ground');
    expect(levelOfChosen(project, null, 'elsewhere')).toBe('elsewhere');
  });
});

describe('putting things in from the template sheet', () => {
  it('every kind finds a place in an empty room where the record has nothing to say against it', () => {
    const base = smallRoom();
    const large = {
      ...base,
      spaces: base.spaces.map((space) => ({
        ...space,
        ceilingHeight: size('room/ceiling', 4200),
        walls: space.walls.map((wall) => ({ ...wall, length: size(wall.length.id, mmOf(wall.length) * 2.5) })),
      })),
    };
    for (const kind of CATALOGUE) {
      const piece = pieceFromTemplate(large, kind.id, 'ground', null, undefined, print);
      if (!piece) throw new Error(kind.id);
      const put = addPiece(large, piece);
      if (!put.ok) throw new Error(put.error.message);
      expect(
        contradictionsOf(put.value).map((one) => one.message),
        kind.id,
      ).toEqual([]);
    }
  });
  it('a cupboard finds its place with its back to the wall, clear of what opens in it; a table on the open floor', () => {
    const project = smallRoom();
    const north = at(wallRuns(at(project.spaces, 0)), 1);
    const backOf = (kindId: string, into: Project): number | null => {
      const piece = pieceFromTemplate(into, kindId, 'ground', null, north, print);
      const put = piece && addPiece(into, piece);
      if (!put?.ok) throw new Error(kindId);
      expect(contradictionsOf(put.value).map((one) => one.message)).toEqual([]);
      const offset = piece?.place.from.find(({ wallId }) => wallId === 'north');
      return offset ? mmOf(offset.distance) : null;
    };
    expect([backOf('wardrobe', project), backOf('u-run', project)]).toEqual([0, 0]);
    expect(backOf('table', project)).toBeGreaterThan(300);
    // A window in the middle of the wall: a low chest stands under it, a wardrobe beside it.
    const window = openingFromTemplate(project, kindNamed('window'), north, null, print);
    const lit = { ...project, openings: [{ ...window, width: size('window/w', 1200) }] };
    const left = (kindId: string): number => {
      const piece = pieceFromTemplate(lit, kindId, 'ground', null, north, print);
      const west = piece?.place.from.find(({ wallId }) => wallId === 'west');
      return west ? mmOf(west.distance) : NaN;
    };
    expect(backOf('wardrobe', lit)).toBe(0);
    expect(left('wardrobe') + 1200 <= 1400 || left('wardrobe') >= 2600).toBe(true);
    expect(left('chest-of-drawers')).toBeGreaterThan(1400);
  });
  it('one set down under the pointer has its middle there; a second beside the first has a name of its own', () => {
    const project = smallRoom();
    const piece = pieceFromTemplate(project, 'table', 'ground', { x: 2000, y: 1500 }, undefined, print);
    if (!piece) throw new Error('no table');
    const footprint = footprintOf(project, piece);
    if (!footprint.ok) throw new Error('no place');
    const { corners } = footprint.value;
    expect(Math.abs((corners['back-left'].x + corners['front-right'].x) / 2 - 2000)).toBeLessThanOrEqual(10);
    expect(Math.abs((corners['back-left'].y + corners['front-right'].y) / 2 - 1500)).toBeLessThanOrEqual(10);
    expect(freeName({ ...project, pieces: [piece] }, 'table')).toBe('table 2');
    expect(pieceFromTemplate(project, 'orrery', 'ground', null, undefined, print)).toBeNull();
  });
  it('openings find a free stretch of their wall', () => {
    const north = at(wallRuns(at(smallRoom().spaces, 0)), 1);
    let project = smallRoom();
    for (const kind of ['window', 'door'] as const)
      project = {
        ...project,
        openings: [...project.openings, openingFromTemplate(project, kindNamed(kind), north, null, print)],
      };
    expect(contradictionsOf(project)).toEqual([]);
    const aimed = openingFromTemplate(smallRoom(), kindNamed('niche'), north, { x: 700, y: 3000 }, print);
    expect(mmOf(aimed.offset)).toBe(350);
    const tiles = surfaceFromTemplate(project, 'tiles', north, print);
    expect(tiles).toMatchObject({ kind: 'tiles', on: 'floor', spaceId: 'room', wallId: 'north' });
    expect(walkOf({ ...project, surfaces: tiles ? [tiles] : [] }).length).toBe(1 + 4 + 2 + 1);
  });
});

describe('rooms on two storeys', () => {
  const tea = DEMOS.find((demo) => demo.id === 'tea-room') ?? at(DEMOS, 0);
  const scene = sceneOf(tea);
  /** Ends of the lines that are painted at a colour and strength, in plan. */
  function painted(levelId: string) {
    const { pose, layout } = fitMeasure(paper, tea, turnFor(tea, null, 'front'), null, 2850);
    const lines: { readonly colour: string; readonly alpha: number; readonly ends: number[] }[] = [];
    let path: number[] = [];
    const put = (x: number, y: number): void => void path.push(x, y);
    const own: Record<string, unknown> = {
      ...{ moveTo: put, lineTo: put, strokeStyle: '', globalAlpha: 1 },
      beginPath: () => (path = []),
      stroke: () => lines.push({ colour: String(own.strokeStyle), alpha: Number(own.globalAlpha), ends: path }),
    };
    const nothing = (): void => undefined;
    const ctx = new Proxy(own, { get: (from, name: string) => from[name] ?? nothing });
    const given = { layout, pose, look: LOOKS.day, project: tea, scene, levelId, chosen: [], elevation: null };
    paintMeasure(ctx as unknown as CanvasRenderingContext2D, { ...given, plans: new WeakMap(), sheet: 'still' }, 1);
    const near = (x: number, y: number): boolean => {
      const p = planToScreen(pose, { x, y });
      return lines
        .filter(({ colour, alpha }) => colour === LOOKS.day.graphite && alpha === 1)
        .some(({ ends }) => ends.some((u, i) => i % 2 === 0 && Math.hypot(u - p.x, at(ends, i + 1) - p.y) < 0.5));
    };
    const opened = (x: number, y: number): boolean => {
      const p = planToScreen(pose, { x, y });
      return lines
        .filter(({ colour }) => colour === LOOKS.day.paper)
        .some(({ ends }) => ends.some((u, i) => i % 2 === 0 && Math.hypot(u - p.x, at(ends, i + 1) - p.y) < 0.5));
    };
    return { near, opened };
  }
  it('each plan has what is in the walls of its own storey and on its floor, and no window of another', () => {
    // A corner of the kitchen window's frame in its yard wall, and of the harbour window's in the tea room's.
    const [kitchen, harbour] = [
      [-3420 - 180, 1350],
      [6000 + 180, 3500],
    ] as const;
    const [upper, lower] = [painted('ground'), painted('kitchen-floor')];
    expect([upper.near(...kitchen), lower.near(...kitchen)]).toEqual([false, true]);
    expect([upper.near(...harbour), lower.near(...harbour)]).toEqual([true, false]);
  });
  it('a door opens both its walls, each in the plan of its own storey', () => {
    expect(painted('ground').opened(0, 700)).toBe(true);
    expect(painted('kitchen-floor').opened(-120, 700)).toBe(true);
    expect(painted('ground').opened(-120, 700)).toBe(false);
  });
});

describe('a piece carried about', () => {
  it.each<[string, Change]>([
    ['moved', { kind: 'move-pieces', pieceIds: ['box'], by: { x: 310, y: -140 } }],
    ['turned about its middle', { kind: 'turn-piece-about-middle', pieceId: 'box', turnDeg: 65 }],
  ])('%s is painted where its plan would be made anew', (_, change) => {
    const table = newPiece(
      'table',
      {
        id: 'box',
        name: 'table',
        levelId: 'ground',
        from: [
          { wallId: 'north', mm: 900 },
          { wallId: 'west', mm: 900 },
        ],
      },
      String,
    );
    if (!table) throw new Error('no table');
    const project = smallRoom([{ ...table, mirrored: true }]);
    const scene = sceneOf(project);
    const edit = applyChange(project, change);
    if (!edit.ok) throw new Error(edit.error.message);
    const body = at(
      scene.bodies.filter((one) => one.id === 'box'),
      0,
    );
    const plans = new WeakMap([[body, planLinesOf(scene, body)]]);
    const { pose, layout } = fitMeasure(paper, project, turnFor(project, 'box', 'front'), 'box', 2500);
    const ends: number[] = [];
    const nothing = (): void => undefined;
    const put = (x: number, y: number): void => void ends.push(x, y);
    const ctx = new Proxy({ moveTo: put, lineTo: put } as Record<string, unknown>, {
      get: (own, name: string) => own[name] ?? nothing,
      set: () => true,
    }) as unknown as CanvasRenderingContext2D;
    paintMovedPieces(ctx, { layout, pose, look: LOOKS.day, project, scene, chosen: ['box'], plans }, edit.value);
    // Corners of the plan as it is made from the moved record: each is an end of a painted line.
    const after = sceneOf(edit.value);
    const truly = planLinesOf(
      after,
      at(
        after.bodies.filter((one) => one.id === 'box'),
        0,
      ),
    );
    expect(ends.length).toBeGreaterThan(8);
    for (let i = 0; i + 1 < truly.length; i += 2) {
      const p = planToScreen(pose, { x: at(truly, i), y: at(truly, i + 1) });
      const nearest = Math.min(
        ...ends.flatMap((x, k) => (k % 2 === 0 ? [Math.hypot(x - p.x, at(ends, k + 1) - p.y)] : [])),
      );
      expect(nearest).toBeLessThan(0.05);
    }
  });
  it('only carrying is painted so: what makes the room another is rendered', () => {
    expect(carriesPieces({ kind: 'move-pieces', pieceIds: [], by: { x: 0, y: 0 } })).toBe(true);
    expect(carriesPieces({ kind: 'move-size', sizeId: 'box/height', mm: 5 })).toBe(false);
    expect(carriesPieces(null)).toBe(false);
  });
});
