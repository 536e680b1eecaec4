/** A whole hem, from a new one to “It is done”: by keys alone, and by touch alone. */
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './test.ts';

/** What a person does with a thing that is on the page. */
interface Means {
  readonly press: (thing: Locator) => Promise<void>;
  /** One stitch more on a count line. */
  readonly oneMore: (page: Page) => Promise<void>;
  readonly longSteps: (page: Page) => Promise<void>;
  readonly stepDone: (page: Page) => Promise<void>;
  readonly goTo: (page: Page, stop: string) => Promise<void>;
}

/** More presses of Tab than any page takes. */
const MOST_TABS = 250;

/** Goes on with Tab until a thing has the focus. */
async function tabTo(thing: Locator): Promise<void> {
  await thing.first().waitFor();
  const page = thing.page();
  for (let k = 0; k < MOST_TABS; k++) {
    if (await thing.first().evaluate((e) => e === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`no press of Tab comes to ${String(thing)}`);
}

const side = (page: Page): Locator => page.getByRole('slider', { name: 'Stitches along side A' });
const steps = (page: Page): Locator => page.getByLabel('One step is');
const done = (page: Page): Locator => page.getByRole('button', { name: /^(Started|Done|Round joined)$/ });
const stopLink = (page: Page, stop: string): Locator =>
  page.getByRole('link', { name: new RegExp(`^${stop}`) });

/** Presses that follow each other at once count as one. */
const apart = (page: Page): Promise<void> => page.waitForTimeout(260);

/** The focus is somewhere on the page, whatever went away. */
const somewhere = (page: Page): Promise<void> =>
  expect.poll(() => page.evaluate(() => document.activeElement !== document.body)).toBe(true);

const byKeys: Means = {
  press: async (thing) => {
    const page = thing.page();
    await tabTo(thing);
    await page.keyboard.press('Enter');
    await somewhere(page);
  },
  oneMore: async (page) => {
    await tabTo(side(page));
    await page.keyboard.press('ArrowRight');
  },
  longSteps: async (page) => {
    await tabTo(steps(page));
    await page.keyboard.press('End');
  },
  stepDone: async (page) => {
    await apart(page);
    await tabTo(done(page));
    await page.keyboard.press('Enter');
    await somewhere(page);
  },
  goTo: async (page, stop) => {
    await tabTo(stopLink(page, stop));
    await page.keyboard.press('Enter');
  },
};

const byTouch: Means = {
  press: (thing) => thing.first().tap(),
  oneMore: (page) => page.getByRole('button', { name: 'One stitch more on side A' }).tap(),
  longSteps: async (page) => void (await steps(page).selectOption({ index: 2 })),
  stepDone: async (page) => {
    await apart(page);
    await done(page).tap();
  },
  goTo: (page, stop) => stopLink(page, stop).tap(),
};

async function wholeHem(page: Page, means: Means): Promise<void> {
  await page.goto('/');
  await means.press(page.getByRole('button', { name: 'New hem', exact: true }));
  await means.press(page.getByRole('button', { name: 'Rows', exact: true }));
  await means.press(page.getByRole('button', { name: 'Choose an edge' }));
  await expect(page.getByText('Trying them on …')).toHaveCount(0);
  // What fits as it is comes first.
  await means.press(page.getByRole('button', { name: /: add it$/ }));
  await expect(stopLink(page, 'Rounds')).toContainText('all fit');

  await means.goTo(page, 'Base round');
  const count = async (): Promise<number> => Number(await side(page).getAttribute('aria-valuenow'));
  const before = await count();
  await means.oneMore(page);
  await expect.poll(count).toBe(before + 1);
  await means.press(page.getByRole('button', { name: /^Undo/ }).first());
  await expect.poll(count).toBe(before);

  await means.goTo(page, 'Work');
  await means.longSteps(page);
  const isDone = page.getByRole('button', { name: 'It is done' });
  const now = page.getByRole('region', { name: 'What to do now' });
  for (let k = 0; k < 60 && !(await isDone.isVisible()); k++) {
    const was = await now.innerText();
    await means.stepDone(page);
    await expect.poll(async () => (await isDone.isVisible()) || (await now.innerText()) !== was).toBe(true);
  }
  await means.press(isDone);
  await expect(stopLink(page, 'Work')).toContainText(/done/i);
}

test('a whole hem by keys alone', ({ page }) => wholeHem(page, byKeys));

test('a whole hem by keys alone, with letters of twice the size', async ({ page }) => {
  await page.addInitScript(() => {
    document.addEventListener('DOMContentLoaded', () => (document.documentElement.style.fontSize = '200%'));
  });
  await wholeHem(page, byKeys);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('a whole hem by touch alone', ({ page }) => wholeHem(page, byTouch));
});
