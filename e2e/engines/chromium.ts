import { existsSync } from 'node:fs';
import { chromium as launcher, type Page } from '@playwright/test';
import { chromiumShell } from '../../scripts/chromium.mjs';
import { WINDOW, type HardyEngine, type HardyTab } from './engine.ts';
import { endProcesses } from './endProcesses.ts';
import { ofPage } from './ofPage.ts';

function tabOf(page: Page): HardyTab {
  // A page that asks whether it may be left is left.
  page.on('dialog', (dialog) => void dialog.accept());
  return {
    ...ofPage(page),
    key: (key) => page.keyboard.press(key),
    give: (selector, path) => page.locator(selector).first().setInputFiles(path),
    before: async (body) => void (await page.addInitScript(body)),
  };
}

export const chromium: HardyEngine = {
  name: 'Chromium',
  missing: () => (existsSync(chromiumShell()) ? null : 'there is no Chromium'),
  startOn: async (profile) => {
    const context = await launcher.launchPersistentContext(profile, {
      executablePath: chromiumShell(),
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
      viewport: WINDOW,
      serviceWorkers: 'block',
    });
    return {
      version: context.browser()?.version() ?? 'unknown',
      tab: tabOf(context.pages()[0] ?? (await context.newPage())),
      another: async () => tabOf(await context.newPage()),
      end: () => context.close(),
      kill: async () => {
        endProcesses(profile);
        await context.close().catch(() => undefined);
      },
    };
  },
};
