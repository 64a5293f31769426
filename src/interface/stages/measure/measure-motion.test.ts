import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { elevationOf, sceneOf } from '@/core/pipeline';
import { applyChange, mmOf, outlineOf, type Change, type Id, type Project } from '@/core/record';
import { LOOKS } from '@/interface/theme/looks';
import { cornerHandle, measurePlaces } from './handle-places';
import { MeasureMotion } from './measure-motion';
import { elevationFor, levelOfChosen } from './places';
import { fitMeasure, measureLayout, planToScreen, turnFor } from './pose';

/** A canvas that counts how often it is emptied and writes down the lines it is given. */
function recorder() {
  const log = { lines: [] as number[][], clears: 0 };
  let pen: number[] = [0, 0];
  const nothing = (): void => undefined;
  const context = new Proxy(
    {
      moveTo: (x: number, y: number) => void (pen = [x, y]),
      lineTo: (x: number, y: number) => {
        log.lines.push([...pen, x, y]);
        pen = [x, y];
      },
      clearRect: () => {
        log.clears += 1;
        log.lines = [];
      },
    } as Record<string, unknown>,
    { get: (own, name: string) => own[name] ?? nothing, set: () => true },
  );
  return { log, canvas: { getContext: () => context } as unknown as HTMLCanvasElement };
}
class FakeOffscreen {
  private readonly own = recorder();
  constructor(
    readonly width: number,
    readonly height: number,
  ) {}
  getContext() {
    return this.own.canvas.getContext('2d');
  }
}
function fakeHandle(name: string) {
  const attributes = new Map([
    ['data-handle', name],
    ['transform', 'translate(1 2)'],
  ]);
  return {
    getAttribute: (key: string) => attributes.get(key) ?? null,
    setAttribute: (key: string, value: string) => void attributes.set(key, value),
  };
}

/** The tea room at the desk of Measure with something chosen; what its handles and canvases are told. */
function desk(first: Id) {
  const project = at(DEMOS, 1);
  const scene = sceneOf(project);
  const paper = measureLayout(1048, 708);
  const what = elevationFor(project, first, 'front', 1200);
  const elevation = what && elevationOf(project, scene, what);
  const { pose, layout } = fitMeasure(paper, project, turnFor(project, first, 'front'), first, 2900);
  const [still, chosen] = [recorder(), recorder()];
  const names = Object.keys(measurePlaces(project, pose, first, elevation));
  const handles = names.map((name) => ({ name, element: fakeHandle(name) }));
  const motion = new MeasureMotion();
  motion.lies({
    ...{ project, scene, layout, pose, elevation, what, look: LOOKS.day, chosen: [first] },
    levelId: levelOfChosen(project, first, at(project.levels, 0).id),
    plans: new WeakMap(),
    canvas: chosen.canvas,
    stillCanvas: still.canvas,
    surface: { querySelectorAll: () => handles.map((one) => one.element) } as unknown as SVGSVGElement,
  });
  const place = (name: string) => handles.find((one) => one.name === name)?.element.getAttribute('transform');
  const drag = (change: Change): Project => {
    const next = applyChange(project, change);
    if (!next.ok) throw new Error(next.error.message);
    motion.frame(next.value, change);
    return next.value;
  };
  const expected = (moved: Project, name: string): string => {
    const now = what && elevationOf(moved, sceneOf(moved), what);
    const to = measurePlaces(moved, pose, first, now)[name];
    return `translate(${to?.x} ${to?.y})`;
  };
  /** Where a handle has been put, CSS pixels. */
  const putAt = (name: string): readonly [number, number] => {
    const [x, y] = (place(name) ?? '').match(/-?[\d.]+(e-?\d+)?/g)?.map(Number) ?? [];
    return [x ?? NaN, y ?? NaN];
  };
  return { project, motion, names, place, putAt, drag, expected, pose, still: still.log, chosen: chosen.log };
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('window', { devicePixelRatio: 1 });
  vi.stubGlobal('OffscreenCanvas', FakeOffscreen);
});
afterEach(() => {
  // Words that still wait are told by these timers: whoever runs after this shares the module that waits for them.
  vi.advanceTimersByTime(1000);
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a drag in Measure, with nothing rendered', () => {
  const room = at(at(DEMOS, 1).spaces, 0);
  it('a corner takes its handles and its walls along, and lies as it lay when the drag is given up', () => {
    const { motion, drag, place, putAt, pose, expected, still, names, project } = desk(room.id);
    const corner = at(outlineOf(room).corners, 2);
    expect(names).toContain(cornerHandle(corner.id));
    const to = { x: corner.at.x + 400, y: corner.at.y + 300 };
    const moved = drag({ kind: 'move-corner', spaceId: room.id, cornerId: corner.id, to });
    expect(motion.active).toBe(true);
    expect(place(cornerHandle(corner.id))).toBe(expected(moved, cornerHandle(corner.id)));
    expect(place(cornerHandle(corner.id))).not.toBe(expected(project, cornerHandle(corner.id)));
    const screen = planToScreen(pose, to);
    expect(putAt(cornerHandle(corner.id))).toEqual([expect.closeTo(screen.x, 3), expect.closeTo(screen.y, 3)]);
    const dragged = JSON.stringify(still.lines);
    motion.end();
    expect(place(cornerHandle(corner.id))).toBe('translate(1 2)');
    expect(JSON.stringify(still.lines)).not.toBe(dragged);
    const before = JSON.stringify(still.lines);
    // Where the corner lay is where it is painted again.
    const again = desk(room.id);
    again.drag({ kind: 'move-corner', spaceId: room.id, cornerId: corner.id, to: corner.at });
    expect(JSON.stringify(again.still.lines)).toBe(before);
  });
  it('a sill is seen in the elevation as it goes, its handle with it', () => {
    const opening = at(
      at(DEMOS, 1).openings.filter((one) => mmOf(one.sill) > 300),
      0,
    );
    const { drag, place, putAt, pose, expected, chosen } = desk(opening.id);
    const change = (mm: number): Change => ({ kind: 'move-size', sizeId: opening.sill.id, mm });
    const low = drag(change(mmOf(opening.sill) - 200));
    expect(place('opening-sill')).toBe(expected(low, 'opening-sill'));
    const first = JSON.stringify(chosen.lines);
    const high = drag(change(mmOf(opening.sill) + 150));
    expect(place('opening-sill')).toBe(expected(high, 'opening-sill'));
    expect(place('opening-head')).toBe(expected(high, 'opening-head'));
    // Told by hand: so many millimetres above the floor line, and the head a window's height above the sill.
    const sill = mmOf(opening.sill) + 150;
    expect(putAt('opening-sill')[1]).toBeCloseTo(pose.floorY - pose.scale * sill, 6);
    expect(putAt('opening-head')[1]).toBeCloseTo(pose.floorY - pose.scale * (sill + mmOf(opening.height)), 6);
    expect(JSON.stringify(chosen.lines)).not.toBe(first);
  });
  it('an opening goes along its wall, in plan and elevation', () => {
    const opening = at(at(DEMOS, 1).openings, 0);
    const { drag, place, putAt, pose, expected } = desk(opening.id);
    drag({ kind: 'move-opening', openingId: opening.id, along: 0, up: 0 });
    const was = putAt('opening');
    const moved = drag({ kind: 'move-opening', openingId: opening.id, along: 120, up: 0 });
    for (const name of ['opening', 'opening-sill', 'opening-head'])
      expect(place(name), name).toBe(expected(moved, name));
    const [dx, dy] = [putAt('opening')[0] - was[0], putAt('opening')[1] - was[1]];
    expect(Math.hypot(dx, dy)).toBeCloseTo(120 * pose.scale, 6);
  });
  it('a piece made higher takes its top along; carried about, nothing that lies still is painted', () => {
    const piece = at(at(DEMOS, 1).pieces, 0);
    const { drag, place, putAt, pose, expected, still, motion } = desk(piece.id);
    const high = drag({ kind: 'move-size', sizeId: piece.height.id, mm: mmOf(piece.height) + 300 });
    expect(place('piece-height')).toBe(expected(high, 'piece-height'));
    const top = mmOf(piece.lift) + mmOf(piece.height) + 300;
    expect(putAt('piece-height')[1]).toBeCloseTo(pose.floorY - pose.scale * top, 6);
    motion.end();
    const carried = desk(piece.id);
    const moved = carried.drag({ kind: 'move-pieces', pieceIds: [piece.id], by: { x: 200, y: -100 } });
    expect(carried.place('piece')).toBe(carried.expected(moved, 'piece'));
    expect(carried.still.clears).toBe(0);
    expect(still.clears).toBeGreaterThan(0);
    carried.motion.end();
    expect(carried.still.clears).toBe(0);
  });
  it('words hear of it eight times a second, and that it is over', () => {
    const piece = at(at(DEMOS, 1).pieces, 0);
    const { drag, motion } = desk(piece.id);
    const heard: (Project | null)[] = [];
    motion.hearWords((moved) => heard.push(moved));
    for (let i = 1; i <= 10; i += 1) {
      drag({ kind: 'move-pieces', pieceIds: [piece.id], by: { x: i * 10, y: 0 } });
      vi.advanceTimersByTime(16);
    }
    expect(heard.length).toBeLessThanOrEqual(3);
    motion.end();
    expect(heard.at(-1)).toBeNull();
  });
});
