import { readFileSync } from 'node:fs';
import { expect, test } from './test.ts';

test('a wish brings borders that are tried on with one press, and taken off by undo', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Harbour throw' }).first().click();
  await page.getByRole('link', { name: /^Rounds/ }).click();
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('3, all fit');
  await page.getByRole('link', { name: 'What could I do with this?' }).click();
  const cards = page.getByRole('article');
  await expect(cards.first()).toBeVisible();
  await page.getByLabel('Look', { exact: true }).selectOption('scalloped');
  await page.getByLabel('Loose parts').selectOption('none');
  const searched = page.getByText(/borders tried: \d+ suit as they are\./);
  await expect(searched).toBeVisible();
  expect(await cards.count()).toBeGreaterThan(3);
  // What is not wanted goes, with what is nearly the same.
  const first = (await cards.first().getAttribute('aria-label'))!;
  await cards
    .first()
    .getByRole('button', { name: /^Not this/ })
    .click();
  await expect(page.getByRole('article', { name: first, exact: true })).toHaveCount(0);
  await expect(searched).toBeVisible();
  // With an edge that stays, all have it.
  const kept = (await cards.nth(1).getAttribute('aria-label'))!;
  await page
    .getByRole('article', { name: kept, exact: true })
    .getByLabel(/^Keep a part of/)
    .selectOption('edge');
  await expect(page.getByRole('button', { name: 'Any edge again' })).toBeVisible();
  // All that there are are searched for it.
  const edges = async (): Promise<readonly string[]> => {
    const names = await cards.evaluateAll((all) => all.map((card) => card.getAttribute('aria-label')!));
    return names.map((name) => name.split(',')[0]!);
  };
  await expect.poll(async () => new Set(await edges())).toEqual(new Set([kept.split(',')[0]]));
  await expect(page.getByText(/suit as they are\./)).toBeVisible();
  expect((await edges()).length).toBeGreaterThan(3);
  await page.getByRole('button', { name: 'Any edge again' }).click();
  await expect(searched).toBeVisible();
  await page.getByRole('button', { name: /^Bring back what I did not want/ }).click();
  await expect(searched).toBeVisible();

  await page
    .getByRole('article', { name: first, exact: true })
    .getByRole('button', { name: /^Try it on/ })
    .click();
  await expect(page).toHaveURL(/\/rounds$/);
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('all fit');
  await expect(page.getByRole('button', { name: /^Compare borders \(3\)/ })).toBeVisible();
  await page.getByRole('button', { name: /^Undo: tried a border on/ }).click();
  await expect(page.getByRole('button', { name: /^Compare borders \(2\)/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('3, all fit');

  // Whoever comes back finds the sentence, and may give a border on as a picture.
  await page.goBack();
  await expect(page.getByLabel('Look', { exact: true })).toHaveValue('scalloped');
  await expect(page.getByLabel('Loose parts')).toHaveValue('none');
  const saved = page.waitForEvent('download');
  await cards
    .first()
    .getByRole('button', { name: /^Save a picture of / })
    .click();
  const picture = await saved;
  expect(picture.suggestedFilename()).toMatch(/^harbour-throw.*\.webp$/);
  expect(
    readFileSync(await picture.path())
      .subarray(8, 12)
      .toString(),
  ).toBe('WEBP');
});

test(
  'when nothing suits, it is said which word stands in the way, and what leaving it out brings',
  {
    tag: '@long',
  },
  async ({ page }) => {
    await page.goto('/hem/demo-harbour-throw/propose');
    await page.getByRole('spinbutton', { name: 'Hours that there are for it' }).fill('0.5');
    await page.getByRole('spinbutton', { name: 'Hours that there are for it' }).press('Enter');
    await page.getByRole('spinbutton', { name: 'Hours that there are for it' }).press('Enter');
    await expect(page.getByRole('heading', { name: 'Nothing suits' })).toBeVisible();
    await expect(page.getByText(/^But for the time, up to \d+ borders would suit\./)).toBeVisible();
    await page.getByRole('button', { name: 'Leave it out' }).first().click();
    await expect(page.getByRole('article').first()).toBeVisible();
  },
);

test('a border is put beside the one in hand, and goes to somebody as a link', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto('/hem/demo-fleece/propose');
  const card = page.getByRole('article').first();
  await expect(card).toBeVisible();
  await expect(page.getByText(/suit as they are\./)).toBeVisible();
  const name = (await card.getByRole('heading').textContent())!;
  await card.getByRole('button', { name: /^Copy a link to/ }).click();
  await expect(page.getByText('The link is copied')).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  await card.getByRole('button', { name: /^Compare/ }).click();
  await expect(page.getByRole('dialog', { name: 'Borders of this piece' })).toBeVisible();
  await expect(page.getByLabel('Name of this border').last()).toHaveValue(name);

  // A new document: what stands after “#” alone would not be read again.
  await page.goto('about:blank');
  await page.goto(link);
  await page.getByRole('button', { name: 'Put a copy on my shelf' }).click();
  await page.getByRole('link', { name: /^Rounds/ }).click();
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('all fit');
});

test(
  'a wish for a size comes to it, and a hem that has ended in an edge says so',
  {
    tag: '@long',
  },
  async ({ page }) => {
    await page.goto('/hem/demo-harbour-throw/propose?across=126&down=160');
    await expect(page.getByRole('spinbutton', { name: 'Width of the whole in cm' })).toHaveValue('126.0');
    const card = page.getByRole('article').first();
    await expect(card).toContainText(/12[567](\.\d)? × 1(59|60|61)(\.\d)? cm in all/);
    await page.goto('/hem/demo-clover/propose');
    await expect(page.getByText('nothing goes on top of an edge')).toBeVisible();
  },
);
