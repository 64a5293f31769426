import { openDatabase, ProjectStore, type KeyValue } from '@/persistence';
import { newWork } from '@/state';
import { DEMOS } from './demo';

const PREFERENCE_LOOK = 'preference/look';
const SEEDED = 'preference/demonstrations-taken-up';

let database: Promise<KeyValue> | null = null;
/** One database for the whole application, opened at first need; a failed opening may be tried again. */
const opened = (): Promise<KeyValue> => {
  database ??= openDatabase('bathyskop').catch((error: unknown) => {
    database = null;
    throw error;
  });
  return database;
};

export const projectStore = async (): Promise<ProjectStore> => new ProjectStore(await opened(), () => new Date());
export const keptLook = async (): Promise<unknown> => (await opened()).get(PREFERENCE_LOOK);
export const keepLook = async (name: string): Promise<void> =>
  (await opened()).set(PREFERENCE_LOOK, name).catch(() => undefined);

/** Adds the demonstration rooms that are not there. */
export async function takeUpDemos(store: ProjectStore): Promise<void> {
  const there = new Set((await store.list()).map((card) => card.id));
  for (const demo of DEMOS) if (!there.has(demo.id)) await store.save(demo.id, newWork(demo));
}

/** On the very first visit the demonstration rooms lie in the chest. */
export async function seedOnce(store: ProjectStore): Promise<void> {
  const db = await opened();
  if (await db.get(SEEDED)) return;
  await takeUpDemos(store);
  await db.set(SEEDED, true);
}

export const NO_DATABASE =
  'This browser keeps nothing for this page (no IndexedDB, perhaps a private window). You can still work; take the project file away before you leave.';
