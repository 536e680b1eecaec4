import { expect, test } from '@playwright/test';
import { firstLoad } from './firstLoad.ts';

/** Compressed, bytes: what a phone on a slow line waits for. */
const MOST_UNTIL_SHELF = 230_000;
const MOST_WITH_DRAWINGS = 265_000;

test('the shelf shows, and is drawn, after no more script than a slow line can carry', async ({ page }) => {
  const { scriptsUntilShelf, scripts } = await firstLoad(page, '/');
  expect(scriptsUntilShelf).toBeGreaterThan(100_000);
  expect(scriptsUntilShelf).toBeLessThan(MOST_UNTIL_SHELF);
  expect(scripts).toBeGreaterThan(scriptsUntilShelf);
  expect(scripts).toBeLessThan(MOST_WITH_DRAWINGS);
});
