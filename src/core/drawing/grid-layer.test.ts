import { sceneOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { mmOf, type GridChoice, type Project, type View } from '@/core/record';
import { tooManyGridLines } from '@/core/solids';
import { DEMOS } from '@/app/demo';
import { worldPoint } from '@/core/space';
import { projectPoint, roomMeant, standOf } from '@/core/view';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { gridLayer, gridZeroOf } from './index';

const all = (mm: number): GridChoice => ({
  unit: { mm, asTyped: `${mm}` },
  floor: true,
  walls: true,
  ceiling: true,
  from: null,
  on: null,
});
function grid(project: Project, change: Partial<View>) {
  const view = { ...at(project.views, 0), ...change };
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  return {
    layer: gridLayer(project, view, stand.value.setUp, sceneOf(project).bodies),
    setUp: stand.value.setUp,
    view,
  };
}
const wide = { left: -200, right: 200, bottom: -140, top: 140 };

describe('the ready-made grid', () => {
  it('with more lines than are laid says how many there would be, and the surface goes without', () => {
    const room = smallRoom([], boxView({ frame: wide, station: { x: 2000, y: -3000 } }));
    const longest = Math.max(...room.spaces.flatMap((space) => space.walls.map((wall) => mmOf(wall.length))));
    expect(tooManyGridLines(room.spaces, all(longest / 400))).toBeNull();
    expect(tooManyGridLines(room.spaces, all(longest / 401))).toBe(401);
    expect(
      tooManyGridLines(room.spaces, { ...all(longest / 401), walls: false, floor: false, ceiling: false }),
    ).toBeNull();
    const lines = (unit: number) => grid(room, { grid: { ...all(unit), walls: false } }).layer.strokes.length;
    expect(lines(longest / 401)).toBeLessThan(lines(longest / 390));
  });

  const project = smallRoom([boxPiece()], boxView({ frame: wide, station: { x: 2000, y: -3000 } }));
  it.each([500, 304.8, 1000])('squares of %d mm on floor, walls and ceiling lie where their points project', (unit) => {
    const { layer, setUp, view } = grid(project, { grid: all(unit) });
    const where = (x: number, y: number, z: number) => {
      const p = projectPoint(setUp, worldPoint(x, y, z));
      return p && { x: p.u + view.centreOfVisionOnSheet.x, y: p.v + view.centreOfVisionOnSheet.y };
    };
    const strokesOf = (id: string) => layer.strokes.filter((stroke) => stroke.of === id);
    const passes = (id: string, p: { x: number; y: number } | null): boolean =>
      strokesOf(id).some((s) => {
        const length = Math.hypot(s.x1 - s.x0, s.y1 - s.y0);
        const off = ((s.x1 - s.x0) * ((p?.y ?? 0) - s.y0) - (s.y1 - s.y0) * ((p?.x ?? 0) - s.x0)) / length;
        return Math.abs(off) < 1e-9;
      });
    let compared = 0;
    // The first wall is the west one, running north: along it is north, away from it east.
    for (let n = 1; n * unit < 3000; n += 1, compared += 1) {
      expect(passes(`grid/room/floor/along-${n}`, where(1234, n * unit, 0)), `floor along ${n}`).toBe(true);
      expect(passes(`grid/room/ceiling/along-${n}`, where(1234, n * unit, 2500)), `ceiling along ${n}`).toBe(true);
    }
    for (let n = 1; n * unit < 4000; n += 1, compared += 1) {
      expect(passes(`grid/room/floor/away-${n}`, where(n * unit, 1111, 0)), `floor away ${n}`).toBe(true);
      // Where the floor’s lines meet the north wall they go on up it, under the same letters.
      expect(passes(`grid/north/away-${n}`, where(n * unit, 3000, 777)), `north ${n}`).toBe(true);
    }
    for (let n = 1; n * unit < 2500; n += 1, compared += 1)
      expect(passes(`grid/north/up-${n}`, where(1234, 3000, n * unit)), `up ${n}`).toBe(true);
    expect(compared).toBeGreaterThan(6);
    // The wall one looks over the back of is not drawn, and so has no squares.
    expect(layer.strokes.some((stroke) => stroke.of.startsWith('grid/south/'))).toBe(false);
  });
  it('numbers along, letters away, a plus for what is above the floor: none stands for two ways', () => {
    const { layer } = grid(project, { grid: all(500) });
    const numbers = layer.words.map((word) => word.text);
    for (const called of ['1', '2', '3', '5', 'A', 'B', 'C', '+1', '+2']) expect(numbers).toContain(called);
    expect(layer.words.every((word) => /^(\d+|[A-Z]+|\+\d+)$/.test(word.text))).toBe(true);
    // The floor is 3000 along the west wall and 4000 away from it: five lines one way, seven the other.
    const floor = grid(project, { grid: { ...all(500), walls: false, ceiling: false } }).layer;
    expect([...new Set(floor.words.map((word) => word.text))].sort().join('')).toMatch(/^1+[2-5]*A/);
    const many = grid(project, { grid: { ...all(100), floor: true, walls: false, ceiling: false } }).layer.words;
    expect(many.some((word) => /^A[A-Z]$/.test(word.text))).toBe(true);
  });
  it('is counted from a corner that is in the picture, or from the one that is chosen; on the walls that are chosen', () => {
    // The frame cuts the west side off: neither of its corners is seen. The corner north-east is the first that is.
    const east = { left: 20, right: 200, bottom: -140, top: 140 };
    const seen = grid(project, { frame: east, grid: all(500) });
    const where = (from: ReturnType<typeof grid>, x: number, y: number) => {
      const p = projectPoint(from.setUp, worldPoint(x, y, 0));
      return { x: (p?.u ?? 0) + from.view.centreOfVisionOnSheet.x, y: (p?.v ?? 0) + from.view.centreOfVisionOnSheet.y };
    };
    const onLine = (from: ReturnType<typeof grid>, id: string, p: { x: number; y: number }): boolean =>
      from.layer.strokes.some(
        (s) =>
          s.of === id &&
          Math.abs((s.x1 - s.x0) * (p.y - s.y0) - (s.y1 - s.y0) * (p.x - s.x0)) <
            1e-9 * Math.hypot(s.x1 - s.x0, s.y1 - s.y0),
      );
    // From the north-east corner along the east wall is south, away from it west.
    expect(onLine(seen, 'grid/room/floor/along-1', where(seen, 3333, 2500))).toBe(true);
    expect(onLine(seen, 'grid/room/floor/away-2', where(seen, 3000, 1111))).toBe(true);
    // And so on the walls, whichever of their corners are seen.
    expect(onLine(seen, 'grid/north/away-1', where(seen, 3500, 3000))).toBe(true);
    const chosen = grid(project, { grid: { ...all(500), from: 'se' } });
    // From the south-east corner along the south wall is west, away from it north.
    expect(onLine(chosen, 'grid/room/floor/along-1', where(chosen, 3500, 1111))).toBe(true);
    expect(onLine(chosen, 'grid/room/floor/away-2', where(chosen, 3333, 1000))).toBe(true);
    const faces = new Set(
      grid(project, { grid: { ...all(500), on: ['north'] } }).layer.strokes.map((s) => s.of.split('/')[1]),
    );
    expect([...faces].sort()).toEqual(['north', 'room']);
  });
  it('with a further room in sight it is counted from a corner of the room the view is of, one count for both', () => {
    const demo = at(DEMOS, 1);
    const view = { ...at(demo.views, 0), grid: all(500) };
    const stand = standOf(demo, view);
    if (!stand.ok) throw new Error(stand.error.message);
    const zero = gridZeroOf(demo, view, stand.value.setUp, view.grid);
    const room = roomMeant(demo, view);
    // Both rooms have corners that are in the picture.
    const others = demo.spaces.filter((space) => space !== room).flatMap(({ walls }) => walls);
    expect(others.length).toBeGreaterThan(0);
    const behind = gridZeroOf(
      { ...demo, spaces: demo.spaces.filter((one) => one !== room) },
      view,
      stand.value.setUp,
      view.grid,
    );
    expect(others.map(({ startCorner }) => startCorner)).toContain(behind?.startCorner);
    expect(room?.walls.map(({ startCorner }) => startCorner)).toContain(zero?.startCorner);
    const reversed = { ...demo, spaces: [...demo.spaces].reverse() };
    expect(gridZeroOf(reversed, view, stand.value.setUp, view.grid)?.startCorner).toBe(zero?.startCorner);
  });
  it('the furniture does not hide it, the room’s own walls do; each surface can be left out', () => {
    const bare = grid(smallRoom([], at(project.views, 0)), { grid: all(500) });
    expect(grid(project, { grid: all(500) }).layer.strokes).toEqual(bare.layer.strokes);
    const floorOnly = grid(project, { grid: { ...all(500), walls: false, ceiling: false } }).layer;
    expect(floorOnly.strokes.every((stroke) => stroke.of.startsWith('grid/room/floor/'))).toBe(true);
    expect(floorOnly.strokes.length).toBeGreaterThan(0);
    expect(grid(project, { grid: null }).layer.strokes).toEqual([]);
  });
  it('is made in every demonstration room, in metres and in feet, all of it inside the frame', () => {
    for (const demo of DEMOS) {
      const { layer, view } = grid(demo, { grid: all(demo.units === 'imperial' ? 304.8 : 500) });
      expect(layer.strokes.length, demo.id).toBeGreaterThan(40);
      const { x, y } = view.centreOfVisionOnSheet;
      for (const s of layer.strokes) {
        for (const px of [s.x0, s.x1]) {
          expect(px).toBeGreaterThan(x + view.frame.left - 1e-6);
          expect(px).toBeLessThan(x + view.frame.right + 1e-6);
        }
        for (const py of [s.y0, s.y1])
          expect(Math.abs(py - y)).toBeLessThan(Math.max(view.frame.top, -view.frame.bottom) + 1e-6);
      }
    }
  });
});
