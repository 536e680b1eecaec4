import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { choose } from './inForce.ts';

/** The four side counts of the last round, as the written pattern prints them. */
async function writtenCounts(page: Page, heading: RegExp): Promise<readonly number[]> {
  const section = page
    .locator('.pattern_sheet section')
    .filter({ has: page.getByRole('heading', { name: heading }) });
  const text = await section.getByText(/^Count from/).innerText();
  return [...text.matchAll(/\b[A-D] (\d+)/g)].map((m) => Number(m[1]));
}

async function openDemo(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'Harbour throw' }).first().click();
  await expect(page.getByRole('heading', { name: 'Base round' })).toBeVisible();
}

async function addRound(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a round' }).click();
  await page.getByRole('button', { name: `${name}: add it` }).click();
}

test('from the demo to a shell edge that comes out even, kept over a reload', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: /^Rounds/ }).click();
  await addRound(page, 'Shell edge');
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('does not fit');

  await page.getByRole('link', { name: /^Base round/ }).click();
  for (const [side, group] of [
    ['A', /^Sides A and C/],
    ['B', /^Sides B and D/],
  ] as const) {
    await page.getByRole('button', { name: group }).click();
    const handle = page.getByRole('slider', { name: `Stitches along side ${side}` });
    const mark = page
      .locator('.countLine_countLine')
      .filter({ has: handle })
      .locator('.countLine_evenMark')
      .nth(3);
    const from = (await handle.locator('circle').boundingBox())!;
    const to = (await mark.boundingBox())!;
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(to.x + to.width / 2 + 30, to.y, { steps: 6 });
    await page.mouse.move(to.x + to.width / 2, to.y, { steps: 6 });
    await page.mouse.up();
    await expect(handle).toHaveAttribute('aria-valuetext', /every round fits/);
  }
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('4, all fit');

  await page.getByRole('link', { name: /^Pattern/ }).click();
  await page.getByText('Step by step').click();
  const before = await writtenCounts(page, /^Round 3/);
  const shells = await page.getByText(/^Repeats:/).innerText();
  const repeats = [...shells.matchAll(/\b[A-D] (\d+)/g)].map((m) => Number(m[1]));
  // Shells stand on 3 over a multiple of 4, each taking four stitches.
  expect(before.map((n) => (n - 3) % 4)).toEqual([0, 0, 0, 0]);
  expect(repeats).toEqual(before.map((n) => (n - 3) / 4));
  const edge = await writtenCounts(page, /^Round 4: shell edge/);

  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await page.reload();
  expect(await writtenCounts(page, /^Round 3/)).toEqual(before);
  expect(await writtenCounts(page, /^Round 4: shell edge/)).toEqual(edge);
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('4, all fit');
});

test('a fit is taken with one click and taken back with one key', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: /^Rounds/ }).click();
  await addRound(page, 'Shell edge');
  const rounds = page.getByRole('link', { name: /^Rounds/ });
  await expect(rounds).toContainText('does not fit');
  await page
    .getByRole('region', { name: 'Fit' })
    .getByRole('button', { name: /Then every round fits/ })
    .first()
    .click();
  await expect(rounds).toContainText('all fit');
  await page.keyboard.press('Control+z');
  await expect(rounds).toContainText('does not fit');
  await page.keyboard.press('Control+Shift+z');
  await expect(rounds).toContainText('all fit');
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
  await page.getByText('Step by step').click();
  const us = await writtenCounts(page, /^Round 3/);
  await expect(page.getByText('hdc in each st')).toBeVisible();
  await choose(page, 'UK terms');
  await expect(page.getByText('htr in each st')).toBeVisible();
  expect(await writtenCounts(page, /^Round 3/)).toEqual(us);
});

test('a hem goes out as a file and comes back in, and a damaged file changes nothing', async ({ page }) => {
  await page.goto('/');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download Harbour throw as a file' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('harbour-throw.hem.json');
  const path = await file.path();
  const cards = page.getByRole('heading', { name: 'Harbour throw' });
  await expect(cards).toHaveCount(1);
  // The same once more is not doubled; after it was deleted it comes back.
  await page.getByLabel('Choose hem files').setInputFiles(path);
  await expect(page.getByRole('alert')).toContainText('1 the same as on your shelf');
  await page.getByRole('button', { name: 'Close', exact: true }).last().click();
  await page.getByRole('button', { name: 'Delete Harbour throw' }).click();
  await expect(cards).toHaveCount(0);
  await page.getByLabel('Choose hem files').setInputFiles(path);
  await expect(cards).toHaveCount(1);

  await page.getByLabel('Choose hem files').setInputFiles({
    name: 'torn.hem.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"zig-hem","version":1,"name":"Torn"}'),
  });
  await expect(page.locator('.shelf_refused')).toContainText('torn.hem.json was not opened');
  await expect(page.locator('.shelf_refused')).toContainText('piece');
  await expect(cards).toHaveCount(1);
});

test('a hem that was deleted is put back', async ({ page }) => {
  await page.goto('/');
  const card = page.getByRole('heading', { name: 'Harbour throw' });
  await page.getByRole('button', { name: 'Delete Harbour throw' }).click();
  await expect(card).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(card).toHaveCount(1);
});

test('another construction keeps the border, and undo brings the first one back', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: /^Piece/ }).click();
  await page.getByRole('button', { name: 'How it was made: Rows' }).click();
  await page.getByRole('radio', { name: 'Joined motifs' }).click();
  await expect(page.getByRole('radiogroup', { name: 'Shape of the motifs' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Leave out', exact: true }).click();
  await page.getByRole('button', { name: 'Leave out motif 1 of row 1', exact: true }).click();
  await expect(page.getByRole('link', { name: /^Base round/ })).toContainText('F ');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'How it was made: Rows' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Base round/ })).toContainText('A 160 · B 212');
});

test('a round of one’s own is read as it is typed, and what cannot be read is kept and pointed at', async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole('link', { name: /^Rounds/ }).click();
  await page.getByRole('button', { name: 'Add a round' }).click();
  await page.getByRole('button', { name: 'Write a round of your own' }).click();
  const text = page.getByLabel('Own round in US terms');
  await text.fill('side: *sk 1, 3 foo in next st*\ncorner: 3 sc in corner');
  await expect(page.locator('.rounds_ownWritten').getByRole('alert')).toContainText('“foo”');
  await page.reload();
  await expect(text).toHaveValue(/3 foo in next st/);
  await text.fill(
    'side: sc in next st, *sk 1, 3 dc in next st, sk 1, sc in next st*\ncorner: 5 dc in corner',
  );
  await expect(page.locator('.rounds_ownWritten')).toContainText('a multiple of 4 and 1 more');
  await page.getByRole('link', { name: /^Pattern/ }).click();
  await page.getByText('Step by step').click();
  await expect(
    page.getByText('*sk next st, 3 dc in next st, sk next st, sc in next st; repeat from *').first(),
  ).toBeVisible();
});

test('a weigh-in narrows the range, a short basket is named, and a border put aside is compared', async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole('link', { name: /^Yarn/ }).click();
  await page.getByText('Details', { exact: true }).click();
  const sure = async (): Promise<number> => {
    const text = await page.locator('details', { hasText: 'From the path of the yarn' }).innerText();
    return Number(/±(\d+)%/.exec(text)![1]);
  };
  const before = await sure();
  await page.locator('.yarn_weighIns').getByText('round', { exact: true }).click();
  await page.getByRole('spinbutton', { name: 'Grams weighed' }).fill('19');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect.poll(sure).toBeLessThan(before);
  await page.getByRole('spinbutton', { name: 'Grams of Tarn worsted, Rosehip in the basket' }).fill('8');
  await page.getByRole('spinbutton', { name: 'Grams of Tarn worsted, Rosehip in the basket' }).press('Enter');
  await expect(
    page.getByText(/^Your yarn: safe to the end of round 2, not enough for round 3/),
  ).toBeVisible();

  await page.getByRole('link', { name: /^Rounds/ }).click();
  await page.getByRole('button', { name: /^Compare borders/ }).click();
  const compared = page.getByRole('region', { name: 'Borders compared' });
  await expect(compared.getByRole('columnheader')).toHaveCount(2);
  await expect(compared.getByRole('row', { name: /^Yarn/ }).getByText('best')).toHaveCount(1);
  await compared.getByRole('button', { name: 'Use this one' }).click();
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('4, all fit');
});

test('yarn is taken from the simulated shop, and a weight from the simulated scale', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: /^Yarn/ }).click();
  await page.getByRole('button', { name: 'Simulated yarn shop' }).click();
  await expect(page.getByText('Simulated shop')).toBeVisible();
  await page.getByLabel('Search the shop').fill('boulder');
  await page
    .getByRole('button', { name: /^Take Boulder/ })
    .first()
    .click();
  await expect(page.getByLabel(/^Name of the yarn/).last()).toHaveValue(/^Boulder, /);

  await page.getByRole('button', { name: 'Kitchen scale' }).click();
  const scale = page.getByRole('group', { name: 'Kitchen scale' });
  await expect(scale.getByText('Simulated scale')).toBeVisible();
  await scale.getByRole('spinbutton', { name: 'On the pan' }).fill('37');
  await scale.getByRole('spinbutton', { name: 'On the pan' }).press('Tab');
  await scale.getByRole('button', { name: 'Put it on' }).click();
  await expect(scale.getByText('steady')).toBeVisible();
  await expect(scale.getByText(/^3[67]\.\d g/)).toBeVisible();
  await scale.getByRole('button', { name: 'Take this reading' }).click();
  const grams = Number(await page.getByRole('spinbutton', { name: 'Grams weighed' }).inputValue());
  expect(Math.abs(grams - 37)).toBeLessThan(1);
});
