/** Takes the pictures of docs/screenshots from the demo hems. Needs a built application. */
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { writeHem } from '../core/document/check.ts';
import { threeHems } from '../core/testing/makers.ts';
import { wholeChromium } from './chromium.mjs';
import { createApp } from '../server/app.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const server = createApp(`${root}dist`).listen(0);
const address = server.address();
if (address === null || typeof address === 'string') throw new Error('no port');
const home = `http://localhost:${address.port}`;

/** Made-up hems that a simulated maker has worked. */
const workedHems = () =>
  threeHems(11).hems.map((hem, k) => ({ ...hem, name: ['Moor throw', 'Reed throw', 'Hazel throw'][k]! }));

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly before?: (page: Page) => Promise<void>;
}

async function addRound(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a round' }).click();
  await page.getByRole('button', { name: `${name}: add it` }).click();
}

const SHOTS: readonly Shot[] = [
  { name: 'shelf', path: '/' },
  {
    name: 'piece',
    path: '/hem/demo-stepped/piece',
    before: async (page) => {
      await page.goto(`${home}/hem/demo-stepped/piece`);
      await page.getByRole('button', { name: 'Motif seam 1 on side A' }).click();
    },
  },
  {
    name: 'base-round',
    path: '/hem/demo-harbour-throw/base',
    before: async (page) => {
      await page.goto(`${home}/hem/demo-harbour-throw/rounds`);
      await addRound(page, 'Shell edge');
      await page.getByRole('link', { name: /^Base round/ }).click();
    },
  },
  { name: 'rounds', path: '/hem/demo-hexagon/rounds' },
  {
    name: 'library',
    path: '/',
    before: async (page) => {
      await page.goto(`${home}/hem/demo-orchard-squares/rounds`);
      await page.getByRole('button', { name: 'Add a round' }).click();
    },
  },
  { name: 'corner', path: '/hem/demo-big-square/rounds' },
  { name: 'work', path: '/hem/demo-clover/work' },
  { name: 'new-hem', path: '/new' },
  {
    name: 'compare',
    path: '/',
    before: async (page) => {
      await page.goto(`${home}/hem/demo-harbour-throw/rounds`);
      await page.getByRole('button', { name: /^Compare borders/ }).click();
    },
  },
  {
    name: 'joins',
    path: '/hem/demo-orchard-squares/base',
    before: async (page) => {
      await page.goto(`${home}/hem/demo-orchard-squares/base`);
      await page.getByRole('button', { name: 'Motif seam 1 on side A' }).click();
    },
  },
  {
    name: 'finish',
    path: '/hem/demo-orchard-squares/work',
    before: async (page) => {
      await page.goto(`${home}/hem/demo-orchard-squares/work`);
      await page.getByRole('button', { name: 'I’ve already started' }).click();
      const last = page.getByLabel('Worked up to');
      await last.selectOption({ index: (await last.locator('option').count()) - 1 });
      await page.getByRole('button', { name: /^Note / }).click();
      for (const end of [1, 2, 3]) await page.getByRole('checkbox', { name: `End ${end},` }).click();
      await page.getByRole('button', { name: 'It is done' }).click();
      await page.getByRole('img', { name: /^Orchard squares\. / }).waitFor();
    },
  },
  { name: 'yarn', path: '/hem/demo-harbour-throw/yarn' },
  { name: 'pattern', path: '/hem/demo-orchard-squares/pattern' },
  { name: 'log', path: '/hem/demo-clover/log' },
  {
    name: 'propose',
    path: '/hem/demo-harbour-throw/propose',
    before: async (page) => {
      await page.goto(`${home}/hem/demo-harbour-throw/propose`);
      await page.getByText(/borders tried: /).waitFor({ timeout: 90_000 });
    },
  },
  {
    name: 'hands',
    path: '/hands',
    before: async (page) => {
      // What demo hems came with is nobody’s: two that were worked on come in as files.
      await page.goto(home);
      await page.getByLabel('Choose hem files').setInputFiles(
        workedHems().map((hem) => ({
          name: `${hem.id}.hem.json`,
          mimeType: 'application/json',
          buffer: Buffer.from(writeHem(hem)),
        })),
      );
      await page.getByRole('button', { name: /^Add the/ }).click();
      await page.getByRole('heading', { name: 'Moor throw' }).waitFor();
      await page.goto(`${home}/hands`);
    },
  },
  {
    name: 'practice',
    path: '/practice',
    before: async (page) => {
      await page.goto(`${home}/practice`);
      await page.getByRole('button', { name: 'To the end of the round' }).click();
      await page.getByRole('button', { name: 'Weigh the ball' }).waitFor();
    },
  },
  { name: 'stitches', path: '/stitches' },
];

const browser = await chromium.launch({
  executablePath: wholeChromium(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
for (const { name, path, before } of SHOTS) {
  // Each from the demo hems as they come.
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  if (before) await before(page);
  else await page.goto(`${home}${path}`);
  await page.waitForTimeout(900);
  // What is worked in the background has been worked.
  while (await page.getByText('working …').count()) await page.waitForTimeout(200);
  // Whole pieces that are seen are painted once the page rests.
  await page.waitForFunction(() =>
    [...document.querySelectorAll('svg.plan')].every(
      (drawing) => drawing.querySelector('image') ?? drawing.getBoundingClientRect().top > innerHeight,
    ),
  );
  await page.waitForTimeout(2500);
  await page.screenshot({ path: `${root}docs/screenshots/${name}.png` });
  console.log(`docs/screenshots/${name}.png`);
  await page.close();
}
await browser.close();
server.close();
