import { existsSync } from 'node:fs';
import { chromium as launcher } from '@playwright/test';
import { chromiumShell } from '../../scripts/chromium.mjs';
import { WINDOW, type Engine } from './engine.ts';

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
        open: async (address) => void (await page.goto(address)),
        reload: async () => void (await page.reload()),
        run: (body, ...args) => page.evaluate(`(function () { ${body} })(...${JSON.stringify(args)})`),
        point: async ([x, y], ...along) => {
          await page.mouse.move(x, y);
          await page.mouse.down();
          for (const [toX, toY] of along) await page.mouse.move(toX, toY, { steps: 6 });
          await page.mouse.up();
        },
        key: (key) => page.keyboard.press(key),
        type: (text) => page.keyboard.type(text),
        give: (selector, path) => page.locator(selector).first().setInputFiles(path),
      },
    };
  },
};
