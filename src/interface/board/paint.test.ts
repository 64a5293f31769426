import { standOf } from '@/core/view';
import { planningView, sceneOf, sheetOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { strokePoints, type LaidStroke, type PlanChange } from '@/core/drawing';
import { drain, visibleLinesExact } from '@/core/visibility';
import { LOOKS } from '@/interface/theme/looks';
import { laidPlan } from '../stages/draw/laid-plan';
import { drawPainters } from '../stages/draw/painters';
import { standPainters } from '../stages/stand/painters';
import { pictureLayout, linkedLayout } from './layout';
import { KeptRows } from './rows';
import { paintBoard, type BoardPainting, type Painters } from './paint';
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
    ellipses: 0,
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
    arc: () => void (log.ellipses += 1),
    ellipse: () => void (log.ellipses += 1),
    fill: () => undefined,
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

const planned = new Map(
  DEMOS.map((project) => {
    const plan = drain(planningView(project, at(project.views, 0)));
    if (!plan.ok) throw new Error(plan.error.message);
    return [project.id, plan.value] as const;
  }),
);

function drawnAt(id: string, step: number, errors = false, change: PlanChange | null = null): Painters {
  const view = at((DEMOS.find((one) => one.id === id) ?? at(DEMOS, 0)).views, 0);
  const plan = planned.get(id);
  if (!plan) throw new Error(id);
  const laid = laidPlan(plan, 'by-pass', view);
  const drawn = { laid, planned: plan, order: 'by-pass', step, ticked: [], pointed: null } as const;
  return drawPainters({ drawn, beneath: true, errors, atBoard: { since: { change } } }, undefined);
}

function painting(id: string, stage: 'stand' | 'draw', change: Partial<BoardPainting> = {}, step = 6): BoardPainting {
  const project = DEMOS.find((one) => one.id === id) ?? at(DEMOS, 0);
  const view = at(project.views, 0);
  const scene = sceneOf(project);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  const pieceId = at(project.plans, 0).pieceId;
  const layout = stage === 'stand' ? linkedLayout(1048, 708) : pictureLayout(1048, 668);
  return {
    layout,
    pose: fitPose(layout, view, stand.value.setUp, scene.bodies),
    look: LOOKS.day,
    view,
    setUp: stand.value.setUp,
    scene,
    drawing: sheetOf(project, view, scene, stand.value, lines, pieceId),
    chosen: pieceId,
    setOut: stand.value.setOut,
    painters: stage === 'draw' ? drawnAt(id, step) : standPainters(project.units),
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

  it('names in Draw the marks that the step is about, once each; what was drawn before stays, what comes after is not there', () => {
    const plan = planned.get(id)?.plans['by-pass'];
    const counts = [3, 8, plan?.steps.length ?? 0].map((step) => {
      const log = painted(painting(id, 'draw', {}, step));
      expect(log.clips).toBe(1);
      expect(log.lines.flat().every(Number.isFinite)).toBe(true);
      expect(log.words.filter((word, index) => log.words.indexOf(word) !== index)).toEqual([]);
      const made = (plan?.steps[step - 1]?.operations ?? []).flatMap((one) =>
        'mark' in one ? (plan?.labels.get(one.mark) ?? []) : [],
      );
      // Where it is crowded a name may be left out, never put over another.
      const named = made.filter((word) => log.words.includes(word)).length;
      expect(named).toBeGreaterThanOrEqual(made.length > 40 ? 10 : 0.8 * made.length);
      return log.lines.length;
    });
    expect(counts).toEqual([...counts].sort((a, b) => a - b));
    expect(new Set(counts).size).toBe(counts.length);
  });

  it('what is drawn and wrong by now lies where it was drawn, a cross at a mark; what lies on the plan is left out', () => {
    const stroke = (name: string, is: LaidStroke['is'], ...chains: number[][]): LaidStroke => ({
      id: name,
      is,
      called: '',
      chains,
    });
    const strokes = [stroke('m', 'mark', [100, 100]), stroke('e', 'stays', [50, 50, 60, 70, 80, 70], [90, 70, 95, 70])];
    const change = { wrong: strokes.map((one) => ({ stroke: one, byMm: 1 })), unwanted: [], kept: new Set<string>() };
    const given = painting(id, 'draw');
    const lines = (painters: Painters): number => painted({ ...given, painters }).lines.length;
    expect(lines(drawnAt(id, 6, false, change)) - lines(drawnAt(id, 6))).toBe(2 + 3);
  });

  it('errors are laid over it as ellipses, one for each mark that stands for a place', () => {
    const { paper } = planned.get(id) ?? {};
    const stands = [...(paper?.marks.values() ?? [])].filter((one) => one.stands !== null);
    const log = painted(painting(id, 'draw', { painters: drawnAt(id, 8, true) }));
    expect(log.ellipses).toBe(stands.length);
  });

  it('the chosen piece changes nothing but the pens', () => {
    const given = painting(id, 'stand');
    const count = (log: { lines: number[][] }): number => log.lines.length;
    expect(count(painted({ ...given, chosen: null }))).toBe(count(painted(given)));
  });
});
