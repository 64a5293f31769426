import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { newRoom } from '@/app/new-room';
import { sceneOf, standWarnings } from '@/core/pipeline';
import {
  addSpace,
  applyChange,
  mmOf,
  PLAIN_OPENING,
  standByRule,
  type Change,
  type Project,
  type Space,
  type View,
} from '@/core/record';
import { bodiesOf } from '@/core/solids';
import { METRIC_STYLE } from '@/core/units';
import { drain, visibleLinesExact } from '@/core/visibility';
import { boxPiece, boxView, size, smallRoom } from '@/testing';
import { joinedTo, onSheet, overMargins, projectPoint, seenIn, spacesAsideOf, standOf, turnPlan } from './index';

const done = (project: Project, ...changes: Change[]): Project =>
  changes.reduce((now, change) => {
    const next = applyChange(now, change);
    if (!next.ok) throw new Error(next.error.message);
    return next.value;
  }, project);
const first = (project: Project): View => at(project.views, 0);
const longer = (project: Project, wall: string, mm: number): Change => {
  const found = at(project.spaces, 0).walls.find((one) => one.id === wall);
  return { kind: 'correct-size', sizeId: found?.length.id ?? '', mm, asTyped: String(mm) };
};
function warnedOf(project: Project) {
  const stand = standOf(project, first(project));
  if (!stand.ok) throw new Error(stand.error.message);
  const scene = sceneOf(project);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, first(project).frame));
  return standWarnings(project, first(project), scene, stand.value, lines, METRIC_STYLE);
}

describe('standing by rule', () => {
  it('a new room, and rooms of other sizes, are seen whole within the cone, on the sheet, with nothing to warn of', () => {
    for (const [wide, deep, high] of [
      [4000, 3000, 2500],
      [5400, 4200, 2600],
      [12_000, 6000, 4200],
      [2400, 9000, 2400],
      [1200, 1500, 2300],
    ] as const) {
      const room = newRoom('new');
      const project = done(
        room,
        longer(room, 'north', wide),
        longer(room, 'south', wide),
        longer(room, 'west', deep),
        longer(room, 'east', deep),
        { kind: 'correct-size', sizeId: at(room.spaces, 0).ceilingHeight.id, mm: high, asTyped: String(high) },
      );
      const view = first(project);
      expect(view.standsBy).toBe('rule');
      const off = -view.station.y;
      // The farthest corner of the near side, by hand: within 30°.
      const corner = Math.hypot(wide / 2, Math.max(1600, high - 1600));
      expect((Math.atan2(corner, off) * 180) / Math.PI).toBeLessThan(30);
      expect(view.station.x).toBeCloseTo(wide / 2, 9);
      const { left, right, bottom, top } = view.frame;
      expect(right * view.scaleDenominator).toBeGreaterThan(wide / 2);
      expect(top * view.scaleDenominator).toBeGreaterThan(high - 1600);
      expect(Object.values(overMargins(view)).every((over) => over < 1e-9)).toBe(true);
      // The largest usual scale: the drawing fills more than a third of one of the sheet's sides.
      expect(Math.max((right - left) / 400, (top - bottom) / 277)).toBeGreaterThan(0.35);
      expect(warnedOf(project).map((one) => one.message)).toEqual([]);
    }
  });
  it('goes with the room and with the eye; put anywhere by hand it stays, and by rule again it goes', () => {
    const room = newRoom('new');
    const larger = done(room, longer(room, 'north', 6000), longer(room, 'south', 6000));
    expect(first(larger).station.x).toBe(3000);
    expect(first(larger).station.y).toBeLessThan(first(room).station.y);
    const seated = done(room, {
      ...{ kind: 'change-view', viewId: 'view' },
      fields: { eyeHeight: { mm: 1200, asTyped: '1200' } },
    });
    expect(first(seated).standsBy).toBe('rule');
    expect(first(seated).frame.bottom * first(seated).scaleDenominator).toBeLessThan(-1200);
    for (const fields of [
      { station: { x: 1000, y: -2000 } },
      { lineOfSightBearingDeg: 10 },
      { scaleDenominator: 50 },
      { frame: { left: -90, right: 90, bottom: -60, top: 60 } },
    ] as const) {
      const put = done(room, { kind: 'change-view', viewId: 'view', fields });
      expect(first(put).standsBy).toBe('hand');
      expect(first(done(put, longer(put, 'north', 6000))).station).toEqual(first(put).station);
    }
    const sheet = { name: 'A2', width: 594, height: 420 };
    const fields = onSheet(first(room), sheet);
    expect(first(done(room, { kind: 'change-view', viewId: 'view', fields })).standsBy).toBe('rule');
    const put = done(larger, { kind: 'change-view', viewId: 'view', fields: { station: { x: 0, y: -900 } } });
    const again = done(put, {
      ...{ kind: 'change-view', viewId: 'view' },
      fields: standByRule(at(put.spaces, 0), first(put), 'metric'),
    });
    expect(first(again)).toEqual(first(larger));
  });
  it('without walls one stands before what stands there, and goes with it; without any piece, before the room', () => {
    const room = newRoom('new');
    const bare = done(room, { kind: 'change-view', viewId: 'view', fields: { walls: 'left-out' } });
    expect(first(bare).station).toEqual(first(room).station);
    const piece = boxPiece({ width: 800, depth: 600, height: 2000, fromNorth: 1000, fromWest: 1500 });
    const alone = done(bare, { kind: 'add-piece', piece });
    const { station, picturePlane, scaleDenominator, frame } = first(alone);
    // By hand: from 1 500 to 2 300, its front 3 000 − 1 600 from the south wall, 1 600 below the eye and 400 above it.
    expect(station.x).toBeCloseTo(1900, 9);
    expect(picturePlane).toEqual({ through: 'point', x: 1900, y: 1400 });
    const swung = Math.hypot(400, 600);
    expect(station.y).toBe(
      1400 - Math.ceil((400 + Math.hypot(swung, 1600) / Math.tan((27 * Math.PI) / 180)) / 50) * 50,
    );
    expect(scaleDenominator).toBeLessThan(first(room).scaleDenominator);
    // Turned square to that it comes 400 nearer, and is so much larger.
    const away = 1400 - station.y;
    const grown = away / (away - 400);
    // However it is turned about the middle of its front, 400 to each side of it and 600 before its back, it stays in the frame.
    expect((frame.right - 8) * scaleDenominator).toBeCloseTo(swung * grown, 9);
    for (const turn of [15, 30, 45, 60, 75]) {
      const view = { ...first(alone), ...turnPlan(alone, first(alone), turn) };
      const bare = seenIn({ ...alone, views: [view] }, view);
      const stand = standOf(bare, view);
      if (!stand.ok) throw new Error(stand.error.message);
      for (const { at: corner } of bodiesOf(bare).flatMap((body) => body.vertices)) {
        const seen = projectPoint(stand.value.setUp, corner);
        expect([turn, (seen?.u ?? 0) > frame.left && (seen?.u ?? 0) < frame.right]).toEqual([turn, true]);
        expect([turn, (seen?.v ?? 0) > frame.bottom && (seen?.v ?? 0) < frame.top]).toEqual([turn, true]);
      }
    }
    expect((frame.top - 8) * scaleDenominator).toBeCloseTo(400 * grown, 9);
    const moved = done(alone, { kind: 'correct-size', sizeId: 'box/from-west', mm: 2000, asTyped: '2000' });
    expect(first(moved).station.x).toBeCloseTo(2400, 9);
    expect(warnedOf(moved).map((one) => one.message)).toEqual([]);
    // Drawn again, the walls are what one stands before; moving a piece then moves nobody.
    const again = done(moved, { kind: 'change-view', viewId: 'view', fields: { walls: 'drawn' } });
    expect(first(again).station).toEqual(first(room).station);
    const on = done(again, { kind: 'correct-size', sizeId: 'box/from-west', mm: 1500, asTyped: '1500' });
    expect(first(on).station).toEqual(first(room).station);
  });
  it('in feet one stands at whole quarters, at a scale of inches', () => {
    const room = at(smallRoom().spaces, 0);
    const { station, scaleDenominator } = standByRule(room, boxView({}), 'imperial');
    expect(station.y / 76.2).toBeCloseTo(Math.round(station.y / 76.2), 9);
    expect(12 % scaleDenominator === 0 || scaleDenominator % 4 === 0).toBe(true);
  });
});

describe('rooms left out of a view', () => {
  const base = smallRoom([boxPiece({ id: 'here' })], boxView({ spacesAside: ['beside'] }));
  const own = at(base.spaces, 0);
  const beside: Space = {
    ...own,
    ...{ id: 'beside', name: 'the room beside', origin: { x: 4150, y: 0 } },
    walls: own.walls.map((wall) => ({
      ...wall,
      ...{ id: `b-${wall.id}`, startCorner: `b-${wall.startCorner}` },
      length: { ...wall.length, id: `b-${wall.length.id}` },
    })),
    ceilingHeight: { ...own.ceilingHeight, id: 'b-ceiling' },
  };
  const added = addSpace(base, beside);
  if (!added.ok) throw new Error(added.error.message);
  const there = boxPiece({ id: 'there' });
  const from = there.place.from.map((one) => ({
    ...one,
    wallId: `b-${one.wallId}`,
  })) as unknown as typeof there.place.from;
  const door = {
    ...PLAIN_OPENING,
    ...{ id: 'door', name: 'the door', kind: 'door', wallId: 'east', throughWallId: 'b-west', fromCorner: 'ne' },
    ...{ offset: size('o', 300), width: size('w', 800), sill: size('s', 0), height: size('h', 2000) },
    reveal: size('r', 75),
  } as const;
  const project: Project = {
    ...added.value,
    pieces: [at(base.pieces, 0), { ...there, place: { ...there.place, from } }],
    openings: [door],
    plans: [{ id: 'p', viewId: 'view', pieceId: 'there', school: 'measuring-points', begin: 'footprint', pieces: [] }],
  };
  it('are left out with all that stands in them, and nothing else is', () => {
    const seen = seenIn(project, first(project));
    expect(seen.spaces.map((one) => one.id)).toEqual(['room']);
    expect(seen.pieces.map((one) => one.id)).toEqual(['here']);
    expect(at(seen.plans, 0).pieceId).toBeNull();
    expect(seen.openings).toEqual([{ ...door, throughWallId: null }]);
    expect(bodiesOf(seen).map((body) => body.id)).toEqual(['room', 'door', 'here']);
    expect(seenIn(project, boxView({}))).toBe(project);
    // The same lists again while nothing changes but the view.
    expect(seenIn({ ...project, name: 'other' }, first(project)).pieces).toBe(seen.pieces);
    expect(seenIn({ ...project, pieces: [] }, first(project)).pieces).toEqual([]);
  });
  it('so are rooms that no opening joins to the one the view is of; those joined stay, through others too', () => {
    const apart = { ...project, openings: [], views: [boxView({})] };
    expect(spacesAsideOf(apart, first(apart))).toEqual(['beside']);
    const turned = { ...apart, pieces: apart.pieces.map((one) => ({ ...one, place: { ...one.place, turnDeg: 25 } })) };
    const stand = standOf(turned, first(turned));
    const served = stand.ok ? stand.value.setOut.groups.flatMap((one) => one.serves.map(({ id }) => id)) : [];
    expect(served).toContain('here');
    expect(served.some((id) => id === 'there' || id === 'beside')).toBe(false);
    expect(seenIn(apart, first(apart)).pieces.map((one) => one.id)).toEqual(['here']);
    expect(spacesAsideOf({ ...apart, openings: [door] }, first(apart))).toEqual([]);
    const third = { ...beside, id: 'third', walls: beside.walls.map((wall) => ({ ...wall, id: `c-${wall.id}` })) };
    const row = { ...apart, spaces: [...project.spaces, third], openings: [door] };
    expect(spacesAsideOf(row, first(apart))).toEqual(['third']);
    const on = { ...door, id: 'on', wallId: 'c-b-east', throughWallId: 'b-north' };
    expect([...joinedTo({ ...row, openings: [on, door] }, 'room')].sort()).toEqual(['beside', 'room', 'third']);
  });
  it('walls are left out with what opens in them and lies on them; what stands there is drawn, placed as before', () => {
    const views = [boxView({ walls: 'left-out' })];
    const bare = seenIn({ ...project, views }, at(views, 0));
    expect(bodiesOf(bare).map((body) => body.id)).toEqual(['here', 'there']);
    expect([bare.openings, bare.surfaces]).toEqual([[], []]);
    const drawn = bodiesOf(seenIn({ ...project, views: [boxView({})] }, boxView({}))).find(({ id }) => id === 'here');
    expect(bodiesOf(bare)[0]?.vertices.map((one) => one.at)).toEqual(drawn?.vertices.map((one) => one.at));
    // Asked by turns for views with and without walls, each gets its own.
    for (const walls of ['left-out', 'drawn', 'left-out'] as const)
      expect(bodiesOf(seenIn(project, boxView({ walls, spacesAside: ['beside'] }))).map(({ id }) => id)).toEqual(
        walls === 'drawn' ? ['room', 'door', 'here'] : ['here'],
      );
    // The record itself keeps its walls, and what is drawn of them comes back.
    expect(bodiesOf(seenIn(project, boxView({}))).length).toBeGreaterThan(3);
    const stand = standOf(bare, at(views, 0));
    expect(stand.ok && stand.value.setOut.room.kind).toBe('one-point');
  });
  it('never the room the view is of', () => {
    const view = boxView({ spacesAside: ['room', 'beside'], picturePlane: { through: 'wall', wallId: 'north' } });
    expect(spacesAsideOf(project, view)).toEqual(['beside']);
    const other = boxView({ spacesAside: ['room', 'beside'], picturePlane: { through: 'wall', wallId: 'b-north' } });
    expect(seenIn(project, other).spaces.map((one) => one.id)).toEqual(['beside']);
  });
  it('what was said of a room that is taken out goes with it: left out, its walls in a grid, its corner', () => {
    const unit = { mm: 500, asTyped: '500' };
    const grid = { unit, floor: true, walls: true, ceiling: true, from: 'b-nw', on: ['north', 'b-north'] };
    const set = done(project, { kind: 'change-view', viewId: 'view', fields: { grid } });
    const view = first(done(set, { kind: 'remove-space', spaceId: 'beside' }));
    expect([view.spacesAside, view.grid?.from, view.grid?.on]).toEqual([[], null, ['north']]);
    expect(mmOf(own.ceilingHeight)).toBe(2500);
  });
});
