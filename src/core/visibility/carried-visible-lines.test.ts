import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { bodiesOf } from '@/core/solids';
import { resolveSetUp, type SetUp } from '@/core/view';
import { carriedLines, drain, edgeOfRow, prepareScene, visibleLinesExact } from './index';

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('lines carried along with the eye, %s', (_, demo) => {
  const view = at(demo.views, 0);
  const resolved = resolveSetUp(demo, view);
  if (!resolved.ok) throw new Error(resolved.error.message);
  const setUp = resolved.value;
  const scene = prepareScene(bodiesOf(demo));
  const exact = drain(visibleLinesExact(scene, setUp, view.frame));

  it('from where they were found they are what they were', () => {
    const carried = carriedLines(scene, { scene, lines: exact }, setUp, view.frame);
    const seen = Array.from(exact.seen.keys()).filter((row) => exact.seen[row] === 1);
    expect(carried.edge.length).toBe(seen.length);
    seen.forEach((row, i) => {
      for (let k = 0; k < 4; k += 1)
        expect(at(carried.picture, i * 4 + k)).toBeCloseTo(at(exact.picture, row * 4 + k), 6);
      expect(edgeOfRow(scene, carried, i).id).toBe(edgeOfRow(scene, exact, row).id);
    });
    const curves = Array.from(exact.curves.seen).reduce((sum, one) => sum + one, 0);
    expect(carried.curves.curve.length).toBeGreaterThanOrEqual(curves);
  });
  it('over an edit a piece that is gone takes its lines along, one that came is seen whole, and all else is as it was', () => {
    const chosen = at(demo.pieces, 0).id;
    const without = prepareScene(bodiesOf({ ...demo, pieces: demo.pieces.slice(1) }));
    const names = (of: typeof scene, lines: typeof exact, but: string): string[] =>
      Array.from(lines.edge.keys())
        .filter((row) => lines.seen[row] === 1)
        .map((row) => edgeOfRow(of, lines, row))
        .filter((edge) => edge.body !== but && edge.role.line === 'edge')
        .map((edge) => edge.id);
    const gone = carriedLines(without, { scene, lines: exact }, setUp, view.frame);
    expect(Array.from(gone.edge.keys()).some((row) => edgeOfRow(without, gone, row).body === chosen)).toBe(false);
    expect(names(without, gone, chosen)).toEqual(names(scene, exact, chosen));
    const less = drain(visibleLinesExact(without, setUp, view.frame));
    const came = carriedLines(scene, { scene: without, lines: less }, setUp, view.frame);
    const whole = scene.edges
      .filter((edge) => edge.body === chosen && edge.role.line === 'edge')
      .map((edge) => edge.id);
    const drawn = new Set(Array.from(came.edge.keys(), (row) => edgeOfRow(scene, came, row).id));
    const inFront = whole.filter((id) => exact.edge.some((_, row) => edgeOfRow(scene, exact, row).id === id));
    expect(inFront.filter((id) => !drawn.has(id))).toEqual([]);
    expect(names(scene, came, chosen)).toEqual(names(without, less, chosen));
    // In another order, and a piece made anew besides: every line is found by its name.
    const moved = { ...at(demo.pieces, 1), name: 'the same, anew' };
    const others = prepareScene(bodiesOf({ ...demo, pieces: [...demo.pieces.slice(2), moved, at(demo.pieces, 0)] }));
    const found = carriedLines(others, { scene, lines: exact }, setUp, view.frame);
    expect(names(others, found, '').sort()).toEqual(names(scene, exact, '').sort());
  });
  it('a step aside they are nearly what is seen from there: nine tenths of the length falls on seen lines', () => {
    const aside: SetUp = {
      ...setUp,
      station: { x: setUp.station.x + setUp.right.x * 60, y: setUp.station.y + setUp.right.y * 60 },
    };
    const carried = carriedLines(scene, { scene, lines: exact }, aside, view.frame);
    const truly = drain(visibleLinesExact(scene, aside, view.frame));
    const spans = new Map<string, [number, number][]>();
    truly.seen.forEach((is, row) => {
      if (is !== 1) return;
      const key = edgeOfRow(scene, truly, row).id;
      spans.set(key, [...(spans.get(key) ?? []), [at(truly.along, row * 2), at(truly.along, row * 2 + 1)]]);
    });
    let [right, all] = [0, 0];
    carried.edge.forEach((_edge, row) => {
      const [from, to] = [at(carried.along, row * 2), at(carried.along, row * 2 + 1)];
      const length = Math.hypot(
        at(carried.picture, row * 4 + 2) - at(carried.picture, row * 4),
        at(carried.picture, row * 4 + 3) - at(carried.picture, row * 4 + 1),
      );
      const covered = (spans.get(edgeOfRow(scene, carried, row).id) ?? []).reduce(
        (sum, [p, q]) => sum + Math.max(0, Math.min(q, to) - Math.max(p, from)),
        0,
      );
      all += length;
      right += (length * Math.min(covered, to - from)) / Math.max(1e-12, to - from);
    });
    expect(right / all).toBeGreaterThan(0.9);
  });
});
