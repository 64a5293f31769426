import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { sceneOf, sheetOf, planRows } from '@/core/pipeline';
import { changeView, type Project } from '@/core/record';
import { projectPoint, standOf, type SetUp } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { LOOKS } from '@/interface/theme/looks';
import { setOutPlaces } from '../stages/set-out/places';
import { standPlaces, standTransforms } from '../stages/stand/places';
import { allOn } from './handle-places';
import { linkedLayout, bandsLayout } from './layout';
import { BoardMotion, type MotionGiven, type Moved } from './motion';
import type { Painters } from './paint';
import { fitBoardPose, fitPose, pictureScreen, planScreen, sideScreen } from './pose';
import { KeptRows, planAffine, sideAffine, sideRows } from './rows';

/** A canvas that writes down the lines it is given. */
function recorder() {
  const log = { lines: [] as number[][], pictures: 0, clears: 0 };
  let pen: number[] = [0, 0];
  const nothing = (): void => undefined;
  const context = new Proxy(
    {
      moveTo: (x: number, y: number) => void (pen = [x, y]),
      lineTo: (x: number, y: number) => void log.lines.push([...pen, x, y]),
      drawImage: () => void (log.pictures += 1),
      clearRect: () => void (log.clears += 1),
    } as Record<string, unknown>,
    { get: (own, name: string) => own[name] ?? nothing, set: () => true },
  );
  return { log, context };
}
const offscreen: ReturnType<typeof recorder>[] = [];
class FakeOffscreen {
  private readonly own = recorder();
  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    offscreen.push(this.own);
  }
  getContext() {
    return this.own.context;
  }
}
/** A handle of the SVG: its name, and where it has been put. */
function fakeHandle(name: string) {
  const attributes = new Map<string, string>([
    ['data-handle', name],
    ['transform', 'translate(1 2)'],
  ]);
  return {
    getAttribute: (key: string) => attributes.get(key) ?? null,
    setAttribute: (key: string, value: string) => void attributes.set(key, value),
  };
}

const PAINTERS: Painters = {
  ...{ beneath: [], onSheet: [], over: [], inSide: [] },
  strength: { seen: 1, hidden: 0.55 },
};

function desk(id: string, onBoard = false) {
  const project = DEMOS.find((one) => one.id === id) ?? at(DEMOS, 0);
  const view = at(project.views, 0);
  const scene = sceneOf(project);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  const chosen = at(project.plans, 0).pieceId;
  const layout = onBoard ? bandsLayout(1048, 708) : linkedLayout(1048, 708);
  const pose = onBoard ? fitBoardPose(layout, view) : fitPose(layout, view, stand.value.setUp, scene.bodies);
  const drawing = sheetOf(project, view, scene, stand.value, lines, chosen);
  const { log, context } = recorder();
  const handles = ['station', 'plane', 'turn', 'turn-line', 'eye', 'vp-right', 'sheet'].map((name) => ({
    name,
    element: fakeHandle(name),
  }));
  const perspective = { scene, stand: stand.value, lines, quick: false, drawing };
  const given: MotionGiven = {
    ...{ project, view, perspective, layout, pose, chosen, laid: undefined, service: null },
    arrangement: onBoard
      ? { lies: 'the-board', places: (placing) => allOn(setOutPlaces(placing)) }
      : { lies: 'the-centre-of-vision', places: standTransforms },
    painting: { ...{ layout, look: LOOKS.day, scene, chosen }, painters: PAINTERS, rows: new KeptRows() },
    canvas: { getContext: () => context } as unknown as HTMLCanvasElement,
    surface: { querySelectorAll: () => handles.map((one) => one.element) } as unknown as SVGSVGElement,
  };
  const place = (name: string): string | null =>
    handles.find((one) => one.name === name)?.element.getAttribute('transform') ?? null;
  return { project, view, given, log, place, setUp: stand.value.setUp, scene, pose, layout };
}
const aside = (project: Project, viewId: string, mm: number): Project => {
  const view = project.views.find((one) => one.id === viewId) ?? at(project.views, 0);
  return changeView(project, viewId, { station: { x: view.station.x + mm, y: view.station.y } });
};

beforeEach(() => {
  offscreen.length = 0;
  vi.useFakeTimers();
  vi.stubGlobal('window', { devicePixelRatio: 1 });
  vi.stubGlobal('OffscreenCanvas', FakeOffscreen);
});
afterEach(() => {
  // Words that wait are told all together: none is left over for the next test.
  vi.runOnlyPendingTimers();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('plan and side view as rows', () => {
  it.each(DEMOS.map((demo) => demo.id))('fall where the board puts their points, %s', (id) => {
    const { scene, setUp, pose } = desk(id);
    const [plan, side] = [planAffine(pose, setUp), sideAffine(pose, setUp)];
    const eyeOf = (x: number, y: number) => ({
      lateral: (x - setUp.station.x) * setUp.right.x + (y - setUp.station.y) * setUp.right.y,
      depth: (x - setUp.station.x) * setUp.forward.x + (y - setUp.station.y) * setUp.forward.y,
    });
    const { walls, pieces, chosen } = planRows(scene, null);
    expect(chosen).toHaveLength(0);
    for (const rows of [walls, pieces])
      for (let i = 0; i + 1 < Math.min(rows.length, 400); i += 2) {
        const [x, y] = [at(rows, i), at(rows, i + 1)];
        const { lateral, depth } = eyeOf(x, y);
        const truly = planScreen(pose, setUp, lateral, depth);
        expect(plan.a * x + plan.c * y + plan.e).toBeCloseTo(truly.x, 6);
        expect(plan.b * x + plan.d * y + plan.f).toBeCloseTo(truly.y, 6);
      }
    const { others } = sideRows(scene, null, setUp);
    const body = at(
      scene.bodies.filter((one) => one.kind !== 'surface'),
      0,
    );
    const { x, y, z } = at(body.vertices, at(body.edges, 0).from).at;
    const truly = sideScreen(pose, setUp, eyeOf(x, y).depth, z - setUp.eyeZ);
    expect(side.a * at(others, 0) + side.e).toBeCloseTo(truly.x, 6);
    expect(side.d * at(others, 1) + side.f).toBeCloseTo(truly.y, 6);
  });
  it('are kept for the scene, the choice and the direction they were made for', () => {
    const { scene, setUp } = desk('tea-room');
    const rows = new KeptRows();
    const other: SetUp = { ...setUp, forward: { x: 0.6, y: 0.8 } };
    expect(rows.planOf(scene, null)).toBe(rows.planOf(scene, null));
    expect(rows.planOf(scene, 'counter')).not.toBe(rows.planOf(scene, null));
    expect(rows.sideOf(scene, null, setUp)).toBe(rows.sideOf(scene, null, { ...setUp }));
    expect(rows.sideOf(scene, null, other)).not.toBe(rows.sideOf(scene, null, setUp));
  });
});

describe('a drag at the pace of the frames', () => {
  it('paints what was seen from where the eye is now, and moves the handles with it', () => {
    const { project, view, given, log, place, scene } = desk('weaving-loft');
    const motion = new BoardMotion();
    motion.lies(given);
    motion.keepsStill(true);
    const moved = aside(project, view.id, 300);
    motion.frame(moved);
    expect(motion.active).toBe(true);
    expect(log.clears).toBe(1);
    const pose = motion.restingPose();
    const now = at(moved.views, 0);
    const stand = standOf(moved, now);
    if (!stand.ok || !pose) throw new Error('it stands');
    // A seen edge's end, from the new place.
    const { lines } = given.perspective;
    const row = lines.seen.findIndex((one, i) => one === 1 && at(lines.along, i * 2) === 0);
    const edge = at(scene.prepared.edges, at(lines.edge, row));
    const point = projectPoint(stand.value.setUp, edge.from);
    const screen = point && pictureScreen(pose, point);
    if (!screen) throw new Error('in front of the eye');
    expect(log.lines.some(([x = 0, y = 0]) => Math.hypot(x - screen.x, y - screen.y) < 1e-6)).toBe(true);
    const places = standPlaces({ project: moved, view: now, setUp: stand.value.setUp, pose, layout: given.layout });
    expect(place('station')).toBe(`translate(${places.station.x} ${places.station.y})`);
    expect(place('eye')).toBe(`translate(${places.eye.x} ${places.eye.y})`);
    // The dotted line ends at the turn's handle, wherever that is.
    const [, px, py, deg, length] =
      /translate\((\S+) (\S+)\) rotate\((\S+)\) scale\((\S+) 1\)/.exec(place('turn-line') ?? '') ?? [];
    const radians = (Number(deg) * Math.PI) / 180;
    expect(Number(px) + Number(length) * Math.cos(radians)).toBeCloseTo(places.turn.x, 6);
    expect(Number(py) + Number(length) * Math.sin(radians)).toBeCloseTo(places.turn.y, 6);
  });
  it('lays the plan under a moving eye down as a picture, painted once', () => {
    const { project, view, given, log } = desk('weaving-loft');
    const motion = new BoardMotion();
    motion.lies(given);
    motion.keepsStill(true);
    for (const mm of [10, 20, 30, 40]) motion.frame(aside(project, view.id, mm));
    expect(log.pictures).toBe(8);
    expect(offscreen).toHaveLength(2);
    expect(offscreen.map((one) => one.log.clears)).toEqual([1, 1]);
  });
  it('calls for the words eight times a second, and once more when it is over', () => {
    const { project, view, given } = desk('tea-room');
    const motion = new BoardMotion();
    const heard: (Moved | null)[] = [];
    motion.lies(given);
    motion.hearWords((now) => void heard.push(now));
    for (let i = 1; i <= 60; i += 1) {
      motion.frame(aside(project, view.id, i));
      vi.advanceTimersByTime(1000 / 60);
    }
    expect(heard.length).toBeGreaterThanOrEqual(6);
    expect(heard.length).toBeLessThanOrEqual(8);
    // The last of a row of moves is told too: what stands still is told as it stands.
    vi.advanceTimersByTime(200);
    expect(heard.at(-1)?.view.station.x).toBe(view.station.x + 60);
    expect(heard.at(-1)?.setOut.groups.length).toBe(given.perspective.stand.setOut.groups.length);
    motion.end();
    expect(heard.at(-1)).toBeNull();
  });
  it('shows what is truly seen when the pointer rests, and nothing more once it is over', () => {
    const { project, view, given, log } = desk('tea-room');
    const motion = new BoardMotion();
    motion.lies(given);
    motion.frame(aside(project, view.id, 200));
    const painted = log.clears;
    vi.advanceTimersByTime(400);
    expect(log.clears).toBe(painted + 1);
    motion.frame(aside(project, view.id, 210));
    motion.end();
    vi.advanceTimersByTime(400);
    expect(log.clears).toBe(painted + 2);
  });
  it('while it goes on without a rest what is truly seen is made in what the frames leave over, and carried along from then on', () => {
    const idle: ((left: { timeRemaining: () => number }) => void)[] = [];
    vi.stubGlobal('requestIdleCallback', (call: (typeof idle)[number]) => idle.push(call));
    const { project, view, given, log } = desk('tea-room');
    const motion = new BoardMotion();
    motion.lies(given);
    // From far aside, so that what is seen differs; three seconds of moves without a rest.
    const drawn = (): number => {
      log.lines.length = 0;
      motion.frame(aside(project, view.id, 600));
      return log.lines.length;
    };
    const carried = drawn();
    const go = (ms: number): void => {
      for (let passed = 0; passed < ms; passed += 100) {
        motion.frame(aside(project, view.id, 600));
        vi.advanceTimersByTime(100);
      }
    };
    go(1000);
    expect(idle).toHaveLength(0);
    go(2000);
    expect(idle).toHaveLength(1);
    expect(drawn()).toBe(carried);
    // Frames that leave a little: a few steps in each. One that leaves nothing: none.
    idle.shift()?.({ timeRemaining: () => 0 });
    let slices = 1;
    for (; idle.length > 0; slices += 1) {
      let left = 6;
      idle.shift()?.({ timeRemaining: () => (left -= 1) });
    }
    expect(slices).toBeGreaterThan(5);
    const truly = drawn();
    expect(truly).not.toBe(carried);
    motion.frame(aside(project, view.id, 600));
    vi.advanceTimersByTime(400);
    expect(drawn()).toBe(truly);
    go(3000);
    motion.end();
    idle.shift()?.({ timeRemaining: () => 50 });
    expect(idle).toHaveLength(0);
  });
  it('in a large room asks for the exact picture at rest, and paints it though nothing moves any more', () => {
    const { project, view, given, log } = desk('tea-room');
    const asked: ((lines: typeof given.perspective.lines) => void)[] = [];
    const service = {
      request: (job: { done: (typeof asked)[number] }) => void asked.push(job.done),
      cancel: () => undefined,
    };
    const scene = { ...given.perspective.scene, edgeCount: 1e6, prepared: given.perspective.scene.prepared };
    const motion = new BoardMotion();
    motion.lies({ ...given, service: service as never, perspective: { ...given.perspective, scene } });
    motion.frame(aside(project, view.id, 200));
    vi.advanceTimersByTime(400);
    expect(asked).toHaveLength(1);
    const painted = log.clears;
    asked[0]?.(given.perspective.lines);
    expect(log.clears).toBe(painted + 1);
    motion.end();
    asked[0]?.(given.perspective.lines);
    expect(log.clears).toBe(painted + 1);
  });
  it('leaves every handle where it was found when it is given up', () => {
    const { project, view, given, place } = desk('weaving-loft', true);
    const motion = new BoardMotion();
    motion.lies(given);
    const turned = changeView(project, view.id, { sheetOnBoard: { x: view.sheetOnBoard.x + 20, y: 200 } });
    motion.frame(turned);
    const stand = standOf(turned, at(turned.views, 0));
    if (!stand.ok) throw new Error('it stands');
    expect(place('sheet')).not.toBe('translate(1 2)');
    expect(Object.keys(setOutPlaces({ ...given, view, setOut: stand.value.setOut }))).toContain('vp-right');
    motion.end();
    expect(place('sheet')).toBe('translate(1 2)');
    expect(motion.active).toBe(false);
    // A board that lies differently is not taken on in the middle of a drag.
    motion.frame(turned);
    motion.lies({ ...given, canvas: null });
    expect(motion.active).toBe(true);
  });
});
