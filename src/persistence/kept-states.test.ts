import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Project } from '@/core/record';
import { newWork, type Work } from '@/state';
import { boxPiece, smallRoom } from '@/testing';
import { openDatabase, ProjectStore, type KeyValue } from './index';

let count = 0;
let database: KeyValue;
/** The clock of these tests, set by hand. */
let clock = new Date(2026, 10, 1, 10, 0);
let store: ProjectStore;
beforeEach(async () => {
  count += 1;
  database = await openDatabase(`kept-states-${count}`);
  clock = new Date(2026, 10, 1, 10, 0);
  store = new ProjectStore(database, () => clock);
});

const named = (name: string): Work => newWork({ ...smallRoom([boxPiece()]), name });
const at = (day: number, hour: number): void => {
  clock = new Date(2026, 10, day, hour, 0);
};
const shown = async (): Promise<readonly string[]> => (await store.states('a')).map(({ by, name }) => `${by} ${name}`);
const nameOf = async (number: number): Promise<Project['name'] | null> =>
  (await store.state('a', number))?.name ?? null;

describe('states that are kept', () => {
  it('the last of each day, whatever was saved before it; thirty days of them', async () => {
    await store.create('a', named('first'));
    at(1, 18);
    await store.save('a', named('evening of the first'), 0);
    at(2, 9);
    await store.save('a', named('second'), 0);
    expect(await shown()).toEqual(['day 2026-11-02', 'day 2026-11-01']);
    const [second, first] = await store.states('a');
    expect([await nameOf(second?.number ?? 0), await nameOf(first?.number ?? 0)]).toEqual([
      'second',
      'evening of the first',
    ]);
    for (let day = 3; day <= 35; day += 1) {
      at(day, 12);
      await store.save('a', named(`day ${day}`), 0);
    }
    const left = await shown();
    expect([left.length, left[0], left.at(-1)]).toEqual([30, 'day 2026-12-05', 'day 2026-11-06']);
    const keys = await database.keys();
    expect(keys.filter((key) => /^project\/a\/state\//.test(key))).toHaveLength(30);
  });

  it('a clock turned back writes over no day gone by, and the newest stays first', async () => {
    await store.create('a', named('first of the month'));
    at(5, 12);
    await store.save('a', named('fifth'), 0);
    at(1, 11);
    await store.save('a', named('after the clock was turned back'), 0);
    expect(await Promise.all((await store.states('a')).map((one) => nameOf(one.number)))).toEqual([
      'after the clock was turned back',
      'fifth',
      'first of the month',
    ]);
    const loaded = await store.load('a');
    expect(loaded.ok && loaded.value.work.history.present.name).toBe('after the clock was turned back');
  });

  it('by hand under a name, for good, until they are let go; only by who may write', async () => {
    await store.create('a', named('first'));
    const writer = await store.claim('a');
    await store.keepState('a', 'with the long table', named('long').history.present, writer);
    for (let day = 2; day <= 40; day += 1) {
      at(day, 12);
      await store.save('a', named(`day ${day}`), writer);
    }
    const kept = (await store.states('a')).find((one) => one.by === 'hand');
    expect(kept?.name).toBe('with the long table');
    expect(await nameOf(kept?.number ?? 0)).toBe('long');
    await expect(store.keepState('a', 'late', named('x').history.present, writer - 1)).rejects.toMatchObject({
      reason: 'superseded',
    });
    await expect(store.dropState('a', kept?.number ?? 0, writer - 1)).rejects.toMatchObject({ reason: 'superseded' });
    expect(await nameOf(kept?.number ?? 0)).toBe('long');
    await store.dropState('a', kept?.number ?? 0, writer);
    expect((await shown()).some((one) => one.startsWith('hand'))).toBe(false);
    expect(await nameOf(kept?.number ?? 0)).toBeNull();
  });

  it('outlive a pointer that cannot be read, and go with their project', async () => {
    await store.create('a', named('first'));
    await store.keepState('a', 'mine', named('mine').history.present, 0);
    await database.set('project/a/pointer', 'rubbish');
    expect([...(await shown())].sort()).toEqual(['day 2026-11-01', 'hand mine']);
    const writer = await store.claim('a');
    await store.save('a', named('after'), writer);
    expect([...(await shown())].sort()).toEqual(['day 2026-11-01', 'hand mine']);
    await store.remove('a');
    expect(await database.keys()).toEqual([]);
  });

  it('a save that only moves the desk does not count as a change of the project', async () => {
    const work = named('first');
    await store.create('a', work);
    const loaded = await store.load('a');
    if (!loaded.ok) throw new Error('it is there');
    at(2, 9);
    await store.save('a', { ...loaded.value.work, desk: { viewId: 'view', steps: { view: 3 } } }, 0);
    const changedIn = async (): Promise<number | null> => (await store.list())[0]?.changedIn ?? null;
    expect(await changedIn()).toBe(1);
    at(3, 9);
    await store.save('a', named('renamed'), 0);
    expect(await changedIn()).toBe(3);
  });
});
