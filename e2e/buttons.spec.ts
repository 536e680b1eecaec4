/** Every stop of every demo says what the core counts; every button of it is pressed, and nothing fails. */
import { expect, test, type Page } from '@playwright/test';
import { baseWords } from '../core/words/countWords.ts';
import { countsLine } from '../core/words/roundWords.ts';
import { demoPlans } from '../demo/read.ts';

const STOPS = ['piece', 'base', 'rounds', 'yarn', 'pattern', 'work', 'log', 'carry', 'propose'] as const;
/** Where each press begins a search of its own, that lasts. */
const SEARCHED: ReadonlySet<string> = new Set(['propose']);
/** What leaves the page, or asks the device for a file or for paper. */
const ELSEWHERE =
  /^(Print|Copy a link.*|Save|Save this drawing|.*CSV file|.*as a file|Download.*|Shelf|Stitches)$/;

/** What leads to another page of the hem comes last. */
const LEADS_ON = /^(Try it on|Compare)\|/;
const leadsOnLast = (keys: readonly string[]): readonly string[] => [
  ...keys.filter((key) => !LEADS_ON.test(key)),
  ...keys.filter((key) => LEADS_ON.test(key)),
];
/** Without how many of that name come before it. */
const nameOf = (key: string): string => key.slice(0, key.lastIndexOf('|')).replace(/^head /, '');

/** Buttons, switches and choices that can be pressed now, each with what it is called; the head of a hem is on every stop. */
const pressable = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const found = document.querySelectorAll<HTMLElement>(
      'main button, main [role=button], main [role=radio], main [role=switch], main input[type=checkbox], header button, header input[type=radio]',
    );
    const called = new Map<string, number>();
    return [...found].flatMap((element) => {
      const said = (element.getAttribute('aria-label') ?? element.textContent ?? '').trim();
      // What is in the head is called by what it does, not by what it does it to.
      const name = element.closest('header') ? `head ${said.replace(/:.*/, '')}` : said;
      const count = (called.get(name) ?? 0) + 1;
      called.set(name, count);
      const key = `${name}|${count}`;
      element.dataset.press = key;
      const { width, height } = element.getBoundingClientRect();
      const off = element.matches(':disabled, [aria-disabled=true]') || width * height === 0;
      return off ? [] : [key];
    });
  });

/** Presses one of them. @returns how many parts of the page have failed then; nothing where it is not there any more */
const press = (page: Page, key: string): Promise<number | undefined> =>
  page.evaluate(async (key) => {
    const element = document.querySelector<HTMLElement>(`[data-press="${CSS.escape(key)}"]`);
    if (!element) return undefined;
    element.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await new Promise((resolve) => setTimeout(resolve, 30));
    return document.querySelectorAll('.fault').length;
  }, key);

/** The hem as it was. */
const undoAll = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    for (;;) {
      const undo = document.querySelector<HTMLButtonElement>('header button[aria-label^="Undo"]');
      if (!undo || undo.disabled) return;
      undo.click();
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
  });

async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await expect(page.locator('main').getByRole('heading').first()).toBeVisible();
}

/** Along the thread where it leads there, as a user goes. */
async function goTo(page: Page, stop: string): Promise<void> {
  const link = page.locator(`nav a[href="${stop}"]`);
  if ((await link.count()) === 0) return open(page, stop);
  await page.evaluate(() => {
    for (const heading of document.querySelectorAll<HTMLElement>('main :is(h1, h2, h3)'))
      heading.dataset.left = '';
  });
  await link.dispatchEvent('click');
  await expect(page.locator('main [data-left]')).toHaveCount(0);
  await expect(page.locator('main').getByRole('heading').first()).toBeVisible();
}

for (const [, made] of demoPlans()) {
  const { hem } = made;
  test(`${hem.name}: every stop opens with the counts of the core, and every button can be pressed`, async ({
    page,
  }) => {
    test.slow();
    const faults: string[] = [];
    page.on('pageerror', (e) => faults.push(e.message));
    page.on('dialog', (dialog) => void dialog.dismiss());

    await page.goto('/');
    await page.getByRole('link', { name: hem.name }).first().click();
    await expect(page.getByRole('link', { name: /^Base round/ })).toContainText(baseWords(made));
    await goTo(page, `/hem/${hem.id}/pattern`);
    await expect(page.locator('.pattern-sheet')).toBeVisible();
    const told = await page.getByText(/^Count\b/).allInnerTexts();
    expect(told.map((l) => l.replace(/^Count after round \d+/, 'Count'))).toEqual(
      made.rounds.map((round) => countsLine(made, round)),
    );

    let inAll = 0;
    const inHead = new Set<string>();
    for (const stop of STOPS) {
      const pressed = new Set<string>();
      let takenAway = true;
      for (const again of SEARCHED.has(stop) ? [false] : [false, true]) {
        if (!takenAway) break;
        takenAway = false;
        if (again) await open(page, `/hem/${hem.id}/${stop}`);
        else await goTo(page, `/hem/${hem.id}/${stop}`);
        // Borders are proposed when they have been searched, in the workers.
        if (SEARCHED.has(stop))
          await expect(page.getByText(/suit as they are\.|^Nothing suits$/).first()).toBeVisible({
            timeout: 60_000,
          });
        for (const key of leadsOnLast(await pressable(page))) {
          if (ELSEWHERE.test(nameOf(key)) || inHead.has(key) || pressed.has(key)) continue;
          const fault = await press(page, key);
          // What an earlier press took away is pressed in the hem as it was.
          if (fault === undefined) takenAway = true;
          else (key.startsWith('head ') ? inHead : pressed).add(key);
          expect([stop, key, fault ?? 0, faults]).toEqual([stop, key, 0, []]);
          await page.keyboard.press('Escape');
        }
        await undoAll(page);
      }
      inAll += pressed.size;
    }
    expect(inAll + inHead.size).toBeGreaterThan(40);
    await page.goto('/');
    await expect(page.locator('.trouble')).toHaveCount(0);
    await expect(page.locator('.shelf-hem')).toHaveCount(demoPlans().length);
  });
}
