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
  '/licences',
  '/log',
  '/hands',
  '/practice',
  '/hem/demo-clover/carry',
  '/hem/demo-harbour-throw/propose',
  '/hem/demo-clover/log',
  ...['piece', 'base', 'rounds', 'yarn', 'pattern', 'work'].map(
    (stop) => `/hem/demo-orchard-squares/${stop}`,
  ),
];

for (const ground of ['day', 'evening'] as const) {
  for (const path of SCREENS) {
    test(`nothing serious stands in the way at ${path} by ${ground}`, async ({ page }) => {
      // The reference has some ten thousand strands to go through.
      test.slow();
      await page.goto('/');
      if (ground === 'evening') await page.getByRole('button', { name: 'Switch to dark colors' }).click();
      await page.goto(path);
      await expect(page.getByRole('heading').first()).toBeVisible();
      await page.waitForTimeout(600);
      expect(await seriousFaults(page)).toEqual([]);
    });
  }
}

test('no screen is wider than a phone of 360', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 });
  const pieces = ['harbour-throw', 'lantern', 'big-square', 'hexagon', 'stepped', 'fleece', 'round'];
  for (const path of [...SCREENS, ...pieces.map((id) => `/hem/demo-${id}/piece`)]) {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await page.waitForTimeout(300);
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect([path, overflow]).toEqual([path, 0]);
  }
});
