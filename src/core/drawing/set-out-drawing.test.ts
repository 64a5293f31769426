import { homeMark } from '@/testing';
import { standOf } from '@/core/view';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { changeView, lengthStyleOf, type Project } from '@/core/record';
import { setOutDrawing, tablePages, type Word } from './index';

function given(project: Project) {
  const view = at(project.views, 0);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  return { project, view, stand: stand.value, style: lengthStyleOf(project) };
}
/** A word's box, its letters taken at 0.42 of their height: a little less than they are. */
const box = (word: Word) => {
  const long = word.text.length * word.heightMm * 0.42;
  const left = word.anchor === 'start' ? word.x : word.anchor === 'end' ? word.x - long : word.x - long / 2;
  return { left, right: left + long, low: word.y, high: word.y + word.heightMm * 0.7 };
};
const overlaps = (words: readonly Word[]): readonly string[] =>
  words.flatMap((a, i) =>
    words.slice(i + 1).flatMap((b) => {
      const [p, q] = [box(a), box(b)];
      return p.left < q.right && q.left < p.right && p.low < q.high && q.low < p.high ? [`${a.text} / ${b.text}`] : [];
    }),
  );

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('the set-out as a drawing, %s', (_, demo) => {
  it('has every mark of the room where it lies on the sheet, told in both readings, none written over another', () => {
    const { project, view, stand, style } = given(demo);
    const drawing = setOutDrawing(project, view, stand, style);
    const marks = drawing.layers.find((layer) => layer.id === 'marks');
    if (!marks) throw new Error('a layer of marks');
    for (const mark of stand.setOut.groups[0]?.marks ?? []) {
      const cross = marks.strokes.filter((stroke) => stroke.of === mark.id);
      const on = mark.onSheet.x >= 0 && mark.onSheet.x <= view.sheet.width;
      expect(cross.length, mark.id).toBe(on ? 2 : 0);
      if (!on) continue;
      expect((at(cross, 0).x0 + at(cross, 0).x1) / 2).toBeCloseTo(mark.onSheet.x, 9);
      expect(at(cross, 0).y0).toBeCloseTo(view.centreOfVisionOnSheet.y, 9);
      expect(marks.words.some((word) => word.text.startsWith(`${mark.label}: `) && /\(.*\)/.test(word.text))).toBe(
        true,
      );
    }
    // Heights stand on the centre line beside points of the horizon; those may touch, points among themselves not.
    expect(overlaps(marks.words.filter((word) => /^[A-Z]/.test(word.text)))).toEqual([]);
    for (const word of marks.words) expect(box(word).right).toBeLessThan(view.sheet.width + 1);
  });
  it('as a table: no row of words runs into its figures, nothing is cut short, every mark is there', () => {
    const { project, view, stand, style } = given(demo);
    for (const paper of [
      { name: 'A4', width: 210, height: 297 },
      { name: 'letter', width: 215.9, height: 279.4 },
    ]) {
      const pages = tablePages(project, view, stand, style, paper);
      const labels = new Set<string>();
      for (const page of pages) {
        const words = page.layers.find((layer) => layer.id === 'table')?.words ?? [];
        expect(overlaps(words)).toEqual([]);
        expect(words.filter((word) => word.text.endsWith('…'))).toEqual([]);
        for (const word of words) labels.add(word.text);
        for (const word of words) expect(word.y).toBeGreaterThan(5);
      }
      for (const mark of stand.setOut.groups.flatMap((group) => group.marks))
        expect(labels.has(mark.label), mark.label).toBe(true);
    }
  });
});

describe('ticks on the set-out', () => {
  it('point at the far point from both edges, the fifth ones numbered', () => {
    const seed = at(DEMOS, 2);
    const view = at(seed.views, 0);
    const helped = changeView(seed, view.id, {
      aids: [{ by: 'ticks', mark: homeMark('vp-right', at(seed.spaces, 0).id), stepMm: 6.35 }],
    });
    const { project, view: now, stand, style } = given(helped);
    const layer = setOutDrawing(project, now, stand, style).layers.find((one) => one.id === 'ticks');
    const far = stand.setOut.groups[0]?.marks.find((mark) => mark.id === 'vp-right')?.onSheet;
    if (!layer || !far) throw new Error('ticks for a point');
    expect(layer.strokes.length).toBeGreaterThan(60);
    for (const one of layer.strokes) {
      const off =
        ((one.x1 - one.x0) * (far.y - one.y0) - (one.y1 - one.y0) * (far.x - one.x0)) /
        Math.hypot(one.x1 - one.x0, one.y1 - one.y0);
      expect(Math.abs(off)).toBeLessThan(1e-6);
    }
    expect(layer.words.filter((word) => word.text === 'VR: 0')).toHaveLength(1);
    for (const word of layer.words.filter((one) => /^-?\d+$/.test(one.text)))
      expect(Math.abs(Number(word.text)) % 5).toBe(0);
  });
});
