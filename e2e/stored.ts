/** Records that a browser has stored. */
import { expect, type Page } from '@playwright/test';

/** Waits until the bin has been looked into, which is once the shelf is there: what is deleted next is not kept waiting. */
export const binOpened = (page: Page): Promise<void> => storeOpened(page, 'bin');

/** Waits until a store has been looked into for the first time. */
export async function storeOpened(page: Page, store: string): Promise<void> {
  await expect
    .poll(() =>
      page.evaluate(async (name) => {
        const open = indexedDB.open('zig-hem');
        await new Promise((resolve) => (open.onsuccess = resolve));
        const found = open.result.objectStoreNames.contains(name);
        open.result.close();
        return found;
      }, store),
    )
    .toBe(true);
}
