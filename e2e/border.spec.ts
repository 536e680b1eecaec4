import { expect, test, type Page } from '@playwright/test';

/** The four side counts of the last round, as the written pattern prints them. */
async function writtenCounts(page: Page, heading: RegExp): Promise<readonly number[]> {
  const section = page
    .locator('.pattern-sheet section')
    .filter({ has: page.getByRole('heading', { name: heading }) });
  const text = await section.getByText(/^Counts:/).innerText();
  return [...text.matchAll(/\b[A-D] (\d+)/g)].map((m) => Number(m[1]));
}

async function openDemo(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'Harbour throw' }).first().click();
  await expect(page.getByRole('heading', { name: 'Base round' })).toBeVisible();
}

test('from the demo to a shell edge that comes out even, kept over a reload', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: /^Rounds/ }).click();
  await page.getByRole('button', { name: '+ Shell edge' }).click();
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('1 not even');

  await page.getByRole('link', { name: /^Base round/ }).click();
  for (const side of ['A', 'B']) {
    const handle = page.getByRole('slider', { name: `Stitches along side ${side}` });
    const mark = page.locator('.count-line').filter({ has: handle }).locator('.even-mark').nth(3);
    const from = (await handle.locator('circle').boundingBox())!;
    const to = (await mark.boundingBox())!;
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(to.x + to.width / 2 + 30, to.y, { steps: 6 });
    await page.mouse.move(to.x + to.width / 2, to.y, { steps: 6 });
    await page.mouse.up();
    await expect(handle).toHaveAttribute('aria-valuetext', /every round comes out even/);
  }
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('4, all come out even');

  await page.getByRole('link', { name: /^Pattern/ }).click();
  const before = await writtenCounts(page, /^Round 3/);
  const shells = await page.getByText(/^Repeats:/).innerText();
  const repeats = [...shells.matchAll(/\b[A-D] (\d+)/g)].map((m) => Number(m[1]));
  // Shells stand on 3 over a multiple of 4, each taking four stitches.
  expect(before.map((n) => (n - 3) % 4)).toEqual([0, 0, 0, 0]);
  expect(repeats).toEqual(before.map((n) => (n - 3) / 4));
  const edge = await writtenCounts(page, /^Round 4: shell edge/);

  await expect(page.getByText('Kept in this browser')).toBeVisible();
  await page.reload();
  expect(await writtenCounts(page, /^Round 3/)).toEqual(before);
  expect(await writtenCounts(page, /^Round 4: shell edge/)).toEqual(edge);
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('4, all come out even');
});

test('a fit is taken with one click and taken back with one key', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: /^Rounds/ }).click();
  await page.getByRole('button', { name: '+ Shell edge' }).click();
  const rounds = page.getByRole('link', { name: /^Rounds/ });
  await expect(rounds).toContainText('1 not even');
  await page.getByRole('region', { name: 'Fit' }).getByRole('button').first().click();
  await expect(rounds).toContainText('all come out even');
  await page.keyboard.press('Control+z');
  await expect(rounds).toContainText('1 not even');
  await page.keyboard.press('Control+Shift+z');
  await expect(rounds).toContainText('all come out even');
});

test('the count is stepped and jumped with the keyboard', async ({ page }) => {
  await openDemo(page);
  const handle = page.getByRole('slider', { name: 'Stitches along side A' });
  await handle.focus();
  const start = Number(await handle.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
  await expect(handle).toHaveAttribute('aria-valuenow', String(start + 1));
  await expect(page.getByRole('link', { name: /^Base round/ })).toContainText(`A ${start + 1}`);
});

test('terms change everywhere, counts do not', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: /^Pattern/ }).click();
  const us = await writtenCounts(page, /^Round 3/);
  await expect(page.getByText('hdc in next st')).toBeVisible();
  await page.getByText('UK terms', { exact: true }).click();
  await expect(page.getByText('htr in next st')).toBeVisible();
  expect(await writtenCounts(page, /^Round 3/)).toEqual(us);
});

test('a hem goes out as a file and comes back in, and a damaged file changes nothing', async ({ page }) => {
  await page.goto('/');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export Harbour throw' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('harbour-throw.hem.json');
  const path = await file.path();
  const cards = page.getByRole('heading', { name: 'Harbour throw' });
  await expect(cards).toHaveCount(1);
  await page.getByLabel('Project files').setInputFiles(path);
  await expect(cards).toHaveCount(2);

  await page.getByLabel('Project files').setInputFiles({
    name: 'torn.hem.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"zig-hem","version":1,"name":"Torn"}'),
  });
  await expect(page.getByRole('alert')).toContainText('torn.hem.json was not opened');
  await expect(page.getByRole('alert')).toContainText('piece');
  await expect(cards).toHaveCount(2);
});

test('a hem taken off the shelf is put back', async ({ page }) => {
  await page.goto('/');
  const card = page.getByRole('heading', { name: 'Harbour throw' });
  await page.getByRole('button', { name: 'Take Harbour throw off the shelf' }).click();
  await expect(card).toHaveCount(0);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(card).toHaveCount(1);
});
