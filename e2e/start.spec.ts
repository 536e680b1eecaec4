import { partOfAll } from '../core/testing/seeds.ts';
import { expect, test } from './test.ts';

/** Each construction, and what is asked of it first. */
const MADE = [
  ['Rows', 'Rows'],
  ['One big motif', 'Stitches on a side'],
  ['Corner to corner', 'Blocks down'],
  ['Joined motifs', 'Motifs down'],
  ['Cloth or fleece', 'Height'],
  ['Knitted', 'Rows'],
  ['Counted by hand', 'Stitches down'],
] as const;

/** Those that are asked their height, too; all are asked the width of the border, where one is wanted. */
const FOUR: ReadonlySet<string> = new Set(['Rows', 'Knitted']);

// Nothing is asked that has no usual answer, and nothing is wrong with what comes of it.
test('a new hem begins with a picture, a few numbers and an edge, whatever was made', async ({ page }) => {
  await page.goto('/');
  for (const [kind, asked] of partOfAll(MADE, 3))
    await test.step(kind, async () => {
      await page.getByRole('button', { name: 'New hem', exact: true }).click();
      await expect(page.getByRole('heading', { name: 'What did you make?' })).toBeVisible();
      await page.getByRole('button', { name: kind, exact: true }).click();
      await expect(page.getByRole('spinbutton')).toHaveCount(FOUR.has(kind) ? 5 : 4);
      const field = page.getByRole('spinbutton', { name: asked, exact: true });
      const before = Number(await field.inputValue());
      await field.fill(String(before + 2));
      await field.press('Tab');
      await expect(field).toHaveValue(new RegExp(`^${before + 2}`));
      await page.getByRole('button', { name: 'Choose an edge' }).click();
      // Whoever comes here first has its look, too.
      await expect(page.locator('.rounds_library ul')).toHaveCSS('display', 'grid');
      await page.getByRole('button', { name: 'Picot edge: add it' }).click();
      await expect(page).toHaveURL(/\/hem\/.+\/rounds$/);
      await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText(/, all fit$/);
      await expect(page.locator('.thread_wantsLookingAt')).toHaveCount(0);
      await page.getByRole('link', { name: 'Shelf', exact: true }).click();
    });
});

test('a new hem that is thought better of leaves nothing on the shelf', async ({ page }) => {
  await page.goto('/');
  await page.locator('.shelf_hem').first().waitFor();
  const before = await page.locator('.shelf_hem').count();
  await page.getByRole('button', { name: 'New hem', exact: true }).click();
  await page.getByRole('button', { name: 'Rows', exact: true }).click();
  await page.getByRole('button', { name: 'Something else' }).click();
  await page.getByRole('link', { name: 'Back to the shelf' }).click();
  await expect(page.locator('.shelf_hem')).toHaveCount(before);
});

test('by evening no page is light for a moment', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Switch to dark colors' }).click();
  await page.addInitScript(() => {
    const grounds: string[] = [];
    Object.assign(window, { grounds });
    const note = (): number => grounds.push(document.documentElement.style.colorScheme);
    new MutationObserver(note).observe(document, {
      attributes: true,
      attributeFilter: ['style'],
      subtree: true,
    });
  });
  for (const path of ['/', '/hem/demo-clover/work']) {
    await page.goto(path);
    await expect(page.getByRole('button', { name: 'Switch to light colors' })).toBeVisible();
    const shown = await page.evaluate(() => (window as unknown as { grounds: string[] }).grounds);
    expect(new Set(shown)).toEqual(new Set(['dark']));
  }
});
