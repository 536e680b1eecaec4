import puppeteer, { type KeyInput } from 'puppeteer-core';
import { FIREFOX, whyMissing } from '../../scripts/engines.mjs';
import { WINDOW, type Engine } from './engine.ts';
import { ofPage } from './ofPage.ts';

/** Debian’s Firefox, over WebDriver BiDi. */
export const firefox: Engine = {
  name: 'Firefox',
  missing: () => whyMissing('Firefox'),
  start: async (downloads) => {
    const browser = await puppeteer.launch({
      browser: 'firefox',
      executablePath: FIREFOX,
      headless: true,
      defaultViewport: WINDOW,
      extraPrefsFirefox: {
        'browser.download.folderList': 2,
        'browser.download.dir': downloads,
        'browser.download.useDownloadDir': true,
        'browser.helperApps.neverAsk.saveToDisk': 'application/json,application/pdf,application/zip',
        'pdfjs.disabled': true,
      },
    });
    const page = await browser.newPage();
    return {
      version: await browser.version(),
      end: () => browser.close(),
      tab: {
        ...ofPage(page),
        key: (key) => page.keyboard.press(key as KeyInput),
        give: async (selector, path) => {
          const field = await page.$(selector);
          if (!field) throw new Error(`there is no ${selector}`);
          await (field as Awaited<ReturnType<typeof page.$<'input'>>>)!.uploadFile(path);
        },
      },
    };
  },
};
