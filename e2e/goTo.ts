import { expect, type Page } from '@playwright/test';

/** Shows another page of the application as back and forward do: it is not loaded anew. */
export async function goTo(page: Page, path: string): Promise<void> {
  if (new URL(page.url()).pathname === path) return;
  await page.evaluate((path) => {
    for (const heading of document.querySelectorAll<HTMLElement>('main :is(h1, h2, h3)'))
      heading.dataset.left = '';
    history.pushState(null, '', path);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await expect(page.locator('main [data-left]')).toHaveCount(0);
  await expect(page.locator('main').getByRole('heading').first()).toBeVisible();
}
