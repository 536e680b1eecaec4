import type { Page } from '@playwright/test';

/** Bytes as transferred, compressed; headers not counted. */
export interface FirstLoad {
  /** Scripts that had come when the first hem stood on the shelf, by its name and counts. */
  readonly scriptsUntilShelf: number;
  /** Scripts of the whole first page: with what plans and draws the hems. */
  readonly scripts: number;
  /** In how many files these came. */
  readonly files: number;
  /** Everything, fonts and demo data included. */
  readonly all: number;
}

/** Opens the shelf in a browser that has never seen it, and tells what it had to fetch. */
export async function firstLoad(page: Page, address: string): Promise<FirstLoad> {
  // As text: the compiler's helper for names is not known in the page.
  await page.addInitScript(`
    performance.setResourceTimingBufferSize(1000);
    new MutationObserver((_, watch) => {
      if (!document.querySelector('.shelf_hem')) return;
      performance.mark('shelf');
      watch.disconnect();
    }).observe(document, { childList: true, subtree: true });
  `);
  await page.goto(address);
  await page.locator('.shelf_hem .plan').first().waitFor();
  await page.waitForLoadState('networkidle');
  const [shelf, fetched] = await page.evaluate(
    () =>
      [
        performance.getEntriesByName('shelf')[0]!.startTime,
        performance.getEntriesByType('resource').map((r) => r.toJSON() as PerformanceResourceTiming),
      ] as const,
  );
  const scripts = fetched.filter((r) => r.name.endsWith('.js') && r.initiatorType !== 'fetch');
  const sum = (of: readonly PerformanceResourceTiming[]): number =>
    of.reduce((bytes, r) => bytes + r.encodedBodySize, 0);
  return {
    scriptsUntilShelf: sum(scripts.filter((r) => r.responseEnd <= shelf)),
    scripts: sum(scripts),
    files: scripts.length,
    all: sum(fetched),
  };
}
