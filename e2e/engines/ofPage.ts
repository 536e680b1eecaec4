/** What drivers that speak of a page have alike. */
import type { HardyTab } from './engine.ts';

interface Driven {
  readonly goto: (address: string) => Promise<unknown>;
  readonly reload: () => Promise<unknown>;
  readonly bringToFront: () => Promise<void>;
  readonly close: () => Promise<void>;
  readonly evaluate: (script: string) => Promise<unknown>;
  readonly mouse: {
    readonly move: (x: number, y: number, options?: { readonly steps: number }) => Promise<void>;
    readonly down: () => Promise<void>;
    readonly up: () => Promise<void>;
  };
  readonly keyboard: { readonly type: (text: string) => Promise<void> };
}

/** A tab but for what each driver does in its own way. */
export const ofPage = (page: Driven): Omit<HardyTab, 'key' | 'give' | 'before'> => ({
  open: async (address) => void (await page.goto(address)),
  reload: async () => void (await page.reload()),
  toFront: () => page.bringToFront(),
  close: () => page.close(),
  run: (body, ...args) => page.evaluate(`(function () { ${body} })(...${JSON.stringify(args)})`),
  point: async ([x, y], ...along) => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (const [toX, toY] of along) await page.mouse.move(toX, toY, { steps: 6 });
    await page.mouse.up();
  },
  type: (text) => page.keyboard.type(text),
});
