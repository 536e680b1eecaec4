import puppeteer, { type KeyInput, type Page } from 'puppeteer-core';
import { FIREFOX, whyMissing } from '../../scripts/engines.mjs';
import { WINDOW, type Engine, type HardyEngine, type HardyTab } from './engine.ts';
import { endProcesses } from './endProcesses.ts';
import { ofPage } from './ofPage.ts';

const launch = (preferences: Readonly<Record<string, unknown>>, profile?: string) =>
  puppeteer.launch({
    browser: 'firefox',
    executablePath: FIREFOX,
    headless: true,
    defaultViewport: WINDOW,
    ...(profile === undefined ? {} : { userDataDir: profile }),
    extraPrefsFirefox: preferences,
  });

function tabOf(page: Page): HardyTab {
  // A page that asks whether it may be left is left.
  page.on('dialog', (dialog) => void dialog.accept());
  return {
    ...ofPage(page),
    key: (key) => page.keyboard.press(key as KeyInput),
    give: async (selector, path) => {
      const field = await page.$(selector);
      if (!field) throw new Error(`there is no ${selector}`);
      await (field as Awaited<ReturnType<typeof page.$<'input'>>>)!.uploadFile(path);
    },
    before: async (body) => void (await page.evaluateOnNewDocument(body)),
  };
}

/** Debian’s Firefox, over WebDriver BiDi. */
export const firefox: Engine & HardyEngine = {
  name: 'Firefox',
  missing: () => whyMissing('Firefox'),
  start: async (downloads) => {
    const browser = await launch({
      'browser.download.folderList': 2,
      'browser.download.dir': downloads,
      'browser.download.useDownloadDir': true,
      'browser.helperApps.neverAsk.saveToDisk': 'application/json,application/pdf,application/zip',
      'pdfjs.disabled': true,
    });
    return {
      version: await browser.version(),
      end: () => browser.close(),
      tab: tabOf(await browser.newPage()),
    };
  },
  startOn: async (profile) => {
    const browser = await launch({ 'dom.serviceWorkers.enabled': false }, profile);
    return {
      version: await browser.version(),
      tab: tabOf(await browser.newPage()),
      another: async () => tabOf(await browser.newPage()),
      end: () => browser.close(),
      kill: async () => {
        endProcesses(profile);
        await browser.close().catch(() => undefined);
      },
    };
  },
};
