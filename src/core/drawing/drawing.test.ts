import { planOnPaper } from '@/core/construction';
import { sceneOf, sheetOf, thumbnailOf, wholePlanOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { standOf } from '@/core/view';
import { drain, edgeOfRow, visibleLinesExact } from '@/core/visibility';
import { boxPiece, boxView, randomBoxScene, runs, smallRoom } from '@/testing';
import {
  clipStroke,
  clipToSheet,
  endsOf,
  FAMILY_PENS,
  layerOf,
  penFor,
  stepStrokes,
  WEIGHT_MM,
  type Drawing,
  type Stroke,
} from './index';

const stroke = (x0: number, y0: number, x1: number, y1: number): Stroke => ({
  x0,
  y0,
  x1,
  y1,
  family: 'right',
  weight: 'faint',
  role: { is: 'construction' },
  of: 'line',
});
const sheet = { left: 0, right: 100, bottom: 0, top: 50 };

function worked(project = smallRoom([boxPiece({ turnDeg: 25 }), boxPiece({ id: 'other', fromWest: 2400 })])) {
  const view = at(project.views, 0);
  const scene = sceneOf(project);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  return { project, view, scene, stand: stand.value, lines };
}

describe('cutting strokes to the sheet', () => {
  it.each<[string, Stroke, readonly number[] | null]>([
    ['inside stays', stroke(10, 10, 20, 20), [10, 10, 20, 20]],
    ['beyond an edge is cut there', stroke(-50, 25, 50, 25), [0, 25, 50, 25]],
    ['across the whole sheet is cut on both sides', stroke(-100, -50, 200, 100), [0, 0, 100, 50]],
    ['outside goes', stroke(110, 10, 200, 20), null],
    ['past a corner goes', stroke(-10, 40, 20, 70), null],
    ['a touch of a corner leaves no mark', stroke(-10, 10, 10, -10), null],
  ])('%s', (_, given, expected) => {
    const whole = clipStroke(given, sheet);
    const [cut] = whole;
    if (expected === null) return expect(whole).toEqual([]);
    expect(whole).toHaveLength(1);
    [cut?.x0, cut?.y0, cut?.x1, cut?.y1].forEach((value, i) => expect(value).toBeCloseTo(expected[i] ?? NaN, 9));
  });

  const circle = (cx: number, cy: number, r: number, from = -Math.PI): Stroke => ({
    ...stroke(0, 0, 0, 0),
    ...endsOf({ x: [cx, r, 0], y: [cy, 0, r], w: [1, 0, 0], from, to: from + 2 * Math.PI }),
  });
  it('a curve inside stays whole, also where it touches an edge; one that leaves comes back where it must', () => {
    for (const inside of [circle(50, 25, 20), circle(10, 25, 10, 0), circle(10, 25, 10), circle(50, 25, 25, 0.3)])
      expect(clipStroke(inside, sheet)).toEqual([inside]);
    expect(clipStroke(circle(-30, 25, 20), sheet)).toEqual([]);
    const [half, ...none] = clipStroke(circle(0, 25, 10), sheet);
    expect(none).toEqual([]);
    expect([half?.curve?.from, half?.curve?.to].map((one) => (one ?? NaN) / Math.PI)).toEqual([
      expect.closeTo(-0.5, 9),
      expect.closeTo(0.5, 9),
    ]);
    // Wider than the sheet is high: it leaves above and below, and what is left are the two sides.
    const sides = clipStroke(circle(50, 25, 40), sheet);
    expect(sides).toHaveLength(3);
    const turned = sides.reduce((sum, one) => sum + (one.curve ? one.curve.to - one.curve.from : 0), 0);
    expect(turned).toBeCloseTo(4 * Math.asin(25 / 40), 9);
  });

  it('an area is cut along the edges: what is left has the size that the edges leave', () => {
    const area = (loop: readonly [number, number][]) => ({
      ...{ of: 'wash', tone: 0.5 },
      loops: [loop.map(([x, y]) => ({ x, y }))],
    });
    const sizeOf = (loop: readonly { readonly x: number; readonly y: number }[]): number =>
      Math.abs(
        loop.reduce((sum, a, i) => {
          const b = loop[(i + 1) % loop.length] ?? a;
          return sum + (a.x * b.y - b.x * a.y) / 2;
        }, 0),
      );
    const drawing: Drawing = {
      ...{ title: 't', width: 100, height: 50 },
      layers: [
        layerOf({ layer: 'room' }, 'A', {
          areas: [
            // A triangle over the left edge, one within the sheet, one beside it.
            area([
              [-20, 10],
              [40, 10],
              [-20, 50],
            ]),
            area([
              [10, 10],
              [20, 10],
              [20, 20],
            ]),
            area([
              [200, 10],
              [220, 10],
              [220, 20],
            ]),
          ],
        }),
      ],
    };
    const { areas } = at(clipToSheet(drawing).layers, 0);
    // The first has its right angle outside: what is left of the edge's 2/3 of its legs is like the whole.
    expect(areas.map((one) => sizeOf(at(one.loops, 0)))).toEqual([expect.closeTo(1200 * (2 / 3) ** 2, 9), 50]);
  });

  it('keeps words that begin on the sheet', () => {
    const word = (x: number) => ({ x, y: 10, text: 'VP', heightMm: 3, anchor: 'start' as const });
    const drawing: Drawing = {
      title: 't',
      width: 100,
      height: 50,
      layers: [layerOf({ layer: 'room' }, 'A', { strokes: [stroke(90, 10, 190, 10)], words: [word(5), word(140)] })],
    };
    const cut = at(clipToSheet(drawing).layers, 0);
    expect(cut.words.map((one) => one.x)).toEqual([5]);
    expect(cut.strokes[0]?.x1).toBe(100);
  });
});

describe('pens', () => {
  it('families are told apart without colour: each its own dash, what stays is full, what is hidden is dotted', () => {
    const { centre, right, vertical, sheet: paper, ...rest } = FAMILY_PENS;
    // Lines to the centre of vision are the one-point case of receding lines; uprights and the sheet's own lines are both full.
    expect(centre).toEqual(right);
    expect(vertical.dashMm).toEqual(paper.dashMm);
    const dashes = [right, vertical, ...Object.values(rest)].map((pen) => pen.dashMm.join(' '));
    expect(new Set(dashes).size).toBe(dashes.length);
    expect(penFor('left', 'firm').dashMm).toEqual([]);
    expect(penFor('left', 'firm')).toEqual(penFor('right', 'firm'));
    expect(penFor('left', 'hidden').dashMm).toEqual(penFor('level', 'hidden').dashMm);
    expect(WEIGHT_MM.firm).toBeGreaterThan(2 * WEIGHT_MM.faint);
    expect(WEIGHT_MM.faint).toBeGreaterThan(WEIGHT_MM.hidden);
  });
});

describe('the sheet', () => {
  it('has room, pieces and hidden lines on layers of their own, the chosen piece’s points marked, others not', () => {
    const { project, view, scene, stand, lines } = worked();
    const ofLayer = (drawing: Drawing, id: string) => drawing.layers.find((layer) => layer.id === id);
    const plain = sheetOf(project, view, scene, stand, lines, null);
    expect(plain.layers.map((layer) => layer.id)).toEqual([
      ...['frame', 'set-out', 'footprints', 'hidden', 'patterns', 'room', 'openings'],
      ...['piece-box', 'piece-other', 'control'],
    ]);
    const pieces = plain.layers.filter((layer) => layer.group === 'furniture').flatMap((layer) => layer.strokes);
    for (const layer of plain.layers.filter((one) => one.group === 'furniture'))
      expect(layer.strokes.every((one) => layer.id === `piece-${one.of.split('/')[0] ?? ''}`)).toBe(true);
    const room = ofLayer(plain, 'room')?.strokes ?? [];
    expect(pieces.every((one) => /^(box|other)\/box\//.test(one.of))).toBe(true);
    expect(room.some((one) => one.of.startsWith('box/'))).toBe(false);
    expect([...pieces, ...room].every((one) => one.weight === 'firm')).toBe(true);
    expect(ofLayer(plain, 'hidden')?.strokes.every((one) => one.weight === 'hidden')).toBe(true);
    const labels = (drawing: Drawing): string[] => (ofLayer(drawing, 'set-out')?.words ?? []).map((word) => word.text);
    expect(labels(plain)).not.toContain('VL2');
    expect(labels(sheetOf(project, view, scene, stand, lines, 'box'))).toContain('VL2');
    expect(labels(sheetOf(project, view, scene, stand, lines, 'other'))).not.toContain('VL2');
  });

  it('construction is drawn up to a step, and its strokes end on its marks', () => {
    const { project, view, scene, stand, lines } = worked();
    const { plan, whole } = wholePlanOf(project, view, scene, stand.setUp, lines, { order: 'by-piece' });
    const constructed = { plan, paper: planOnPaper(whole) };
    let before = 0;
    for (let steps = 1; steps <= plan.steps.length; steps += 1) {
      const drawing = sheetOf(project, view, scene, stand, lines, 'box', { ...constructed, steps });
      const count = drawing.layers.find((one) => one.role.layer === 'construction')?.strokes.length ?? 0;
      const adds =
        (plan.steps[steps - 1]?.operations.length ?? 0) + (plan.steps[steps - 1]?.does.pass === 'firm' ? 1 : 0);
      // What stands on the sheet from the set-out is not marked once more.
      const found = plan.steps[steps - 1]?.operations.every((one) => one.op === 'take');
      if (adds > 0 && !found) expect(count, `step ${steps}`).toBeGreaterThan(before);
      before = count;
    }
    const { x, y } = view.centreOfVisionOnSheet;
    const marks = [...constructed.paper.marks.values()];
    const onMark = (px: number, py: number): boolean =>
      marks.some(({ at: mark }) => Math.hypot(mark.u + x - px, mark.v + y - py) < 1e-9);
    let compared = 0;
    for (const step of plan.steps.filter((one) => one.does.pass !== 'firm'))
      for (const one of stepStrokes(view, constructed, step)) {
        expect(onMark(one.x0, one.y0) && onMark(one.x1, one.y1)).toBe(true);
        compared += 1;
      }
    expect(compared).toBeGreaterThan(30);
  });

  it('firm lines and lines by eye are exactly what visible lines says is seen (seeds 1…)', () => {
    let compared = 0;
    for (let seed = 1; seed <= runs() / 4; seed += 1) {
      const { project, view, scene, stand, lines } = worked(randomBoxScene(seed, 3).project);
      const { plan, whole } = wholePlanOf(project, view, scene, stand.setUp, lines, { order: 'by-pass' });
      const constructed = { plan, paper: planOnPaper(whole) };
      // What no way at this table leads to is said, and not drawn.
      const eye = new Set([...plan.byEye, ...whole.unreached].map((one) => one.edge));
      const firm = plan.steps
        .filter((one) => one.does.pass === 'firm')
        .flatMap((step) => stepStrokes(view, constructed, step));
      const drawn = firm.reduce((sum, one) => sum + Math.hypot(one.x1 - one.x0, one.y1 - one.y0), 0);
      let seen = 0;
      for (let row = 0; row < lines.edge.length; row += 1) {
        if (lines.seen[row] !== 1 || eye.has(edgeOfRow(scene.prepared, lines, row).id)) continue;
        const [u0, v0, u1, v1] = [0, 1, 2, 3].map((i) => at(lines.picture, row * 4 + i)) as [
          number,
          number,
          number,
          number,
        ];
        seen += Math.hypot(u1 - u0, v1 - v0);
      }
      expect(Math.abs(drawn - seen), `seed ${seed}`).toBeLessThan(1e-6);
      compared += seen > 0 ? 1 : 0;
    }
    expect(compared).toBeGreaterThan(runs() / 16);
  });

  it('the small picture lies within its frame, and is none where nothing can be drawn', () => {
    const project = smallRoom([boxPiece()]);
    const small = thumbnailOf(project);
    const figures = [...(small?.path.matchAll(/-?\d+\.\d/g) ?? [])].map((match) => Number(match[0]));
    expect(figures.length).toBeGreaterThan(40);
    expect(Math.min(...figures)).toBeGreaterThanOrEqual(-0.1);
    expect(Math.max(...figures)).toBeLessThanOrEqual(Math.max(small?.width ?? 0, small?.height ?? 0) + 0.1);
    expect(thumbnailOf({ ...project, views: [boxView({ station: { x: 2000, y: 500 } })] })).toBeNull();
  });
});
