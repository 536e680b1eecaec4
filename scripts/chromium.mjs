// The Chromium of the browser tests, of the pictures and of what is measured in a browser.
import { existsSync } from 'node:fs';

const WHOLE = '/usr/bin/chromium';
/** The same engine without a window: a page opens in half the time. */
const SHELL = '/usr/bin/chromium-headless-shell';

/** @param {string} wanted @param {string} other */
const path = (wanted, other) =>
  process.env.CHROMIUM ?? (existsSync(other) && !existsSync(wanted) ? other : wanted);

/** Where the engine alone will do. */
export const chromiumShell = () => path(SHELL, WHOLE);
/** Where it is to be as it is for a user. */
export const wholeChromium = () => path(WHOLE, SHELL);
