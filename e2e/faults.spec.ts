/**
 * Faults that may happen to a browser at any moment, tried by chance. A little of it in every run of the tests;
 * ZIG_HEM_THOROUGH says how many times as much (docs/reliability.md has the figures of a long run).
 */
import { demoPlans } from '../demo/read.ts';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { chromium } from './engines/chromium.ts';
import { firefox } from './engines/firefox.ts';
import { Person } from './engines/person.ts';
import { choose } from './inForce.ts';
import { chanceOf } from '../core/chance.ts';
import { seeds } from '../core/testing/seeds.ts';

const DEMOS = demoPlans().length;
const HEM = '/hem/demo-harbour-throw/base';

test.describe.configure({ timeout: 900_000 * Math.max(1, Number(process.env.ZIG_HEM_THOROUGH ?? 1)) });

const slider = (page: Page) => page.getByRole('slider', { name: 'Stitches along side A' });
const countShown = async (page: Page): Promise<number> =>
  Number(await slider(page).getAttribute('aria-valuenow'));

/** In the page: the count line of side A, and what is done with it and with the settings of a hem. */
const SIDE = 'document.querySelector("[role=slider][aria-label=\'Stitches along side A\']")';
const COUNT = `return ${SIDE}?.ariaValueNow ?? null`;
const FOCUS = `${SIDE}.focus()`;
const SAID = 'return document.querySelector(".thread_hem > header [role=status]").innerText';
const SETTINGS = 'return document.querySelector("[popovertarget=in-force]").textContent';
const CHOOSE =
  '[...document.querySelectorAll("[popover] label")].find((e) => e.textContent === arguments[0]).click()';
const UNDO = 'document.querySelector("[aria-label^=Undo]").click()';

/** Stitches of side A, as a page says them; it waits until it says any. */
const countIn = (person: Person): Promise<number> =>
  person.until('a count of side A', async () => {
    const now = await person.tab.run(COUNT);
    return now === null ? null : Number(now);
  });

/** What is said of the saving. */
const saidIn = async (person: Person): Promise<string> => String(await person.tab.run(SAID));

const wait = (ms: number): Promise<void> => new Promise((over) => setTimeout(over, ms));

/** A page of the hem, ready for the arrow keys to change its count. */
async function atCount(person: Person, home: string): Promise<number> {
  await person.tab.open(`${home}${HEM}`);
  await countIn(person);
  await person.find('slider', /^Stitches along side A$/);
  await person.tab.run(FOCUS);
  return countIn(person);
}

// Drivers are not as steady as the engines themselves; what fails here fails each time.
test.describe('in an engine', () => {
  test.describe.configure({ retries: 1 });

  for (const { engine, share, tag } of [
    { engine: chromium, share: 1, tag: [] },
    // Slower, and alike in what it keeps.
    { engine: firefox, share: 1 / 2, tag: ['@long'] },
  ]) {
    test(
      `${engine.name}: killed at random moments, it comes back with the hem as it was, or as it became`,
      {
        tag,
      },
      async ({ baseURL: home = '' }) => {
        test.skip(process.platform !== 'linux', 'the processes of the browser are found in /proc');
        test.skip(engine.missing() !== null, engine.missing() ?? '');
        const profile = mkdtempSync(join(tmpdir(), 'zig-hem-killed-'));
        let newest = 0;
        let earlier = 0;
        for (const seed of seeds(2 * share)) {
          const chance = chanceOf(seed);
          const running = await engine.startOn(profile);
          const person = new Person(running.tab);
          const before = await atCount(person, home);
          // What was said to be saved, and what was typed, before the browser is killed.
          let saved = before;
          let typed = before;
          const until = Date.now() + chance.int(50, 2500);
          const step = chance.maybe(0.5) ? 1 : -1;
          while (Date.now() < until) {
            await running.tab.key(step > 0 ? 'ArrowRight' : 'ArrowLeft');
            typed += step;
            if (chance.maybe(0.15)) await wait(chance.int(0, 900));
            if ((await saidIn(person)).startsWith('Saved')) saved = typed;
          }
          await running.kill();

          const again = await engine.startOn(profile);
          const after = new Person(again.tab);
          await again.tab.open(`${home}/`);
          await after.until('all hems on the shelf', async () => {
            const all = await again.tab.run('return document.querySelectorAll(".shelf_hem").length');
            return all === DEMOS;
          });
          expect(await again.tab.run('return document.querySelectorAll(".shelf_trouble").length')).toBe(0);
          const found = await atCount(after, home);
          // What was said to be saved is there; what came after it is there or not, but never half.
          const [least, most] = [Math.min(saved, typed), Math.max(saved, typed)];
          expect([seed, found >= least && found <= most, { before, saved, typed, found }]).toEqual([
            seed,
            true,
            { before, saved, typed, found },
          ]);
          if (found === typed) newest++;
          else earlier++;
          await again.end();
        }
        console.log(
          `${engine.name} killed: ${newest} times with the last edit, ${earlier} with one before it`,
        );
      },
    );

    test(
      `${engine.name}: two tabs that edit at random end alike`,
      { tag },
      async ({ baseURL: home = '' }) => {
        test.skip(engine.missing() !== null, engine.missing() ?? '');
        const running = await engine.startOn(mkdtempSync(join(tmpdir(), 'zig-hem-tabs-')));
        try {
          for (const seed of seeds(2 * share)) {
            const chance = chanceOf(seed);
            const tabs = [await running.another(), await running.another()];
            const people = tabs.map((tab) => new Person(tab));
            for (const person of people) await atCount(person, home);
            for (let k = 0; k < 14; k++) {
              const tab = chance.pick(tabs);
              await tab.toFront();
              const what = chance.int(0, 3);
              if (what === 0) {
                await tab.run(FOCUS);
                await tab.key(chance.pick(['ArrowLeft', 'ArrowRight']));
              } else if (what === 1) await tab.run(CHOOSE, chance.pick(['Left hand', 'Right hand']));
              else if (what === 2) await tab.run(CHOOSE, chance.pick(['US terms', 'UK terms']));
              else await tab.run(UNDO);
              await wait(chance.int(0, 500));
            }
            const stateOf = async (person: Person): Promise<string> =>
              [await countIn(person), await person.tab.run(SETTINGS), await saidIn(person)].join(' ');
            const shown = await people[0]!.until('both alike, and saved', async () => {
              const [one, other] = await Promise.all(people.map(stateOf));
              return one === other && one!.includes('Saved') ? one! : null;
            });
            await people[0]!.tab.reload();
            await people[0]!.until(
              'the same after a reload',
              async () => (await stateOf(people[0]!)) === shown,
            );
            for (const tab of tabs) await tab.close();
          }
        } finally {
          await running.end();
        }
      },
    );

    test(
      `${engine.name}: what was seen last comes back after a reload, while writings fail at random`,
      {
        tag,
      },
      async ({ baseURL: home = '' }) => {
        test.skip(engine.missing() !== null, engine.missing() ?? '');
        const running = await engine.startOn(mkdtempSync(join(tmpdir(), 'zig-hem-failing-')));
        const { tab } = running;
        const person = new Person(tab);
        const failing = (share: number) =>
          tab.run('sessionStorage.setItem("failing", String(arguments[0]))', share);
        try {
          await tab.before(`
          const put = IDBObjectStore.prototype.put;
          IDBObjectStore.prototype.put = function (...args) {
            if (Math.random() < Number(sessionStorage.getItem('failing') ?? 0))
              throw new DOMException('The quota has been exceeded.', 'QuotaExceededError');
            return put.apply(this, args);
          };`);
          let expected = await atCount(person, home);
          for (const seed of seeds(6 * share)) {
            const chance = chanceOf(seed);
            await failing(0.6);
            await person.find('slider', /^Stitches along side A$/);
            await tab.run(FOCUS);
            for (let k = 0; k < 8; k++) {
              const right = chance.maybe(0.5);
              await tab.key(right ? 'ArrowRight' : 'ArrowLeft');
              expected += right ? 1 : -1;
              await wait(chance.int(0, 150));
            }
            if (chance.maybe(0.3)) await failing(0);
            await tab.reload();
            expect([seed, await countIn(person)]).toEqual([seed, expected]);
          }
          await failing(0);
          await person.reads(/Saved in this browser/);
          await tab.reload();
          expect(await countIn(person)).toBe(expected);
        } finally {
          await running.end();
        }
      },
    );
  }
});

/** Remains of a record after damage. */
const DAMAGE = [
  null,
  0,
  'x',
  [],
  {},
  { kept: 1 },
  { kept: 1, revision: 'x', hem: {} },
  { format: 'zig-hem', version: 2 },
  { revision: 1, past: 'x', future: 3 },
  [{ revision: 1 }],
  { kept: undefined, deleted: 7 },
] as const;

test('damage in any record of any store hurts one hem at the most', async ({ page }) => {
  await page.goto('/');
  await expect(page.locator('.shelf_hem')).toHaveCount(DEMOS);
  await page.goto(HEM);
  await choose(page, 'Left hand');
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  const faults: string[] = [];
  page.on('pageerror', (e) => faults.push(e.message));
  for (const seed of seeds(5)) {
    const chance = chanceOf(seed);
    const store = chance.pick(['hems', 'history', 'undo', 'bin', 'settings']);
    const damage = chance.pick(DAMAGE);
    const key = await page.evaluate(
      ([name, value, at]) =>
        new Promise<string>((resolve, reject) => {
          const open = indexedDB.open('zig-hem');
          open.onerror = () => reject(new Error('no database'));
          open.onsuccess = () => {
            const transaction = open.result.transaction(name, 'readwrite');
            const records = transaction.objectStore(name);
            const keys = records.getAllKeys();
            keys.onsuccess = () => {
              const all = keys.result.map(String);
              const key = all[Math.floor(at * all.length)] ?? 'demo-harbour-throw';
              records.put(value, key);
              transaction.oncomplete = () => {
                open.result.close();
                resolve(key);
              };
            };
          };
        }),
      [store, damage, chance.next()] as const,
    );
    await page.goto('/');
    await expect(page.locator('.shelf_hem').first()).toBeVisible();
    const trouble = await page.locator('.shelf_trouble').count();
    expect([seed, store, key, trouble <= 1]).toEqual([seed, store, key, true]);
    if (store === 'hems') {
      // It is let go, and put back from what a new browser starts with by the next damage’s reload.
      await page
        .locator('.shelf_trouble')
        .getByRole('button', { name: /^Delete/ })
        .click();
      await expect(page.locator('.shelf_trouble')).toHaveCount(0);
    }
    const left = await page.locator('.shelf_hem').count();
    expect(left).toBeGreaterThan(0);
    await page.locator('.shelf_link').first().click();
    await expect(page.locator('main').getByRole('heading').first()).toBeVisible();
    await page.getByRole('button', { name: 'Earlier versions of this hem' }).click();
    await expect(page.getByText('Versions get fewer with age')).toBeVisible();
    await page.keyboard.press('Escape');
    if (left <= 2) break;
  }
  expect(faults).toEqual([]);
});

test('a clock that jumps loses no edit and empties no bin', async ({ page }) => {
  // The clock of this tab, moved by so many days.
  await page.addInitScript(() => {
    const Real = Date;
    const moved = (): number => Real.now() + Number(sessionStorage.getItem('days') ?? 0) * 86_400_000;
    const Moved = function (...args: readonly number[]) {
      return args.length === 0 ? new Real(moved()) : new Real(...(args as [number]));
    };
    Object.assign(window, { Date: Object.assign(Moved, { now: moved, parse: Real.parse, UTC: Real.UTC }) });
    Moved.prototype = Real.prototype;
  });
  await page.goto('/');
  await page.getByRole('button', { name: 'Delete Millstone mat' }).click();
  await expect(page.locator('.shelf_hem')).toHaveCount(DEMOS - 1);
  for (const days of [-2500, 4200, 1]) {
    await page.evaluate((d) => sessionStorage.setItem('days', String(d)), days);
    await page.goto(HEM);
    await expect(slider(page)).toBeVisible();
    const before = await countShown(page);
    await slider(page).focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByText('Saved in this browser')).toBeVisible();
    await page.reload();
    await expect(slider(page)).toHaveAttribute('aria-valuenow', String(before + 1));
  }
  await page.goto('/');
  await page.getByText(/^Bin/).click();
  await expect(page.getByRole('button', { name: 'Put Millstone mat back' })).toBeVisible();
});
