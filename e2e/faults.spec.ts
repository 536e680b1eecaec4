/**
 * Faults that may happen to a browser at any moment, tried by chance. A little of it in every run of the tests;
 * ZIG_HEM_THOROUGH says how many times as much (docs/reliability.md has the figures of a long run).
 */
import { demoPlans } from '../demo/read.ts';
import { mkdtempSync, readFileSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { choose, inForce, type Setting } from './inForce.ts';
import { binOpened } from './stored.ts';
import { chanceOf } from '../core/chance.ts';
import { seeds } from '../core/testing/seeds.ts';

const DEMOS = demoPlans().length;
const HEM = '/hem/demo-harbour-throw/base';

test.describe.configure({ timeout: 900_000 * Math.max(1, Number(process.env.ZIG_HEM_THOROUGH ?? 1)) });

const slider = (page: Page) => page.getByRole('slider', { name: 'Stitches along side A' });
const countShown = async (page: Page): Promise<number> =>
  Number(await slider(page).getAttribute('aria-valuenow'));

/** The processes of a browser, found by the folder that was made for it. */
function processesOf(folder: string): readonly number[] {
  return readdirSync('/proc').flatMap((entry) => {
    if (!/^\d+$/.test(entry)) return [];
    try {
      return readFileSync(`/proc/${entry}/cmdline`, 'utf8').includes(folder) ? [Number(entry)] : [];
    } catch {
      return [];
    }
  });
}

test('killed at random moments, the browser comes back with the hem as it was, or as it became', async ({
  baseURL,
  launchOptions,
}) => {
  test.skip(process.platform !== 'linux', 'the processes of the browser are found in /proc');
  const folder = mkdtempSync(join(tmpdir(), 'zig-hem-killed-'));
  const open = (): Promise<BrowserContext> =>
    chromium.launchPersistentContext(folder, { ...launchOptions, serviceWorkers: 'block' });
  let kills = 0;
  let newest = 0;
  let between = 0;
  for (const seed of seeds(2)) {
    const chance = chanceOf(seed);
    const context = await open();
    const page = context.pages()[0] ?? (await context.newPage());
    await page.goto(`${baseURL}${HEM}`);
    await expect(slider(page)).toBeVisible();
    const before = await countShown(page);
    await slider(page).focus();
    // What was said to be saved, and what was typed, before the browser is killed.
    let saved = before;
    let typed = before;
    const until = Date.now() + chance.int(50, 2500);
    const step = chance.maybe(0.5) ? 1 : -1;
    while (Date.now() < until) {
      await page.keyboard.press(step > 0 ? 'ArrowRight' : 'ArrowLeft');
      typed += step;
      if (chance.maybe(0.15)) await page.waitForTimeout(chance.int(0, 900));
      const told = await page.locator('.thread_hem > header [role=status]').innerText();
      if (told.startsWith('Saved')) saved = typed;
    }
    for (const process of processesOf(folder)) {
      try {
        globalThis.process.kill(process, 'SIGKILL');
      } catch {
        // It has ended with its parent.
      }
    }
    await context.close().catch(() => undefined);
    kills++;

    const again = await open();
    const after = again.pages()[0] ?? (await again.newPage());
    await after.goto(`${baseURL}/`);
    await expect(after.locator('.shelf_hem')).toHaveCount(DEMOS);
    await expect(after.locator('.shelf_trouble')).toHaveCount(0);
    await after.goto(`${baseURL}${HEM}`);
    await expect(slider(after)).toBeVisible();
    const found = await countShown(after);
    // What was said to be saved is there; what came after it is there or not, but never half.
    const [least, most] = [Math.min(saved, typed), Math.max(saved, typed)];
    expect([seed, found >= least && found <= most, { before, saved, typed, found }]).toEqual([
      seed,
      true,
      { before, saved, typed, found },
    ]);
    if (found === typed) newest++;
    else between++;
    await again.close();
  }
  console.log(
    `killed ${kills} times: ${newest} with the last edit, ${between} with one before it, none lost`,
  );
});

test('two tabs that edit at random end alike', async ({ context }) => {
  for (const seed of seeds(2)) {
    const chance = chanceOf(seed);
    const pages = [await context.newPage(), await context.newPage()];
    for (const page of pages) {
      await page.goto(HEM);
      await expect(slider(page)).toBeVisible();
    }
    for (let k = 0; k < 14; k++) {
      const page = chance.pick(pages);
      await page.bringToFront();
      const what = chance.int(0, 3);
      if (what === 0) {
        await slider(page).focus();
        await page.keyboard.press(chance.pick(['ArrowLeft', 'ArrowRight']));
      } else if (what === 1) await choose(page, chance.pick<Setting>(['Left hand', 'Right hand']));
      else if (what === 2) await choose(page, chance.pick<Setting>(['US terms', 'UK terms']));
      else await page.keyboard.press('Control+z');
      await page.waitForTimeout(chance.int(0, 500));
    }
    const stateOf = async (page: Page): Promise<string> =>
      [
        await countShown(page),
        await inForce(page),
        await page.locator('.thread_hem > header [role=status]').innerText(),
      ].join(' ');
    await expect.poll(async () => new Set(await Promise.all(pages.map(stateOf))).size).toBe(1);
    expect(await stateOf(pages[0]!)).toContain('Saved');
    const shown = await stateOf(pages[0]!);
    await pages[0]!.reload();
    await expect(slider(pages[0]!)).toBeVisible();
    expect(await stateOf(pages[0]!)).toBe(shown);
    for (const page of pages) await page.close();
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
  await binOpened(page);
  await page.goto(HEM);
  await choose(page, 'Left hand');
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  const faults: string[] = [];
  page.on('pageerror', (e) => faults.push(e.message));
  for (const seed of seeds(8)) {
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

test('what was seen last comes back after a reload, while writings fail at random', async ({ page }) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: Parameters<typeof put>) {
      if (Math.random() < Number(sessionStorage.getItem('failing') ?? 0))
        throw new DOMException('The quota has been exceeded.', 'QuotaExceededError');
      return put.apply(this, args);
    };
  });
  const failing = (share: number) =>
    page.evaluate((f) => sessionStorage.setItem('failing', String(f)), share);
  // The page asks before it is left; whoever leaves all the same is to find the edit again.
  page.on('dialog', (dialog) => void dialog.accept());
  await page.goto(HEM);
  await expect(slider(page)).toBeVisible();
  let expected = await countShown(page);
  for (const seed of seeds(12)) {
    const chance = chanceOf(seed);
    await failing(0.6);
    await slider(page).focus();
    for (let k = 0; k < 8; k++) {
      const right = chance.maybe(0.5);
      await page.keyboard.press(right ? 'ArrowRight' : 'ArrowLeft');
      expected += right ? 1 : -1;
      await page.waitForTimeout(chance.int(0, 150));
    }
    if (chance.maybe(0.3)) await failing(0);
    await page.reload();
    await expect(slider(page)).toBeVisible();
    expect([seed, await countShown(page)]).toEqual([seed, expected]);
  }
  await failing(0);
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await page.reload();
  await expect(slider(page)).toHaveAttribute('aria-valuenow', String(expected));
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
