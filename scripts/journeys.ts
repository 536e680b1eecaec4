/**
 * Goes the ways that matter most and counts what they take: presses, fields, seconds. Writes docs/journeys.md. Needs a built
 * application.
 */
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium, expect, type Page } from '@playwright/test';
import { wholeChromium } from './chromium.mjs';
import { createApp } from '../server/app.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const server = createApp(`${root}dist`).listen(0);
const address = server.address();
if (address === null || typeof address === 'string') throw new Error('no port');
const home = `http://localhost:${address.port}`;

/** A person at the page: what they press and type is counted. */
class Person {
  presses = 0;
  fields = 0;
  constructor(readonly page: Page) {}
  async press(name: string | RegExp, role: 'button' | 'link' = 'button'): Promise<void> {
    this.presses++;
    await this.page.getByRole(role, { name, exact: true }).first().click();
  }
  async choose(name: string): Promise<void> {
    this.presses++;
    await this.page.getByRole('radio', { name, exact: true }).click();
  }
  async type(name: string | RegExp, value: number): Promise<void> {
    this.fields++;
    const field = this.page.getByRole('spinbutton', { name, exact: true }).first();
    await field.fill(String(value));
    await field.press('Tab');
  }
}

/** A new hem of a construction, told by a few numbers. */
async function begin(
  person: Person,
  made: string,
  numbers: readonly (readonly [field: string, value: number])[],
  shape?: string,
): Promise<void> {
  await person.press('New hem');
  await person.press(made);
  if (shape !== undefined) await person.choose(shape);
  for (const [field, value] of numbers) await person.type(field, value);
}

/** With an edge, after which all fits. */
async function withEdge(person: Person, edge: string): Promise<void> {
  await person.press('Choose an edge');
  await person.press(`Add ${edge}`);
  await allFits(person.page);
}

async function print(person: Person): Promise<void> {
  await person.press(/^Pattern/, 'link');
  await person.press('Print');
}

interface Journey {
  readonly name: string;
  readonly most: { readonly presses: number; readonly fields: number };
  readonly start: string;
  readonly go: (person: Person) => Promise<void>;
}

/** Nothing is left that does not fit, and no page wants looking at. */
async function allFits(page: Page): Promise<void> {
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText(/all fit$/);
  await expect(page.locator('.thread_wantsLookingAt')).toHaveCount(0);
}

const JOURNEYS: readonly Journey[] = [
  {
    name: 'A blanket of rows, from the first start to its shell edge in print',
    most: { presses: 8, fields: 3 },
    start: '/',
    go: async (person) => {
      await begin(person, 'Rows', [
        ['Stitches in a row', 140],
        ['Rows', 70],
        ['Width', 104],
      ]);
      await withEdge(person, 'Shell edge');
      await print(person);
    },
  },
  {
    name: 'A blanket of rows with a border 6 cm wide that fits',
    most: { presses: 6, fields: 4 },
    start: '/',
    go: async (person) => {
      await begin(person, 'Rows', [
        ['Stitches in a row', 140],
        ['Rows', 70],
        ['Width', 104],
        ['Width of the border', 6],
      ]);
      await withEdge(person, 'Shell edge');
      await person.page.getByText('Details: how flat, how large').click();
      await expect(person.page.getByText(/is (5\.[5-9]|6(\.[0-5])?) cm wide/)).toBeVisible();
    },
  },
  {
    name: 'Joined hexagons with an edge that fits, in print',
    most: { presses: 8, fields: 3 },
    start: '/',
    go: async (person) => {
      await begin(
        person,
        'Joined motifs',
        [
          ['Motifs across', 5],
          ['Motifs down', 7],
          ['The side of a motif measures', 9],
        ],
        'Hexagons, a point up',
      );
      await withEdge(person, 'Shell edge');
      await print(person);
    },
  },
  {
    name: 'Joined squares of 5 × 7, painted at random',
    most: { presses: 12, fields: 2 },
    start: '/',
    go: async (person) => {
      await begin(person, 'Joined motifs', [
        ['Motifs across', 5],
        ['Motifs down', 7],
      ]);
      await person.press('Only a base round');
      await person.press(/^Piece/, 'link');
      await person.press('At random');
      await expect(person.page.getByRole('button', { name: 'Undo: colors of the piece' })).toBeVisible();
    },
  },
  {
    name: 'Both ends of a knitted scarf',
    most: { presses: 8, fields: 4 },
    start: '/',
    go: async (person) => {
      await begin(person, 'Knitted', [
        ['Stitches', 40],
        ['Rows', 580],
        ['Width', 22],
        ['Height', 160],
      ]);
      await withEdge(person, 'Shell edge');
      await person.press(/^Piece/, 'link');
      await person.press('Side A');
      await person.press('A border along this side alone');
      await person.press('The same along side C');
      await allFits(person.page);
      await person.page.getByRole('link', { name: /^Pattern/ }).click();
      await expect(
        person.page.getByText(/^Make 2: along sides A and C of one piece, each begun anew/).first(),
      ).toBeVisible();
    },
  },
  {
    name: 'Joined squares with a puff edge in print',
    most: { presses: 10, fields: 3 },
    start: '/',
    go: async (person) => {
      await begin(person, 'Joined motifs', [
        ['Motifs across', 5],
        ['Motifs down', 6],
        ['The side of a motif measures', 14],
      ]);
      await withEdge(person, 'Puff edge');
      await print(person);
    },
  },
  {
    name: '“120 g are left: what could I add?”',
    most: { presses: 2, fields: 1 },
    start: '/hem/demo-harbour-throw/rounds',
    go: async (person) => {
      await person.press(/^Yarn/, 'link');
      await person.type('Grams left over', 120);
      await expect(person.page.locator('.yarn_farRows li').first()).toBeVisible();
    },
  },
];

const browser = await chromium.launch({
  executablePath: wholeChromium(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const rows: string[] = [];
for (const { name, most, start, go } of JOURNEYS) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // Nobody is at a printer.
  await page.addInitScript('window.print = () => undefined');
  await page.goto(home);
  await page.locator('.shelf_hem').first().waitFor();
  if (start !== '/') await page.goto(home + start);
  const person = new Person(page);
  const began = performance.now();
  await go(person);
  const seconds = ((performance.now() - began) / 1000).toFixed(1);
  if (person.presses > most.presses || person.fields > most.fields) throw new Error(`${name}: too long`);
  rows.push(
    `| ${name} | ${person.presses} (${most.presses}) | ${person.fields} (${most.fields}) | ${seconds} |`,
  );
  console.log(rows.at(-1));
  await page.close();
}
await browser.close();
server.close();
writeFileSync(
  `${root}docs/journeys.md`,
  `# Journeys

What the ways take that matter most, gone by a script (\`npm run journeys\`) in a browser without a graphics card: presses, fields and
seconds of the application itself, without anybody’s thinking or reaching. In brackets what they may take at most; the script
fails beyond that, or when a round is left that does not fit.

| journey | presses | fields | seconds |
| ------- | ------- | ------ | ------- |
${rows.join('\n')}
`,
);
