/** Features that not every browser has, taken away one by one: all else works, and nothing fails unsaid. */
import { expect, test } from './test.ts';

const FEATURES: readonly (readonly [feature: string, takeAway: string, said: RegExp | null])[] = [
  ['locks between tabs', 'delete Navigator.prototype.locks', null],
  ['wake lock', 'delete Navigator.prototype.wakeLock', null],
  ['share', 'delete Navigator.prototype.share; delete Navigator.prototype.canShare', null],
  ['clipboard', 'delete Navigator.prototype.clipboard', null],
  ['speech', 'delete window.speechSynthesis; delete window.SpeechSynthesisUtterance', null],
  [
    'OffscreenCanvas',
    'delete window.OffscreenCanvas; delete HTMLCanvasElement.prototype.transferControlToOffscreen',
    null,
  ],
];

for (const [feature, takeAway, said] of FEATURES)
  test(`without ${feature}`, async ({ page }) => {
    const faults: string[] = [];
    page.on('pageerror', (e) => faults.push(e.message));
    await page.addInitScript(takeAway);
    await page.goto('/');
    await expect(page.getByText(/with border\. Base round/).first()).toBeVisible();
    await page.goto('/hem/demo-harbour-throw/base');
    const side = page.getByRole('slider', { name: 'Stitches along side A' });
    const before = Number(await side.getAttribute('aria-valuenow'));
    await page.getByRole('button', { name: 'One stitch more on side A' }).click();
    await expect(side).toHaveAttribute('aria-valuenow', String(before + 1));
    await expect(page.getByText('Saved in this browser')).toBeVisible();
    if (said) await expect(page.getByText(said).first()).toBeVisible();
    await page.getByRole('link', { name: /^Work/ }).click();
    await page.getByRole('button', { name: 'Started', exact: true }).click();
    await expect(page.getByText('Side A').first()).toBeVisible();
    expect(faults).toEqual([]);
  });
