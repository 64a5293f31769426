import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { draft, inOrder, lineExtents, makes, movesOf, ORDERS, passOf, restsOn } from '@/core/construction';
import { resolveSetUp } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { sceneOf, wholeDraftOf } from './index';

describe.each(DEMOS.flatMap((demo) => demo.views.map((view) => [demo.id, view.id, demo, view] as const)))(
  'the order of a whole drawing: %s, %s',
  (_, __, demo, view) => {
    const setUp = resolveSetUp(demo, view);
    if (!setUp.ok) throw new Error(setUp.error.message);
    const scene = sceneOf(demo);
    const lines = drain(visibleLinesExact(scene.prepared, setUp.value, view.frame));
    const { whole } = wholeDraftOf(demo, view, scene, setUp.value, lines);
    const { operations } = whole;
    const { machine } = whole.desk;

    it.each(ORDERS)(
      '%s: every operation once, after all it needs, each step one pass, and the same marks come out',
      (order) => {
        const steps = inOrder(whole, order);
        const done = steps.flatMap((step) => step.operations);
        const all = new Set(operations);
        expect(new Set(done).size).toBe(all.size);
        expect(done.every((one) => all.has(one))).toBe(true);
        expect(done).toHaveLength(operations.length);
        // The machine refuses what uses a mark before it is made.
        const drawn = draft(done);
        if (!drawn.ok) throw new Error(drawn.error.message);
        for (const mark of drawn.value.marks.keys()) {
          const { u, v } = machine.markAt(mark);
          const now = drawn.value.marks.get(mark);
          expect(now && Math.hypot(now.u - u, now.v - v), mark).toBeLessThan(1e-9);
        }
        for (const step of steps)
          for (const one of step.operations) {
            const pass = passOf(one, whole.points, whole.onPlan);
            if (pass !== null) expect(pass).toEqual(step.pass);
          }
        // Nothing is marked on the horizon before it is ruled.
        const ruled = done.findIndex((one) => one.op === 'level' && one.line === 'horizon');
        const marked = done.flatMap((one, i) => (one.op === 'take' && one.slides === 'u' ? [i] : []));
        expect(Math.min(...marked)).toBeGreaterThan(ruled);
        // The set-out first, then work for things.
        const first = steps.findIndex((step) => step.of.length > 0);
        expect(first).toBeGreaterThan(0);
        expect(steps.slice(first).every((step) => step.of.length > 0)).toBe(true);
      },
    );
    it('nothing is drawn on which nothing rests, and every thing that has a check is checked by a way of its own', () => {
      const uses = new Set(
        operations.flatMap((one) => {
          const { usesMarks, usesLines } = makes(one);
          return [...usesMarks, ...usesLines];
        }),
      );
      const stays = new Set([
        ...whole.edges.flatMap(({ from, to, line }) => [from, to, line]),
        ...whole.curves.map(({ curve }) => curve),
        ...whole.checks.flatMap(({ marks }) => marks),
        ...whole.begun,
        ...['CV', 'horizon', 'centre'],
      ]);
      for (const one of operations) {
        const { marks, line } = makes(one);
        const made = [...marks, ...(line === null ? [] : [line]), ...(one.op === 'curve' ? [one.curve] : [])];
        const ground = one.op === 'level' && one.line.startsWith('ground');
        expect(ground || made.some((id) => uses.has(id) || stays.has(id)), made.join()).toBe(true);
      }
      expect(whole.checks.length).toBeGreaterThan(2);
      for (const { allowMm } of whole.checks) expect(allowMm).toBeLessThan(3);
      for (const { marks } of whole.checks)
        expect(restsOn(operations, marks[1]).has(marks[0]), marks.join()).toBe(false);
    });
    it('by piece each thing is whole before the next is begun', () => {
      const things = inOrder(whole, 'by-piece').flatMap((step) => step.of);
      const begun = things.filter((one, i) => i === 0 || one !== things[i - 1]);
      expect(new Set(begun).size).toBe(begun.length);
    });
    it('by pass asks for far fewer ruler moves than by piece, and than each corner by itself', () => {
      const moves = movesOf(whole);
      expect(moves['by-pass']).toBeLessThanOrEqual(0.75 * moves['by-piece']);
      expect(moves['by-pass']).toBeLessThanOrEqual(0.6 * moves['by-corner']);
    });
    it('lines are drawn only as far as marks lie on them, never out to their points', () => {
      const extents = lineExtents(operations, machine, whole.points, whole.edges);
      const { left, right, bottom, top } = view.frame;
      const across = Math.hypot(right - left, top - bottom);
      let total = 0;
      for (const [line, [from, to]] of extents) {
        const [p, q] = [machine.markAt(from), machine.markAt(to)];
        const { at, run } = machine.lineOf(line);
        for (const { u, v } of [p, q]) expect(Math.abs((u - at.u) * run.v - (v - at.v) * run.u)).toBeLessThan(1e-9);
        // The horizon alone is drawn out to its points; a level or an upright through one begins there.
        if (machine.lineOf(line).made === 'rule') expect([from, to].some((mark) => whole.points.has(mark))).toBe(false);
        total += Math.hypot(q.u - p.u, q.v - p.v);
      }
      for (const { line, from, to } of whole.edges) {
        // What stays lies within what is drawn of its line.
        const [a, b] = extents.get(line) ?? [from, to];
        const [p, q, c, d] = [a, b, from, to].map((mark) => machine.markAt(mark));
        const { run } = machine.lineOf(line);
        if (!p || !q || !c || !d) throw new Error(line);
        const s = (m: typeof p): number => m.u * run.u + m.v * run.v;
        expect(Math.min(s(c), s(d))).toBeGreaterThanOrEqual(s(p) - 1e-6);
        expect(Math.max(s(c), s(d))).toBeLessThanOrEqual(s(q) + 1e-6);
      }
      // Out to their points they would be many times as long.
      expect(total / extents.size).toBeLessThan(across / 2);
    });
  },
);
