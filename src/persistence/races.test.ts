import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newWork, type Work } from '@/state';
import { at, seededRandom } from '@/core/base';
import { fakeLocks, smallRoom } from '@/testing';
import { Keeper, openDatabase, ProjectStore, SaveRefused, type KeptStatus, type KeyValue } from './index';

const now = (): Date => new Date('2026-11-29T10:00:00Z');
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** What was done, as ticks: each edit adds one of its own. */
const editsOf = (work: Work): readonly string[] => work.desk.done?.view ?? [];
const withEdit = (work: Work, edit: string): Work => ({
  ...work,
  desk: { ...work.desk, done: { view: [...editsOf(work), edit] } },
});

/** How a tab's database behaves: it may be slow, refuse, or hang for good. */
interface Mood {
  slowMs: number;
  refuses: boolean;
  hangs: boolean;
}

/** A tab with the project open: what it shows, and which edits it has shown as saved. */
class Tab {
  readonly mood: Mood = { slowMs: 0, refuses: false, hangs: false };
  readonly shownAsSaved = new Set<string>();
  readonly said: (readonly [KeptStatus, unknown])[] = [];
  /** Which edits were to be seen each time it said that all is saved. */
  readonly seenAsSaved: (readonly string[])[] = [];
  private work: Work | null = null;
  private mine: string[] = [];
  private edits = 0;
  readonly keeper: Keeper;

  constructor(
    readonly name: string,
    database: KeyValue,
    /** How long the other's word is waited for: where it comes, however busy the machine, no test is of how soon. */
    patience: 'short' | 'long' = 'short',
  ) {
    const { mood } = this;
    const moody: KeyValue = {
      ...database,
      get: async (key) => {
        await pause(mood.slowMs);
        return database.get(key);
      },
      transact: async (key, decide) => {
        if (mood.hangs) return new Promise(() => undefined);
        await pause(mood.slowMs);
        if (mood.refuses) throw Object.assign(new Error('full'), { name: 'QuotaExceededError' });
        await database.transact(key, decide);
      },
    };
    this.keeper = new Keeper(
      'a',
      new ProjectStore(moody, now),
      {
        loaded: (loaded) => {
          if (loaded.ok) this.work = loaded.value.work;
          this.mine = [];
        },
        status: (status, why) => {
          this.said.push([status, why]);
          if (status === 'saved') this.seenAsSaved.push(this.work ? editsOf(this.work) : []);
          if (status === 'saved' && this.keeper.settled) for (const edit of this.mine) this.shownAsSaved.add(edit);
        },
      },
      { saveMs: 2, handOverMs: patience === 'long' ? 10_000 : 25, settleMs: 30 },
    );
  }

  /** An edit, where this tab may write. */
  edit(): void {
    const last = this.said.at(-1)?.[0];
    if (!this.work || last === 'reading-only' || last === 'free') return;
    this.edits += 1;
    const edit = `${this.name}-${this.edits}`;
    this.mine.push(edit);
    this.work = withEdit(this.work, edit);
    this.keeper.changed(this.work);
  }
}

let database: KeyValue;
let count = 0;
beforeEach(async () => {
  vi.stubGlobal('navigator', { locks: fakeLocks() });
  count += 1;
  database = await openDatabase(`races-${count}`);
  await new ProjectStore(database, now).create('a', newWork(smallRoom()));
});
afterEach(() => vi.unstubAllGlobals());

const finallyKept = async (): Promise<readonly string[]> => {
  const loaded = await new ProjectStore(database, now).load('a');
  if (!loaded.ok) throw new Error(loaded.error.message);
  return editsOf(loaded.value.work);
};

describe('tabs of one project', () => {
  it.each(Array.from({ length: 60 }, (_, i) => i + 1))(
    'race %i: what was shown as saved is kept, whoever takes over and whatever fails',
    async (seed) => {
      const random = seededRandom(seed);
      const tabs = Array.from({ length: 2 + (seed % 2) }, (_, i) => new Tab(`t${i + 1}`, database));
      for (const { keeper } of tabs) await keeper.open();
      const any = (): Tab => at(tabs, Math.floor(random() * tabs.length));
      const takings: Promise<unknown>[] = [];
      for (let i = 0; i < 14; i += 1) {
        const tab = any();
        const act = random();
        if (act < 0.55) tab.edit();
        else if (act < 0.75 && !tab.mood.hangs) takings.push(tab.keeper.takeOver());
        else if (act < 0.85) tab.mood.slowMs = Math.floor(random() * 12);
        else if (act < 0.93) tab.mood.refuses = !tab.mood.refuses;
        else if (seed % 3 === 0) tab.mood.hangs = true;
        await pause(Math.floor(random() * 9));
      }
      await pause(60);
      for (const tab of tabs) tab.mood.refuses = false;
      await Promise.race([Promise.allSettled(takings), pause(200)]);
      await Promise.race([Promise.allSettled(tabs.map((tab) => tab.keeper.settle())), pause(100)]);
      const kept = new Set(await finallyKept());
      for (const tab of tabs) {
        const lost = [...tab.shownAsSaved].filter((edit) => !kept.has(edit));
        expect(lost, `${tab.name}: ${tab.said.map(([status]) => status).join(' ')}`).toEqual([]);
      }
      for (const tab of tabs) if (!tab.mood.hangs) await tab.keeper.close();
    },
  );

  it('a tab that has lost the right never writes again, not on its way out either', async () => {
    const [first, second] = [new Tab('t1', database), new Tab('t2', database)];
    await first.keeper.open();
    await second.keeper.open();
    first.mood.hangs = true;
    first.edit();
    await pause(10);
    expect(await second.keeper.takeOver()).toBe('no-answer');
    second.edit();
    expect(await second.keeper.settle()).toBe(true);
    first.mood.hangs = false;
    first.edit();
    await first.keeper.settle();
    await first.keeper.close();
    expect(await finallyKept()).toEqual(['t2-1']);
    expect(first.said.at(-1)?.[0]).toBe('reading-only');
    expect(first.said.at(-1)?.[1]).toBeInstanceOf(SaveRefused);
    await second.keeper.close();
  });

  it('who takes over waits for the last save of the other, made a moment before', async () => {
    const [first, second] = [new Tab('t1', database, 'long'), new Tab('t2', database, 'long')];
    await first.keeper.open();
    await second.keeper.open();
    [first.mood.slowMs, second.mood.slowMs] = [10, 20];
    first.edit();
    expect(await second.keeper.takeOver()).toBe('all-saved');
    expect(second.seenAsSaved).toEqual([['t1-1']]);
    second.edit();
    await second.keeper.settle();
    expect(await finallyKept()).toEqual(['t1-1', 't2-1']);
    expect(first.said.at(-1)).toEqual(['reading-only', null]);
    for (const { keeper } of [first, second]) await keeper.close();
  });

  it('a save that fails as it is handed over is said in both tabs, and stays to be taken away', async () => {
    const [first, second] = [new Tab('t1', database, 'long'), new Tab('t2', database, 'long')];
    await first.keeper.open();
    await second.keeper.open();
    first.mood.refuses = true;
    first.edit();
    expect(await second.keeper.takeOver()).toBe('not-all-saved');
    expect(first.said.at(-1)?.[0]).toBe('reading-only');
    expect(first.said.at(-1)?.[1]).toBeInstanceOf(SaveRefused);
    expect(first.keeper.settled).toBe(false);
    for (const { keeper } of [first, second]) await keeper.close();
  });

  it('what a tab had not saved when it lost the right is kept as a project of its own, should it take over again', async () => {
    const [first, second] = [new Tab('t1', database, 'long'), new Tab('t2', database, 'long')];
    await first.keeper.open();
    await second.keeper.open();
    first.mood.refuses = true;
    first.edit();
    await second.keeper.takeOver();
    second.edit();
    await second.keeper.settle();
    // While nothing can be kept it does not take over: what is unsaved would be gone.
    expect(await first.keeper.takeOver()).toBeNull();
    first.mood.refuses = false;
    expect(await first.keeper.takeOver()).toBe('all-saved');
    expect(await finallyKept()).toEqual(['t2-1']);
    const store = new ProjectStore(database, now);
    const apart = (await store.list()).find((one) => one.id !== 'a');
    expect(apart?.name).toBe('Small room, not saved in time');
    const kept = await store.load(apart?.id ?? '');
    expect(kept.ok && editsOf(kept.value.work)).toEqual(['t1-1']);
    for (const { keeper } of [first, second]) await keeper.close();
  });

  it('a tab that reads hears that the one that wrote has gone', async () => {
    const [first, second] = [new Tab('t1', database), new Tab('t2', database)];
    await first.keeper.open();
    await second.keeper.open();
    expect(second.said.at(-1)?.[0]).toBe('reading-only');
    await first.keeper.close();
    await vi.waitFor(() => expect(second.said.at(-1)?.[0]).toBe('free'), { timeout: 3000 });
    expect(await second.keeper.takeOver()).toBe('free');
    second.edit();
    await second.keeper.settle();
    expect(await finallyKept()).toEqual(['t2-1']);
    await second.keeper.close();
  });

  it('a tab that is left while it takes over holds on to nothing', async () => {
    const [first, second, third] = [new Tab('t1', database), new Tab('t2', database), new Tab('t3', database)];
    await first.keeper.open();
    await second.keeper.open();
    first.mood.hangs = true;
    first.edit();
    await pause(5);
    const taking = second.keeper.takeOver();
    await second.keeper.close();
    await taking;
    await first.keeper.close();
    await third.keeper.open();
    expect(third.said.at(-1)?.[0]).toBe('saved');
    await third.keeper.close();
  });

  it('a project removed elsewhere is not made again by a save', async () => {
    const tab = new Tab('t1', database);
    await tab.keeper.open();
    await new ProjectStore(database, now).remove('a');
    tab.edit();
    await tab.keeper.settle();
    expect(tab.said.at(-1)?.[0]).toBe('failed');
    expect(tab.said.at(-1)?.[1]).toMatchObject({ reason: 'removed' });
    // Nor is it said to be saving what one does after.
    tab.edit();
    await pause(10);
    expect(tab.said.at(-1)?.[0]).toBe('failed');
    expect(tab.keeper.settled).toBe(false);
    expect(await database.keys()).toEqual([]);
    await tab.keeper.close();
  });
});
