/** What a browser has stored. */
import { expect, type Page } from '@playwright/test';

/** Waits until the bin has been looked into, which is once the shelf is there: what is deleted next is not kept waiting. */
export async function binOpened(page: Page): Promise<void> {
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const open = indexedDB.open('zig-hem');
        await new Promise((resolve) => (open.onsuccess = resolve));
        const found = open.result.objectStoreNames.contains('bin');
        open.result.close();
        return found;
      }),
    )
    .toBe(true);
}
