import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';

test.use({ painted: true });

/** What the canvas of stitches shows; null while it is blank. A worker may lay it: it can be copied, not read. */
const shownOn = (page: Page): Promise<string | null> =>
  page
    .locator('.stitchStage_stitchStage canvas')
    .first()
    .evaluate((c) => {
      const { width, height } = c as HTMLCanvasElement;
      const copy = Object.assign(document.createElement('canvas'), { width, height });
      const blank = copy.toDataURL();
      copy.getContext('2d')!.drawImage(c as HTMLCanvasElement, 0, 0);
      const shown = copy.toDataURL();
      return shown === blank ? null : shown;
    });

test('a stitch tells what it is, under the pointer and by the keys', async ({ page }) => {
  await page.goto('/hem/demo-hexagon/rounds');
  const stage = page.locator('.stitchStage_stitchStage canvas').first();
  const says = page.locator('.stitchStage_stitchWords');
  await expect(stage).toBeVisible();
  const box = (await stage.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await expect(says).toContainText(/Round \d, (side|the middle of corner)/);
  await page.mouse.move(5, 5);
  await page.getByRole('application', { name: /Arrow keys/ }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(says).toContainText('Round 2, the middle of corner F/A');
  await page.keyboard.press('ArrowLeft');
  await expect(says).toContainText('Round 2, side A, 1st of');
  await page.keyboard.press('ArrowDown');
  await expect(says).toContainText('Round 1');
  await page.keyboard.press('ArrowUp');
  await expect(says).toContainText('Round 2');
});

test('any part is looked at, from either side, and saved', async ({ page }) => {
  await page.goto('/hem/demo-orchard-squares/rounds');
  const seen = new Set<string | null>([null]);
  /** Something is painted that has not been seen yet, and stays. */
  const another = async (): Promise<void> => {
    let now: string | null = null;
    await expect
      .poll(async () => {
        const before = now;
        now = await shownOn(page);
        return now === before && !seen.has(now);
      })
      .toBe(true);
    seen.add(now);
  };
  await another();
  for (const part of ['Side B', 'Seam 1 on side A', 'The whole piece']) {
    await page.getByRole('combobox', { name: 'Show which part' }).click();
    await page.getByRole('combobox', { name: 'Show which part' }).fill(part);
    await page.locator('.ant-select-item-option', { hasText: part }).first().click();
    await another();
  }
  await page.getByText('Back', { exact: true }).click();
  await another();
  await page.getByRole('button', { name: 'Save this drawing' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Drawing to enlarge (SVG)' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('orchard-squares-the-whole-piece.svg');
});

test('the plan is the control: side, corner, join and rows are picked in it', async ({ page }) => {
  await page.goto('/hem/demo-harbour-throw/piece');
  const panel = page.getByRole('region', { name: 'The part that is picked' });
  await page.getByRole('button', { name: 'Side B' }).press('Enter');
  await expect(panel).toContainText('Side B');
  await panel.getByRole('spinbutton', { name: /Length of B/ }).fill('150');
  await panel.getByRole('spinbutton', { name: /Length of B/ }).press('Enter');
  await expect(page.getByRole('link', { name: /^Piece/ })).toContainText('118 × 150 cm');
  await page.getByRole('button', { name: 'Corner between A and B' }).click();
  await panel.getByRole('radio', { name: '1, ch 2, 1', exact: true }).click();
  await expect(panel.getByRole('radio', { name: '1, ch 2, 1', exact: true })).toBeChecked();
  await page.getByRole('button', { name: /^Rows \d+–\d+, 10 rows of half double crochet/ }).click();
  await panel.getByRole('spinbutton', { name: 'Number of rows, section 3' }).fill('12');
  await panel.getByRole('spinbutton', { name: 'Number of rows, section 3' }).press('Tab');
  await expect(panel).toContainText('12 rows of half double crochet');

  await page.goto('/hem/demo-orchard-squares/piece');
  await page.getByRole('button', { name: 'Motif seam 2 on side A' }).click();
  await panel.getByRole('radio', { name: 'miss it' }).click();
  await expect(page.getByRole('link', { name: /^Base round/ })).toContainText('A 142');
});

test('“?” shows the keys, and numbers go along the thread', async ({ page }) => {
  await page.goto('/hem/demo-hexagon/base');
  await expect(page.getByRole('heading', { name: 'Base round' })).toBeVisible();
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/\/yarn$/);
  await page.keyboard.press('0');
  await expect(page.getByRole('heading', { name: 'Zig Hem' })).toBeVisible();
});

test('the reference speaks both languages and is mirrored for the left hand', async ({ page }) => {
  await page.goto('/hem/demo-hexagon/base');
  await page.getByRole('link', { name: 'Stitches' }).click();
  await expect(page.getByRole('heading', { name: 'Where the hook goes' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^half double crochet hdc/ })).toBeVisible();
  await page.getByText('UK terms', { exact: true }).click();
  await expect(page.getByRole('heading', { name: /^half treble crochet htr/ })).toBeVisible();
  await expect(page.getByText('Yarn round hook').first()).toBeVisible();
  await page.getByText('Left hand', { exact: true }).click();
  await expect(page.locator('.stitches_makingDrawing > g').first()).toHaveAttribute(
    'transform',
    'scale(-1 -1)',
  );
  await page.getByRole('link', { name: 'Back to the hem' }).click();
  await expect(page.getByRole('heading', { name: 'Base round' })).toBeVisible();
});

test('where no canvas can be handed to a worker, the page paints the same stitches', async ({
  page,
  context,
}) => {
  const without = await context.newPage();
  await without.addInitScript(
    'delete window.OffscreenCanvas; delete HTMLCanvasElement.prototype.transferControlToOffscreen',
  );
  for (const one of [page, without]) await one.goto('/hem/demo-hexagon/rounds');
  await expect
    .poll(async () => {
      const shown = await shownOn(page);
      return shown !== null && (await shownOn(without)) === shown;
    })
    .toBe(true);
});
