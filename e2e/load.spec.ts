import { expect, test } from '@playwright/test';

/** Compressed, bytes: what a phone on a slow line waits for. */
const MOST_SCRIPT = 260_000;

test('the shelf shows after no more script than a slow line can carry', async ({ page, context }) => {
  const session = await context.newCDPSession(page);
  await session.send('Network.enable');
  const scripts = new Set<string>();
  let bytes = 0;
  session.on('Network.responseReceived', (e) => {
    if (e.type === 'Script') scripts.add(e.requestId);
  });
  session.on('Network.loadingFinished', (e) => {
    if (scripts.has(e.requestId)) bytes += e.encodedDataLength;
  });
  await page.goto('/');
  await expect(page.locator('.shelf-hem').first()).toBeVisible();
  expect(bytes).toBeGreaterThan(100_000);
  expect(bytes).toBeLessThan(MOST_SCRIPT);
});
