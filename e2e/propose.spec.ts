import { expect, test } from '@playwright/test';

test('a wish brings borders that are tried on with one press, and taken off by undo', async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto('/');
  await page.getByRole('link', { name: 'Harbour throw' }).first().click();
  await page.getByRole('link', { name: /^Rounds/ }).click();
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('3, all fit');
  await page.getByRole('link', { name: 'What could I do with this?' }).click();
  const cards = page.getByRole('article');
  await expect(cards.first()).toBeVisible({ timeout: 20_000 });
  await page.getByLabel('Look').selectOption('scalloped');
  await page.getByLabel('Loose parts').selectOption('none');
  await expect(page.getByText(/borders tried: \d+ suit\./)).toBeVisible({ timeout: 60_000 });
  expect(await cards.count()).toBeGreaterThan(3);
  // What is not wanted goes, with what is nearly the same.
  const first = (await cards.first().getAttribute('aria-label'))!;
  await cards.first().getByRole('button', { name: 'Not this' }).click();
  await expect(page.getByRole('article', { name: first, exact: true })).toHaveCount(0);
  // With an edge that stays, all have it.
  const kept = (await cards.nth(1).getAttribute('aria-label'))!;
  await cards.nth(1).getByRole('button', { name: 'Keep this edge' }).click();
  await expect(page.getByRole('button', { name: 'Keep this edge' })).toHaveCount(0);
  for (const card of await cards.all())
    expect((await card.getAttribute('aria-label'))!.split(',')[0]).toBe(kept.split(',')[0]);
  await page.getByRole('button', { name: 'All of them again' }).click();

  await page
    .getByRole('article', { name: first, exact: true })
    .getByRole('button', { name: 'Try it on' })
    .click();
  await expect(page).toHaveURL(/\/rounds$/);
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('all fit');
  await expect(page.getByRole('button', { name: /^Compare borders \(3\)/ })).toBeVisible();
  await page.getByRole('button', { name: /^Undo: tried a border on/ }).click();
  await expect(page.getByRole('button', { name: /^Compare borders \(2\)/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('3, all fit');
});

test('when nothing suits, it is said which word stands in the way, and what leaving it out brings', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await page.goto('/hem/demo-harbour-throw/propose');
  await page.getByLabel('Hours that there are for it').fill('0.5');
  await page.getByLabel('Hours that there are for it').press('Enter');
  await expect(page.getByRole('heading', { name: 'Nothing suits' })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/^But for the time, \d+ borders would suit\./)).toBeVisible();
  await page.getByRole('button', { name: 'Leave it out' }).first().click();
  await expect(page.getByRole('article').first()).toBeVisible({ timeout: 60_000 });
});
