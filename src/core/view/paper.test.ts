import { describe, expect, it } from 'vitest';
import { DRAWING_SCALES } from '@/core/units';
import { changeView, viewOf, type View } from '@/core/record';
import { boxView, smallRoom } from '@/testing';
import {
  centredDrawing,
  centredSheet,
  insideMargins,
  namedSheet,
  onSheet,
  overMargins,
  proposeScale,
  rescaled,
  resolveSetUp,
  SHEET_FAMILIES,
  SHEET_SIZES,
  usualPrinterPaper,
} from './index';

const view = boxView();
const viewing = (one: View): number => {
  const project = changeView(smallRoom(), one.id, one);
  const setUp = resolveSetUp(project, viewOf(project, one.id));
  return setUp.ok ? setUp.value.viewingDistance : NaN;
};

describe('sheets', () => {
  it('the families are complete and each sheet of ISO A is half of the next larger', () => {
    expect(SHEET_FAMILIES.map((family) => family.name)).toEqual(['ISO A', 'ISO B', 'architectural', 'letter']);
    const a = SHEET_FAMILIES[0]?.sheets ?? [];
    for (let i = 0; i + 1 < a.length; i += 1) {
      expect(a[i]?.long).toBe(a[i + 1]?.short);
      expect(Math.abs((a[i + 1]?.long ?? 0) / 2 - (a[i]?.short ?? 0))).toBeLessThanOrEqual(0.5);
    }
    expect(new Set(SHEET_SIZES.map((one) => one.name)).size).toBe(SHEET_SIZES.length);
    for (const one of SHEET_SIZES) expect(one.long).toBeGreaterThan(one.short);
  });
  it('lie on their long side, or stand; imperial ones are exact in inches', () => {
    expect(namedSheet('A2')).toEqual({ name: 'A2', width: 594, height: 420 });
    expect(namedSheet('A2', true)).toEqual({ name: 'A2', width: 420, height: 594 });
    expect(namedSheet('18 x 24 in')?.width).toBeCloseTo(609.6, 9);
    expect(namedSheet('no such')).toBeNull();
    expect([usualPrinterPaper('metric'), usualPrinterPaper('imperial')]).toEqual(['A4', 'letter']);
  });
});

describe('the drawing on its sheet', () => {
  it('a scale is proposed that fills the margins and no more, and the next larger one would not fit', () => {
    // The frame is 360 x 240 at 1:20 in 400 x 277 inside the margins.
    const proposal = proposeScale(view, 'metric');
    expect(proposal?.denominator).toBe(20);
    expect(proposal?.exact).toBeCloseTo(18, 9);
    expect(proposal?.fills).toBeCloseTo(0.9, 9);
    const small = { ...view, ...onSheet(view, { name: 'A4', width: 297, height: 210 }) };
    const next = proposeScale(small, 'metric');
    expect(next?.denominator).toBe(30);
    const fits = (denominator: number): boolean =>
      Object.values(
        overMargins({
          ...small,
          ...rescaled(small, denominator),
          ...centredDrawing({ ...small, ...rescaled(small, denominator) }),
        }),
      ).every((over) => over < 1e-9);
    expect(fits(next?.denominator ?? 0)).toBe(true);
    expect(fits(25)).toBe(false);
    expect(proposeScale(view, 'imperial')?.denominator).toBe(24);
  });
  it('a frame made to fill proposes its own scale; margins that leave nothing propose none', () => {
    const full = { ...view, frame: { left: -200, right: 200, bottom: -138.5, top: 138.5 } };
    expect(proposeScale(full, 'metric')).toMatchObject({ denominator: 20, fills: 1 });
    const eaten = { ...view, margins: { left: 300, right: 200, bottom: 10, top: 10 } };
    expect(insideMargins(eaten)).toBeNull();
    expect(proposeScale(eaten, 'metric')).toBeNull();
    for (const list of Object.values(DRAWING_SCALES)) expect([...list].sort((a, b) => a - b)).toEqual(list);
  });
  it('another scale cuts the same part out of the room: frame and viewing distance change in one ratio', () => {
    const half = {
      ...view,
      guesses: [{ wallId: 'east', interval: { mm: 1000, asTyped: '1 m' }, at: { u: 30, v: -40 } }],
    };
    const next = { ...half, ...rescaled(half, 40) };
    expect(viewing(next)).toBeCloseTo(viewing(view) / 2, 9);
    expect(next.frame).toEqual({ left: -90, right: 90, bottom: -60, top: 60 });
    expect(next.guesses[0]?.at).toEqual({ u: 15, v: -20 });
    const lopsided = { ...view, frame: { left: -100, right: 180, bottom: -120, top: 120 } };
    const moved = { ...lopsided, ...rescaled(lopsided, 10) };
    const middle = (one: View): number => one.centreOfVisionOnSheet.x + (one.frame.left + one.frame.right) / 2;
    expect(middle(moved)).toBeCloseTo(middle(lopsided), 9);
  });
  it('centred drawing and sheet are in the middle; a new sheet stays on the board', () => {
    const margins = { left: 30, right: 10, bottom: 20, top: 10 };
    const centred = { ...view, margins, ...centredDrawing({ ...view, margins }) };
    expect(centred.centreOfVisionOnSheet).toEqual({ x: 220, y: 153.5 });
    expect({ ...view, ...centredSheet(view) }.sheetOnBoard).toEqual({ x: 240, y: 176.5 });
    const corner = { ...view, sheetOnBoard: { x: 470, y: 340 } };
    expect(onSheet(corner, { name: 'A2', width: 594, height: 420 }).sheetOnBoard).toEqual({ x: 306, y: 230 });
    expect(onSheet(view, { name: 'A1', width: 1000, height: 594 }).sheetOnBoard?.x).toBe(-50);
  });
  it('what lies over the margins is told for each side', () => {
    expect(overMargins(view)).toEqual({ left: 0, right: 0, bottom: 0, top: 0 });
    const shifted = { ...view, centreOfVisionOnSheet: { x: 186, y: 170 } };
    expect(overMargins(shifted)).toEqual({ left: 4, right: 0, bottom: 0, top: 3 });
  });
});
