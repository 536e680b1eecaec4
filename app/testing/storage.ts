/** Storage and tabs for tests: kept in memory, failing and hanging when they are told to. */
import { StorageHangs, type RecordStore } from '../storage/recordStore.ts';
import { Drafts, type DraftStore } from '../storage/drafts.ts';
import { Library } from '../storage/library.ts';
import type { News, Tabs } from '../storage/tabs.ts';

export interface TestRecordStore extends RecordStore {
  readonly values: Map<string, unknown>;
  /** Fate of the next calls that write: nothing, refusal, silence. */
  fault: 'none' | 'refuses' | 'full' | 'hangs';
  /** How long it takes to read, to write, and then to say so. */
  delayMs: number;
}

const after = (ms: number): Promise<void> =>
  ms === 0 ? Promise.resolve() : new Promise((passed) => setTimeout(passed, ms));

/** A store in memory that hands out copies, as a database does. */
export function testRecordStore(): TestRecordStore {
  const values = new Map<string, unknown>();
  const copy = (value: unknown): unknown => (value === undefined ? null : structuredClone(value));
  const trouble = (recordStore: TestRecordStore): void => {
    if (recordStore.fault === 'refuses') throw new Error('it is not allowed here');
    if (recordStore.fault === 'full') throw new DOMException('the quota is used up', 'QuotaExceededError');
    if (recordStore.fault === 'hangs') throw new StorageHangs();
  };
  const recordStore: TestRecordStore = {
    values,
    fault: 'none',
    delayMs: 0,
    get: async (key) => {
      await after(recordStore.delayMs);
      return copy(values.get(key) ?? null);
    },
    set: async (key, value) => {
      await after(recordStore.delayMs);
      trouble(recordStore);
      values.set(key, copy(value));
      await after(recordStore.delayMs);
    },
    remove: async (key) => {
      await Promise.resolve();
      trouble(recordStore);
      values.delete(key);
    },
    keys: () => Promise.resolve([...values.keys()]),
    addAll: async (entries) => {
      await Promise.resolve();
      trouble(recordStore);
      const taken = entries.filter(([key]) => values.has(key)).map(([key]) => key);
      for (const [key, value] of entries) if (!taken.includes(key)) values.set(key, copy(value));
      return taken;
    },
    all: () => Promise.resolve([...values].map(([key, value]) => [key, copy(value)] as const)),
  };
  return recordStore;
}

/** Local storage in memory. */
function testDraftStore(): DraftStore & { full: boolean } {
  const values = new Map<string, string>();
  return {
    full: false,
    get length() {
      return values.size;
    },
    key: (i) => [...values.keys()][i] ?? null,
    getItem: (key) => values.get(key) ?? null,
    setItem(key, value) {
      if (this.full) throw new DOMException('full', 'QuotaExceededError');
      values.set(key, value);
    },
    removeItem: (key) => void values.delete(key),
  };
}

/** A browser in which pages can be opened: all share storage, locks and news. */
export function testBrowser() {
  const hems = testRecordStore();
  const history = testRecordStore();
  const bin = testRecordStore();
  const undo = testRecordStore();
  const photos = testRecordStore();
  const pictures = testRecordStore();
  const settings = testRecordStore();
  const drafts = testDraftStore();
  const listeners = new Set<(news: News) => void>();
  const locks = new Map<string, Promise<unknown>>();
  const clock = { now: Date.UTC(2026, 0, 1) };
  let pages = 0;
  const openPage = (): Library => {
    const page = `page ${++pages}`;
    const tabs: Tabs = {
      locked: true,
      alone: (id, work) => {
        const turn = (locks.get(id) ?? Promise.resolve()).then(work, work);
        locks.set(
          id,
          turn.catch(() => undefined),
        );
        return turn;
      },
      tell: (news) => listeners.forEach((listener) => listener(news)),
      hear: (listener) => {
        const heard = (news: News): void => {
          if (news.page !== page) listener(news);
        };
        listeners.add(heard);
        return () => listeners.delete(heard);
      },
    };
    return new Library({
      hems,
      history,
      bin,
      undo,
      photos,
      pictures,
      settings,
      drafts: new Drafts(() => drafts),
      tabs,
      now: () => new Date(clock.now),
      page,
    });
  };
  return { hems, history, bin, undo, photos, pictures, settings, drafts, clock, openPage };
}
