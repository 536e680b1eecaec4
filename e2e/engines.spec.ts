/** The main journeys in the engines beside Chromium, in which all else is tried: from the shelf to a border that is worked, saved and opened without the network. */
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { writeHem } from '../core/document/check.ts';
import { entry, rowsHem } from '../core/testing/hems.ts';
import { createApp } from '../server/app.ts';
import { firefox } from './engines/firefox.ts';
import { Person } from './engines/person.ts';
import { webkit } from './engines/webkit.ts';
import { goToIn } from './goTo.ts';
import { OF_A_HEM, OF_ALL } from './screens.ts';

/** Small, so that it is soon worked. */
const MAT = {
  ...rowsHem({
    stitches: 16,
    rows: [{ stitch: 'hdc', count: 16 }],
    widthCm: 11,
    heightCm: 11,
    rounds: [entry({ times: 2 })],
  }),
  id: 'mat',
  name: 'Small mat',
  // The first on the shelf.
  changed: new Date().toISOString(),
};

const CHOOSER = 'input[type=file][aria-label^="Choose hem files"]';

/** A server of one journey, which can be stopped under it. */
async function serve(): Promise<{ readonly server: Server; readonly home: string }> {
  const server = createApp('dist').listen(0);
  await new Promise((ready) => server.once('listening', ready));
  const address = server.address();
  return { server, home: `http://localhost:${typeof address === 'object' ? address?.port : 0}` };
}

const AXE = readFileSync('node_modules/axe-core/axe.min.js', 'utf8');
/** Faults of the page that hinder somebody; its colors are the same in every engine. Text within a drawing is none: the drawing has a name of its own. */
const SERIOUS = `
  const rules = { 'color-contrast': { enabled: false }, 'label-content-name-mismatch': { enabled: true } };
  return axe.run({ exclude: [['svg > *']] }, { resultTypes: ['violations'], rules }).then(({ violations }) =>
    violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .flatMap((v) => v.nodes.map((n) => v.id + ': ' + n.target.join(' '))));`;

/** Waits for a file that is saved. */
const saved = (person: Person, folder: string, name: RegExp): Promise<Buffer> =>
  person.until(`a file ${String(name)}`, () => {
    const file = readdirSync(folder).find((f) => name.test(f));
    const bytes = file === undefined ? null : readFileSync(join(folder, file));
    return Promise.resolve(bytes && bytes.length > 0 ? bytes : null);
  });

// Their drivers are not as steady as they themselves are; what fails here fails each time.
test.describe.configure({ retries: 1 });

for (const engine of [firefox, webkit]) {
  test(`${engine.name}: the main journeys`, async () => {
    const missing = engine.missing();
    test.skip(missing !== null, missing ?? '');
    const folder = mkdtempSync(join(tmpdir(), 'zig-hem-'));
    const { server, home } = await serve();
    const { tab, version, end } = await engine.start(folder);
    test.info().annotations.push({ type: 'engine', description: `${engine.name} ${version}` });
    const person = new Person(tab);
    try {
      await test.step('a new hem with an edge that fits', async () => {
        await tab.open(home);
        await person.reads(/Harbour throw/);
        await person.press('button', /^New hem$/);
        await person.press('button', /^Rows$/);
        await person.type('spinbutton', /^Rows$/, '40');
        await person.press('button', /^Choose an edge$/);
        await person.saysNoMore(/Trying them on/);
        await person.press('button', /^Picot edge: add it/);
        await person.find('link', /^Rounds.*all fit/);
      });

      await test.step('the count by drag and by keys', async () => {
        await tab.open(`${home}/hem/demo-harbour-throw/base`);
        const count = async (): Promise<number> =>
          Number.parseInt((await person.find('slider', /^Stitches along side A/)).value, 10);
        const before = await count();
        const { x, y } = await person.find('slider', /^Stitches along side A/);
        await tab.point([x, y], [x + 60, y]);
        const dragged = await person.until('another count', async () => {
          const now = await count();
          return now > before ? now : null;
        });
        await person.press('slider', /^Stitches along side A/);
        await tab.key('ArrowLeft');
        await person.until('one fewer', async () => (await count()) === dragged - 1);
        await person.press('button', /^Undo/);
        await person.until('the count of before the key', async () => (await count()) === dragged);
        await person.press('button', /^Undo/);
        await person.until('the count of before', async () => (await count()) === before);
      });

      await test.step('a round that does not fit, and a fit for it', async () => {
        await person.press('link', /^Rounds/);
        await person.press('button', /^Add a round$/);
        await person.saysNoMore(/Trying them on/);
        await person.press('button', /^Shell edge: add it/);
        await person.find('link', /^Rounds.*does not fit/);
        await person.pressUntil('button', /Then every round fits/, 'link', /^Rounds.*all fit/);
      });

      await test.step('work, and a count that is not right', async () => {
        writeFileSync(join(folder, 'mat.hem.json'), writeHem(MAT));
        await tab.open(home);
        await person.reads(/Harbour throw/);
        await tab.give(CHOOSER, join(folder, 'mat.hem.json'));
        await person.reads(/Small mat/);
        await tab.open(`${home}/hem/mat/work`);
        await person.press('button', /^Started$/);
        await person.press('button', /^Done to the corner/);
        await person.reads(/corner A\/B/i);
        await person.press('button', /^Done$/);
        await person.reads(/side B/);
        await person.press('button', /^Count$/);
        const expected = Number(/\d+/.exec(await person.reads(/should be \d+/))![0]);
        await person.type('textbox', /^Side A/, String(expected - 1));
        await person.reads(/hides behind the corner/);
        await person.press('button', /^Close$/);
      });

      await test.step('the pattern as PDF', async () => {
        await tab.open(`${home}/hem/demo-harbour-throw/pattern`);
        await person.press('button', /^Save$/);
        await person.press('menuitem', /^PDF with charts/);
        expect((await saved(person, folder, /^harbour-throw\.pdf$/)).toString('latin1', 0, 5)).toBe('%PDF-');
      });

      await test.step('a hem out as a file, and in again', async () => {
        await tab.open(home);
        await person.press('button', /^Download Harbour throw as a file/);
        await saved(person, folder, /^harbour-throw\.hem\.json$/);
        await person.press('button', /^Delete Harbour throw/);
        await person.until('the card is gone', async () =>
          tab
            .run(
              'return ![...document.querySelectorAll("h2")].some((h) => h.textContent === "Harbour throw")',
            )
            .then(Boolean),
        );
        await tab.give(CHOOSER, join(folder, 'harbour-throw.hem.json'));
        await person.find('heading', /^Harbour throw$/);
      });

      await test.step('without the network', async () => {
        await person.until('the service worker', () =>
          tab.run('return !!navigator.serviceWorker.controller').then(Boolean),
        );
        server.close();
        server.closeAllConnections();
        await tab.reload();
        await person.press('link', /^Harbour throw/);
        await person.reads(/Harbour throw: border/);
      });
    } finally {
      await end();
      server.close();
    }
  });

  test(`${engine.name}: nothing serious stands in the way on any screen`, { tag: '@long' }, async () => {
    const missing = engine.missing();
    test.skip(missing !== null, missing ?? '');
    const { server, home } = await serve();
    const { tab, end } = await engine.start(mkdtempSync(join(tmpdir(), 'zig-hem-')));
    const person = new Person(tab);
    try {
      await tab.open(home);
      await person.reads(/Harbour throw/);
      await tab.run(AXE);
      for (const path of [...OF_ALL, ...OF_A_HEM]) {
        await goToIn(person, path);
        expect([path, await tab.run(SERIOUS)]).toEqual([path, []]);
      }
    } finally {
      await end();
      server.close();
    }
  });
}
