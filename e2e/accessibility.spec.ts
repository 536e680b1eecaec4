import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { goTo } from './goTo.ts';
import { OF_A_HEM, OF_ALL } from './screens.ts';

/** Text within a drawing is none: the drawing has a name of its own, which is looked at. */
async function seriousFaults(page: Page, ground: Ground): Promise<readonly string[]> {
  // There are no frames, so nothing has to be gathered from them in a page of its own.
  const look = new AxeBuilder({ page })
    .setLegacyMode()
    .exclude('svg > *')
    .options({
      rules: { 'label-content-name-mismatch': { enabled: true }, 'target-size': { enabled: true } },
    });
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

type Ground = 'day' | 'evening';

/** Names that two things of a kind have on the page. */
async function sameNames(page: Page): Promise<readonly string[]> {
  const names = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, [role=button], [role=slider], input, select')]
      .filter((e) => e.checkVisibility())
      .map(
        (e) =>
          `${e.role ?? e.tagName.toLowerCase()} ${(e.ariaLabel ?? (e.closest('label') ?? e).textContent).trim()}`,
      ),
  );
  return names.filter((name, i) => names.indexOf(name) !== i);
}

for (const [of, screens] of [
  ['all hems', OF_ALL],
  ['a hem', OF_A_HEM],
] as const) {
  for (const [ground, colorScheme, tag] of [
    ['day', 'light', '@short'],
    ['evening', 'dark', '@long'],
  ] as const)
    test(
      `nothing serious stands in the way on any screen of ${of}, and no two things of it have one name, by ${ground}`,
      { tag },
      async ({ page }) => {
        await page.emulateMedia({ colorScheme });
        await page.goto('/');
        for (const path of screens) {
          await goTo(page, path);
          if (path.endsWith('/propose')) await expect(page.getByRole('article').first()).toBeVisible();
          await atRest(page);
          expect([path, await seriousFaults(page, ground)]).toEqual([path, []]);
          if (ground === 'day') expect([path, await sameNames(page)]).toEqual([path, []]);
        }
      },
    );
}

const PIECES = ['harbour-throw', 'lantern', 'big-square', 'hexagon', 'stepped', 'fleece', 'round'];

/** Pixels by which each screen is wider than the window; those that are not, are left out. */
async function tooWide(
  page: Page,
  screens: readonly string[],
): Promise<readonly (readonly [string, number])[]> {
  const wide: (readonly [string, number])[] = [];
  for (const path of screens) {
    await goTo(page, path);
    await atRest(page);
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    if (overflow > 0) wide.push([path, overflow]);
  }
  return wide;
}

test('no screen is wider than a phone of 320', async ({ page }) => {
  await page.setViewportSize({ width: 320, height: 640 });
  await page.goto('/');
  const pieces = PIECES.map((id) => `/hem/demo-${id}/piece`);
  expect(await tooWide(page, [...OF_ALL, ...OF_A_HEM, ...pieces])).toEqual([]);
});

test('no screen is wider than the window with letters of twice the size, or with a yarn of a long name', async ({
  page,
}) => {
  await page.addInitScript(() => {
    document.addEventListener('DOMContentLoaded', () => (document.documentElement.style.fontSize = '200%'));
  });
  await page.goto('/');
  expect(await tooWide(page, [...OF_ALL, ...OF_A_HEM])).toEqual([]);
  // Fields and buttons too.
  const small = await page.evaluate(() =>
    [...document.querySelectorAll('main *')]
      .filter(
        (e) => !e.closest('svg') && [...e.childNodes].some((n) => n.nodeType === 3 && n.nodeValue?.trim()),
      )
      .filter((e) => e.checkVisibility() && parseFloat(getComputedStyle(e).fontSize) < 20)
      .map((e) => e.textContent),
  );
  expect(small).toEqual([]);

  await page.setViewportSize({ width: 1024, height: 768 });
  await goTo(page, '/hem/demo-orchard-squares/yarn');
  await page
    .getByLabel(/^Name of the yarn/)
    .first()
    .fill('Fernbank double knitting with a name that goes on and on, moss green of the deep woods, lot 7');
  await page.evaluate(() => (document.documentElement.style.fontSize = ''));
  const stops = OF_A_HEM.filter((path) => path.includes('orchard'));
  expect(await tooWide(page, stops)).toEqual([]);
});

test.describe('by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('what is picked on the drawing has room for a finger, and what leads on is high enough', async ({
    page,
  }) => {
    await page.goto('/hem/demo-orchard-squares/piece');
    await page.getByRole('button', { name: 'Motif seam 3 on side A' }).waitFor();
    const missed = await page.evaluate(() => {
      const parts = [...document.querySelectorAll<SVGGElement>('.plan [role=button]')].filter((part) =>
        /^(Corner|Motif seam)/.test(part.getAttribute('aria-label')!),
      );
      parts[0]!.scrollIntoView({ block: 'center' });
      return parts
        .filter((part) => {
          const { left, top, width, height } = part.getBoundingClientRect();
          // Up and across, along which its neighbours lie.
          return [
            [0, 20],
            [0, -20],
            [20, 0],
            [-20, 0],
          ].every(([x, y]) => {
            const at = document.elementFromPoint(left + width / 2 + x!, top + height / 2 + y!);
            return at === null || !part.contains(at);
          });
        })
        .map((part) => part.getAttribute('aria-label'));
    });
    expect(missed).toEqual([]);
    for (const path of [
      '/',
      '/stitches',
      '/hem/demo-orchard-squares/rounds',
      '/hem/demo-orchard-squares/yarn',
    ]) {
      await goTo(page, path);
      await atRest(page);
      const low = await page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('summary, header a, nav a, footer a, p > a:only-child')]
          .filter((e) => e.checkVisibility() && e.getBoundingClientRect().height < 44)
          .map((e) => e.textContent),
      );
      expect([path, low]).toEqual([path, []]);
    }
  });
});
