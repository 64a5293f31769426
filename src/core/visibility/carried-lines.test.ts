import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { bodiesOf } from '@/core/solids';
import { resolveSetUp, type SetUp } from '@/core/view';
import { CarriedLines, drain, edgeOfRow, prepareScene, visibleLinesExact } from './index';

const lengthOf = (picture: Float64Array, row: number): number =>
  Math.hypot(at(picture, row * 4 + 2) - at(picture, row * 4), at(picture, row * 4 + 3) - at(picture, row * 4 + 1));

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('lines carried along with the eye, %s', (_, demo) => {
  const view = at(demo.views, 0);
  const resolved = resolveSetUp(demo, view);
  if (!resolved.ok) throw new Error(resolved.error.message);
  const setUp = resolved.value;
  const scene = prepareScene(bodiesOf(demo));
  const exact = drain(visibleLinesExact(scene, setUp, view.frame));
  const straightIds = new Set([...exact.edge.keys()].map((row) => edgeOfRow(scene, exact, row).id));

  it('from where they were found they are what they were, line by line', () => {
    const carried = new CarriedLines(scene, exact, () => 0, 1);
    const now = carried.at(setUp, view.frame);
    const found = new Map<string, number>();
    for (let row = 0; row < now.rows; row += 1) {
      const id = at(carried.lines, at(now.stretch, row));
      found.set(id, (found.get(id) ?? 0) + lengthOf(now.picture, row));
    }
    const seen = new Map<string, number>();
    exact.seen.forEach((is, row) => {
      const { id } = edgeOfRow(scene, exact, row);
      if (is === 1) seen.set(id, (seen.get(id) ?? 0) + lengthOf(exact.picture, row));
    });
    for (const [id, mm] of seen) expect(found.get(id) ?? 0, id).toBeCloseTo(mm, 6);
    const curves = [...found.keys()].filter((id) => !straightIds.has(id));
    expect(curves.length > 0).toBe(exact.curves.seen.some((one) => one === 1));
  });
  it('a step aside they are nearly what is seen from there: nine tenths of the length lies on seen lines', () => {
    const aside: SetUp = {
      ...setUp,
      station: { x: setUp.station.x + setUp.right.x * 60, y: setUp.station.y + setUp.right.y * 60 },
    };
    const carried = new CarriedLines(scene, exact, (line) => ('conic' in line ? -1 : 0), 1);
    const now = carried.at(aside, view.frame);
    const truly = drain(visibleLinesExact(scene, aside, view.frame));
    const spans = new Map<string, [number, number, number, number][]>();
    truly.seen.forEach((is, row) => {
      if (is !== 1) return;
      const { id } = edgeOfRow(scene, truly, row);
      const [x0, y0, x1, y1] = truly.picture.subarray(row * 4, row * 4 + 4);
      spans.set(id, [...(spans.get(id) ?? []), [x0 ?? 0, y0 ?? 0, x1 ?? 0, y1 ?? 0]]);
    });
    let [right, all] = [0, 0];
    for (let row = 0; row < now.rows; row += 1) {
      const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = now.picture.subarray(row * 4, row * 4 + 4);
      const whole = lengthOf(now.picture, row);
      all += whole;
      if (whole < 1e-9) continue;
      const along = (x: number, y: number): number => ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / (whole * whole);
      const covered = (spans.get(at(carried.lines, at(now.stretch, row))) ?? []).reduce((sum, [a, b, c, d]) => {
        const [p, q] = [along(a, b), along(c, d)].sort((one, other) => one - other) as [number, number];
        return sum + Math.max(0, Math.min(q, 1) - Math.max(p, 0));
      }, 0);
      right += whole * Math.min(1, covered);
    }
    expect(right / all).toBeGreaterThan(0.9);
  });
  it('curves are chords no farther off than is asked, and the fewer the farther they may be', () => {
    const rows = (tolerance: number): number =>
      new CarriedLines(scene, exact, (line) => ('conic' in line ? 0 : -1), tolerance).at(setUp, view.frame).rows;
    expect(rows(0.1)).toBeGreaterThan(rows(2));
    const length = (tolerance: number): number => {
      const now = new CarriedLines(scene, exact, () => 0, tolerance).at(setUp, view.frame);
      return Array.from({ length: now.rows }, (_, row) => lengthOf(now.picture, row)).reduce((a, b) => a + b, 0);
    };
    expect(length(3) / length(0.01)).toBeGreaterThan(0.99);
  });
  it('keep their pens in order, and leave out what has none', () => {
    const pens = (line: { readonly id: string }): number => (line.id.length % 4) - 1;
    const carried = new CarriedLines(scene, exact, pens, 1);
    expect([...carried.pens].sort((a, b) => a - b)).toEqual(carried.pens);
    expect(carried.pens.every((pen) => pen >= 0)).toBe(true);
    const now = carried.at(setUp, view.frame);
    for (let row = 0; row < now.rows; row += 1)
      expect(at(carried.pens, at(now.stretch, row))).toBe(pens({ id: at(carried.lines, at(now.stretch, row)) }));
    expect(carried.at({ ...setUp, viewingDistance: setUp.viewingDistance }, view.frame).rows).toBe(now.rows);
  });
});
