// The engines beside Chromium in which the main journeys are tried, and the Debian packages that they come in.
import { existsSync } from 'node:fs';

export const FIREFOX = process.env.FIREFOX ?? '/usr/bin/firefox-esr';
export const WEBKIT_DRIVER = '/usr/bin/WebKitWebDriver';
/** A screen that nobody sees, for WebKit’s browser. */
export const SCREEN = '/usr/bin/Xvfb';
export const WEBKIT_BROWSERS = ['x86_64-linux-gnu', 'aarch64-linux-gnu'].map(
  (of) => `/usr/lib/${of}/webkit2gtk-4.1/MiniBrowser`,
);

const hasFirefox = () => existsSync(FIREFOX);
const hasWebkit = () =>
  [WEBKIT_DRIVER, SCREEN].every((path) => existsSync(path)) &&
  WEBKIT_BROWSERS.some((path) => existsSync(path));

/** Each with the packages that it comes in, and whether it is there. */
export const ENGINES = [
  { name: 'Firefox', packages: 'firefox-esr', isThere: hasFirefox },
  { name: 'WebKit', packages: 'webkit2gtk-driver xvfb', isThere: hasWebkit },
];

/**
 * Why an engine cannot be tried here; null where it can.
 *
 * @param {string} name
 */
export const whyMissing = (name) => {
  const engine = ENGINES.find((e) => e.name === name);
  return engine && !engine.isThere() ? `there is no ${name} (Debian’s ${engine.packages})` : null;
};
