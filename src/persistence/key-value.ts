import localforage from 'localforage';

/** What the store needs of a database: values are structured clones, so states keep what they share. */
export interface KeyValue {
  readonly get: (key: string) => Promise<unknown>;
  readonly set: (key: string, value: unknown) => Promise<void>;
  readonly remove: (key: string) => Promise<void>;
  readonly keys: () => Promise<readonly string[]>;
}

/** Why nothing can be kept here. */
export class NoDatabase extends Error {}

/**
 * IndexedDB through localForage, and nothing else: other drivers hold too little and write strings.
 * @throws NoDatabase when the browser gives none.
 */
export async function openDatabase(name: string): Promise<KeyValue> {
  const store = localforage.createInstance({ name, storeName: 'projects', driver: localforage.INDEXEDDB });
  try {
    await store.ready();
  } catch (error) {
    throw new NoDatabase(error instanceof Error ? error.message : 'no IndexedDB');
  }
  return {
    get: (key) => store.getItem(key),
    set: async (key, value) => void (await store.setItem(key, value)),
    remove: (key) => store.removeItem(key),
    keys: () => store.keys(),
  };
}
