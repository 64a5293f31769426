import { LOOKS } from '@/interface/theme/looks';
import { paintMovedPieces } from './paint';
import { carriesPieces } from './measure-motion';
import { elevationDrawing, elevationOf, sceneOf, planLinesOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { addPiece, footprintOf, mmOf, wallRuns, type Project, applyChange, type Change } from '@/core/record';
import { CATALOGUE, contradictionsOf, openingKindOf, OPENINGS, type OpeningKind, newPiece } from '@/core/solids';
import { boxPiece, size, smallRoom } from '@/testing';
import { pickInPlan, placingWalls, snapFor, snappedCorner, snappedRoomCorner } from './moves';
import { elevationFor, levelOfChosen } from './places';
import {
  elevationToScreen,
  fitMeasure,
  magnifyMeasure,
  measureLayout,
  planMove,
  planToScreen,
  screenToPlan,
  turnFor,
} from './pose';
import { freeName, openingFromTemplate, pieceFromTemplate, surfaceFromTemplate, walkOf } from './place-template';

const print = String;
const layout = measureLayout(1048, 708);
const room = (): Project =>
  smallRoom([boxPiece({}), boxPiece({ id: 'other', fromWest: 2500, fromNorth: 1400, width: 500 })]);

const kindNamed = (id: string): OpeningKind => openingKindOf(id) ?? at(OPENINGS, 0);

describe('plan and elevation at one magnification', () => {
  it('each wall chosen lies level at the top, and its corners drop straight into its elevation', () => {
    const project = room();
    const scene = sceneOf(project);
    for (const run of wallRuns(at(project.spaces, 0))) {
      const turn = turnFor(project, run.wall.id, 'front');
      const pose = fitMeasure(layout, project, turn, run.wall.id, 2500);
      const [start, end] = [planToScreen(pose, run.start), planToScreen(pose, run.end)];
      expect(start.y).toBeCloseTo(end.y, 6);
      expect(end.x).toBeGreaterThan(start.x);
      expect(start.y).toBeLessThan(layout.plan.height / 2);
      const what = elevationFor(project, run.wall.id, 'front');
      const elevation = what && elevationOf(project, scene, what);
      if (!elevation) throw new Error('no elevation');
      expect(elevationToScreen(pose, elevation, 0, 0).x).toBeCloseTo(start.x, 6);
      expect(elevationToScreen(pose, elevation, run.lengthMm, 2500).x).toBeCloseTo(end.x, 6);
      expect(elevationToScreen(pose, elevation, 0, 2500).y).toBeGreaterThan(layout.plan.height);
    }
  });
  it('screen and plan are each other’s inverse, at every magnification', () => {
    const project = room();
    const pose = magnifyMeasure(
      fitMeasure(layout, project, turnFor(project, 'box', 'side'), 'box', 2500),
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
  it('a piece’s elevation is taken away at scale with its overall dimensions', () => {
    const project = room();
    const elevation = elevationOf(project, sceneOf(project), { of: 'piece', pieceId: 'box', from: 'side' });
    if (!elevation) throw new Error('no elevation');
    const drawing = elevationDrawing(project, elevation, 20);
    const xs = at(drawing.layers, 0).strokes.flatMap((stroke) => [stroke.x0, stroke.x1]);
    const ys = at(drawing.layers, 0).strokes.flatMap((stroke) => [stroke.y0, stroke.y1]);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(600 / 20, 9);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(900 / 20, 9);
    expect(elevationOf(project, sceneOf(project), { of: 'wall', wallId: 'nowhere' })).toBeNull();
    expect(elevationFor(project, 'room', 'front')).toEqual({ of: 'wall', wallId: 'north' });
    expect(elevationFor(project, null, 'front')).toBeNull();
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
    const pose = fitMeasure(layout, project, turnFor(project, 'box', 'front'), 'box', 2500);
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
