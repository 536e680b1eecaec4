/** Where things are kept in this browser: named stores of keys and values, over IndexedDB. */
import localforage from 'localforage';

/** A store of values by key. A value is written whole or not at all. */
export interface RecordStore {
  readonly get: (key: string) => Promise<unknown>;
  readonly set: (key: string, value: unknown) => Promise<void>;
  readonly remove: (key: string) => Promise<void>;
  readonly keys: () => Promise<readonly string[]>;
  /**
   * Keeps many values at once, all of them or none, where nothing stands yet.
   *
   * @returns keys at which something stands already; it stays as it was
   */
  readonly addAll: (entries: readonly (readonly [string, unknown])[]) => Promise<readonly string[]>;
  /** Every value with its key. */
  readonly all: () => Promise<readonly (readonly [string, unknown])[]>;
}

/** Time after which a store that does not answer is taken for hanging. */
const PATIENCE_MS = 5000;

/** Storage did not answer. */
export class StorageHangs extends Error {
  constructor() {
    super('this browser’s storage does not answer');
  }
}

/** Whether storage refused for want of room. */
export function isFull(error: unknown): boolean {
  const { name = '', message = '' } = (error ?? {}) as { readonly name?: string; readonly message?: string };
  return /quota|full|space/i.test(`${name} ${message}`);
}

/** A promise that is given up after a while; what it does may still come about later. */
export function within<T>(promise: Promise<T>, ms = PATIENCE_MS): Promise<T> {
  let timer: ReturnType<typeof setTimeout>;
  const hangs = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new StorageHangs()), ms);
  });
  return Promise.race([promise, hangs]).finally(() => clearTimeout(timer));
}

/** All of a store: in one reading where that can be, else one after the other. */
async function allOf(
  store: LocalForage,
  storeName: string,
): Promise<readonly (readonly [string, unknown])[]> {
  await store.ready();
  if (store.driver() === localforage.INDEXEDDB) {
    const opened = await answerTo(indexedDB.open(DATABASE));
    try {
      const kept = opened.transaction(storeName, 'readonly').objectStore(storeName);
      const [keys, values] = await Promise.all([answerTo(kept.getAllKeys()), answerTo(kept.getAll())]);
      return keys.map((key, i) => [key as string, values[i] as unknown] as const);
    } finally {
      opened.close();
    }
  }
  const found: (readonly [string, unknown])[] = [];
  await store.iterate<unknown, undefined>((value, key) => {
    found.push([key, value]);
  });
  return found;
}

/** Keeps many values where nothing stands: in one writing where that can be, else one after the other. */
async function addedAll(
  store: LocalForage,
  storeName: string,
  entries: readonly (readonly [string, unknown])[],
): Promise<readonly string[]> {
  await store.ready();
  const taken: string[] = [];
  if (store.driver() !== localforage.INDEXEDDB) {
    for (const [key, value] of entries) {
      if ((await store.keys()).includes(key)) taken.push(key);
      else await store.setItem(key, value);
    }
    return taken;
  }
  const opened = await answerTo(indexedDB.open(DATABASE));
  try {
    const transaction = opened.transaction(storeName, 'readwrite');
    const kept = transaction.objectStore(storeName);
    const done = new Promise<void>((resolve, reject) => {
      transaction.oncomplete = () => resolve();
      transaction.onabort = () => reject(transaction.error ?? new Error('storage refused'));
    });
    const keys = new Set((await answerTo(kept.getAllKeys())).map(String));
    try {
      for (const [key, value] of entries) {
        if (keys.has(key)) taken.push(key);
        else kept.put(value, key);
      }
    } catch (error) {
      transaction.abort();
      await done.catch(() => undefined);
      throw error;
    }
    await done;
    return taken;
  } finally {
    opened.close();
  }
}

const answerTo = <T>(request: IDBRequest<T>): Promise<T> =>
  new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error ?? new Error('storage cannot be read'));
  });

const DATABASE = 'zig-hem';
const STORES = ['hems', 'history', 'bin', 'undo', 'photos', 'pictures', 'settings'] as const;

let made: Promise<void> | null = null;

/**
 * Makes all stores at once. A store made later would be a new version of the database, for which every other page has to let
 * go of the one it has: a page that sleeps, or is just being left, may take minutes.
 */
const allStores = (): Promise<void> =>
  (made ??= makeStores().catch(() => {
    // What stands in the way is told by what is asked of a store; the next one to ask tries again.
    made = null;
  }));

async function makeStores(): Promise<void> {
  const found = await openedAt();
  const lacks = STORES.some((store) => !found.objectStoreNames.contains(store));
  found.close();
  if (lacks) (await openedAt(found.version + 1)).close();
}

function openedAt(version?: number): Promise<IDBDatabase> {
  const opening = indexedDB.open(DATABASE, version);
  opening.onupgradeneeded = () => {
    const { objectStoreNames } = opening.result;
    for (const store of STORES)
      if (!objectStoreNames.contains(store)) opening.result.createObjectStore(store);
  };
  return answerTo(opening);
}

/** A store of this browser. */
export function recordStore(storeName: (typeof STORES)[number]): RecordStore {
  let found: Promise<LocalForage> | null = null;
  const store = (): Promise<LocalForage> =>
    (found ??= allStores().then(() => localforage.createInstance({ name: DATABASE, storeName })));
  const asked = <T>(ask: (store: LocalForage) => Promise<T>, ms = PATIENCE_MS): Promise<T> =>
    within(store().then(ask), ms);
  return {
    get: (key) => asked((store) => store.getItem(key)),
    set: async (key, value) => {
      await asked((store) => store.setItem(key, value));
    },
    remove: (key) => asked((store) => store.removeItem(key)),
    keys: () => asked((store) => store.keys()),
    addAll: (entries) => asked((store) => addedAll(store, storeName, entries), 4 * PATIENCE_MS),
    // A shelf of hundreds may take its time.
    all: () => asked((store) => allOf(store, storeName), 4 * PATIENCE_MS),
  };
}
