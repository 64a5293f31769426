import { standOf } from '@/core/view';
import { constructionOf, sceneOf, sheetOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { strokePoints } from '@/core/drawing';
import { drain, visibleLinesExact } from '@/core/visibility';
import { LOOKS } from '@/interface/theme/looks';
import { drawPainters } from '../stages/draw/painters';
import { standPainters } from '../stages/stand/painters';
import { pictureLayout, linkedLayout } from './layout';
import { KeptRows } from './rows';
import { paintBoard, type BoardPainting } from './paint';
import { fitPose } from './pose';

/** A canvas that writes down what is drawn on it. */
function recorder() {
  const log = {
    lines: [] as number[][],
    strokes: 0,
    words: [] as string[],
    clips: 0,
    saved: 0,
    colours: new Set<string>(),
    dashes: 0,
  };
  let pen: number[] = [0, 0];
  const state = { strokeStyle: '', fillStyle: '', lineWidth: 1, globalAlpha: 1 };
  const context = {
    ...state,
    save: () => void (log.saved += 1),
    restore: () => void (log.saved -= 1),
    beginPath: () => undefined,
    rect: () => undefined,
    clip: () => void (log.clips += 1),
    arc: () => undefined,
    moveTo: (x: number, y: number) => void (pen = [x, y]),
    lineTo: (x: number, y: number) => void log.lines.push([...pen, x, y]),
    stroke: () => void (log.strokes += 1),
    strokeRect: () => undefined,
    fillRect: () => undefined,
    clearRect: () => undefined,
    setTransform: () => undefined,
    setLineDash: (dash: readonly number[]) => void (log.dashes += dash.length > 0 ? 1 : 0),
    fillText: (text: string) => void log.words.push(text),
    strokeText: () => undefined,
  };
  return { log, context: context as unknown as CanvasRenderingContext2D };
}

function painting(id: string, stage: 'stand' | 'draw', change: Partial<BoardPainting> = {}, step = 6): BoardPainting {
  const project = DEMOS.find((one) => one.id === id) ?? at(DEMOS, 0);
  const view = at(project.views, 0);
  const scene = sceneOf(project);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  const pieceId = at(project.plans, 0).pieceId;
  const construction = constructionOf(project, view, pieceId, scene, stand.value, lines);
  if (!construction.ok) throw new Error(construction.error.message);
  const layout = stage === 'stand' ? linkedLayout(1048, 708) : pictureLayout(1048, 668);
  const shown = stage === 'draw' ? { ...construction.value, steps: 6 } : undefined;
  return {
    layout,
    pose: fitPose(layout, view, stand.value.setUp, scene.bodies),
    look: LOOKS.day,
    view,
    setUp: stand.value.setUp,
    scene,
    drawing: sheetOf(project, view, scene, stand.value, lines, pieceId, shown),
    chosen: pieceId,
    setOut: stand.value.setOut,
    painters:
      stage === 'draw'
        ? drawPainters({ construction: construction.value, plan: construction.value.plan, step })
        : standPainters(project.units),
    dragging: false,
    rows: new KeptRows(),
    ...change,
  };
}

function painted(given: BoardPainting) {
  const { log, context } = recorder();
  paintBoard(context, given, 2);
  return log;
}

describe.each(DEMOS.map((demo) => demo.id))('painting %s', (id) => {
  it('draws plan, side view, strips and picture, all figures finite, everything within its place', () => {
    const log = painted(painting(id, 'stand'));
    expect(log.lines.length).toBeGreaterThan(300);
    expect(log.lines.flat().every(Number.isFinite)).toBe(true);
    expect(log.clips).toBe(3);
    expect(log.saved).toBe(0);
    expect(log.words).toEqual([]);
    // A few hundred strokes of canvas, not one for each line: that is what keeps a drag smooth.
    expect(log.strokes).toBeLessThan(log.lines.length / 2);
  });

  it('leaves hidden lines out while something is dragged, and only those', () => {
    const still = painting(id, 'stand');
    // A curve is one move and a chain of lines, its first at its start.
    const hidden = (still.drawing.layers.find((layer) => layer.id === 'hidden')?.strokes ?? []).reduce(
      (sum, one) => sum + (one.curve ? strokePoints(one, 0.15 / still.pose.pictureScale).length : 1),
      0,
    );
    expect(hidden).toBeGreaterThan(5);
    expect(painted(still).lines.length - painted({ ...still, dragging: true }).lines.length).toBe(hidden);
  });

  it('names the marks made so far in Draw, once each', () => {
    const given = painting(id, 'draw');
    const { words, clips } = painted(given);
    expect(clips).toBe(1);
    expect(words).toContain('T');
    expect(words).toContain('CV');
    expect(words).not.toContain('H');
    expect(words.filter((word, index) => words.indexOf(word) !== index)).toEqual([]);
    const further = painting(id, 'draw', {}, 8);
    expect(painted(further).lines.length).not.toBe(painted(given).lines.length);
  });

  it('the chosen piece changes nothing but the pens', () => {
    const given = painting(id, 'stand');
    const count = (log: { lines: number[][] }): number => log.lines.length;
    expect(count(painted({ ...given, chosen: null }))).toBe(count(painted(given)));
  });
});
