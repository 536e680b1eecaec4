import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { goTo } from './goTo.ts';

/** Text within a drawing is none: the drawing has a name of its own, which is looked at. */
async function seriousFaults(page: Page, ground: Ground): Promise<readonly string[]> {
  // There are no frames, so nothing has to be gathered from them in a page of its own.
  const look = new AxeBuilder({ page }).setLegacyMode().exclude('svg > *');
  // By evening nothing is other than by day, but its colors.
  if (ground === 'evening') look.withRules(['color-contrast', 'link-in-text-block']);
  const { violations } = await look.analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}`));
}

/** Waits until all that moves has come to its end and workers have answered. */
async function atRest(page: Page): Promise<void> {
  await page.waitForLoadState('networkidle');
  await page.evaluate(async () => {
    await Promise.allSettled(document.getAnimations().map((a) => a.finished));
    await new Promise((shown) => requestAnimationFrame(() => requestAnimationFrame(shown)));
  });
}

const OF_ALL = ['/', '/stitches', '/licences', '/log', '/hands', '/practice'];
const OF_A_HEM = [
  '/hem/demo-clover/carry',
  '/hem/demo-harbour-throw/propose',
  '/hem/demo-clover/log',
  ...['piece', 'base', 'rounds', 'yarn', 'pattern', 'work'].map(
    (stop) => `/hem/demo-orchard-squares/${stop}`,
  ),
];

type Ground = 'day' | 'evening';

for (const [of, screens] of [
  ['all hems', OF_ALL],
  ['a hem', OF_A_HEM],
] as const) {
  test(`nothing serious stands in the way on any screen of ${of}, by day and by evening`, async ({
    page,
  }) => {
    await page.goto('/');
    for (const path of screens) {
      await goTo(page, path);
      if (path.endsWith('/propose')) await expect(page.getByRole('article').first()).toBeVisible();
      for (const ground of ['day', 'evening'] as const) {
        await page.emulateMedia({ colorScheme: ground === 'day' ? 'light' : 'dark' });
        await atRest(page);
        expect([path, await seriousFaults(page, ground)]).toEqual([path, []]);
      }
    }
  });
}

test('no screen is wider than a phone of 360', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 });
  await page.goto('/');
  const pieces = ['harbour-throw', 'lantern', 'big-square', 'hexagon', 'stepped', 'fleece', 'round'];
  for (const path of [...OF_ALL, ...OF_A_HEM, ...pieces.map((id) => `/hem/demo-${id}/piece`)]) {
    await goTo(page, path);
    await atRest(page);
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect([path, overflow]).toEqual([path, 0]);
  }
});
