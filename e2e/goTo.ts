import { expect, type Page } from '@playwright/test';
import type { Person } from './engines/person.ts';

/** In the page: goes to another page of the application as back and forward do, so that it is not loaded anew. */
const GO = `
  if (location.pathname === arguments[0]) return;
  for (const heading of document.querySelectorAll('main :is(h1, h2, h3)')) heading.dataset.left = '';
  history.pushState(null, '', arguments[0]);
  dispatchEvent(new PopStateEvent('popstate'));`;

const THERE = `
  const found = document.querySelector('main :is(h1, h2, h3)');
  return found !== null && !document.querySelector('main [data-left]') && !document.querySelector('.loading');`;

/** Shows another page of the application. */
export async function goTo(page: Page, path: string): Promise<void> {
  await page.evaluate(`(function () { ${GO} })(${JSON.stringify(path)})`);
  await expect(page.locator('main [data-left]')).toHaveCount(0);
  await expect(page.locator('main').getByRole('heading').first()).toBeVisible();
}

/** Shows another page of the application, in whatever engine. */
export async function goToIn(person: Person, path: string): Promise<void> {
  await person.tab.run(GO, path);
  await person.until(`the page of ${path}`, async () => (await person.tab.run(THERE)) === true);
}
