import { expect, test } from './test.ts';
import type { Locator, Page } from '@playwright/test';

const PIECE = '/hem/demo-harbour-throw/piece';

/** Drags something from its middle by so many pixels. */
async function drag(
  page: Page,
  what: Locator,
  by: { readonly x: number; readonly y: number },
): Promise<void> {
  const box = (await what.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + by.x / 2, y + by.y / 2, { steps: 3 });
  await page.mouse.move(x + by.x, y + by.y, { steps: 3 });
  await page.mouse.up();
}

const number = (page: Page, name: string) => page.getByRole('spinbutton', { name }).first();

test('a piece is told on its drawing: numbers typed, edges pulled, rows pulled and cut out, the swatch stretched', async ({
  page,
}) => {
  await page.goto('/');
  await page.goto(PIECE);
  const thread = page.getByRole('link', { name: /^Piece/ });
  await expect(thread).toContainText('118 × 152 cm');

  const width = number(page, 'Width in cm');
  await width.fill('120');
  await width.press('Enter');
  await expect(thread).toContainText('120 × 152 cm');

  await drag(page, page.getByRole('slider', { name: 'Pull the piece to its width' }), { x: 30, y: 0 });
  await expect(thread).not.toContainText('120 × 152 cm');
  expect(Number(await width.inputValue())).toBeGreaterThan(125);

  // The edge between two runs: what one gains the other loses.
  await drag(page, page.getByRole('slider', { name: 'Edge above row 52' }), { x: 0, y: -12 });
  const run = page.getByRole('button', { name: /^Rows 5–5[3-9], \d+ rows of double crochet$/ });
  await expect(run).toBeVisible();

  // Across some rows of a run: they are a run of their own, picked, and take another yarn and stitch.
  const box = (await run.boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.25, box.y + box.height * 0.7);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.25, box.y + box.height * 0.6, { steps: 4 });
  await page.mouse.move(box.x + box.width * 0.25, box.y + box.height * 0.5, { steps: 4 });
  await page.mouse.up();
  const picked = page.getByRole('region', { name: 'The part that is picked' });
  await expect(picked.getByRole('heading')).toContainText(/^Rows \d+–\d+, 1\d rows of double crochet$/);

  const gauge = number(page, 'Stitches in 10 cm');
  await expect(gauge).toHaveValue('13.5');
  await drag(page, page.getByRole('slider', { name: 'Width of the swatch' }), { x: 40, y: 0 });
  await expect(gauge).not.toHaveValue('13.5');
  expect(Number(await gauge.inputValue())).toBeLessThan(13);

  // All of it is edits like others.
  for (let k = 0; k < 5; k++) await page.keyboard.press('Control+z');
  await expect(thread).toContainText('118 × 152 cm');
  await expect(page.getByRole('button', { name: /^Rows 5–52, 48 rows/ })).toBeVisible();
});

/** A finger that goes down the page or across a drawing, from a point by so many pixels. */
async function swipe(
  page: Page,
  from: { readonly x: number; readonly y: number },
  down: number,
): Promise<void> {
  const client = await page.context().newCDPSession(page);
  const touch = (type: string, y: number | null): Promise<unknown> =>
    client.send('Input.dispatchTouchEvent', {
      type: type as 'touchStart',
      touchPoints: y === null ? [] : [{ x: from.x, y }],
    });
  await touch('touchStart', from.y);
  for (let k = 1; k <= 8; k++) await touch('touchMove', from.y + (down * k) / 8);
  await touch('touchEnd', null);
}

test.describe('by touch alone', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test('rows are cut out only where they were picked, else the page is scrolled; a side is left out; the screen is measured', async ({
    page,
  }) => {
    await page.goto('/');
    await page.goto(PIECE);
    const lower = page.getByRole('button', { name: 'Rows 5–52, 48 rows of double crochet' });
    const point = async (): Promise<{ x: number; y: number }> => {
      const box = (await lower.boundingBox())!;
      return { x: box.x + box.width * 0.75, y: box.y + box.height * 0.75 };
    };
    await lower.waitFor();
    await swipe(page, await point(), -60);
    await expect.poll(() => page.evaluate(() => document.scrollingElement!.scrollTop)).toBeGreaterThan(20);
    await expect(lower).toBeVisible();

    await lower.tap({ position: { x: 20, y: 20 } });
    await expect(lower).toHaveAttribute('aria-pressed', 'true');
    const at = await page.evaluate(() => document.scrollingElement!.scrollTop);
    await swipe(page, await point(), -40);
    await expect(page.getByRole('button', { name: /^Rows 5–52, 48 rows/ })).toHaveCount(0);
    expect(await page.evaluate(() => document.scrollingElement!.scrollTop)).toBe(at);
    const picked = page.getByRole('region', { name: 'The part that is picked' });
    await expect(picked.getByRole('heading')).toContainText(/rows of double crochet$/);

    await page.getByRole('button', { name: 'Side B', exact: true }).tap();
    await page.getByRole('button', { name: 'No border along this side' }).tap();
    await expect(page.getByRole('link', { name: /^Base round/ })).toContainText(/C 160 · D \d+ · A 160$/);

    await page.getByRole('button', { name: 'Measure the screen' }).tap();
    await page.getByRole('button', { name: '5 cm of a ruler' }).tap();
    await page.getByRole('button', { name: 'They are as wide' }).tap();
    await page.reload();
    await expect(page.getByText(/single crochets at true size/)).toBeVisible();
  });
});
