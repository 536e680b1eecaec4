/**
 * Measures the application in the browser with its CPU slowed four times: first load, an edit on the count line to
 * its paint, frames while 40,000 stitches are dragged and zoomed, and a shelf of 500 hems. Needs a built application.
 * Parts can be named on the command line: load, step, pan, shelf.
 */
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { writeHem } from '../core/document/check.ts';
import type { Hem } from '../core/document/hem.ts';
import { plan } from '../core/plan/planner.ts';
import { entry, rowsHem } from '../core/testing/hems.ts';
import { firstLoad } from '../e2e/firstLoad.ts';
import { wholeChromium } from '../scripts/chromium.mjs';
import { createApp } from '../server/app.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const server = createApp(`${root}dist`).listen(0);
const address = server.address();
if (address === null || typeof address === 'string') throw new Error('no port');
const home = `http://localhost:${address.port}`;
const browser = await chromium.launch({
  executablePath: wholeChromium(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});

const quantile = (values: readonly number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(q * values.length))]!;
const line = (what: string, found: string, budget: string): void =>
  console.log(`${what.padEnd(64)} ${found.padStart(28)}   budget ${budget}`);

async function newPage(): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  return context.newPage();
}

async function slow(page: Page, rate: number): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate });
}

async function openFiles(page: Page, hems: readonly Hem[]): Promise<void> {
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles(
      hems.map((hem) => ({
        name: `${hem.id}.hem.json`,
        mimeType: 'application/json',
        buffer: Buffer.from(writeHem(hem)),
      })),
    );
}

/** Times between frames while `work` goes on, ms. */
async function frames(page: Page, work: () => Promise<void>): Promise<readonly number[]> {
  // As text: the compiler's helper for names is not known in the page.
  await page.evaluate(`
    window.frameTimes = [];
    window.watching = true;
    window.note = (t) => { frameTimes.push(t); if (watching) requestAnimationFrame(note); };
    requestAnimationFrame(note);
  `);
  await work();
  const times = await page.evaluate(() => {
    Object.assign(window, { watching: false });
    return (window as unknown as { frameTimes: number[] }).frameTimes;
  });
  return times.slice(1).map((t, i) => t - times[i]!);
}

async function load(): Promise<void> {
  const page = await newPage();
  const fetched = await firstLoad(page, home);
  const kb = (n: number): string => `${Math.round(n / 1000)} KB`;
  line('first load, JavaScript until the shelf shows', kb(fetched.scriptsUntilShelf), '260 KB gzipped');
  line('first load, JavaScript until the shelf is drawn', kb(fetched.scripts), '–');
  line('first load, everything, fonts and demo data included', kb(fetched.all), '–');
  await page.context().close();
}

/** How long it takes to write a page that is always the same, to its paint, ms. */
const samePage = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const start = performance.now();
        const list = document.createElement('ol');
        list.style.cssText = 'position: fixed; inset: 0; overflow: hidden; font-size: 8px';
        for (let k = 0; k < 150; k++) {
          const item = document.createElement('li');
          item.textContent = `${k} ${Math.sqrt(k)}`;
          list.append(item);
        }
        document.body.append(list);
        requestAnimationFrame(() => {
          void scheduler.postTask(
            () => {
              resolve(performance.now() - start);
              list.remove();
            },
            { priority: 'user-blocking' },
          );
        });
      }),
  );

/** An edit to its paint, and in turns with it a page that is always the same: what the machine adds is in both. */
async function drag(demo: string): Promise<void> {
  const page = await newPage();
  await page.goto(home);
  await page.locator('.shelf_hem').first().waitFor();
  await page.goto(`${home}/hem/${demo}/base`);
  const handle = page.getByRole('slider').first();
  await handle.focus();
  await page.waitForTimeout(1500);
  await slow(page, 4);
  const taken: number[] = [];
  const same: number[] = [];
  for (let k = 0; k < 24; k++) {
    const ms = await handle.evaluate(
      (element, key) =>
        new Promise<number>((resolve) => {
          const start = performance.now();
          element.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
          // The paint that shows the edit comes after the next frame's callbacks: a task behind it, before all others, follows the paint.
          requestAnimationFrame(() => {
            void scheduler.postTask(() => resolve(performance.now() - start), { priority: 'user-blocking' });
          });
        }),
      k % 8 < 4 ? 'ArrowRight' : 'ArrowLeft',
    );
    taken.push(ms);
    await page.waitForTimeout(350);
    same.push(await samePage(page));
    await page.waitForTimeout(100);
  }
  const found = (ms: readonly number[]): string =>
    `median ${quantile(ms, 0.5).toFixed(0)}, worst ${Math.max(...ms).toFixed(0)} ms`;
  line(
    `a step on the count line to its paint, CPU ÷ 4, ${demo}`,
    `${found(taken)} (first ${taken[0]!.toFixed(0)})`,
    'median 50, worst 100 ms',
  );
  line('– in turns with it, a page that is always the same', found(same), '–');
  const ratio = quantile(taken, 0.5) / quantile(same, 0.5);
  line('– the step to that page, median to median', `× ${ratio.toFixed(2)}`, '–');
  await page.context().close();
}

async function stitches(rate: number): Promise<void> {
  const side = 950;
  const big = {
    ...rowsHem({
      counts: [side, side, side, side],
      stitches: side + 2,
      widthCm: side / 1.4,
      heightCm: side / 1.4,
      rounds: [entry({ id: 'a', times: 5 }), entry({ id: 'b', stitch: 'dc', times: 5, yarn: 'y2' })],
    }),
    id: 'huge',
    name: 'Huge',
  };
  const count = plan(big).rounds.reduce((sum, r) => sum + r.total, 0);
  const page = await newPage();
  await page.goto(home);
  await page.locator('.shelf_hem').first().waitFor();
  await openFiles(page, [big]);
  await page.locator('.shelf_hem h2', { hasText: /^Huge$/ }).waitFor();
  await page.goto(`${home}/hem/huge/rounds`);
  const stage = page.locator('.stitchStage_stitchStage canvas').first();
  await stage.waitFor();
  await page.waitForTimeout(2500);
  await slow(page, rate);
  // Who lays the tiles notes how long each place was blurred.
  const laying = page.workers().find((w) => w.url().includes('sheet.worker'))!;
  await laying.evaluate(() => performance.clearMeasures());
  const box = (await stage.boundingBox())!;
  const x = box.x + box.width / 2;
  const y = box.y + box.height / 2;
  const between = await frames(page, async () => {
    await page.mouse.move(x, y);
    for (const by of [240, 240, 240, -240, -240]) {
      for (let k = 0; k < 6; k++) {
        await page.mouse.wheel(0, by / 3);
        await page.waitForTimeout(16);
      }
    }
    await page.mouse.down();
    for (let k = 0; k < 60; k++) await page.mouse.move(x + 260 * Math.sin(k / 8), y + 120 * Math.cos(k / 8));
    await page.mouse.up();
  });
  line(
    `pan and zoom, ${count} stitches, CPU ÷ ${rate}, ${between.length} frames`,
    `median ${(1000 / quantile(between, 0.5)).toFixed(0)}, slowest tenth ${(1000 / quantile(between, 0.9)).toFixed(0)} a second`,
    'slowest tenth 45 a second',
  );
  const blurred = await laying.evaluate(() =>
    performance.getEntriesByName('blurred tile').map((e) => e.duration),
  );
  line(
    `${blurred.length} tiles that were blurred before they were painted, CPU ÷ ${rate}`,
    `median ${quantile(blurred, 0.5).toFixed(0)}, worst ${Math.max(...blurred).toFixed(0)} ms`,
    'worst 150 ms',
  );
  await page.context().close();
}

/** From the start of a page to the paint of what it shows, ms. */
async function shown(page: Page, path: string, what: string): Promise<number> {
  await page.goto(home + path, { waitUntil: 'commit' });
  await page.locator(what).first().waitFor();
  return page.evaluate(() => (window as unknown as { paintedAt: Promise<number> }).paintedAt);
}

/** Has every document of a page note when the first of some elements is painted: a task behind the frame that has it follows its paint. */
async function notesPaint(page: Page, what: string): Promise<void> {
  await page.addInitScript((selector) => {
    const paintedAt = new Promise<number>((resolve) => {
      const watch = new MutationObserver(() => {
        if (!document.querySelector(selector)) return;
        watch.disconnect();
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => resolve(performance.now());
          port2.postMessage(null);
        });
      });
      watch.observe(document, { childList: true, subtree: true });
    });
    Object.assign(window, { paintedAt });
  }, what);
}

/** Few hems, many, and a page that has nothing to show, in turns: what the machine does meanwhile is in all three. */
async function shelf(): Promise<void> {
  const few = await newPage();
  const many = await newPage();
  for (const page of [few, many]) {
    await notesPaint(page, '.shelf_hem .plan, main h1');
    await shown(page, '/', '.shelf_hem');
  }
  const hems = Array.from({ length: 500 }, (_, i) => ({ ...rowsHem({}), id: `h${i}`, name: `Hem ${i}` }));
  await openFiles(many, hems);
  await many.getByRole('button', { name: 'Add the 500 new ones' }).click();
  await many
    .locator('.shelf_hem h2', { hasText: /^Hem \d+$/ })
    .first()
    .waitFor({ timeout: 120_000 });
  // What a shelf has shown once, it keeps.
  for (const page of [few, many]) {
    await shown(page, '/', '.shelf_hem image, .shelf_hem img');
    await page.waitForTimeout(4000);
  }
  const taken = { few: [] as number[], many: [] as number[], empty: [] as number[] };
  // Neither what a page goes on to do nor its clearing away is to burden the next.
  const alone = async (page: Page, path: string, what: string): Promise<number> => {
    await page.goto('about:blank');
    const ms = await shown(page, path, what);
    await page.waitForTimeout(1000);
    return ms;
  };
  for (let k = 0; k < 11; k++) {
    taken.few.push(await alone(few, '/', '.shelf_hem .plan'));
    taken.many.push(await alone(many, '/', '.shelf_hem .plan'));
    taken.empty.push(await alone(few, '/nowhere', 'main h1'));
  }
  const ms = (which: keyof typeof taken): number => quantile(taken[which], 0.5);
  const ratio = (of: keyof typeof taken): string =>
    `× ${(ms('many') / ms(of)).toFixed(2)} of ${ms(of).toFixed(0)} ms`;
  line('shelf of 500 hems to its first hem, against one of 8', ratio('few'), '× 1.1');
  line('shelf of 500 hems to its first hem, against an empty page', ratio('empty'), '× 1.3');
  await few.context().close();
  await many.context().close();
}

const parts: Readonly<Record<string, () => Promise<void>>> = {
  load,
  step: async () => {
    await drag('demo-harbour-throw');
    await drag('demo-orchard-squares');
  },
  pan: async () => {
    await stitches(1);
    await stitches(4);
  },
  shelf,
};
const asked = process.argv.slice(2);
for (const [name, measure] of Object.entries(parts)) {
  if (asked.length === 0 || asked.includes(name)) await measure();
}
await browser.close();
server.close();
