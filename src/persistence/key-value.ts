import localforage from 'localforage';

/** What one transaction writes and takes out. */
export interface Writes {
  readonly put: readonly (readonly [key: string, value: unknown])[];
  readonly remove: readonly string[];
}

/** What the store needs of a database: values are structured clones, so states keep what they share. */
export interface KeyValue {
  readonly get: (key: string) => Promise<unknown>;
  readonly set: (key: string, value: unknown) => Promise<void>;
  readonly remove: (key: string) => Promise<void>;
  readonly keys: () => Promise<readonly string[]>;
  /**
   * Reads one value and writes what follows from it, in one transaction: nobody else writes in between, and all of it holds or none.
   * What `decide` throws ends the transaction, and is what the promise rejects with.
   */
  readonly transact: (key: string, decide: (value: unknown) => Writes) => Promise<void>;
}

/** Why nothing can be kept here. */
export class NoDatabase extends Error {}

const STORE = 'projects';

/**
 * IndexedDB through localForage, and nothing else: other drivers hold too little and write strings. Transactions go through a connection of their
 * own to the same store, for localForage has none.
 * @throws NoDatabase when the browser gives none.
 */
export async function openDatabase(name: string): Promise<KeyValue> {
  const store = localforage.createInstance({ name, storeName: STORE, driver: localforage.INDEXEDDB });
  try {
    await store.ready();
  } catch (error) {
    throw new NoDatabase(error instanceof Error ? error.message : 'no IndexedDB');
  }
  const connection = kept(() => connect(name));
  return {
    get: (key) => store.getItem(key),
    set: async (key, value) => void (await store.setItem(key, value)),
    remove: (key) => store.removeItem(key),
    keys: () => store.keys(),
    transact: async (key, decide) => inOneTransaction(await connection(), key, decide),
  };
}

/** Opened at first need, and again after it was closed. */
function kept(open: () => Promise<IDBDatabase>): () => Promise<IDBDatabase> {
  let opened: Promise<IDBDatabase> | null = null;
  const forget = (): void => {
    opened = null;
  };
  return () => {
    opened ??= open().then(
      (database) => {
        database.onclose = forget;
        // Another tab wants to change the database's shape: it must not wait for this one.
        database.onversionchange = () => {
          database.close();
          forget();
        };
        return database;
      },
      (error: unknown) => {
        forget();
        throw error instanceof Error ? error : new NoDatabase('no IndexedDB');
      },
    );
    return opened;
  };
}

const connect = (name: string): Promise<IDBDatabase> =>
  new Promise((resolve, reject) => {
    const asked = indexedDB.open(name);
    asked.onsuccess = () => resolve(asked.result);
    asked.onerror = () => reject(asked.error ?? new NoDatabase('no IndexedDB'));
  });

const inOneTransaction = (database: IDBDatabase, key: string, decide: (value: unknown) => Writes): Promise<void> =>
  new Promise((resolve, reject) => {
    let thrown: unknown = null;
    const transaction = database.transaction(STORE, 'readwrite', { durability: 'strict' });
    transaction.oncomplete = () => resolve();
    transaction.onabort = () =>
      reject(thrown instanceof Error ? thrown : (transaction.error ?? new Error('The save was broken off.')));
    const store = transaction.objectStore(STORE);
    const read = store.get(key);
    read.onsuccess = () => {
      try {
        const { put, remove } = decide((read.result as unknown) ?? null);
        for (const [to, value] of put) store.put(value, to);
        for (const one of remove) store.delete(one);
      } catch (error) {
        thrown = error;
        transaction.abort();
      }
    };
  });
