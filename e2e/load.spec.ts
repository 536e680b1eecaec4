import { expect, test } from './test.ts';
import { firstLoad } from './firstLoad.ts';

/** Compressed, bytes: what a phone on a slow line waits for. */
const MOST_UNTIL_SHELF = 215_000;
const MOST_WITH_DRAWINGS = 255_000;

test('the shelf shows, and is drawn, after no more script than a slow line can carry', async ({ page }) => {
  const { scriptsUntilShelf, scripts, files } = await firstLoad(page, '/');
  expect(scriptsUntilShelf).toBeGreaterThan(100_000);
  expect(scriptsUntilShelf).toBeLessThan(MOST_UNTIL_SHELF);
  expect(scripts).toBeGreaterThan(scriptsUntilShelf);
  expect(scripts).toBeLessThan(MOST_WITH_DRAWINGS);
  expect(files).toBeLessThan(10);
});

test('the list of licences holds what is shipped ready-made, too', async ({ request }) => {
  const list = await (await request.get('/third-party.md')).text();
  for (const name of ['pdfmake', 'fontkit', 'brotli', 'pako', 'pdfkit', 'workbox-window'])
    expect(list).toContain(`\n## ${name} - `);
  const worker = await (await request.get('/sw.js')).text();
  const workbox = /workbox-[\da-f]+/.exec(worker)![0];
  const code = await (await request.get(`/${workbox}.js`)).text();
  const parts = [...code.matchAll(/workbox:([a-z-]+):/g)].map((found) => found[1]);
  expect(parts.length).toBeGreaterThan(2);
  for (const part of parts) expect(list).toContain(`\n## workbox-${part} - `);
});
