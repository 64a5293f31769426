import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { openDatabase, ProjectStore, type KeyValue } from '@/persistence';
import { newWork } from '@/state';
import { boxPiece, smallRoom } from '@/testing';
import { bringBack, broughtBackWords, everything, onlyHere } from './backup';

let count = 0;
let database: KeyValue;
let store: ProjectStore;
const now = (): Date => new Date('2026-11-29T10:00:00Z');
const another = async (): Promise<ProjectStore> => new ProjectStore(await openDatabase(`backup-${(count += 1)}`), now);
beforeEach(async () => {
  database = await openDatabase(`backup-${(count += 1)}`);
  store = new ProjectStore(database, now);
});
const work = (id: string, name: string) => {
  const made = newWork({ ...smallRoom([boxPiece()]), id, name });
  return { ...made, desk: { ...made.desk, done: { view: ['stroke/1', 'stroke/2'] } } };
};

describe('everything as one file', () => {
  it('comes back whole in another browser: projects, ticks, kept states', async () => {
    await store.create('attic', work('attic', 'Attic'));
    await store.create('cellar', work('cellar', 'Cellar'));
    const writer = await store.claim('attic');
    await store.keepState('attic', 'with the long table', work('attic', 'Attic, long').history.present, writer);
    const all = await everything(store, now());
    expect([all.ids.length, all.unread]).toEqual([2, []]);

    const other = await another();
    const back = await bringBack(other, JSON.parse(all.text));
    expect(back.ok && [...back.value.brought].sort()).toEqual(['Attic', 'Cellar']);
    const [here, there] = await Promise.all([store.load('attic'), other.load('attic')]);
    if (!here.ok || !there.ok) throw new Error('both are there');
    expect(there.value.work).toEqual(here.value.work);
    const kept = (await other.states('attic')).find((one) => one.by === 'hand');
    expect((await other.state('attic', kept?.number ?? 0))?.name).toBe('Attic, long');
  });

  it('writes over nothing: what is the same is left, what differs comes beside it', async () => {
    await store.create('attic', work('attic', 'Attic'));
    await store.create('cellar', work('cellar', 'Cellar'));
    const { text } = await everything(store, now());
    await store.save('attic', work('attic', 'Attic, changed since'), await store.claim('attic'));
    const back = await bringBack(store, JSON.parse(text));
    if (!back.ok) throw new Error(back.error);
    expect(broughtBackWords(back.value)).toBe(
      'Brought in: “Attic, from the backup”; here already, just as in the file: “Cellar”.',
    );
    const loaded = await store.load('attic');
    expect(loaded.ok && loaded.value.work.history.present.name).toBe('Attic, changed since');
    expect((await store.list()).length).toBe(3);
  });

  it('names what cannot be read, here and in the file, and takes the rest', async () => {
    await store.create('attic', work('attic', 'Attic'));
    await store.create('cellar', work('cellar', 'Cellar'));
    await database.set('project/cellar/snapshot/1', 'rubbish');
    const all = await everything(store, now());
    expect([all.ids, all.unread]).toEqual([['attic'], ['Cellar']]);
    const spoilt = JSON.parse(all.text) as { projects: unknown[] };
    spoilt.projects.push({ project: { kind: 'bathyskop-project', version: 5, name: 'Shed' } });
    const back = await bringBack(await another(), spoilt);
    if (!back.ok) throw new Error(back.error);
    expect(broughtBackWords(back.value)).toMatch(/^Brought in: “Attic”; “Shed” could not be read: The file is damaged/);
    expect(await bringBack(store, { kind: 'other' })).toMatchObject({ ok: false });
  });
});

describe('what is kept in this browser alone', () => {
  const card = (changedIn: number, savedAt: string | null = '2026-11-29T10:00:00Z') => ({
    ...{ id: 'attic', name: 'Attic', changedIn, savedAt },
  });
  it('is what was never taken away, or has become another since', () => {
    expect(onlyHere([card(1)], {})).toEqual([{ name: 'Attic', since: null }]);
    expect(onlyHere([card(4)], { attic: { save: 3, at: '2026-11-20' } })).toEqual([
      { name: 'Attic', since: '2026-11-20' },
    ]);
    expect(onlyHere([card(3)], { attic: { save: 3, at: '2026-11-20' } })).toEqual([]);
    expect(onlyHere([card(0, null)], {})).toEqual([]);
    // A project may be called as a property of every object is.
    expect(onlyHere([{ ...card(1), id: 'constructor' }], {}).length).toBe(1);
  });
});
