import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

async function seriousFaults(page: Page): Promise<readonly string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}`));
}

const SCREENS = [
  '/',
  '/stitches',
  ...['piece', 'base', 'rounds', 'yarn', 'pattern'].map((stop) => `/hem/demo-orchard-squares/${stop}`),
];

for (const ground of ['day', 'evening'] as const) {
  test(`nothing serious stands in the way on any screen by ${ground}`, async ({ page }) => {
    await page.goto('/');
    if (ground === 'evening') await page.getByRole('button', { name: 'Evening light' }).click();
    for (const path of SCREENS) {
      await page.goto(path);
      await expect(page.getByRole('heading').first()).toBeVisible();
      await page.waitForTimeout(600);
      expect([path, await seriousFaults(page)]).toEqual([path, []]);
    }
  });
}

test('no screen is wider than a phone of 360', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 });
  for (const path of SCREENS) {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await page.waitForTimeout(300);
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect([path, overflow]).toEqual([path, 0]);
  }
});
