import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FrozenPlan } from '@/core/formats/frozen';
import { at } from '@/core/base';
import { applyChange, type Change, type Project } from '@/core/record';
import { boxPiece, boxView, runs, smallRoom } from '@/testing';
import {
  createWork,
  currentView,
  LONGEST_HISTORY,
  newWork,
  projectOf,
  record,
  redo,
  startHistory,
  transition,
  undo,
  type Action,
  type Open,
} from './index';

const moveTo = (x: number): Change => ({
  kind: 'change-view',
  viewId: 'view',
  fields: { station: { x, y: -2500 } },
});
const start = () => {
  let time = 0;
  const store = createWork(newWork(smallRoom([boxPiece()])), () => time);
  return {
    store,
    wait: (ms: number) => {
      time += ms;
    },
    x: () => at(projectOf(store.getState()).views, 0).station.x,
  };
};

describe('bounds', () => {
  const opened = (): Open => ({ ...newWork(smallRoom([boxPiece()])), dragged: null, dragChange: null, stopped: null });
  it.each<[string, Change, RegExp]>([
    [
      'a wall of next to nothing',
      { kind: 'correct-size', sizeId: 'south/length', mm: 1e-10, asTyped: '0.0000000001' },
      /^The length of .* must be from 1 to 1.000.000 mm\.$/,
    ],
    ['a station beyond the world', moveTo(1e300), /^The station x of .* must be from −1.000.000 to 1.000.000 mm\.$/],
    ['an infinite one', moveTo(Infinity), /must be from/],
    [
      'a scale of nothing',
      { kind: 'change-view', viewId: 'view', fields: { scaleDenominator: 0 } },
      /from 1 to 1.000\.$/,
    ],
  ])('%s is refused as a file is, and nothing is changed', (_, change, words) => {
    const before = opened();
    const { state, effects } = transition(before, { kind: 'change', label: 'x', change }, 0);
    expect(state).toBe(before);
    expect(effects).toHaveLength(1);
    expect(at(effects, 0)).toMatchObject({ kind: 'refuse' });
    expect((at(effects, 0) as { message: string }).message).toMatch(words);
  });
  it('what is dragged out of bounds is not kept when it is let go', () => {
    const before = opened();
    const { state: held } = transition(before, { kind: 'drag', change: moveTo(1e9) }, 0);
    const { state, effects } = transition(held, { kind: 'drop', label: 'x' }, 0);
    expect(state.history).toBe(before.history);
    expect(state.dragged).toBeNull();
    expect(effects[0]).toMatchObject({ kind: 'refuse' });
  });
});

describe('going back to what was kept', () => {
  it('is one step, which undo takes back with all that came before', () => {
    const { store } = start();
    const kept = store.commands.present();
    store.commands.change('move', moveTo(500));
    const later = store.commands.present();
    store.commands.goBackTo(kept, 'back to the save before');
    expect(store.commands.present()).toBe(kept);
    store.commands.undo();
    expect(store.commands.present()).toBe(later);
  });
});

describe('history', () => {
  it('undoing everything returns to the start, redoing everything to the end (seed 51)', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 40 }), (numbers) => {
        let history = startHistory(-1);
        numbers.forEach((state, index) => {
          history = record(history, { label: 'x', state, atMs: index * 2000 });
        });
        const end = history.present;
        let back = history;
        for (let i = 0; i < numbers.length; i += 1) back = undo(back);
        expect(back.present).toBe(-1);
        let forth = back;
        for (let i = 0; i < numbers.length; i += 1) forth = redo(forth);
        expect(forth.present).toBe(end);
      }),
      { numRuns: runs(), seed: 51 },
    );
  });
  it('keeps the last hundred entries; a new change ends the future; no change is no entry', () => {
    let history = startHistory(0);
    for (let i = 1; i <= LONGEST_HISTORY + 20; i += 1)
      history = record(history, { label: 'x', state: i, atMs: i * 2000 });
    expect(history.past.length).toBe(LONGEST_HISTORY);
    expect(history.past[0]?.state).toBe(20);
    const back = undo(history);
    expect(record(back, { label: 'y', state: 999, atMs: 1e9 }).future).toEqual([]);
    expect(record(back, { label: 'y', state: back.present, atMs: 1e9 })).toBe(back);
    expect(undo(startHistory(1)).present).toBe(1);
  });
});

describe('the open project', () => {
  it('a drag is one entry, and none when it is given up', () => {
    const { store, x } = start();
    for (const to of [2100, 2200, 2300]) store.commands.drag(moveTo(to));
    expect(x()).toBe(2300);
    expect(store.getState().history.past.length).toBe(0);
    store.commands.drop('Move the station point');
    expect(store.getState().history.past.map((entry) => entry.label)).toEqual(['Move the station point']);
    store.commands.drag(moveTo(9));
    store.commands.cancelDrag();
    expect(x()).toBe(2300);
    store.commands.drag(moveTo(9));
    store.commands.undo();
    expect(x()).toBe(2300);
    store.commands.undo();
    expect(x()).toBe(2000);
    store.commands.redo();
    expect(x()).toBe(2300);
  });
  it('a run of nudges is one entry until one pauses or does something else', () => {
    const { store, wait, x } = start();
    for (const to of [2010, 2020, 2030]) {
      store.commands.change('Move', moveTo(to), 'nudge/station');
      wait(200);
    }
    expect(store.getState().history.past.length).toBe(1);
    wait(2000);
    store.commands.change('Move', moveTo(2040), 'nudge/station');
    expect(store.getState().history.past.length).toBe(2);
    store.commands.undo();
    expect(x()).toBe(2030);
    store.commands.undo();
    expect(x()).toBe(2000);
  });
  it('a nudge after an undo is an entry of its own: undone, it leads back to where the undo had led', () => {
    const { store, x } = start();
    store.commands.change('Move', moveTo(2010), 'nudge/station');
    store.commands.change('Choose', { kind: 'choose-piece', viewId: 'view', pieceId: 'box' });
    store.commands.undo();
    store.commands.change('Move', moveTo(2020), 'nudge/station');
    expect(store.getState().history.past.length).toBe(2);
    store.commands.undo();
    expect(x()).toBe(2010);
  });
  it('a refused edit changes nothing and says why', () => {
    const { store } = start();
    const before = store.getState().history;
    store.commands.change('Change', { kind: 'correct-size', sizeId: 'nowhere', mm: 5, asTyped: '5' });
    expect(store.getState().history).toBe(before);
    expect(store.getState().said).toMatchObject({
      kind: 'refuse',
      message: expect.stringContaining('not in this project') as string,
    });
    store.commands.forgetSaid();
    expect(store.getState().said).toBeNull();
  });
  it('the desk is not history, and finds a view when its own is gone', () => {
    const { store } = start();
    store.commands.change('Second view', { kind: 'add-view', view: boxView({ id: 'second' }) });
    store.commands.chooseView('second');
    store.commands.goToStep(4);
    expect(store.getState().desk).toEqual({ viewId: 'second', steps: { second: 4 } });
    expect(store.getState().history.past.length).toBe(1);
    store.commands.undo();
    expect(store.getState().desk.viewId).toBe('view');
    expect(currentView(projectOf(store.getState()), store.getState().desk).id).toBe('view');
    store.commands.change('Choose', { kind: 'choose-piece', viewId: 'view', pieceId: 'box' });
    expect(projectOf(store.getState()).plans.length).toBe(1);
  });
});

describe('a plan taken to the board', () => {
  const plan = (digest: string): FrozenPlan => ({ digest }) as unknown as FrozenPlan;
  it('lies by its view with its ticks, the newest last; three are kept, one taken there again once', () => {
    const { store } = start();
    const { freeze, tick, setTicks } = store.commands;
    for (const digest of ['z', 'a', 'b', 'c', 'b']) freeze(plan(digest), [digest]);
    const { desk } = store.getState();
    expect(desk.frozen?.view?.map((one) => one.digest)).toEqual(['a', 'c', 'b']);
    expect(desk.done?.view).toEqual(['b']);
    tick(['x', 'y'], true);
    tick(['b'], false);
    expect(store.getState().desk.done?.view).toEqual(['x', 'y']);
    setTicks(['z']);
    expect(store.getState().desk.done?.view).toEqual(['z']);
    expect(store.getState().history.past).toHaveLength(0);
  });
});

describe('the transition', () => {
  const opened = (): Open => ({ ...newWork(smallRoom([boxPiece()])), dragged: null, dragChange: null, stopped: null });
  it('is pure: effects come back as values, and the state before is left as it was', () => {
    const before = opened();
    const frozen = JSON.stringify(before);
    const moved: Action = { kind: 'change', label: 'Move', change: moveTo(2100) };
    const once = transition(before, moved, 5);
    expect(once).toEqual(transition(before, moved, 5));
    expect(once.effects).toEqual([{ kind: 'save' }]);
    expect(JSON.stringify(before)).toBe(frozen);
    const refused = transition(
      before,
      { kind: 'change', label: 'x', change: { kind: 'remove-view', viewId: 'view' } },
      5,
    );
    expect(refused.state).toBe(before);
    expect(refused.effects).toEqual([{ kind: 'refuse', message: 'A project keeps at least one view.' }]);
    expect(transition(before, { kind: 'drag', change: moveTo(9) }, 5).effects).toEqual([]);
  });
  it('a locked layer holds what is on it, in a drag and at once', () => {
    const locked = transition(
      opened(),
      { kind: 'lay-layer', layer: 'piece-box', laid: { show: 'on', locked: true } },
      1,
    ).state;
    const move: Change = { kind: 'move-pieces', pieceIds: ['box'], by: { x: 100, y: 0 } };
    const change = transition(locked, { kind: 'change', label: 'Move', change: move }, 2);
    expect(change.state).toBe(locked);
    expect(change.effects).toEqual([
      { kind: 'refuse', message: 'box is fastened. Loosen it under layers (L, at the board) to move it.' },
    ]);
    const dragged = transition(locked, { kind: 'drag', change: move }, 2).state;
    expect([dragged.dragged, dragged.history]).toEqual([null, locked.history]);
    expect(transition(dragged, { kind: 'drag', change: move }, 2).state).toBe(dragged);
    // Let go, it is said why nothing moved; once, and without an entry.
    const dropped = transition(dragged, { kind: 'drop', label: 'Move' }, 3);
    expect(dropped.effects).toEqual([
      { kind: 'notice', message: 'box is fastened. Loosen it under layers (L, at the board) to move it.' },
    ]);
    expect(dropped.state).toEqual(locked);
    expect(transition(dropped.state, { kind: 'drop', label: 'Move' }, 4).effects).toEqual([]);
  });
  it('a drag that cannot go on leaves things where they last could be, and says so when it is let go', () => {
    const good: Change = { kind: 'correct-size', sizeId: 'box/width', mm: 900, asTyped: '900' };
    const bad: Change = { kind: 'correct-size', sizeId: 'nowhere', mm: 900, asTyped: '900' };
    const drag = (state: Open, change: Change): Open => transition(state, { kind: 'drag', change }, 1).state;
    const stopped = drag(drag(opened(), good), bad);
    const dropped = transition(stopped, { kind: 'drop', label: 'Width' }, 2);
    expect(dropped.effects.map((one) => one.kind)).toEqual(['save', 'notice']);
    expect(dropped.state.history.past).toHaveLength(1);
    // Gone on, there is nothing to be said; given up neither.
    expect(transition(drag(stopped, good), { kind: 'drop', label: 'Width' }, 2).effects).toEqual([{ kind: 'save' }]);
    expect(transition(stopped, { kind: 'cancel-drag' }, 2)).toEqual({ state: opened(), effects: [] });
  });
  it('the history tells how a project came to be: its changes, applied again from the start, lead to where it is', () => {
    const { store, wait } = start();
    const first = projectOf(store.getState());
    store.commands.change('Size', { kind: 'correct-size', sizeId: 'box/width', mm: 1300, asTyped: '1300' });
    for (const to of [2010, 2020, 2030]) {
      store.commands.change('Move', moveTo(to), 'nudge/station');
      wait(100);
    }
    store.commands.drag({ kind: 'move-pieces', pieceIds: ['box'], by: { x: 40, y: 10 } });
    store.commands.drag({ kind: 'move-pieces', pieceIds: ['box'], by: { x: 80, y: 20 } });
    store.commands.drop('Move a piece');
    store.commands.change('Undone', moveTo(1));
    store.commands.undo();
    const { history } = store.getState();
    expect(history.past.map((entry) => entry.changes.length)).toEqual([1, 3, 1]);
    const log = JSON.parse(JSON.stringify(history.past.flatMap((entry) => entry.changes))) as Change[];
    const again = log.reduce((project: Project, change) => {
      const edit = applyChange(project, change);
      if (!edit.ok) throw new Error(edit.error.message);
      return edit.value;
    }, first);
    expect(again).toEqual(history.present);
  });
  it('calls to keep the work come with each change of it, and none from a drag in hand or a refusal', () => {
    const { store } = start();
    let saves = 0;
    const end = store.onSave(() => void (saves += 1));
    store.commands.drag(moveTo(5));
    store.commands.cancelDrag();
    store.commands.change('x', { kind: 'remove-view', viewId: 'view' });
    expect(saves).toBe(0);
    store.commands.change('Move', moveTo(2200));
    store.commands.goToStep(2);
    store.commands.undo();
    expect(saves).toBe(3);
    end();
    store.commands.redo();
    expect(saves).toBe(3);
  });
});
