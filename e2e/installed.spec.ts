/** The installed application: files that are opened with it, and files that are shared to it. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { controlled } from './serviceWorker.ts';
import { expect, test } from './test.ts';

test.use({ serviceWorkers: 'allow' });

/** A hem file that the shelf does not have yet. */
function newHem(): string {
  const hem = JSON.parse(readFileSync('demo/harbour-throw.hem.json', 'utf8')) as { id: string; name: string };
  return JSON.stringify({ ...hem, id: 'handed-over', name: 'Handed over' });
}

const card = (page: Page) => page.locator('.shelf_hem', { hasText: 'Handed over' });

test('a file that is opened with the application stands on the shelf', async ({ page }) => {
  await page.addInitScript((text) => {
    const file = new File([text], 'handed-over.hem.json');
    const launchQueue = {
      setConsumer: (take: (launched: unknown) => void) =>
        take({ files: [{ getFile: () => Promise.resolve(file) }] }),
    };
    Object.defineProperty(window, 'launchQueue', { value: launchQueue });
  }, newHem());
  await page.goto('/');
  await expect(card(page)).toBeVisible();
});

test('a file that is gone when it is opened is told', async ({ page }) => {
  await page.addInitScript(() => {
    const gone = { getFile: () => Promise.reject(new DOMException('It was moved', 'NotFoundError')) };
    const launchQueue = { setConsumer: (take: (launched: unknown) => void) => take({ files: [gone] }) };
    Object.defineProperty(window, 'launchQueue', { value: launchQueue });
  });
  await page.goto('/');
  await expect(page.getByText('The file could not be read')).toBeVisible();
});

/** Shares as the system does. @returns whether it was taken */
const share = (page: Page, text: string): Promise<boolean> =>
  page.evaluate(async (json) => {
    const body = new FormData();
    body.append('files', new File([json], 'für dich.hem.json', { type: 'application/json' }));
    return (await fetch('/shared', { method: 'POST', body })).ok;
  }, text);

test('a file that is shared to the application is kept until the shelf has opened it', async ({ page }) => {
  await page.goto('/licences');
  await controlled(page);
  expect(await share(page, newHem())).toBe(true);
  await page.goto('/');
  await expect(card(page)).toBeVisible();
  await expect
    .poll(() => page.evaluate(async () => (await (await caches.open('zig-hem-shared')).keys()).length))
    .toBe(0);
  // What cannot be read is pointed at, as with any file.
  await share(page, '{"name": "Half a hem');
  await page.reload();
  await expect(page.getByText('für dich.hem.json').first()).toBeVisible();
});

test('a share that finds no room is told', async ({ page }) => {
  await page.goto('/#not-shared');
  await expect(page.getByText('What was shared could not be kept')).toBeVisible();
  await expect(page).toHaveURL(/\/$/);
});
