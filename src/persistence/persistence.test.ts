import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { correctSize } from '@/core/record';
import { newWork, record, type Work } from '@/state';
import { boxPiece, smallRoom } from '@/testing';
import { Autosave, openDatabase, ProjectStore, SaveRefused, Unanswered, type KeyValue, type SaveState } from './index';

const now = (): Date => new Date('2026-11-23T10:00:00Z');
let count = 0;
let database: KeyValue;
beforeEach(async () => {
  count += 1;
  database = await openDatabase(`test-${count}`);
});

const withHeight = (work: Work, mm: number): Work => {
  const edited = correctSize(work.history.present, 'box/height', { mm, asTyped: String(mm) });
  if (!edited.ok) throw new Error(edited.error.message);
  return { ...work, history: record(work.history, { label: `height ${mm}`, state: edited.value, atMs: mm * 1e4 }) };
};
const heightOf = (work: Work): number => work.history.present.pieces[0]?.height.claims[0]?.mm ?? NaN;
/** Kept as one opens, works, and closes: made, or under a number of its own. */
async function keep(store: ProjectStore, id: string, work: Work): Promise<void> {
  if ((await store.list()).some((one) => one.id === id)) return store.save(id, work, await store.claim(id));
  return store.create(id, work);
}
const base = (): Work => newWork(smallRoom([boxPiece()]));

describe('keeping projects in IndexedDB', () => {
  it('loads what was saved, history and desk with it', async () => {
    const store = new ProjectStore(database, now);
    const work = { ...withHeight(withHeight(base(), 1000), 1100), desk: { viewId: 'view', steps: { view: 5 } } };
    await keep(store, 'a', work);
    const loaded = await store.load('a');
    if (!loaded.ok) throw new Error(loaded.error.message);
    expect(loaded.value.work).toEqual(work);
    expect(loaded.value.notice).toBeNull();
    expect(await store.list()).toEqual([
      {
        id: 'a',
        name: 'Small room',
        savedAt: '2026-11-23T10:00:00.000Z',
        changedIn: 1,
        current: 1,
      },
    ]);
  });

  it('a snapshot of an older version comes up to date with its whole history, so that undo finds no old shape', async () => {
    const work = withHeight(base(), 1000);
    const older = (project: Work['history']['present']) => ({
      ...project,
      version: 2,
      spaces: project.spaces.map((space) => ({ ...space, ceiling: { shape: space.ceiling.shape } })),
      views: project.views.map((view) =>
        Object.fromEntries(
          Object.entries(view).filter(
            ([key]) => !['figure', 'margins', 'straightedge', 'aids', 'grid', 'guesses', 'zero'].includes(key),
          ),
        ),
      ),
    });
    const { past, present } = work.history;
    await new ProjectStore(database, now).create('a', {
      ...work,
      history: {
        past: past.map((entry) => ({ ...entry, state: older(entry.state) })),
        present: older(present),
        future: [],
      } as unknown as Work['history'],
    });
    const loaded = await new ProjectStore(database, now).load('a');
    if (!loaded.ok) throw new Error(loaded.error.message);
    expect(loaded.value.work.history).toEqual(work.history);
  });

  it('states of the history keep sharing what they share: a hundred entries cost little more than one', async () => {
    let work = base();
    for (let i = 1; i <= 100; i += 1) work = withHeight(work, 1000 + i);
    await new ProjectStore(database, now).create('a', work);
    const kept = (await database.get('project/a/snapshot/1')) as Work;
    const spaces = new Set(
      [kept.history.present, ...kept.history.past.map((entry) => entry.state)].map((project) => project.spaces),
    );
    expect(kept.history.past.length).toBe(100);
    expect(spaces.size).toBe(1);
  });

  it('writes a new snapshot, then flips the pointer, and keeps the last three', async () => {
    const order: string[] = [];
    const store = new ProjectStore(
      {
        ...database,
        transact: (key, decide) =>
          database.transact(key, (value) => {
            const writes = decide(value);
            order.push(...writes.put.map(([to]) => to));
            return writes;
          }),
      },
      now,
    );
    await store.create('a', withHeight(base(), 1000));
    for (const height of [1001, 1002, 1003, 1004]) await store.save('a', withHeight(base(), height), 0);
    expect(order.slice(0, 6)).toEqual([
      'project/a/snapshot/1',
      'project/a/state/1',
      'project/a/pointer',
      'project/a/snapshot/2',
      'project/a/state/1',
      'project/a/pointer',
    ]);
    expect([...(await database.keys())].sort()).toEqual([
      'project/a/pointer',
      'project/a/snapshot/3',
      'project/a/snapshot/4',
      'project/a/snapshot/5',
      'project/a/state/1',
    ]);
  });

  it.each([
    ['the snapshot', /snapshot/],
    ['the pointer', /pointer/],
  ])('a save that fails at %s leaves the one before whole', async (_, failing) => {
    const store = new ProjectStore(database, now);
    await keep(store, 'a', withHeight(base(), 1000));
    const broken = new ProjectStore(
      {
        ...database,
        // What the browser cannot keep is refused by itself, in the midst of the transaction.
        transact: (key, decide) =>
          database.transact(key, (value) => {
            const { put, remove } = decide(value);
            return { remove, put: put.map(([to, one]) => [to, failing.test(to) ? () => one : one]) };
          }),
      },
      now,
    );
    await expect(broken.save('a', withHeight(base(), 2000), 0)).rejects.toThrow(/could not be cloned/);
    const loaded = await store.load('a');
    expect(loaded.ok && heightOf(loaded.value.work)).toBe(1000);
    await keep(store, 'a', withHeight(base(), 3000));
    const again = await store.load('a');
    expect(again.ok && heightOf(again.value.work)).toBe(3000);
  });

  it('what a newer build has saved is left alone: not opened at an earlier save, not written, not swept, not mended', async () => {
    const store = new ProjectStore(database, now);
    await keep(store, 'a', base());
    await keep(store, 'a', withHeight(base(), 1100));
    const newer = { ...base(), history: { past: [], present: { ...base().history.present, version: 99 }, future: [] } };
    await database.set('project/a/snapshot/2', newer);
    const before = await store.raw('a');
    const loaded = await store.load('a');
    expect(loaded.ok ? '' : loaded.error.reason).toBe('newer');
    expect(loaded.ok ? '' : loaded.error.message).toMatch(/newer build/);
    await expect(store.claim('a')).rejects.toMatchObject({ reason: 'newer' });
    expect(await store.salvage('a')).toBeNull();
    expect(await store.raw('a')).toBe(before);
  });

  it('falls back to an earlier snapshot when the last is damaged, says so, and removes nothing', async () => {
    const store = new ProjectStore(database, now);
    await keep(store, 'a', withHeight(base(), 1000));
    await keep(store, 'a', withHeight(base(), 1001));
    await database.set('project/a/snapshot/2', { history: { present: { kind: 'broken' } } });
    const loaded = await store.load('a');
    if (!loaded.ok) throw new Error(loaded.error.message);
    expect(heightOf(loaded.value.work)).toBe(1000);
    expect(loaded.value.notice).toContain('the one before');
    await database.set('project/a/snapshot/1', 'rubbish');
    const damaged = await store.load('a');
    expect(damaged.ok ? '' : damaged.error.reason).toBe('damaged');
    expect((await database.keys()).length).toBe(4);
    expect((await store.load('never')).ok).toBe(false);
  });

  it('a history that cannot be read is dropped, the project not; layers come back as they lay, locked or not', async () => {
    const store = new ProjectStore(database, now);
    const layers = {
      room: { show: 'dimmed', locked: false },
      furniture: { show: 'on', locked: true },
    } as const;
    await keep(store, 'a', { ...withHeight(base(), 1000), desk: { viewId: 'view', steps: {}, layers } });
    const whole = await store.load('a');
    if (!whole.ok) throw new Error(whole.error.message);
    expect(whole.value.work.desk.layers).toEqual(layers);
    expect(whole.value.work.history.past).toHaveLength(1);
    const kept = (await database.get('project/a/snapshot/1')) as Work;
    for (const past of [[{ label: 'x', state: { kind: 'broken' } }], 'none', undefined]) {
      await database.set('project/a/snapshot/1', { ...kept, history: { ...kept.history, past } });
      const loaded = await store.load('a');
      if (!loaded.ok) throw new Error(loaded.error.message);
      expect(heightOf(loaded.value.work)).toBe(1000);
      expect(loaded.value.work.history).toMatchObject({ past: [], future: [] });
    }
  });

  it('plans at the board come back as they were taken there; what cannot be read of them is left out', async () => {
    const store = new ProjectStore(database, now);
    const page = { projectId: 'a', viewId: 'view', order: 'by-pass', title: 'A plan', digest: 'd', sheet: [420, 297] };
    const lists = { frame: [0, 0, 1, 1], plan: [], marks: [['1', 2, 3]], steps: [], drawn: [] };
    const stroke = { id: 'm', is: 'mark', called: '1', chains: [[2, 3]], ends: [] };
    const plan = {
      ...{ digest: 'd', frozenAt: '2026-11-30T10:00:00.000Z', record: 'r', school: 'distance-point', order: 'by-pass' },
      ...{ strokes: [stroke], page: { ...page, ...lists }, spare: [] },
    };
    const frozen = { view: [plan, { ...plan, strokes: 'none' }], other: [] };
    await keep(store, 'a', { ...base(), desk: { viewId: 'view', steps: {}, frozen } } as unknown as Work);
    const loaded = await store.load('a');
    expect(loaded.ok && loaded.value.work.desk.frozen).toEqual({ view: [plan], other: [] });
    // Kept as text, which costs the next save nothing; text that is no plan is left out.
    if (!loaded.ok) return;
    await keep(store, 'b', loaded.value.work);
    const kept = (await database.get('project/b/snapshot/1')) as { readonly desk: Record<string, unknown> };
    expect(kept.desk.frozen).toEqual({ view: [JSON.stringify(plan)], other: [] });
    expect(await store.load('b')).toMatchObject({ value: { work: { desk: loaded.value.work.desk } } });
    await database.set('project/b/snapshot/1', { ...kept, desk: { ...kept.desk, frozen: { view: ['{'] } } });
    expect(await store.load('b')).toMatchObject({ value: { work: { desk: { frozen: { view: [] } } } } });
  });

  it('changes that led to an entry come back if they can be read, and are left out if not', async () => {
    const store = new ProjectStore(database, now);
    const change = { kind: 'correct-size', sizeId: 'box/height', mm: 1000, asTyped: '1000' } as const;
    const given = withHeight(base(), 1000);
    const withChanges = (changes: unknown): Work =>
      ({
        ...given,
        history: { ...given.history, past: given.history.past.map((entry) => ({ ...entry, changes })) },
      }) as Work;
    for (const [changes, expected] of [
      [[change], [change]],
      [[{ kind: 'several', changes: [change] }], [{ kind: 'several', changes: [change] }]],
      [[change, { kind: 'unheard-of' }], []],
      [[{ ...change, mm: 'long' }], []],
      ['none', []],
    ] as const) {
      await keep(store, 'a', withChanges(changes));
      const loaded = await store.load('a');
      if (!loaded.ok) throw new Error(loaded.error.message);
      expect(loaded.value.work.history.past[0]?.changes).toEqual(expected);
    }
  });

  it('removes a project whole and leaves its neighbours', async () => {
    const store = new ProjectStore(database, now);
    await keep(store, 'a', base());
    await keep(store, 'a/b', base());
    await store.remove('a');
    expect((await store.list()).map((card) => card.id)).toEqual(['a/b']);
    expect((await store.load('a/b')).ok).toBe(true);
  });
});

describe('what may write, and what is found again', () => {
  it('a save under a number that is no longer the newest is refused, and changes nothing', async () => {
    const store = new ProjectStore(database, now);
    await store.create('a', withHeight(base(), 1000));
    const [first, second] = [await store.claim('a'), await store.claim('a')];
    expect(second).toBe(first + 1);
    await store.save('a', withHeight(base(), 2000), second);
    const before = await Promise.all((await database.keys()).map((key) => database.get(key)));
    await expect(store.save('a', withHeight(base(), 3000), first)).rejects.toMatchObject({ reason: 'superseded' });
    expect(await Promise.all((await database.keys()).map((key) => database.get(key)))).toEqual(before);
  });
  it('who holds the lock takes back a number that another took on its way out of it, but not where something was saved under it', async () => {
    const [one, other] = [new ProjectStore(database, now), new ProjectStore(database, now)];
    await one.create('a', withHeight(base(), 1000));
    await one.load('a');
    const mine = await one.claim('a');
    await other.claim('a');
    await expect(one.save('a', withHeight(base(), 1100), mine)).rejects.toMatchObject({ reason: 'superseded' });
    const again = await one.reclaim('a');
    await one.save('a', withHeight(base(), 1100), again);
    await one.save('a', withHeight(base(), 1150), again);
    const theirs = await other.claim('a');
    await other.save('a', withHeight(base(), 1200), theirs);
    await expect(one.reclaim('a')).rejects.toMatchObject({ reason: 'superseded' });
    // Whoever has lost the lock on the way takes nothing.
    await expect(one.claim('a', () => false)).rejects.toMatchObject({ reason: 'superseded' });
    await other.save('a', withHeight(base(), 1300), theirs);
    const loaded = await one.load('a');
    expect(loaded.ok && heightOf(loaded.value.work)).toBe(1300);
  });
  it('what was removed is not made again by a save, and what is there not made anew', async () => {
    const store = new ProjectStore(database, now);
    await store.create('a', base());
    await expect(store.create('a', base())).rejects.toBeInstanceOf(SaveRefused);
    const writer = await store.claim('a');
    await store.remove('a');
    await expect(store.save('a', base(), writer)).rejects.toMatchObject({ reason: 'removed' });
    expect(await database.keys()).toEqual([]);
  });
  it('snapshots that a save broken off left behind are swept when the project is opened for writing; no other project’s', async () => {
    const store = new ProjectStore(database, now);
    await store.create('a', base());
    await store.create('a/snapshot', base());
    await database.set('project/a/snapshot/77', 'half');
    await store.claim('a');
    // Nor does what another has make one that is not there look damaged.
    const missing = await store.load('b');
    expect(missing.ok ? '' : missing.error.reason).toBe('missing');
    expect([...(await database.keys())].sort()).toEqual([
      'project/a/pointer',
      'project/a/snapshot/1',
      'project/a/snapshot/pointer',
      'project/a/snapshot/snapshot/1',
      'project/a/snapshot/state/1',
      'project/a/state/1',
    ]);
  });
  it('a pointer that cannot be read hides neither its project nor another, and the next save mends it', async () => {
    const store = new ProjectStore(database, now);
    await store.create('a', withHeight(base(), 1000));
    await store.create('b', base());
    await database.set('project/a/pointer', 'rubbish');
    expect((await store.list()).map(({ id, savedAt }) => [id, savedAt === null])).toEqual([
      ['b', false],
      ['a', true],
    ]);
    const loaded = await store.load('a');
    expect(loaded.ok && heightOf(loaded.value.work)).toBe(1000);
    await store.save('a', withHeight(base(), 1100), await store.claim('a'));
    const again = await store.load('a');
    expect(again.ok && [heightOf(again.value.work), again.value.notice]).toEqual([1100, null]);
  });
  it('the save before the last can be gone back to', async () => {
    const store = new ProjectStore(database, now);
    await store.create('a', withHeight(base(), 1000));
    await keep(store, 'a', withHeight(base(), 1100));
    const before = await store.load('a', 'before');
    expect(before.ok && heightOf(before.value.work)).toBe(1000);
  });
  it('of a project whose saves cannot be read all is taken away as it lies, and the newest sound state is found in its history', async () => {
    const store = new ProjectStore(database, now);
    const work = withHeight(withHeight(base(), 1000), 1100);
    await store.create('a', work);
    const spoilt = { ...work, history: { ...work.history, present: { ...work.history.present, views: [] } } };
    await database.set('project/a/snapshot/1', spoilt);
    const loaded = await store.load('a');
    expect(loaded.ok ? '' : loaded.error.message).toMatch(/needs a view.*repair the project from its history/);
    expect(JSON.parse(await store.raw('a'))).toMatchObject({ id: 'a', saves: [spoilt] });
    expect((await store.salvage('a'))?.pieces[0]?.height.claims.at(-1)?.mm).toBe(1000);
    await database.set('project/a/snapshot/1', { history: 'rubbish' });
    // The last of the day is still there.
    expect((await store.salvage('a'))?.pieces[0]?.height.claims.at(-1)?.mm).toBe(1100);
    await database.set('project/a/state/1', 'rubbish');
    expect(await store.salvage('a')).toBeNull();
  });
  it('the small picture is kept with its save and no other', async () => {
    const store = new ProjectStore(database, now);
    await store.create('a', base());
    expect(await store.picture('a', 1)).toBeNull();
    await store.keepPicture('a', 1, null);
    expect(await store.picture('a', 1)).toEqual({ picture: null });
    expect(await store.picture('a', 2)).toBeNull();
    await store.remove('a');
    expect(await database.keys()).toEqual([]);
  });
});

describe('saving by itself', () => {
  it('says saved only after the last change is kept, and keeps trying after a failure', async () => {
    const states: SaveState['is'][] = [];
    const saved: number[] = [];
    let fail = false;
    let release: () => void = () => undefined;
    const saver = new Autosave(
      async (work) => {
        await new Promise<void>((resolve) => {
          release = resolve;
        });
        if (fail) throw new Error('full');
        saved.push(heightOf(work));
      },
      (state) => states.push(state.is),
      0,
    );
    saver.changed(withHeight(base(), 1001));
    const first = saver.flush();
    saver.changed(withHeight(base(), 1002));
    release();
    await first;
    expect([saved, states.at(-1)]).toEqual([[1001], 'saving']);
    const second = saver.flush();
    await Promise.resolve();
    release();
    await second;
    expect([saved, states.at(-1)]).toEqual([[1001, 1002], 'saved']);
    fail = true;
    saver.changed(withHeight(base(), 1003));
    const third = saver.flush();
    await Promise.resolve();
    release();
    await third;
    expect(states.at(-1)).toBe('failed');
    fail = false;
    const fourth = saver.flush();
    await Promise.resolve();
    release();
    await fourth;
    expect([saved.at(-1), states.at(-1)]).toEqual([1003, 'saved']);
  });

  it('never saves twice at once: what comes while it saves waits for its end', async () => {
    let [running, most] = [0, 0];
    const ends: (() => void)[] = [];
    const saved: number[] = [];
    const saver = new Autosave(
      async (work) => {
        running += 1;
        most = Math.max(most, running);
        await new Promise<void>((resolve) => ends.push(resolve));
        running -= 1;
        saved.push(heightOf(work));
      },
      () => undefined,
      0,
    );
    saver.changed(withHeight(base(), 1001));
    const first = saver.flush();
    saver.changed(withHeight(base(), 1002));
    const second = saver.flush();
    await Promise.resolve();
    expect(ends).toHaveLength(1);
    ends[0]?.();
    await first;
    await new Promise((resolve) => setTimeout(resolve, 1));
    ends[1]?.();
    await second;
    expect([saved, most]).toEqual([[1001, 1002], 1]);
  });

  it('tries again by itself after a failure, says why, and says when the store does not answer', async () => {
    vi.useFakeTimers();
    try {
      const states: SaveState[] = [];
      const full = new Error('full');
      let answer: () => Promise<void> = () => Promise.reject(full);
      const saver = new Autosave(
        () => answer(),
        (state) => states.push(state),
      );
      saver.changed(base());
      await vi.advanceTimersByTimeAsync(400);
      expect(states.at(-1)).toEqual({ is: 'failed', why: full });
      expect(saver.settled).toBe(false);
      answer = () => Promise.resolve();
      await vi.advanceTimersByTimeAsync(2000);
      expect(states.at(-1)).toEqual({ is: 'saved' });
      expect(saver.settled).toBe(true);
      let late: () => void = () => undefined;
      answer = () =>
        new Promise((resolve) => {
          late = resolve;
        });
      saver.changed(base());
      await vi.advanceTimersByTimeAsync(400 + 10_000);
      const last = states.at(-1);
      expect(last?.is === 'failed' && last.why).toBeInstanceOf(Unanswered);
      late();
      await vi.advanceTimersByTimeAsync(0);
      expect(states.at(-1)).toEqual({ is: 'saved' });
      // What is ended tries no more.
      answer = () => Promise.reject(full);
      saver.changed(base());
      await vi.advanceTimersByTimeAsync(400);
      saver.end();
      const told = states.length;
      await vi.advanceTimersByTimeAsync(100_000);
      expect(states.length).toBe(told);
    } finally {
      vi.useRealTimers();
    }
  });
});
