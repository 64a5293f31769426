import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { ORDERS, ORDINARY_PACE, strokesOf, type Order } from '@/core/construction';
import { laidStrokes } from '@/core/drawing';
import { planningView, sceneOf } from '@/core/pipeline';
import { applyChange, mmOf, type Project } from '@/core/record';
import { resolveSetUp } from '@/core/view';
import { drain } from '@/core/visibility';
import { boxPiece, smallRoom } from '@/testing';
import { frozenPlan, readFrozen, sinceFrozen } from './index';

const room = smallRoom([boxPiece(), boxPiece({ id: 'crate', fromNorth: 1700, fromWest: 2400, height: 450 })]);

function planned(project: Project, order: Order = 'by-pass') {
  const view = at(project.views, 0);
  const [made, setUp] = [drain(planningView(project, view)), resolveSetUp(project, view)];
  if (!made.ok || !setUp.ok) throw new Error('it can be planned');
  const plan = made.value.plans[order];
  const given = { project, view, setUp: setUp.value, scene: sceneOf(project), planned: made.value, order };
  return { given, plan, strokes: laidStrokes(view, setUp.value, { plan, paper: made.value.paper }) };
}
const before = planned(room);
const frozen = frozenPlan({ ...before.given, at: new Date(0) });
const all = before.strokes.map((one) => one.id);
function changed() {
  const crate = at(room.pieces, 1);
  const edit = applyChange(room, { kind: 'move-size', sizeId: crate.height.id, mm: mmOf(crate.height) + 120 });
  if (!edit.ok) throw new Error(edit.error.message);
  return planned(edit.value);
}

describe('a frozen plan', () => {
  it('is kept as it is and read back; damaged in any place it is not read', () => {
    const kept = JSON.parse(JSON.stringify(frozen)) as Readonly<Record<string, unknown>>;
    expect(readFrozen(kept)).toEqual(frozen);
    for (const field of Object.keys(kept)) {
      expect(readFrozen({ ...kept, [field]: undefined }), field).toBeNull();
      expect(readFrozen({ ...kept, [field]: [null] }), field).toBeNull();
    }
    const page = kept.page as Readonly<Record<string, unknown>>;
    for (const field of Object.keys(page)) {
      expect(readFrozen({ ...kept, page: { ...page, [field]: undefined } }), field).toBeNull();
      expect(readFrozen({ ...kept, page: { ...page, [field]: [null] } }), field).toBeNull();
    }
    for (const other of [null, 7, 'plan', [], { ...kept, frozenAt: 'yesterday' }]) expect(readFrozen(other)).toBeNull();
  });
  it('has every step with its sentences and strokes, and says which plan it is, whatever the order', () => {
    expect(frozen.page.steps.map((one) => one.title)).toEqual(before.plan.steps.map((one) => one.title));
    expect(frozen.page.steps.flatMap((one) => one.strokes)).toEqual(all);
    for (const order of ORDERS) {
      const other = planned(room, order);
      expect(frozenPlan({ ...other.given, at: new Date(1) }).digest).toBe(frozen.digest);
    }
    expect(frozenPlan({ ...changed().given, at: new Date(0) }).digest).not.toBe(frozen.digest);
    expect(frozenPlan({ ...changed().given, at: new Date(0) }).record).not.toBe(frozen.record);
  });
  it('while nothing has changed is the plan: its ticks are as they are', () => {
    const since = sinceFrozen(frozen, all.slice(0, 9), before.plan, before.strokes, ORDINARY_PACE);
    expect(since).toEqual({ change: null, still: null, drawn: new Set(all.slice(0, 9)), spare: new Set() });
    const none = sinceFrozen(null, all.slice(0, 9), before.plan, before.strokes, ORDINARY_PACE);
    expect(none.drawn.size).toBe(9);
    const carried = sinceFrozen({ ...frozen, spare: ['s'] }, [], before.plan, before.strokes, ORDINARY_PACE);
    expect([...carried.spare]).toEqual(['s']);
  });
  it('after a change holds what is right; what is drawn, what is still to be drawn and what need not be are all of the plan, each once', () => {
    const now = changed();
    const { change, still, drawn, spare } = sinceFrozen(frozen, all, now.plan, now.strokes, ORDINARY_PACE);
    expect(change?.wrong.length).toBeGreaterThan(5);
    expect(drawn).toBe(change?.kept);
    const names = now.plan.steps.flatMap((step) => strokesOf(now.plan, step));
    for (const one of names)
      expect([drawn.has(one), still?.strokes.has(one), spare.has(one)].filter(Boolean), one).toHaveLength(1);
    // Gone on by: with what is still to be drawn nothing is left.
    const carried = frozenPlan({ ...now.given, at: new Date(2), spare: [...spare] });
    const done = sinceFrozen(carried, [...drawn, ...(still?.strokes ?? [])], now.plan, now.strokes, ORDINARY_PACE);
    expect(names.filter((one) => !done.drawn.has(one) && !done.spare.has(one))).toEqual([]);
  });
});
