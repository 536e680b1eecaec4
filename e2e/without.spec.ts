/** Features that not every browser has, taken away all at once, in long runs one by one: all else works, and nothing fails. */
import { expect, test } from './test.ts';

const FEATURES: readonly (readonly [feature: string, takeAway: string])[] = [
  ['locks between tabs', 'delete Navigator.prototype.locks'],
  ['wake lock', 'delete Navigator.prototype.wakeLock'],
  ['share', 'delete Navigator.prototype.share; delete Navigator.prototype.canShare'],
  ['clipboard', 'delete Navigator.prototype.clipboard'],
  ['speech', 'delete window.speechSynthesis; delete window.SpeechSynthesisUtterance'],
  [
    'OffscreenCanvas',
    'delete window.OffscreenCanvas; delete HTMLCanvasElement.prototype.transferControlToOffscreen',
  ],
];
const TAKEN_AWAY = [
  ...FEATURES.map(([feature, takeAway]) => [feature, takeAway, '@long'] as const),
  ['any of them', FEATURES.map(([, takeAway]) => takeAway).join('; '), '@short'] as const,
];

for (const [feature, takeAway, tag] of TAKEN_AWAY)
  test(`without ${feature}`, { tag }, async ({ page }) => {
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
    await page.getByRole('link', { name: /^Work/ }).click();
    await page.getByRole('button', { name: 'Started', exact: true }).click();
    await expect(page.getByText('Side A').first()).toBeVisible();
    expect(faults).toEqual([]);
  });
