import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { ORDERS, restsOn, type MarkId } from '@/core/construction';
import type { LaidStroke } from '@/core/drawing';
import type { FrozenPlan } from '@/core/formats/frozen';
import { planningView, worstMarks } from '@/core/pipeline';
import { METRIC_STYLE } from '@/core/units';
import { worldPoint } from '@/core/space';
import { eyeFromWorld, projectPoint, resolveSetUp } from '@/core/view';
import { sceneOf } from '@/core/pipeline';
import { drain } from '@/core/visibility';
import { laidPlan } from './laid-plan';
import { leftOfStep } from './left-of-step';
import { beyondSight } from './out-of-sight';
import { nearestSeen, planeWords } from './nearest-seen';
import { partsOf } from './plan-parts';
import { readSeconds } from './PaceSentence';
import { pointAtPlan, restingOnPointed } from './point-at-plan';
import { pointedWords } from './pointed-words';
import { ticksTaken } from './ticks-taken';
import { nextOpen } from './use-drawing';

const project = at(DEMOS, 0);
const view = at(project.views, 0);
const planned = drain(planningView(project, view));
const stands = resolveSetUp(project, view);
if (!planned.ok || !stands.ok) throw new Error('it can be planned');
const setUp = stands.value;
const laid = laidPlan(planned.value, 'by-pass', view);
const operations = laid.plan.steps.flatMap((one) => one.operations);

describe('marks beyond what is seen', () => {
  const seen = { x: 100, y: 50, width: 400, height: 300 };
  const beyond = (...marks: readonly [string, number, number][]) =>
    beyondSight(
      marks.map(([label, x, y]) => ({ label, x, y })),
      seen,
    );
  it('are told at the side one would move towards, nearest first, with how far it is to the last', () => {
    expect(beyond(['a', 20, 300], ['b', 90, 120], ['c', 300, 200])).toEqual([
      { side: 'left', labels: ['b', 'a'], farthest: 80 },
    ]);
    expect(beyond(['a', 620, 20])).toEqual([{ side: 'right', labels: ['a'], farthest: 120 }]);
    expect(beyond(['a', 620, -200])).toEqual([{ side: 'above', labels: ['a'], farthest: 250 }]);
    expect(beyond(['a', 110, 351])).toEqual([{ side: 'below', labels: ['a'], farthest: 1 }]);
  });
  it('are none where all of them are in sight, those on the edge among them', () => {
    expect(beyond(['a', 100, 50], ['b', 500, 350], ['c', 300, 200])).toEqual([]);
  });
});

describe('pointing at the paper', () => {
  it('finds each mark that is there by then, and no later one', () => {
    let found = 0;
    laid.marks.forEach((marks, i) => {
      const mark = marks[0];
      const place = mark === undefined ? undefined : laid.paper.marks.get(mark)?.at;
      if (!place || mark === undefined) return;
      const pointed = pointAtPlan(laid, i + 1, place, 0.01);
      expect(pointed?.is).toBe('mark');
      if (pointed?.is === 'mark') expect(laid.paper.marks.get(pointed.mark)?.at.u).toBeCloseTo(place.u, 6);
      const before = pointAtPlan(laid, i, place, 0.01);
      if (before?.is === 'mark') expect(laid.stepOfMark.get(before.mark)).toBeLessThan(i);
      found += 1;
    });
    expect(found).toBeGreaterThan(30);
  });
  it('finds lines as far as they are drawn, and what rests on them is what would move with them', () => {
    let found = 0;
    for (const [line, [from, to]] of [...laid.plan.extents].slice(0, 80)) {
      const [p, q] = [laid.paper.marks.get(from)?.at, laid.paper.marks.get(to)?.at];
      if (!p || !q) continue;
      const place = { u: p.u + 0.37 * (q.u - p.u), v: p.v + 0.37 * (q.v - p.v) } as typeof p;
      if (pointAtPlan(laid, laid.plan.steps.length, place, 1e-6)?.is === 'line') found += 1;
      for (const mark of [...restingOnPointed(operations, { is: 'line', line })].slice(0, 1)) {
        const under = restsOn(operations, mark);
        const uses = operations.some(
          (one) => one.op === 'cross' && one.lines.includes(line) && (under.has(one.mark) || one.mark === mark),
        );
        const on = operations.some((one) => 'on' in one && one.on === line && 'mark' in one && under.has(one.mark));
        const parallel = operations.some((one) => one.op === 'parallel' && one.to === line);
        expect(uses || on || parallel, line).toBe(true);
      }
    }
    expect(found).toBeGreaterThan(20);
  });
  it('a mark is told by its step, its place, what it stands for and what it may be missed by', () => {
    const told = { laid, project, bodies: sceneOf(project).bodies, setUp, style: METRIC_STYLE };
    const kept = at(laid.plan.keeps, 0);
    const text = pointedWords({ ...told, pointed: { is: 'mark', mark: kept.from } }).join(' ');
    const mark = laid.paper.marks.get(kept.from);
    if (!mark?.stands) throw new Error('a mark of an edge stands for a place');
    const step = (laid.stepOfMark.get(kept.from) ?? 0) + 1;
    expect(text).toContain(`made in step ${step}, “${laid.plan.steps[step - 1]?.title ?? ''}”`);
    const picture = projectPoint(setUp, mark.stands);
    expect(text).toContain(`${Math.abs(picture?.u ?? NaN).toFixed(1)}`);
    expect(text).toMatch(/It stands for .*ahead of you/);
    expect(text).toMatch(/Nineteen times in twenty it falls within [\d.]+ mm/);
  });
});

describe('parts of a plan', () => {
  it.each(ORDERS)('%s: every step is in one part, in order', (order) => {
    const plan = planned.value.plans[order];
    const parts = partsOf(plan, order, (id) => id);
    expect(parts.flatMap((one) => Array.from({ length: one.last - one.first + 1 }, (_, i) => one.first + i))).toEqual(
      plan.steps.map((_, i) => i + 1),
    );
    expect(parts[0]?.title).toBe('the set-out');
  });
  it('after a step one goes to the next that is not drawn, then back to the first, then nowhere', () => {
    expect(nextOpen([true, true, false, true, false], 3)).toBe(5);
    expect(nextOpen([false, true, true], 3)).toBe(1);
    expect(nextOpen([true, true, false], 3)).toBeNull();
  });
});

describe('a pace as it is typed', () => {
  it.each([
    ['15', 15],
    ['15 s', 15],
    ['0,5 min', 30],
    ['2 min', 120],
  ])('%s', (text, seconds) => expect(readSeconds(text)).toEqual({ ok: true, value: seconds }));
  it.each(['', 'soon', '-3', '0', '1e9', '11 min'])('“%s” is refused in words', (text) => {
    const read = readSeconds(text);
    expect(read.ok ? '' : read.error.message).toMatch(/is not a time|between/);
  });
});

describe('the worst marks', () => {
  const found = drain(worstMarks(project, view));
  it('are ten that one sees, the worst first, and what would help is worked out for each', () => {
    expect(found.marks).toHaveLength(10);
    const errors = found.marks.map((one) => one.error.paperMm);
    expect(errors).toEqual([...errors].sort((a, b) => b - a));
    const kept = new Set<MarkId>(laid.plan.keeps.flatMap(({ from, to }) => [from, to]));
    const others = [...kept].filter((mark) => !found.marks.some((one) => one.mark === mark));
    for (const mark of others) {
      const { covariance, flat } = laid.paper.marks.get(mark) ?? {};
      if (covariance && !flat) expect(Math.sqrt(covariance.uu + covariance.vv)).toBeLessThan(2 * (errors[9] ?? 0));
    }
    // At a larger scale the same pencil misses less of the room.
    const scaled = found.marks.flatMap(({ scale, error }) =>
      scale.is === 'known' ? [scale.error.besides / error.besides] : [],
    );
    expect(scaled.length).toBeGreaterThan(3);
    expect(Math.min(...scaled)).toBeLessThan(1);
    expect(found.tried.scaleDenominator).toBeLessThan(view.scaleDenominator);
  });
  it('where accuracy is dear other routes tell them better, all taken together', () => {
    const routes = found.marks.flatMap(({ route, error }) =>
      route.is === 'known' ? [route.error.besides / error.besides] : [],
    );
    expect(routes.length).toBeGreaterThan(5);
    expect(routes.reduce((sum, one) => sum + one, 0) / routes.length).toBeLessThan(1);
  });
});

describe('a step of which part is drawn', () => {
  const step = 1 + laid.plan.steps.findIndex((one, i) => one.operations.length > 3 && (laid.named[i]?.length ?? 0) > 6);
  const all = laid.named[step - 1] ?? [];
  it('names what is still to be drawn by what it is called on the paper', () => {
    const first = laid.plan.steps[step - 1]?.operations.find((one) => 'mark' in one);
    const mark = first && 'mark' in first ? first.mark : '';
    const done = new Set(all.filter((one) => one !== mark));
    expect(leftOfStep(laid, step, done)).toBe(
      `Of this step only 1 stroke of ${all.length} is still to be drawn: ${laid.plan.labels.get(mark) ?? '-'}.`,
    );
    const keep = laid.plan.keeps[0];
    const firm = 1 + laid.plan.steps.findIndex((one) => one.id === keep?.step);
    const lines = (laid.named[firm - 1] ?? []).filter((one) => one !== `firm ${keep?.edge ?? ''}`);
    const [from, to] = [keep?.from ?? '', keep?.to ?? ''].map((one) => laid.plan.labels.get(one) ?? '-');
    expect(leftOfStep(laid, firm, new Set(lines))).toContain(`: ${from ?? ''}–${to ?? ''}.`);
  });
  it('is silent where all of it is drawn, or nothing; many are counted only', () => {
    expect(leftOfStep(laid, step, new Set(all))).toBeNull();
    expect(leftOfStep(laid, step, new Set())).toBeNull();
    const large = 1 + laid.named.findIndex((one) => one.length > 20);
    const one = new Set((laid.named[large - 1] ?? []).slice(0, 1));
    expect(leftOfStep(laid, large, one)).toMatch(/only \d+ strokes of \d+ are still to be drawn\.$/);
  });
});

describe('the plane through what is nearest', () => {
  const nearest = nearestSeen(laid, setUp, view.frame);
  it('is a corner that is seen, none that stands in the picture being nearer', () => {
    if (!nearest) throw new Error('something is seen');
    expect(projectPoint(setUp, nearest.at)).not.toBeNull();
    const corners = laid.plan.keeps
      .flatMap(({ from, to }) => [from, to])
      .flatMap((mark) => laid.paper.marks.get(mark) ?? []);
    const { left, right, bottom, top } = view.frame;
    const inside = corners.filter(
      ({ at: { u, v } }) => u > left + 1e-6 && u < right - 1e-6 && v > bottom + 1e-6 && v < top - 1e-6,
    );
    const depths = inside.flatMap(({ stands }) => (stands ? [eyeFromWorld(setUp, stands).depth] : []));
    expect(nearest.depth).toBe(Math.min(...depths));
    // Put through it, the plane touches it.
    const moved = resolveSetUp(project, {
      ...view,
      picturePlane: { through: 'point', x: nearest.at.x, y: nearest.at.y },
    });
    if (!moved.ok) throw new Error(moved.error.message);
    expect(moved.value.pictureDistance).toBeCloseTo(nearest.depth, 6);
    expect(planeWords(nearest, 'the rug', moved.value, METRIC_STYLE)).toMatchObject({ offers: false });
  });
  it('says on which side it lies, how far, and how much larger the picture becomes', () => {
    const words = (depth: number): string => {
      const found = { of: 'rug', at: nearest?.at ?? worldPoint(0, 0, 0), depth };
      return planeWords(found, 'the rug', { pictureDistance: 2000 }, METRIC_STYLE).says;
    };
    expect(words(2500)).toContain('of the rug, lies 500 mm behind the picture plane.');
    expect(words(2500)).toContain('becomes 1.25 times as large');
    expect(words(1500)).toContain('lies 500 mm before the picture plane.');
    expect(words(1500)).toContain('becomes 0.75 times as large');
    expect(words(2000.5)).toMatch(/^The picture plane touches the nearest corner that is seen, of the rug/);
  });
});

describe('ticks from a tablet', () => {
  const named = [['a', 'b'], ['c'], ['d', 'e']];
  const ticks = { projectId: project.id, viewId: view.id, digest: null, drawn: ['a', 'b', 'd'] };
  const mark = (id: string, x: number): LaidStroke => ({ id, is: 'mark', called: id, chains: [[x, 0]] });
  const given = { project, view, named, frozen: [], strokes: ['a', 'b', 'c', 'd', 'e'].map((id) => mark(id, 0)) };
  /** A plan at the board, as far as ticks ask for it. */
  const atBoard = (digest: string, strokes: readonly LaidStroke[], spare: readonly string[] = []): FrozenPlan => {
    const steps = [{ strokes: ['a', 'b'] }, { strokes: ['c'] }];
    return { digest, strokes, spare, page: { steps } } as unknown as FrozenPlan;
  };
  it('become the plan’s own, drawn or not; how many steps are drawn is told', () =>
    expect(ticksTaken(ticks, given)).toEqual({
      ok: true,
      value: { of: 'the-plan-now', drawn: ['a', 'b', 'd'], says: '1 of 3 steps are drawn.' },
    }));
  it('strokes that the plan no longer has are told, not kept', () => {
    const taken = ticksTaken({ ...ticks, drawn: ['c', 'x', 'y'] }, given);
    expect(taken.ok && taken.value).toMatchObject({ drawn: ['c'] });
    expect(taken.ok && taken.value.says).toContain('2 ticked strokes are not in this plan');
  });
  it('those of the plan at the board are its own, whatever became of the record; what need not be drawn is not', () => {
    const frozen = [atBoard('old', []), atBoard('new', [], ['c'])];
    const taken = ticksTaken({ ...ticks, digest: 'new', drawn: ['a', 'b', 'c', 'z'] }, { ...given, frozen });
    expect(taken.ok && taken.value).toEqual({
      of: 'the-frozen',
      drawn: ['a', 'b'],
      says: '2 of 2 steps are drawn.',
    });
  });
  it('those of an earlier plan are kept where its strokes still lie right; of one that is gone it is said', () => {
    const frozen = [atBoard('old', [mark('a', 0), mark('b', 2)]), atBoard('new', [])];
    const taken = ticksTaken({ ...ticks, digest: 'old', drawn: ['a', 'b'] }, { ...given, frozen });
    expect(taken.ok && taken.value).toMatchObject({ of: 'the-plan-now', drawn: ['a'] });
    expect(taken.ok && taken.value.says).toContain('1 stroke is right as it lies; 1 lies elsewhere by now.');
    const gone = ticksTaken({ ...ticks, digest: 'gone' }, { ...given, frozen });
    expect(gone.ok && gone.value).toMatchObject({ of: 'the-plan-now', drawn: ['a', 'b', 'd'] });
    expect(gone.ok && gone.value.says).toContain('is not here any more');
  });
  it('those of another project or view are refused, by name', () => {
    const message = (change: Partial<typeof ticks>): string => {
      const taken = ticksTaken({ ...ticks, ...change }, given);
      return taken.ok ? '' : taken.error.message;
    };
    expect(message({ projectId: 'another' })).toContain('“another”');
    const other = project.views.find((one) => one.id !== view.id);
    expect(message({ viewId: other?.id ?? '' })).toContain(`the view ${other?.name ?? '-'}. Choose it first.`);
    expect(message({ viewId: 'gone' })).toContain('no longer has');
  });
});
