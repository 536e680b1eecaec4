/** Several pages of one browser: who may write, and who hears of it. */
import { within } from './recordStore.ts';

/** Something was written by another page. */
export interface News {
  readonly kind: 'hem' | 'shelf';
  /** The hem that it is about; every one for the shelf as a whole. */
  readonly id: string | null;
  /** The page that wrote it. */
  readonly page: string;
}

export interface Tabs {
  /** Does some work on a hem while no other page does any on it. */
  readonly alone: <T>(id: string, work: () => Promise<T>) => Promise<T>;
  readonly tell: (news: News) => void;
  /** Hears of what other pages write. @returns stops it */
  readonly hear: (listener: (news: News) => void) => () => void;
  /** False where pages cannot keep out of each other’s way; then revisions are looked at before and after a writing. */
  readonly locked: boolean;
}

/** The pages of this browser. Without locks, which an unsafe address does not have, pages only hear of each other. */
export function tabsOfThisBrowser(): Tabs {
  const locks = 'locks' in navigator ? navigator.locks : null;
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('zig-hem');
  const queue = new Map<string, Promise<unknown>>();
  return {
    locked: locks !== null,
    alone: async (id, work) => {
      if (locks) {
        const stop = new AbortController();
        const granted = locks.request(`zig-hem ${id}`, { signal: stop.signal }, work);
        try {
          // Four writings at most are made under one lock.
          return await within(granted, 22_000);
        } catch (error) {
          stop.abort();
          throw error;
        }
      }
      // One after the other at least within this page.
      const turn = (queue.get(id) ?? Promise.resolve()).then(work, work);
      queue.set(
        id,
        turn.catch(() => undefined),
      );
      return turn;
    },
    tell: (news) => channel?.postMessage(news),
    hear: (listener) => {
      const heard = (event: MessageEvent<News>): void => listener(event.data);
      channel?.addEventListener('message', heard);
      return () => channel?.removeEventListener('message', heard);
    },
  };
}
