/** Actions on the shelf that say when they could not be done. */
import type { Notices } from '../look/notices.tsx';
import { StorageHangs, isFull } from '../storage/recordStore.ts';

/** Does something with storage; what fails is told, with the way out, and nothing else is lost by it. */
export async function withWarning<T>(notices: Notices, work: () => Promise<T>): Promise<T | null> {
  try {
    return await work();
  } catch (error) {
    notices.error({
      key: 'refused by storage',
      title: 'It was not done',
      description: whyWords(error),
      duration: 0,
    });
    return null;
  }
}

/** Why storage did not do what was asked, and what to do. */
export function whyWords(error: unknown): string {
  if (error instanceof StorageHangs) {
    return 'This browser’s storage does not answer. Wait a moment and try again; if it goes on, close other tabs of Zig Hem.';
  }
  if (isFull(error)) {
    return 'This browser’s storage is full. Download a backup, empty the bin or delete what is not needed, then try again.';
  }
  return 'This browser refused. Allow this site to keep data, leave private browsing, then try again.';
}

/** Does something with storage; a refusal is told, and comes to null. */
export type Attempt = <T>(work: () => Promise<T>) => Promise<T | null>;
