/** The tests of the browser. Stitches are painted only where they are looked at: it is most of the work of a page. */
import { expect, test as base, type BrowserContext } from '@playwright/test';

/** From now on the pages of a context have a worker in place of the one that lays painted stitches, which does nothing. */
export const withoutStitches = (context: BrowserContext): Promise<unknown> =>
  context.addInitScript(() => {
    const { Worker: Real } = window;
    window.Worker = function (url: string | URL, options?: WorkerOptions) {
      return String(url).includes('sheet.worker')
        ? Object.assign(new EventTarget(), { postMessage: () => undefined, terminate: () => undefined })
        : new Real(url, options);
    } as unknown as typeof Worker;
  });

export const test = base.extend<{ painted: boolean }>({
  painted: [false, { option: true }],
  context: async ({ context, painted }, use) => {
    if (!painted) await withoutStitches(context);
    await use(context);
  },
});
export { expect };
