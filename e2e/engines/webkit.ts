import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { createServer } from 'node:net';
import { Builder, By, Capabilities, Key, Origin } from 'selenium-webdriver';
import { SCREEN, WEBKIT_BROWSERS, WEBKIT_DRIVER, whyMissing } from '../../scripts/engines.mjs';
import { WINDOW, type Engine } from './engine.ts';

/** Debian’s WebKit with its small browser, over WebDriver, on a screen that nobody sees. */
export const webkit: Engine = {
  name: 'WebKit',
  missing: () => whyMissing('WebKit'),
  start: async (downloads) => {
    const display = `:${100 + (process.pid % 900)}`;
    const port = await freePort();
    const env = {
      ...process.env,
      DISPLAY: display,
      LIBGL_ALWAYS_SOFTWARE: '1',
      WEBKIT_DISABLE_COMPOSITING_MODE: '1',
      WEBKIT_DISABLE_SANDBOX_THIS_IS_DANGEROUS: '1',
      // What is saved goes where a home without a folder for it has it: into the home itself.
      HOME: downloads,
    };
    const started: ChildProcess[] = [
      spawn(SCREEN, [display, '-screen', '0', '1400x1000x24', '-nolisten', 'tcp'], { stdio: 'ignore' }),
      spawn(WEBKIT_DRIVER, [`--port=${port}`], { env, stdio: 'ignore' }),
    ];
    const endAll = (): void => started.forEach((process) => process.kill());
    const driver = await untilItAnswers(() =>
      new Builder()
        // Its address is given, so that nothing is looked for elsewhere.
        .usingServer(`http://127.0.0.1:${port}`)
        .withCapabilities(
          new Capabilities({
            browserName: 'MiniBrowser',
            'webkitgtk:browserOptions': {
              binary: WEBKIT_BROWSERS.find((path) => existsSync(path)),
              args: ['--automation'],
            },
          }),
        )
        .build(),
    ).catch((error: unknown) => {
      endAll();
      throw error;
    });
    await driver
      .manage()
      .window()
      .setRect({ x: 0, y: 0, ...WINDOW });
    const pointer = () => driver.actions({ async: true });
    return {
      version: (await driver.getCapabilities()).getBrowserVersion() ?? 'unknown',
      end: async () => {
        await driver.quit().catch(() => undefined);
        endAll();
      },
      tab: {
        open: (address) => driver.get(address),
        reload: () => driver.navigate().refresh(),
        run: (body, ...args) => driver.executeScript(body, ...args),
        point: async ([x, y], ...along) => {
          const moves = pointer().move({
            x: Math.round(x),
            y: Math.round(y),
            origin: Origin.VIEWPORT,
            duration: 0,
          });
          moves.press();
          for (const [toX, toY] of along)
            moves.move({ x: Math.round(toX), y: Math.round(toY), origin: Origin.VIEWPORT, duration: 120 });
          await moves.release().perform();
        },
        key: (key) =>
          pointer()
            .sendKeys(
              (Key as unknown as Record<string, string>)[
                key.replace(/[a-z](?=[A-Z])/g, '$&_').toUpperCase()
              ] ?? key,
            )
            .perform(),
        type: (text) => pointer().sendKeys(text).perform(),
        give: async (selector, path) => driver.findElement(By.css(selector)).sendKeys(path),
      },
    };
  },
};

const freePort = (): Promise<number> =>
  new Promise((found) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => found(typeof address === 'object' && address ? address.port : 0));
    });
  });

/** The driver takes its time to start. */
async function untilItAnswers<T>(ask: () => Promise<T>): Promise<T> {
  for (let times = 1; ; times++) {
    try {
      return await ask();
    } catch (error) {
      if (times === 40 || !/ECONNREFUSED|connect/i.test(String(error))) throw error;
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
  }
}
