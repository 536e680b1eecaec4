/** Every stop of a demo says what the core counts; every button of it is pressed, and nothing fails. */
import { expect, test as base, type BrowserContextOptions, type Page } from '@playwright/test';
import { withoutStitches } from './test.ts';
import { partOfAll } from '../core/testing/seeds.ts';
import { baseWords } from '../core/plan/countWords.ts';
import { countsLine } from '../core/print/steps/roundWords.ts';
import { DEMO_FILES, demoPlan } from '../demo/read.ts';
import { goTo } from './goTo.ts';
import { pressAll } from './pressAll.ts';

const STOPS = ['piece', 'base', 'rounds', 'yarn', 'pattern', 'work', 'log', 'carry', 'propose'] as const;
/** Where each press begins a search of its own, that lasts. */
const SEARCHED: ReadonlySet<string> = new Set(['propose']);

interface Kept {
  readonly page: Page;
  readonly faults: string[];
  /** Of what presses bring, which kinds have been pressed. */
  kinds: readonly string[];
}

/** One page for all demos that a worker tries: nothing is read and compiled anew for each. */
const test = base.extend<object, { kept: Kept }>({
  kept: [
    async ({ browser }, use, { project }) => {
      const context = await browser.newContext(project.use as BrowserContextOptions);
      await withoutStitches(context);
      const page = await context.newPage();
      const faults: string[] = [];
      page.on('pageerror', (e) => faults.push(e.message));
      page.on('dialog', (dialog) => void dialog.dismiss());
      await page.goto('/');
      await use({ page, faults, kinds: [] });
      await context.close();
    },
    { scope: 'worker' },
  ],
});

const isLong = partOfAll(STOPS, 2).length === STOPS.length;
/** A piece in rows and one of joined motifs, which share the stops between them; all demos and all stops in long runs. */
const DEMOS = DEMO_FILES.filter((file) => isLong || /^(lantern|stepped)/.test(file)).map(demoPlan);

for (const [turn, made] of DEMOS.entries()) {
  const { hem } = made;
  test(`${hem.name}: every stop opens with the counts of the core, and every button can be pressed`, async ({
    kept,
  }) => {
    const { page, faults } = kept;
    const path = (stop: string): string => `/hem/${hem.id}/${stop}`;
    await page.getByRole('link', { name: hem.name }).first().click();
    await expect(page).toHaveURL(/\/hem\/[^/]+\/\w+$/);
    await expect(page.getByRole('link', { name: /^Base round/ })).toContainText(baseWords(made));
    await goTo(page, path('pattern'));
    await page.getByText('Step by step').click();
    const counts = page.locator('.pattern_sheet').getByText(/^Count\b/);
    await expect(counts).toHaveCount(made.rounds.length);
    const told = await counts.allInnerTexts();
    expect(told.map((l) => l.replace(/^Count after round \d+/, 'Count'))).toEqual(
      made.rounds.map((round) => countsLine(made, round)),
    );

    let inAll = 0;
    for (const [at, stop] of STOPS.entries()) {
      if (!isLong && at % 2 !== turn) continue;
      let pressed: readonly string[] = [];
      for (const again of SEARCHED.has(stop) ? [false] : [false, true]) {
        await goTo(page, path(STOPS.at(at - 1)!));
        await goTo(page, path(stop));
        if (SEARCHED.has(stop))
          await expect(
            page
              .getByRole('article')
              .or(page.getByText(/^Nothing suits$/))
              .first(),
          ).toBeVisible();
        const done = await pressAll(page, { before: pressed, kinds: kept.kinds, head: at === 0 });
        expect([stop, again, done.failed, faults]).toEqual([stop, again, [], []]);
        ({ pressed } = done);
        kept.kinds = done.kinds;
        // What an earlier press took away is pressed in the hem as it was.
        if (done.missed.length === 0) break;
      }
      inAll += pressed.length;
    }
    expect(inAll).toBeGreaterThan(20);
    await goTo(page, '/');
    await expect(page.locator('.shelf_trouble')).toHaveCount(0);
    await expect(page.locator('.shelf_hem')).toHaveCount(DEMO_FILES.length);
  });
}
