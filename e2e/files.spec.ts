import { readFileSync } from 'node:fs';
import type { Download, Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { choose, inForce } from './inForce.ts';
import { readBundle, writeBundle } from '../core/document/bundle.ts';
import { readHem } from '../core/document/check.ts';
import { VERSION } from '../core/document/format.ts';
import { DEMO_FILES, demoHem, demoPlan } from '../demo/read.ts';

/** Saves something from the menu of the Pattern stop; name and bytes of the file. */
async function saved(page: Page, what: string): Promise<{ readonly name: string; readonly bytes: Buffer }> {
  const item = page.getByRole('menuitem', { name: what });
  let download: Download | undefined;
  // A menu that is still opening may let a press pass.
  await expect(async () => {
    if (!(await item.isVisible())) await page.getByRole('button', { name: 'Save', exact: true }).click();
    const [found] = await Promise.all([
      page.waitForEvent('download', { timeout: 60_000 }),
      item.click({ timeout: 20_000 }),
    ]);
    download = found;
  }).toPass();
  // The menu closes before the next thing is asked of it.
  await expect(item).toBeHidden();
  if (!download) throw new Error(`nothing was saved as ${what}`);
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
}

async function openPattern(page: Page, id = 'demo-harbour-throw'): Promise<void> {
  await page.goto(`/hem/${id}/pattern`);
  await expect(page.locator('.pattern_sheet')).toBeVisible();
}

const file = (name: string, content: string, mimeType = 'application/json') => ({
  name,
  mimeType,
  buffer: Buffer.from(content),
});

for (const [paper, box, tag] of [
  ['A4', /MediaBox \[0 0 595\.28 841\.89\]/, '@long'],
  ['Letter', /MediaBox \[0 0 612(\.00)? 792(\.00)?\]/, '@short'],
] as const)
  test(`the pattern is saved as PDF with its fonts in it, on ${paper}`, { tag }, async ({ page }) => {
    await openPattern(page);
    await page.getByText(paper, { exact: true }).click();
    const pdf = await saved(page, 'PDF');
    expect(pdf.name).toBe('harbour-throw.pdf');
    const text = pdf.bytes.toString('latin1');
    expect(text.startsWith('%PDF-')).toBe(true);
    expect(text).toMatch(/\/FontFile2/);
    expect(text).toMatch(box);
  });

test('text, Markdown, tables, pictures and the project file are saved', async ({ page }) => {
  await openPattern(page);
  const text = (await saved(page, 'Text')).bytes.toString();
  expect(text).toMatch(/^Harbour throw: border\n/);
  expect(text).toContain('Rnd 2: Ch 1, sc in same st, *sc in each st to next marked st');
  expect((await saved(page, 'Markdown')).bytes.toString()).toMatch(/^# Harbour throw/);
  const counts = (await saved(page, 'Table of counts (CSV)')).bytes.toString().trim().split('\n');
  const made = demoPlan('harbour');
  expect(counts).toHaveLength(1 + made.rounds.length * 4);
  expect((await saved(page, 'Table of yarn (CSV)')).bytes.toString()).toContain(
    made.hem.yarns[0]!.name.split(',')[0]!,
  );
  expect((await saved(page, 'Picture of the whole, to enlarge (SVG)')).bytes.toString()).toMatch(/^<svg/);
  const png = await saved(page, 'Charts (PNG)');
  expect([...png.bytes.subarray(1, 4)].map((b) => String.fromCharCode(b)).join('')).toBe('PNG');
  expect(readHem((await saved(page, 'Hem file')).bytes.toString())).toEqual({
    ok: true,
    value: made.hem,
  });
});

test('a link carries the hem, and what opens it is a copy', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await openPattern(page);
  await page.getByRole('button', { name: 'Copy a link' }).click();
  await expect(page.getByText('The link is copied')).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  await page.goto(link);
  await expect(page.getByRole('heading', { name: 'Harbour throw' })).toBeVisible();
  await page.getByRole('button', { name: 'Put a copy on my shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Base round' })).toBeVisible();
  expect(page.url()).not.toContain('demo-harbour-throw');
  await page.goto('/');
  await expect(page.locator('.shelf_hem h2', { hasText: 'Harbour throw' })).toHaveCount(2);
  await page.goto(link.slice(0, -30));
  await expect(page.getByText('Copy the whole link again')).toBeVisible();
});

test('a backup of all hems comes back whole, and doubles nothing', async ({ page }) => {
  await page.goto('/');
  await expect(page.locator('.shelf_hem')).toHaveCount(DEMO_FILES.length);
  const [download] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    page.getByRole('button', { name: 'Download a backup' }).click(),
  ]);
  const bytes = readFileSync(await download.path());
  const outcome = readBundle(bytes);
  expect(outcome.ok && outcome.value.files.length).toBe(DEMO_FILES.length);
  const open = (): Promise<void> =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name: 'all.zip', mimeType: 'application/zip', buffer: bytes });
  const opened = page.getByRole('alert', { name: 'What was opened' });
  await open();
  await expect(opened).toContainText(`${DEMO_FILES.length} the same as on your shelf`);
  await opened.getByRole('button', { name: 'Close' }).click();

  for (const name of ['Harbour throw', 'Millstone mat'])
    await page.getByRole('button', { name: `Delete ${name}` }).click();
  await page.getByRole('link', { name: /Meadow square/ }).click();
  await choose(page, 'Left hand');
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.locator('.shelf_hem')).toHaveCount(DEMO_FILES.length - 2);
  await open();
  const same = DEMO_FILES.length - 3;
  await expect(opened).toContainText(`2 new, ${same} the same as on your shelf and 1 older`);
  await opened.getByRole('button', { name: 'Add the 2 new ones' }).click();
  await expect(page.locator('.shelf_hem')).toHaveCount(DEMO_FILES.length);
  await open();
  await opened.getByRole('button', { name: /^Replace mine/ }).click();
  await page.getByRole('link', { name: /Meadow square/ }).click();
  await expect.poll(() => inForce(page)).toContain('right hand');
  await expect(page).toHaveURL(/\/base$/);
  await page.getByRole('button', { name: 'Earlier versions of this hem' }).click();
  await expect(page.getByRole('dialog').getByText('before it was replaced')).toBeVisible();
});

test('a backup with more photos than one file holds comes in several, and all of it comes back', async ({
  page,
  browser,
}) => {
  await page.goto('/');
  await expect(page.locator('.shelf_hem')).toHaveCount(DEMO_FILES.length);
  await page.evaluate(async () => {
    const open = indexedDB.open('zig-hem');
    await new Promise((resolve) => (open.onsuccess = resolve));
    const photos = open.result.transaction('photos', 'readwrite');
    for (let k = 0; k < 90; k++) {
      const bytes = new Uint8Array(400_000);
      for (let at = 0; at < bytes.length; at += 50_000)
        crypto.getRandomValues(bytes.subarray(at, at + 50_000));
      photos.objectStore('photos').put(new Blob([bytes], { type: 'image/jpeg' }), `demo-harbour-throw/p${k}`);
    }
    await new Promise((resolve) => (photos.oncomplete = resolve));
    open.result.close();
  });
  await page.reload();
  const downloads: Download[] = [];
  page.on('download', (download) => downloads.push(download));
  await page.getByRole('button', { name: 'Download a backup' }).click();
  await expect(page.getByText('This backup is 2 files')).toBeVisible();
  await expect.poll(() => downloads.length).toBe(2);
  const paths = await Promise.all(downloads.map((download) => download.path()));
  const names = downloads.map((download) => download.suggestedFilename());
  expect(names.map((name) => name.slice(-11)).sort()).toEqual(['-1-of-2.zip', '-2-of-2.zip']);

  const other = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  await other.goto(new URL('/', page.url()).href);
  await expect(other.locator('.shelf_hem')).toHaveCount(DEMO_FILES.length);
  await other.locator('input[type=file]').setInputFiles(paths);
  await expect(other.getByRole('alert', { name: 'What was opened' })).toContainText(
    'the same as on your shelf',
  );
  await expect(other.getByText(/^Keeping photos/)).toBeHidden();
  await other.reload();
  await expect(other.getByText('the 90 photos of your work')).toBeVisible();
  await other.context().close();
});

test('a long shelf is laid out as it is scrolled', async ({ page }) => {
  const hem = demoHem(DEMO_FILES[0]!);
  const many = Array.from({ length: 90 }, (_, i) => ({ ...hem, id: `many-${i}`, name: `Throw ${i}` }));
  await page.goto('/');
  await expect(page.locator('.shelf_hem')).toHaveCount(DEMO_FILES.length);
  const buffer = Buffer.from(writeBundle(many, new Date())[0]!);
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'many.zip', mimeType: 'application/zip', buffer });
  await page.getByRole('button', { name: 'Add the 90 new ones' }).click();
  const named = page.locator('.shelf_hem h2');
  await expect(named).toHaveCount(16);
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
  await expect(named).toHaveCount(90 + DEMO_FILES.length);
});

test('a damaged file stays out until what is sound of it is asked for', async ({ page }) => {
  const damaged = JSON.parse(readFileSync('demo/hexagon-mat.hem.json', 'utf8')) as {
    rounds: Record<string, unknown>[];
    name: string;
  };
  damaged.rounds[0]!.stitch = 'knit';
  damaged.name = 'Mended mat';
  await page.goto('/');
  await expect(page.locator('.shelf_hem')).toHaveCount(DEMO_FILES.length);
  await page.locator('input[type=file]').setInputFiles(file('mat.hem.json', JSON.stringify(damaged)));
  await expect(page.getByText('mat.hem.json was not opened')).toBeVisible();
  await expect(page.getByText('rounds.0.stitch: must be one of')).toBeVisible();
  await expect(page.locator('.shelf_hem h2', { hasText: 'Mended mat' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Open the readable part' }).click();
  await expect(page.locator('.shelf_hem h2', { hasText: 'Mended mat' })).toHaveCount(1);
});

test('tables become pieces: a grid dropped on the shelf, sides chosen in the piece', async ({ page }) => {
  await page.goto('/');
  await page.locator('input[type=file]').setInputFiles(file('steps.csv', 'x,,\nx,x,\nx,x,x', 'text/csv'));
  await page.locator('.shelf_hem', { hasText: 'steps' }).getByRole('link').click();
  await expect(page.getByRole('link', { name: /^Base round/ })).toContainText('H ');
  await page.getByRole('link', { name: /^Piece/ }).click();
  await page.getByRole('button', { name: 'How it was made: Joined motifs' }).click();
  await page.getByRole('radio', { name: 'Counted by hand' }).click();
  await page.keyboard.press('Escape');
  await page.getByText('All of it as fields').click();
  const chooser = page.getByLabel('Sides from a CSV file').and(page.locator('input'));
  await chooser.setInputFiles(file('bad.csv', 'length,stitches\n10,many', 'text/csv'));
  await expect(page.getByText('line 2, column “stitches”')).toBeVisible();
  await chooser.setInputFiles(file('sides.csv', 'length,stitches\n60,84\n60,84\n60,84', 'text/csv'));
  await expect(page.getByRole('link', { name: /^Base round/ })).toContainText('A 88');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('link', { name: /^Base round/ })).toContainText('H ');
});

test('pasted rounds join the stack', async ({ page }) => {
  await page.goto('/hem/demo-harbour-throw/rounds');
  await page.getByRole('button', { name: 'Add a round' }).click();
  await page.getByRole('button', { name: 'Paste written rounds' }).click();
  const text = page.getByLabel('Written rounds');
  await text.fill('Round 1\nEach side: *sc in next st*\nCorner: 3 xx in corner');
  await expect(page.getByText('line 3: “xx” was not understood')).toBeVisible();
  await text.fill(
    'Rounds 1–2\nEach side: *sc in next st*\nCorner: 3 sc in corner\n\nRound 3\n*sl st in next st*',
  );
  await text.fill(
    'Rounds 1–2\nEach side: *sc in next st*\nCorner: 3 sc in corner\n\nRound 3: *sl st in next st*',
  );
  await page.getByRole('button', { name: 'Add 3 rounds' }).click();
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('6, all fit');
});

test('a hem that an older version kept in this browser opens as it was', async ({ page }) => {
  await page.goto('/');
  await expect(page.locator('.shelf_hem')).toHaveCount(DEMO_FILES.length);
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('zig-hem');
        open.onerror = () => reject(new Error('no database'));
        open.onsuccess = () => {
          const store = open.result.transaction('hems', 'readwrite').objectStore('hems');
          const get = store.get('demo-hexagon');
          get.onsuccess = () => {
            const { hem } = get.result as {
              hem: Record<string, unknown> & { preferences: Record<string, unknown> };
            };
            delete hem.notes;
            delete hem.preferences.paper;
            store.put({ ...hem, version: 1 }, 'demo-hexagon').onsuccess = () => resolve();
          };
        };
      }),
  );
  await openPattern(page, 'demo-hexagon');
  await expect(page.getByRole('heading', { name: 'Notes', exact: true })).toBeVisible();
  const project = readHem((await saved(page, 'Hem file')).bytes.toString());
  expect(project).toMatchObject({
    ok: true,
    value: { version: VERSION, notes: '', preferences: { paper: 'a4' } },
  });
});
