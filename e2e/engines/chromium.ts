import { existsSync } from 'node:fs';
import { chromium as launcher } from '@playwright/test';
import { chromiumShell } from '../../scripts/chromium.mjs';
import { WINDOW, type Engine } from './engine.ts';
import { ofPage } from './ofPage.ts';

export const chromium: Engine = {
  name: 'Chromium',
  missing: () => (existsSync(chromiumShell()) ? null : 'there is no Chromium'),
  start: async (downloads) => {
    const browser = await launcher.launch({
      executablePath: chromiumShell(),
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    });
    const context = await browser.newContext({ viewport: WINDOW, serviceWorkers: 'allow' });
    const page = await context.newPage();
    page.on('download', (file) => void file.saveAs(`${downloads}/${file.suggestedFilename()}`));
    return {
      version: browser.version(),
      end: () => browser.close(),
      tab: {
        ...ofPage(page),
        key: (key) => page.keyboard.press(key),
        give: (selector, path) => page.locator(selector).first().setInputFiles(path),
      },
    };
  },
};
