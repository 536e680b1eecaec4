/** The server gone, or with a newer version: the page goes on. */
import { appendFileSync, cpSync, mkdtempSync } from 'node:fs';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { DEMO_FILES } from '../demo/read.ts';
import { createApp } from '../server/app.ts';
import { choose } from './inForce.ts';
import { controlled } from './serviceWorker.ts';
import { expect, test } from './test.ts';

const THROW = '/hem/demo-harbour-throw';
const DEMOS = DEMO_FILES.length;
const cards = (page: Page) => page.locator('.shelf_hem');

test.describe('without the server', () => {
  test.use({ serviceWorkers: 'allow' });

  /** A server of its own over a copy of the built application. */
  async function serve(): Promise<{ server: Server; home: string; dist: string }> {
    const dist = join(mkdtempSync(join(tmpdir(), 'zig-hem-')), 'dist');
    cpSync('dist', dist, { recursive: true });
    const server = createApp(dist).listen(0);
    await new Promise((ready) => server.once('listening', ready));
    const address = server.address();
    return { server, dist, home: `http://localhost:${typeof address === 'object' ? address?.port : 0}` };
  }

  const stop = (server: Server): void => {
    server.close();
    server.closeAllConnections();
  };

  test('everything but the stand-ins works after one visit', async ({ page }) => {
    const { server, home } = await serve();
    const faults: string[] = [];
    page.on('pageerror', (e) => faults.push(e.message));
    page.on('console', (m) => {
      if (m.type() === 'error' && /Content Security Policy/.test(m.text())) faults.push(m.text());
    });
    await page.goto(home);
    await expect(cards(page)).toHaveCount(DEMOS);
    await controlled(page);
    stop(server);
    await page.goto(home);
    await expect(cards(page)).toHaveCount(DEMOS);
    await page.getByRole('link', { name: /Harbour throw/ }).click();
    for (const stop of ['Piece', 'Rounds', 'Yarn', 'Pattern', 'Base round']) {
      await page.getByRole('link', { name: new RegExp(`^${stop}`) }).click();
      await expect(page.locator('main').getByRole('heading').first()).toBeVisible();
    }
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Base round' })).toBeVisible();
    await choose(page, 'Left hand');
    await expect(page.getByText('Saved in this browser')).toBeVisible();
    await page.goto(`${home}${THROW}/pattern`);
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    const [pdf] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: 'PDF with charts' }).click(),
    ]);
    expect(pdf.suggestedFilename()).toBe('harbour-throw.pdf');
    await page.goto(`${home}${THROW}/yarn`);
    await page.getByRole('button', { name: 'Simulated yarn shop' }).click();
    await expect(page.getByText('The shop cannot be reached')).toBeVisible();
    await page.goto(`${home}/licences`);
    await expect(page.getByText('MIT License').first()).toBeVisible();
    expect(faults).toEqual([]);
  });

  test('a new version is offered and not forced; a page that stays open goes on with its own parts', async ({
    context,
  }) => {
    const { server, home, dist } = await serve();
    const [one, two] = [await context.newPage(), await context.newPage()];
    await one.goto(home);
    await controlled(one);
    await two.goto(home);
    await expect(cards(two)).toHaveCount(DEMOS);
    appendFileSync(join(dist, 'sw.js'), '\n// A later version.\n');
    await one.evaluate(async () => {
      await (await navigator.serviceWorker.getRegistration())!.update();
    });
    const offer = one.getByRole('button', { name: 'Update now' });
    await expect(offer).toBeVisible();
    // A tab that lies behind another is slowed down by the browser.
    await one.bringToFront();
    await one.getByRole('link', { name: /Harbour throw/ }).click();
    await expect(one.getByRole('heading', { name: 'Base round' })).toBeVisible();
    await Promise.all([one.waitForEvent('load'), offer.click()]);
    await expect(one.getByRole('heading', { name: 'Base round' })).toBeVisible();
    stop(server);
    // The other page has not fetched the parts of a hem yet.
    await two.bringToFront();
    await two.getByRole('link', { name: /Meadow square/ }).click();
    await expect(two.getByRole('heading', { name: 'Base round' })).toBeVisible();
  });
});
