/** A person before a page, whatever engine shows it: finds things by role and name, presses, types, drags and waits. */
import { build } from 'esbuild';
import type { Tab } from './engine.ts';
import type { Thing } from './inPage.ts';

/** Milliseconds after which what does not come is given up: an engine without a graphics card takes its time. */
const PATIENCE = 60_000;

/** Milliseconds for which a thing has to keep still before it is pressed. */
const STILL = 150;

let inPage: Promise<string> | null = null;
const finder = (): Promise<string> =>
  (inPage ??= build({
    entryPoints: [new URL('inPage.ts', import.meta.url).pathname],
    bundle: true,
    write: false,
    format: 'iife',
  }).then(({ outputFiles: [file] }) => file!.text));

export class Person {
  constructor(readonly tab: Tab) {}

  /** The first thing of a role whose name a pattern finds; null where there is none. */
  private async look(role: string, name: RegExp, nth = 0): Promise<Thing | null> {
    if ((await this.tab.run('return typeof zigHemFound')) !== 'function') await this.tab.run(await finder());
    return (await this.tab.run(
      'return zigHemFound(arguments[0], arguments[1], arguments[2])',
      role,
      name.source,
      nth,
    )) as Thing | null;
  }

  /** Waits until something holds. @param what it is, for the account of what never came */
  async until<T>(what: string, ask: () => Promise<T | null | false>): Promise<T> {
    const end = Date.now() + PATIENCE;
    let failure: unknown = null;
    while (Date.now() < end) {
      try {
        const answer = await ask();
        if (answer !== null && answer !== false) return answer;
      } catch (error) {
        // A page that is just being left answers nothing.
        failure = error;
      }
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error(`never came: ${what}; the page says: ${await this.said()}`, { cause: failure });
  }

  /** Waits for a thing that keeps still and can be used. */
  find(role: string, name: RegExp, nth = 0): Promise<Thing> {
    return this.until(`${role} ${String(name)}`, async () => {
      const first = await this.look(role, name, nth);
      await new Promise((resolve) => setTimeout(resolve, STILL));
      const second = await this.look(role, name, nth);
      return first && second?.open && !second.disabled && first.x === second.x && first.y === second.y
        ? second
        : null;
    });
  }

  async press(role: string, name: RegExp, nth = 0): Promise<void> {
    const { x, y } = await this.find(role, name, nth);
    await this.tab.point([x, y]);
  }

  /** Presses until something comes of it: on a slow machine what is pressed may move away just then. */
  async pressUntil(role: string, name: RegExp, thenRole: string, thenName: RegExp): Promise<void> {
    await this.press(role, name);
    for (let again = 0; !(await this.look(thenRole, thenName)); again++) {
      await new Promise((resolve) => setTimeout(resolve, STILL));
      if (again % 40 === 39 && (await this.look(role, name))) await this.press(role, name);
      if (again === 400)
        throw new Error(`nothing came of ${String(name)}; the page says: ${await this.said()}`);
    }
  }

  /** Types into a field in place of what it holds. */
  async type(role: string, name: RegExp, text: string): Promise<void> {
    await this.press(role, name);
    await this.tab.run('document.activeElement.select?.()');
    await this.tab.type(text);
    await this.tab.key('Tab');
  }

  /** The beginning of what stands on the page, for an account of what went wrong. */
  private async said(): Promise<string> {
    return String(await this.tab.run('return document.body.innerText').catch(() => 'nothing')).slice(0, 3000);
  }

  /** Waits until the page, which has said something else, does not say it any longer. */
  async saysNoMore(text: RegExp): Promise<void> {
    await this.find('heading', /./);
    await this.until(`no ${String(text)}`, async () => !text.test(await this.said()));
  }

  /** Waits until the page says something. */
  async reads(text: RegExp): Promise<string> {
    return this.until(String(text), async () => {
      const said = (await this.tab.run('return document.body.innerText')) as string;
      return text.exec(said)?.[0] ?? null;
    });
  }
}
