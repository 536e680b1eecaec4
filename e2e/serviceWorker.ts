import type { Page } from '@playwright/test';
import { expect } from './test.ts';

/** Waits until the page is served by its service worker. */
export const controlled = (page: Page): Promise<void> =>
  expect.poll(() => page.evaluate(() => !!navigator.serviceWorker.controller)).toBe(true);
