import { sceneOf, sheetOf } from '@/core/pipeline';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { gridLayer } from '@/core/drawing';
import { changeView, type Project, type View } from '@/core/record';
import { picturePoint } from '@/core/space';
import { drain, visibleLinesExact } from '@/core/visibility';
import { LOOKS } from '@/interface/theme';
import { eyeFromWorld, standAt, standOf } from '@/core/view';
import { boxView, runs, homeMark } from '@/testing';
import { contains, linkedLayout, bandsLayout, WHOLE, fitPose, standsInPlan } from '@/interface/board';
import { setOutPainters } from './painters';
import { movedFrame } from './SetOutHandles';
import { KeptRows } from '@/interface/board/rows';
import { paintBoard } from '@/interface/board/paint';
import {
  fitBoardPose,
  fitPlanPose,
  fitSheetPose,
  fitSidePose,
  onStillBoard,
  pictureScreen,
  planScreen,
  sheetScreen,
  sideScreen,
  truePose,
  wholeInBands,
} from '@/interface/board/pose';

const layout = bandsLayout(1048, 708);
const xy = ({ x, y }: { readonly x: number; readonly y: number }) => [x, y] as const;
const corners = (view: View, pose: ReturnType<typeof fitBoardPose>) => ({
  board: [
    sheetScreen(pose, view, -view.sheetOnBoard.x, -view.sheetOnBoard.y),
    sheetScreen(pose, view, view.board.width - view.sheetOnBoard.x, view.board.height - view.sheetOnBoard.y),
  ] as const,
  sheet: [sheetScreen(pose, view, 0, 0), sheetScreen(pose, view, view.sheet.width, view.sheet.height)] as const,
});

describe('the board on the screen', () => {
  it('leaves most of the paper to the board; bands and strips share the rest without a gap', () => {
    for (const [width, height] of [
      [1048, 708],
      [1024, 588],
      [760, 500],
    ] as const) {
      const { plan, side, picture, uStrip, vStrip } = bandsLayout(width, height);
      expect(plan.height + uStrip.height + picture.height).toBe(height);
      expect(side.width + vStrip.width + picture.width).toBe(width);
      expect(picture.width * picture.height).toBeGreaterThan(0.7 * width * height);
      expect(picture.height).toBeGreaterThan(linkedLayout(width, height).picture.height);
    }
  });
  it('fitted, the whole board is in sight, as large as it can be, and drops run straight (demonstration rooms)', () => {
    for (const demo of DEMOS)
      for (const view of demo.views) {
        const pose = fitBoardPose(layout, view);
        const { picture } = layout;
        const [low, high] = corners(view, pose).board;
        expect(low.x).toBeGreaterThanOrEqual(picture.x);
        expect(high.x).toBeLessThanOrEqual(picture.x + picture.width);
        expect(high.y).toBeGreaterThanOrEqual(picture.y);
        expect(low.y).toBeLessThanOrEqual(picture.y + picture.height);
        const spare = Math.min(picture.width - (high.x - low.x), picture.height - (low.y - high.y));
        expect(spare).toBeLessThan(60);
        expect(pose.planScale).toBe(pose.pictureScale);
        expect(pose.sideScale).toBe(pose.pictureScale);
      }
  });
  it('fitted, the whole plan and the whole side view are seen in their bands (demonstration rooms)', () => {
    for (const [width, height] of [
      [1048, 708],
      [1024, 588],
    ] as const)
      for (const demo of DEMOS)
        for (const view of demo.views) {
          const bands = bandsLayout(width, height);
          const stand = standOf(demo, view);
          if (!stand.ok) throw new Error(stand.error.message);
          const { setUp } = stand.value;
          const { bodies } = sceneOf(demo);
          const pose = wholeInBands(fitBoardPose(bands, view), bands, setUp, bodies);
          expect(pose.pictureScale).toBe(fitBoardPose(bands, view).pictureScale);
          for (const { at: corner } of bodies.flatMap((body) => body.vertices)) {
            const { lateral, depth, rise } = eyeFromWorld(setUp, corner);
            expect(contains(bands.plan, ...xy(planScreen(pose, setUp, lateral, depth)))).toBe(true);
            expect(contains(bands.side, ...xy(sideScreen(pose, setUp, depth, rise)))).toBe(true);
          }
          expect(contains(bands.plan, ...xy(planScreen(pose, setUp, 0, 0)))).toBe(true);
        }
  });
  it('the station point is in the plan as the board is fitted, and known to have left it (demonstration rooms)', () => {
    const layout = linkedLayout(1048, 708);
    for (const demo of DEMOS)
      for (const view of demo.views) {
        const stand = standOf(demo, view);
        if (!stand.ok) throw new Error(stand.error.message);
        const { setUp } = stand.value;
        const pose = fitPose(layout, view, setUp, sceneOf(demo).bodies);
        expect(standsInPlan(layout, pose, setUp)).toBe(true);
        const farther = { ...setUp, pictureDistance: setUp.pictureDistance * 3 };
        expect(standsInPlan(layout, pose, farther)).toBe(false);
      }
  });
  it('a view over the whole paper is fitted to it: all of it is seen, and it touches two sides (demonstration rooms)', () => {
    for (const demo of DEMOS)
      for (const view of demo.views) {
        const stand = standOf(demo, view);
        if (!stand.ok) throw new Error(stand.error.message);
        const { setUp } = stand.value;
        const { bodies } = sceneOf(demo);
        const eyes = bodies.flatMap((body) => body.vertices.map((one) => eyeFromWorld(setUp, one.at)));
        // Wide or high enough for one direction to fill the paper, then for the other.
        for (const [width, height] of [
          [1048, 708],
          [420, 708],
          [1048, 300],
        ] as const) {
          const [plan, side] = [WHOLE.plan(width, height), WHOLE.side(width, height)];
          const inPlan = fitPlanPose(plan, view, setUp, bodies);
          const inSide = fitSidePose(side, view, setUp, bodies);
          const shown = [
            [
              plan.plan,
              [...eyes.map((p) => planScreen(inPlan, setUp, p.lateral, p.depth)), planScreen(inPlan, setUp, 0, 0)],
            ],
            [
              side.side,
              [...eyes.map((p) => sideScreen(inSide, setUp, p.depth, p.rise)), sideScreen(inSide, setUp, 0, 0)],
            ],
          ] as const;
          for (const [rect, points] of shown) {
            const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
            const spare = [
              Math.min(...xs) - rect.x,
              rect.x + rect.width - Math.max(...xs),
              Math.min(...ys) - rect.y,
              rect.y + rect.height - Math.max(...ys),
            ];
            for (const one of spare) expect(one).toBeGreaterThan(20);
            expect(spare.filter((one) => one < 27).length).toBeGreaterThanOrEqual(2);
          }
        }
      }
  });
  it('the sheet alone, fitted or at true size, lies in the middle of its place', () => {
    for (const demo of DEMOS) {
      const view = at(demo.views, 0);
      for (const pose of [fitSheetPose(layout, view), truePose(layout, view, 4)]) {
        const [low, high] = corners(view, pose).sheet;
        expect((low.x + high.x) / 2).toBeCloseTo(layout.picture.x + layout.picture.width / 2, 9);
        expect((low.y + high.y) / 2).toBeCloseTo(layout.picture.y + layout.picture.height / 2, 9);
      }
      const [low, high] = corners(view, truePose(layout, view, 4)).sheet;
      expect(high.x - low.x).toBeCloseTo(view.sheet.width * 4, 9);
    }
  });
  it('stays where it is while sheet and centre of vision move on it (seed 21)', () => {
    fc.assert(
      fc.property(
        fc.nat(300),
        fc.nat(200),
        fc.integer({ min: -80, max: 80 }),
        fc.integer({ min: -50, max: 50 }),
        (x, y, cx, cy) => {
          const before = boxView();
          const now = {
            ...before,
            sheetOnBoard: { x, y },
            centreOfVisionOnSheet: { x: before.centreOfVisionOnSheet.x + cx, y: before.centreOfVisionOnSheet.y + cy },
          };
          const pose = fitBoardPose(layout, before);
          const moved = onStillBoard(pose, before, now);
          const [a, b] = [corners(before, pose).board, corners(now, moved).board];
          expect(b[0].x).toBeCloseTo(a[0].x, 9);
          expect(b[0].y).toBeCloseTo(a[0].y, 9);
          // The centre of vision is where the sheet carries it.
          const centre = pictureScreen(moved, picturePoint(0, 0));
          const carried = sheetScreen(moved, now, now.centreOfVisionOnSheet.x, now.centreOfVisionOnSheet.y);
          expect(centre.x).toBeCloseTo(carried.x, 9);
          expect(centre.y).toBeCloseTo(carried.y, 9);
        },
      ),
      { numRuns: runs(), seed: 21 },
    );
  });
});

describe('the frame by its sides', () => {
  it('each side moves alone, and none past the opposite one', () => {
    const view = boxView({ frame: { left: -100, right: 100, bottom: -60, top: 40 } });
    expect(movedFrame(view, 'left', -15).frame).toEqual({ left: -115, right: 100, bottom: -60, top: 40 });
    expect(movedFrame(view, 'top', 12).frame).toEqual({ left: -100, right: 100, bottom: -60, top: 52 });
    for (const [side, by] of [
      ['left', 500],
      ['right', -500],
      ['bottom', 500],
      ['top', -500],
    ] as const) {
      const { frame } = movedFrame(view, side, by);
      if (!frame) throw new Error('a frame');
      expect(frame.right - frame.left).toBeGreaterThanOrEqual(20);
      expect(frame.top - frame.bottom).toBeGreaterThanOrEqual(20);
    }
  });
});

describe('what the canvas shows in Set out', () => {
  /** A canvas that only remembers: rectangles filled and lines drawn, with their colours. */
  function recorder() {
    const log = { fills: [] as string[], strokes: [] as { colour: string; points: number[] }[], words: [] as string[] };
    let points: number[] = [];
    const context = {
      canvas: { width: 1048, height: 708 },
      fillStyle: '',
      strokeStyle: '',
      lineWidth: 1,
      font: '',
      globalAlpha: 1,
      textAlign: '',
      lineJoin: '',
      lineCap: '',
      setTransform: () => undefined,
      clearRect: () => undefined,
      save: () => undefined,
      restore: () => undefined,
      translate: () => undefined,
      rotate: () => undefined,
      clip: () => undefined,
      rect: () => undefined,
      arc: () => undefined,
      closePath: () => undefined,
      fill: () => undefined,
      strokeRect: () => undefined,
      setLineDash: () => undefined,
      beginPath: () => (points = []),
      moveTo: (x: number, y: number) => points.push(x, y),
      lineTo: (x: number, y: number) => points.push(x, y),
      stroke: () => log.strokes.push({ colour: String(context.strokeStyle), points }),
      fillRect: () => log.fills.push(String(context.fillStyle)),
      fillText: (text: string) => log.words.push(text),
      strokeText: () => undefined,
    };
    return { log, context: context as unknown as CanvasRenderingContext2D };
  }
  function painted(project: Project, scale: 'board' | 'sheet' = 'board') {
    const view = at(project.views, 0);
    const scene = sceneOf(project);
    const stand = standOf(project, view);
    if (!stand.ok) throw new Error(stand.error.message);
    const { setUp, setOut } = stand.value;
    const lines = drain(visibleLinesExact(scene.prepared, setUp, view.frame));
    const { log, context } = recorder();
    paintBoard(
      context,
      {
        layout,
        pose: scale === 'board' ? fitBoardPose(layout, view) : fitSheetPose(layout, view),
        look: LOOKS.day,
        view,
        setUp,
        scene,
        drawing: sheetOf(project, view, scene, stand.value, lines, null),
        chosen: null,
        setOut,
        painters: setOutPainters(view.grid ? gridLayer(project, view, setUp, scene.bodies) : null),
        dragging: false,
        rows: new KeptRows(),
      },
      1,
    );
    return log;
  }
  const loft = at(DEMOS, 0);
  const helped = (change: Partial<Omit<View, 'id'>>) => changeView(loft, at(loft.views, 0).id, change);
  const measuring = (log: ReturnType<typeof painted>): number =>
    log.strokes
      .filter((one) => one.colour === LOOKS.day.families.measuring)
      .reduce((sum, one) => sum + one.points.length, 0);
  it('lays the sheet on the board, in their own colours', () => {
    const { fills } = painted(loft);
    expect(fills).toContain(LOOKS.day.strip);
    expect(fills).toContain(LOOKS.day.sheet);
    expect(fills.indexOf(LOOKS.day.strip)).toBeLessThan(fills.lastIndexOf(LOOKS.day.sheet));
  });
  it('draws a ladder of ticks, a fractional point, and the grid with its numbers once they can be read', () => {
    const bare = measuring(painted(loft));
    // Turned 15°, the left vanishing point is off the sheet: its ladder stands on two of the sheet's edges.
    const turned = standAt(loft, at(loft.views, 0), { turnDeg: 15 });
    const ticks = { aids: [{ by: 'ticks' as const, mark: homeMark('vp-left', at(loft.spaces, 0).id), stepMm: 5 }] };
    expect(measuring(painted(helped(turned)))).toBe(bare);
    expect(measuring(painted(helped({ ...turned, ...ticks })))).toBeGreaterThan(bare + 400);
    const half = { aids: [{ by: 'fraction' as const, mark: homeMark('mp-left', at(loft.spaces, 0).id), n: 2 }] };
    expect(measuring(painted(helped({ ...turned, ...half })))).toBe(bare + 8);
    const grid = { unit: { mm: 500, asTyped: '500' }, floor: true, walls: true, ceiling: true, from: null, on: null };
    const numbers = (log: ReturnType<typeof painted>) => log.words.filter((word) => /^\d+$/.test(word)).length;
    expect(numbers(painted(helped({ grid })))).toBe(0);
    expect(numbers(painted(helped({ grid }), 'sheet'))).toBeGreaterThan(20);
  });
});
