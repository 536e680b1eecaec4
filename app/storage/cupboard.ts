/** Where things are kept in this browser: named stores of keys and values, over IndexedDB. */
import localforage from 'localforage';

/** A store of values by key. A value is written whole or not at all. */
export interface Cupboard {
  readonly get: (key: string) => Promise<unknown>;
  readonly set: (key: string, value: unknown) => Promise<void>;
  readonly remove: (key: string) => Promise<void>;
  readonly keys: () => Promise<readonly string[]>;
  /** Every value with its key. */
  readonly all: () => Promise<readonly (readonly [string, unknown])[]>;
}

/** What did not answer in this time is taken for hanging. */
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

/** A store of this browser. */
export function cupboard(storeName: string): Cupboard {
  const store = localforage.createInstance({ name: 'zig-hem', storeName });
  return {
    get: (key) => within(store.getItem(key)),
    set: async (key, value) => {
      await within(store.setItem(key, value));
    },
    remove: (key) => within(store.removeItem(key)),
    keys: () => within(store.keys()),
    all: async () => {
      const found: (readonly [string, unknown])[] = [];
      // A shelf of hundreds may take its time.
      await within(
        store.iterate<unknown, undefined>((value, key) => {
          found.push([key, value]);
        }),
        4 * PATIENCE_MS,
      );
      return found;
    },
  };
}
