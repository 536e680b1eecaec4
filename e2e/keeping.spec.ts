/** Kept things stay kept: the shelf, several tabs, and storage that fails. */
import { DEMO_FILES } from '../demo/read.ts';
import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { choose, inForce } from './inForce.ts';

const THROW = '/hem/demo-harbour-throw';
const cards = (page: Page) => page.locator('.shelf_hem');
const DEMOS = DEMO_FILES.length;

async function addRound(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a round' }).click();
  await page.getByRole('button', { name: `${name}: add it`, exact: true }).click();
}

/** Puts a value in place of a record of this browser’s storage; nothing when there is none. */
async function putRecord(page: Page, store: string, key: string, value?: unknown): Promise<void> {
  await page.evaluate(
    ([name, at, what]) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('zig-hem');
        open.onerror = () => reject(new Error('no database'));
        open.onsuccess = () => {
          const transaction = open.result.transaction(name, 'readwrite');
          const kept = transaction.objectStore(name);
          if (what === undefined) kept.delete(at);
          else kept.put(what, at);
          transaction.oncomplete = () => {
            open.result.close();
            resolve();
          };
        };
      }),
    [store, key, value] as const,
  );
}

/** Every picture of the shelf lies in the room that is left for it. */
async function expectToFit(page: Page): Promise<void> {
  const over = await page.locator('.shelf_drawing').evaluateAll((rooms) =>
    rooms.flatMap((room) => {
      const { width, height } = room.getBoundingClientRect();
      const picture = room.querySelector('img')?.getBoundingClientRect();
      return picture && (picture.width > width + 1 || picture.height > height + 1) ? [picture.height] : [];
    }),
  );
  expect(over).toEqual([]);
}

/** Lets writings into the database fail from now on, as `window.storageFault` says. */
async function withFaults(page: Page): Promise<(fault: 'full' | 'hangs' | null) => Promise<void>> {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: Parameters<typeof put>) {
      const { storageFault } = window as { storageFault?: string };
      if (storageFault === 'full')
        throw new DOMException('The quota has been exceeded.', 'QuotaExceededError');
      // A request that is never answered: its transaction is kept from ending.
      if (storageFault === 'hangs') {
        const request = put.apply(this, args);
        Object.defineProperty(this.transaction, 'oncomplete', { set: () => undefined });
        return request;
      }
      return put.apply(this, args);
    };
  });
  return (fault) =>
    page.evaluate((f) => {
      (window as { storageFault?: string | null }).storageFault = f;
    }, fault);
}

test('four clicks that once made every hem unreachable', async ({ page }) => {
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  await page.goto(`${THROW}/rounds`);
  await addRound(page, 'Crab stitch edge');
  await addRound(page, 'Ball edging');
  await page.getByRole('button', { name: /^Move Crab stitch edge, round/ }).focus();
  // What is told to those who do not see it.
  const told = page.locator('[id^="DndLiveRegion"]');
  await page.keyboard.press('Space');
  await expect(told).toContainText(/^Now /);
  // The keys are heard when what lies where has been measured. Higher than the top it does not go.
  await expect(async () => {
    if ((await told.textContent())!.includes('entry 4 of 4,')) return;
    await page.keyboard.press('ArrowUp');
    await expect(told).toContainText('entry 4 of 4,', { timeout: 1000 });
  }).toPass();
  await page.keyboard.press('Space');
  await expect(page.getByRole('list', { name: 'Rounds' }).getByRole('listitem').first()).toContainText(
    'Crab stitch edge',
  );
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('list', { name: 'Rounds' }).getByRole('listitem').first()).toContainText(
    'Crab stitch edge',
  );
  await page.goto('/');
  await expect(cards(page)).toHaveCount(DEMOS);
  await expect(page.locator('.shelf_trouble')).toHaveCount(0);
  expect(errors).toEqual([]);
});

test('a hem that is damaged or newer is a card of its own, with every way out', async ({ page }) => {
  await page.goto('/');
  await expect(cards(page)).toHaveCount(DEMOS);
  await page.goto(`${THROW}/base`);
  await choose(page, 'Left hand');
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  const damaged = {
    kept: 1,
    revision: 9,
    hem: { format: 'zig-hem', version: 2, name: 'Harbour throw', rounds: 7 },
  };
  await putRecord(page, 'hems', 'demo-harbour-throw', damaged);
  await putRecord(page, 'hems', 'demo-hexagon', {
    kept: 1,
    revision: 2,
    hem: { format: 'zig-hem', version: 99, name: 'Beeskep hexagon' },
  });
  await putRecord(page, 'hems', 'demo-round', 'nothing of use');
  await page.goto('/');
  await expect(cards(page)).toHaveCount(DEMOS);
  const trouble = page.locator('.shelf_trouble');
  await expect(trouble).toHaveCount(3);
  await expect(trouble.filter({ hasText: 'Beeskep hexagon' })).toContainText('version 99');
  // The page of such a hem says the same.
  await page.goto(`${THROW}/rounds`);
  await expect(trouble).toContainText('It cannot be opened as it is');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    trouble.getByRole('button', { name: 'Download as it is' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('harbour-throw.hem.json');
  await trouble.getByRole('button', { name: 'Earlier version' }).click();
  await expect(page.getByRole('heading', { name: 'Rounds' })).toBeVisible();
  await expect.poll(() => inForce(page)).toContain('left hand');
  await page.goto('/');
  await trouble
    .filter({ hasText: 'Beeskep hexagon' })
    .getByRole('button', { name: /^Delete/ })
    .click();
  await expect(cards(page)).toHaveCount(DEMOS - 1);
  await page.getByText(/^Bin/).click();
  await page.getByRole('button', { name: 'Put Beeskep hexagon back' }).click();
  await expect(cards(page)).toHaveCount(DEMOS);
});

test('two tabs show the same, keep what either did, and a deleted hem stays deleted', async ({ context }) => {
  const [one, two] = await Promise.all([context.newPage(), context.newPage()]);
  await one.goto(`${THROW}/base`);
  await expect(one.getByRole('heading', { name: 'Base round' })).toBeVisible();
  await two.goto(`${THROW}/yarn`);
  await two.getByRole('spinbutton', { name: 'Stitches in a minute' }).fill('31');
  await two.getByRole('spinbutton', { name: 'Stitches in a minute' }).press('Enter');
  await choose(one, 'UK terms');
  await expect.poll(() => inForce(two)).toContain('UK terms');
  await one.getByRole('link', { name: /^Yarn/ }).click();
  await expect(one.getByRole('spinbutton', { name: 'Stitches in a minute' })).toHaveValue('31');

  const shelf = await context.newPage();
  await shelf.goto('/');
  await shelf.getByRole('button', { name: 'Delete Harbour throw' }).click();
  await expect(one.getByText('Deleted in another tab')).toBeVisible();
  await choose(one, 'US terms');
  await one.waitForTimeout(1500);
  await shelf.reload();
  await expect(cards(shelf)).toHaveCount(DEMOS - 1);
  await one.getByRole('button', { name: 'Put it back' }).click();
  await expect(one.getByText('Saved in this browser')).toBeVisible();
  await expect(cards(shelf)).toHaveCount(DEMOS);
});

test('what was shown last is there at once, and the shelf as it is takes its place', async ({ page }) => {
  await page.goto('/');
  await expect(cards(page)).toHaveCount(DEMOS);
  const glanced = (): Promise<string> => page.evaluate(() => localStorage.getItem('zig-hem glance') ?? '[]');
  await expect.poll(async () => (JSON.parse(await glanced()) as unknown[]).length).toBe(8);
  // One is gone while no shelf is shown.
  await page.goto(`${THROW}/base`);
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await putRecord(page, 'hems', 'demo-lantern');
  // What is read comes late.
  await page.addInitScript(() => {
    const getAll = IDBObjectStore.prototype.getAll;
    IDBObjectStore.prototype.getAll = function (this: IDBObjectStore) {
      const request = getAll.apply(this);
      const late = {
        onsuccess: () => undefined,
        get result(): unknown {
          return request.result as unknown;
        },
      };
      request.onsuccess = () => setTimeout(() => late.onsuccess(), 3000);
      return late as unknown as IDBRequest<unknown[]>;
    };
  });
  await page.goto('/');
  const lantern = cards(page).filter({ hasText: 'Lantern' });
  await expect(lantern.locator('img.plan')).toBeVisible();
  await expectToFit(page);
  // Nothing is done to a hem that has not been read.
  await expect(lantern.getByRole('button', { name: /^Delete/ })).toBeDisabled();
  await expect(cards(page)).toHaveCount(DEMOS - 1);
  await expect(lantern).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Delete Harbour throw' })).toBeEnabled();
  await expect(cards(page).locator('img.plan[src^=blob]').first()).toBeVisible();
  await expectToFit(page);
  // It is not there the next time.
  await expect.poll(glanced).not.toContain('Lantern');
});

for (const fault of ['full', 'hangs'] as const) {
  test(`storage that ${fault === 'full' ? 'is full' : 'hangs'} is said, and the edit survives`, async ({
    page,
  }) => {
    const fail = await withFaults(page);
    await page.goto(`${THROW}/base`);
    await expect(page.getByText('Saved in this browser')).toBeVisible();
    await fail(fault);
    await choose(page, 'Left hand');
    await expect(page.getByRole('status').filter({ hasText: 'Not saved' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Download the hem file' })).toBeVisible();
    page.on('dialog', (dialog) => void dialog.accept());
    await page.reload();
    await expect.poll(() => inForce(page)).toContain('left hand');
    await expect(page.getByText('Saved in this browser')).toBeVisible();
    await fail(fault);
    await choose(page, 'Right hand');
    await expect(page.getByRole('status').filter({ hasText: 'Not saved' })).toBeVisible();
    await fail(null);
    await expect(page.getByText('Saved in this browser')).toBeVisible();
  });
}

test('a refusal on the shelf is said, and nothing is lost by it', async ({ page }) => {
  const fail = await withFaults(page);
  await page.goto('/');
  await expect(cards(page)).toHaveCount(DEMOS);
  await fail('full');
  for (const press of ['Copy Harbour throw', 'Delete Harbour throw']) {
    await page.getByRole('button', { name: press }).click();
    await expect(page.getByText('It was not done')).toBeVisible();
    await expect(page.getByText('storage is full')).toBeVisible();
    await page.locator('.notices_noticeClose').click();
  }
  await fail(null);
  await page.reload();
  await expect(cards(page)).toHaveCount(DEMOS);
});

test('storage that was cleared under an open hem: the hem is saved again, and it is said', async ({
  page,
}) => {
  await page.goto(`${THROW}/base`);
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const open = indexedDB.open('zig-hem');
        open.onsuccess = () => {
          const transaction = open.result.transaction('hems', 'readwrite');
          transaction.objectStore('hems').clear();
          transaction.oncomplete = () => resolve();
        };
      }),
  );
  await choose(page, 'Left hand');
  await expect(page.getByText('storage was cleared')).toBeVisible();
  await page.goto('/');
  await expect(cards(page)).toHaveCount(1);
});

test('files of another kind are answered with what they are and what would work', async ({ page }) => {
  await page.goto('/');
  await expect(cards(page)).toHaveCount(DEMOS);
  const FILES = [
    ['pattern.pdf', '%PDF-1.7 …', 'this is a PDF'],
    ['photo.jpg', '\u00ff\u00d8\u00ff\u00e0 JFIF', 'this is a picture'],
    ['chart.svg', '<svg xmlns="x"></svg>', 'this is a drawing'],
    ['pattern.md', '# Harbour throw', 'a pattern as Markdown'],
    ['settings.json', '{"theme":"dark"}', 'written by another program'],
    ['torn.hem.json', '{"format":"zig-hem","version":2,"name":"To', 'cut off or damaged near line 1'],
    ['empty.hem.json', '', 'this file is empty'],
    ['torn.zip', 'PK\u0003\u0004 and then nothing', 'this zip file is cut off'],
  ] as const;
  for (const [name, content, says] of FILES) {
    const buffer = Buffer.from(content, 'latin1');
    await page
      .locator('input[type=file]')
      .setInputFiles({ name, mimeType: 'application/octet-stream', buffer });
    await expect(page.locator('.shelf_refused')).toContainText(`${name} was not opened`);
    await expect(page.locator('.shelf_refused')).toContainText(says);
    await expect(page.locator('.shelf_refused')).not.toContainText(/unexpected|token|JSON\.parse|position/i);
  }
  await expect(cards(page)).toHaveCount(DEMOS);
});

test('focus goes where one goes, and every page has its landmarks and its title', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('main')).toHaveCount(1);
  await page.getByRole('link', { name: /Harbour throw/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Base round' })).toBeVisible();
  await expect(page).toHaveTitle('Base round – Harbour throw – Zig Hem');
  expect(await page.evaluate(() => document.activeElement?.tagName)).toBe('MAIN');
  await page.keyboard.press('4');
  await expect(page).toHaveTitle('Yarn – Harbour throw – Zig Hem');
  const colour = page.getByRole('button', { name: /^Color of Tarn worsted/ }).first();
  await colour.focus();
  await expect(colour).toBeFocused();
});

test('a page that is opened by its address begins at its top; one that is read again stays', async ({
  page,
}) => {
  const scrolled = (): Promise<number> => page.evaluate(() => scrollY);
  await page.setViewportSize({ width: 390, height: 600 });
  await page.goto(`${THROW}/yarn`);
  await expect(page.getByRole('heading', { name: 'The basket' })).toBeVisible();
  await page.evaluate(() => scrollTo(0, 300));
  await page.reload();
  await expect.poll(scrolled).toBe(300);
  await page.goto('/hem/demo-clover/work');
  await expect(page.getByRole('region', { name: 'What to do now' })).toBeVisible();
  await page.waitForLoadState('networkidle');
  expect(await scrolled()).toBe(0);
});

test('the folder of backups is kept up to date', async ({ page }) => {
  await page.addInitScript(() => {
    // The private folder of the page stands for one that a person would choose.
    Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() });
  });
  const files = (): Promise<Record<string, string>> =>
    page.evaluate(async () => {
      const found: Record<string, string> = {};
      const folder = (await navigator.storage.getDirectory()) as unknown as {
        entries: () => AsyncIterable<[string, { getFile: () => Promise<File> }]>;
      };
      for await (const [name, handle] of folder.entries())
        // One that is being written just then is looked at the next time.
        found[name] = await handle
          .getFile()
          .then((file) => file.text())
          .catch(() => '');
      return found;
    });
  await page.goto('/');
  await expect(cards(page)).toHaveCount(DEMOS);
  await page.getByRole('button', { name: 'Keep a backup in a folder' }).click();
  await expect(page.getByText('is kept up to date')).toBeVisible();
  await expect.poll(async () => Object.keys(await files()).length).toBe(DEMOS);
  await page.getByRole('link', { name: /Harbour throw/ }).click();
  await choose(page, 'Left hand');
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect
    .poll(async () => (await files())['harbour-throw-demo-harbour-throw.hem.json'])
    .toContain('"hand": "left"');
});
