/** A whole hem, from a new one to “It is done”: by keys alone, by touch alone, by a screen reader’s tree alone. */
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { Tree } from './tree.ts';

/** The one thing that a role and a name find. */
interface Thing {
  readonly role: 'button' | 'link' | 'slider' | 'combobox' | 'region';
  readonly name: RegExp;
}

/** A person before a page: what is found there, what it says, and what can be done with it. */
interface Person {
  readonly press: (thing: Thing) => Promise<void>;
  /** The words or the value of a thing; null where there is none. */
  readonly says: (thing: Thing) => Promise<string | null>;
  readonly reads: (text: RegExp) => Promise<boolean>;
  /** One stitch more on a count line. */
  readonly oneMore: () => Promise<void>;
  readonly longSteps: () => Promise<void>;
}

const SIDE: Thing = { role: 'slider', name: /^Stitches along side A$/ };
const STEPS: Thing = { role: 'combobox', name: /^One step is/ };
const IS_DONE: Thing = { role: 'button', name: /^It is done$/ };
const stop = (name: string): Thing => ({ role: 'link', name: new RegExp(`^${name}`) });

/** More presses of Tab than any page takes. */
const MOST_TABS = 250;

const located = (page: Page, { role, name }: Thing): Locator => page.getByRole(role, { name }).first();

const seen = async (page: Page, thing: Thing): Promise<string | null> => {
  const one = located(page, thing);
  if (!(await one.isVisible())) return null;
  return (await one.getAttribute('aria-valuenow')) ?? (await one.innerText());
};

function byKeys(page: Page): Person {
  /** Goes on with Tab until a thing has the focus. */
  const tabTo = async (thing: Thing): Promise<void> => {
    const one = located(page, thing);
    await one.waitFor();
    for (let k = 0; k < MOST_TABS; k++) {
      if (await one.evaluate((e) => e === document.activeElement)) return;
      await page.keyboard.press('Tab');
    }
    throw new Error(`no press of Tab comes to ${String(one)}`);
  };
  return {
    press: async (thing) => {
      await tabTo(thing);
      await page.keyboard.press('Enter');
      // The focus is somewhere on the page, whatever went away.
      await expect.poll(() => page.evaluate(() => document.activeElement !== document.body)).toBe(true);
    },
    says: (thing) => seen(page, thing),
    reads: (text) => page.getByText(text).first().isVisible(),
    oneMore: async () => {
      await tabTo(SIDE);
      await page.keyboard.press('ArrowRight');
    },
    longSteps: async () => {
      await tabTo(STEPS);
      await page.keyboard.press('End');
    },
  };
}

function byTouch(page: Page): Person {
  return {
    press: (thing) => located(page, thing).tap(),
    says: (thing) => seen(page, thing),
    reads: (text) => page.getByText(text).first().isVisible(),
    oneMore: () => located(page, { role: 'button', name: /^One stitch more on side A$/ }).tap(),
    longSteps: async () => void (await located(page, STEPS).selectOption({ index: 2 })),
  };
}

/** With what a screen reader gets, and nothing else: no place on the screen, no selector. */
function byTree(page: Page): Person {
  const tree = new Tree(page);
  const press = ({ role, name }: Thing): Promise<void> =>
    tree.act(role, name, 'function () { this.focus(); this.click(); }');
  return {
    press,
    says: async ({ role, name }) => {
      const said = await tree.now(role, name);
      return said && (said.value || said.text || said.name);
    },
    reads: async (text) => (await tree.now('StaticText', text)) !== null,
    oneMore: () => press({ role: 'button', name: /^One stitch more on side A$/ }),
    longSteps: async () => {
      await tree.act('combobox', STEPS.name, 'function () { this.focus(); }');
      await page.keyboard.press('End');
    },
  };
}

async function wholeHem(page: Page, person: Person): Promise<void> {
  await page.goto('/');
  await person.press({ role: 'button', name: /^New hem$/ });
  await person.press({ role: 'button', name: /^Rows$/ });
  await person.press({ role: 'button', name: /^Choose an edge$/ });
  // What fits as it is comes first.
  await expect.poll(() => person.reads(/\d fits? as (they are|it is)/)).toBe(true);
  await person.press({ role: 'button', name: /: add it$/ });
  await expect.poll(() => person.says(stop('Rounds'))).toContain('all fit');

  await person.press(stop('Base round'));
  await expect.poll(() => person.says(SIDE)).not.toBeNull();
  const before = Number(await person.says(SIDE));
  await person.oneMore();
  await expect.poll(() => person.says(SIDE)).toBe(String(before + 1));
  await person.press({ role: 'button', name: /^Undo/ });
  await expect.poll(() => person.says(SIDE)).toBe(String(before));

  await person.press(stop('Work'));
  await person.longSteps();
  const now: Thing = { role: 'region', name: /^What to do now$/ };
  for (let k = 0; k < 60 && (await person.says(IS_DONE)) === null; k++) {
    const was = await person.says(now);
    // Presses that follow each other at once count as one.
    await page.waitForTimeout(260);
    await person.press({ role: 'button', name: /^(Started|Done|Round joined)$/ });
    await expect
      .poll(async () => (await person.says(IS_DONE)) !== null || (await person.says(now)) !== was)
      .toBe(true);
  }
  await person.press(IS_DONE);
  await expect.poll(() => person.says(stop('Work'))).toMatch(/done/i);
}

test('a whole hem by keys alone', { tag: '@long' }, ({ page }) => wholeHem(page, byKeys(page)));

test('a whole hem by keys alone, with letters of twice the size', async ({ page }) => {
  await page.addInitScript(() => {
    document.addEventListener('DOMContentLoaded', () => (document.documentElement.style.fontSize = '200%'));
  });
  await wholeHem(page, byKeys(page));
});

test('a whole hem by the tree of a screen reader alone', ({ page }) => wholeHem(page, byTree(page)));

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('a whole hem by touch alone', ({ page }) => wholeHem(page, byTouch(page)));
});
