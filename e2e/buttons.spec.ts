/** Every button of every demo is pressed, on every stop, one after the other, and nothing fails. */
import { expect, test, type Page } from '@playwright/test';
import { demoPlans } from '../demo/read.ts';

const STOPS = ['piece', 'base', 'rounds', 'yarn', 'pattern', 'work', 'log', 'carry', 'propose'] as const;
/** What leaves the page, or asks the device for a file or for paper. */
const ELSEWHERE =
  /^(Print|Copy a link.*|Save|Save this drawing|.*CSV file|.*as a file|Download.*|Shelf|Stitches)$/;

/** What leads to another page of the hem comes last. */
const LEADS_ON = /\|(Try it on|Compare)$/;
const leadsOnLast = (pressed: readonly string[]): readonly string[] => [
  ...pressed.filter((at) => !LEADS_ON.test(at)),
  ...pressed.filter((at) => LEADS_ON.test(at)),
];

/** Buttons, switches and choices that can be pressed now, by what they are called; the head of a hem is on every stop. */
const pressable = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const found = document.querySelectorAll<HTMLElement>(
      'main button, main [role=button], main [role=radio], main [role=switch], main input[type=checkbox], header button, header input[type=radio]',
    );
    return [...found].flatMap((element, i) => {
      element.dataset.press = String(i);
      const { width, height } = element.getBoundingClientRect();
      const off = element.matches(':disabled, [aria-disabled=true]') || width * height === 0;
      const name = element.getAttribute('aria-label') ?? element.textContent ?? '';
      return off ? [] : [`${i}|${element.closest('header') ? 'head ' : ''}${name.trim()}`];
    });
  });

/** Presses one of them. @returns how many parts of the page have failed then; nothing where it is not there any more */
const press = (page: Page, i: string): Promise<number | undefined> =>
  page.evaluate(async (i) => {
    const element = document.querySelector<HTMLElement>(`[data-press="${i}"]`);
    if (!element) return undefined;
    element.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await new Promise((resolve) => setTimeout(resolve, 30));
    return document.querySelectorAll('.fault').length;
  }, i);

/** Along the thread where it leads there, as a user goes. */
async function goTo(page: Page, stop: string): Promise<void> {
  const link = page.locator(`nav a[href="${stop}"]`);
  if ((await link.count()) === 0) await page.goto(stop);
  else {
    await page.evaluate(() => {
      for (const heading of document.querySelectorAll<HTMLElement>('main :is(h1, h2, h3)'))
        heading.dataset.left = '';
    });
    await link.dispatchEvent('click');
    await expect(page.locator('main [data-left]')).toHaveCount(0);
  }
  await expect(page.locator('main').getByRole('heading').first()).toBeVisible();
}

for (const [file, { hem }] of demoPlans()) {
  test(`${hem.name}: every button can be pressed`, async ({ page }) => {
    test.slow();
    const faults: string[] = [];
    page.on('pageerror', (e) => faults.push(e.message));
    page.on('dialog', (dialog) => void dialog.dismiss());
    let pressed = 0;
    const inHead = new Set<string>();
    for (const stop of STOPS) {
      await goTo(page, `/hem/${hem.id}/${stop}`);
      // Borders are proposed when they have been searched, in the workers.
      if (stop === 'propose')
        await expect(page.getByText(/suit as they are\.|^Nothing suits$/).first()).toBeVisible({
          timeout: 60_000,
        });
      for (const at of leadsOnLast(await pressable(page))) {
        const [i, name] = at.split('|') as [string, string];
        if (ELSEWHERE.test(name) || inHead.has(at)) continue;
        // What an earlier press took away is not there to be pressed.
        const fault = await press(page, i);
        if (fault === undefined) continue;
        pressed++;
        if (name.startsWith('head ')) inHead.add(at);
        expect([file, stop, name, fault, faults]).toEqual([file, stop, name, 0, []]);
        await page.keyboard.press('Escape');
      }
    }
    expect(pressed).toBeGreaterThan(40);
    await page.goto('/');
    await expect(page.locator('.trouble')).toHaveCount(0);
    await expect(page.locator('.shelf-hem')).toHaveCount(demoPlans().length);
  });
}
