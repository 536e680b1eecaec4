/** A user who presses everything that there is, and then what that brings. */
import type { Page } from '@playwright/test';
import { ODD_WORDS } from '../core/testing/oddWords.ts';

/** Buttons that leave the hem, or asks the device for a file or for paper. */
const ELSEWHERE =
  /^(Print|Copy a link.*|Save|Save this drawing|.*CSV file|.*as a file|Download.*|Shelf|Stitches)\|/;
/** Buttons that lead to another page of the hem come last. */
const LEADS_ON = /^(Try it on|Compare)\b/;

interface Pressing {
  /** Buttons that were pressed on this page before, each by its name and how many of that name come before it. */
  readonly before: readonly string[];
  /** Of what presses brought, on any page, which kinds have been pressed. */
  readonly kinds: readonly string[];
  /** Whether what is in the head of a hem, on every stop, is pressed, too. */
  readonly head: boolean;
}

interface Pressed {
  readonly pressed: readonly string[];
  /** Buttons that an earlier press took away before they could be pressed. */
  readonly missed: readonly string[];
  readonly kinds: readonly string[];
  /** Button that was pressed when a part of the page failed, which ends it, or said what it should not. */
  readonly failed: readonly string[];
}

/**
 * Presses all that can be pressed on the page, one after the other, and undoes it. What a press brings (a list, a drawer, a panel)
 * is pressed next: of each kind one.
 */
export const pressAll = (page: Page, pressing: Pressing): Promise<Pressed> =>
  page.evaluate(
    async ({ before, kinds, head, elsewhere, leadsOn, odd }) => {
      const pressed = new Set(before);
      const pressedKinds = new Set(kinds);
      // Another yarn, row, copy or side is one more of the same.
      const kindOf = (key: string): string =>
        key
          .replace(/\|.*| \(copy\)|\b[A-Z]\b|[\d–]+/g, '')
          .replace(
            /^(Take|Remove|Colou?r of|Copy|Discard|Try it on|Compare|More like this|Not this|pale|light|full|dark) .*|^.*, [A-Z][a-z]+$/,
            '$1',
          );

      const now = (): ReadonlyMap<string, HTMLElement> => {
        const called = new Map<string, number>();
        const found = new Map<string, HTMLElement>();
        for (const element of document.querySelectorAll<HTMLElement>(
          ':is(button, summary, [role=button], [role=radio], [role=switch], [role=checkbox], [role=menuitem], input[type=checkbox], input[type=radio]):not(nav *)',
        )) {
          const inHead = element.closest('header') !== null;
          const shown = element.closest<HTMLElement>('label') ?? element;
          const said = (element.getAttribute('aria-label') ?? shown.textContent ?? '').trim();
          // What is in the head is called by what it does, not by what it does it to.
          const name = inHead ? said.replace(/:.*/, '') : said;
          const count = (called.get(name) ?? 0) + 1;
          called.set(name, count);
          const key = `${name}|${count}`;
          const can =
            !element.matches(':disabled, [aria-disabled=true]') &&
            shown.checkVisibility({ visibilityProperty: true });
          if (can && (head || !inHead) && !elsewhere.test(key)) found.set(key, element);
        }
        return found;
      };

      const press = async (element: HTMLElement): Promise<void> => {
        const how = { bubbles: true, cancelable: true, view: window };
        element.dispatchEvent(new PointerEvent('pointerdown', how));
        element.dispatchEvent(new MouseEvent('mousedown', how));
        element.dispatchEvent(new PointerEvent('pointerup', how));
        element.dispatchEvent(new MouseEvent('mouseup', how));
        element.dispatchEvent(new MouseEvent('click', how));
        await new Promise((resolve) => setTimeout(resolve, 30));
      };

      /** Words of the page that it should not say, with the words round it. */
      const saidOddly = (): string | null => {
        const said: string[] = [];
        // What is closed, or closing, stays as it was until it is opened again.
        const isClosed = (element: Element): boolean =>
          element.closest('#root') === null &&
          (!element.checkVisibility() || element.closest('[class*="-leave"]') !== null);
        const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        while (texts.nextNode()) {
          const { nodeValue, parentElement } = texts.currentNode;
          // What has a name is called by that.
          if (parentElement && !parentElement.hasAttribute('aria-label') && !isClosed(parentElement))
            said.push(nodeValue ?? '');
        }
        for (const element of document.querySelectorAll('[aria-label], [title], [placeholder]'))
          if (!isClosed(element))
            for (const name of ['aria-label', 'title', 'placeholder'])
              said.push(element.getAttribute(name) ?? '');
        const inForce = document.querySelector('header [popovertarget]')?.textContent ?? '';
        const words = inForce.includes('UK terms') ? odd.uk : odd.us;
        return new RegExp(`.{0,40}(?:${words}).{0,20}`, 'i').exec(said.join(' · '))?.[0] ?? null;
      };

      const undoAll = async (): Promise<void> => {
        for (;;) {
          const undo = document.querySelector<HTMLElement>(
            'header button[aria-label^="Undo"]:not(:disabled)',
          );
          if (!undo) return;
          await press(undo);
        }
      };

      const failed = new Set<string>();
      let over = false;
      const saidBefore = new Set<string>();
      const pressOne = async (key: string): Promise<boolean> => {
        const element = now().get(key);
        if (!element || over) return false;
        await press(element);
        pressed.add(key);
        const strange = saidOddly();
        over = document.querySelector('.fault') !== null;
        if (over) failed.add(key);
        // Once for each: what is there after one press is there after the next.
        if (strange && !saidBefore.has(strange)) failed.add(`${key}: “${strange}”`);
        if (strange) saidBefore.add(strange);
        return !over;
      };

      /** Presses what the last press brought, of each kind one. @returns how many there were */
      const pressBrought = async (there: ReadonlySet<string>, way: readonly string[]): Promise<number> => {
        const brought = [...now().keys()].filter((key) => !there.has(key));
        let count = 0;
        for (const key of brought) {
          if (pressedKinds.has(kindOf(key))) continue;
          // What closes when it has been pressed is opened again for the next.
          if (!now().has(key)) for (const step of way) await pressOne(step);
          if (!(await pressOne(key))) continue;
          pressedKinds.add(kindOf(key));
          count++;
          await pressBrought(new Set([...there, ...brought]), [...way, key]);
        }
        return count;
      };

      const all = [...now().keys()];
      const there = new Set(all);
      for (const key of [
        ...all.filter((key) => !leadsOn.test(key)),
        ...all.filter((key) => leadsOn.test(key)),
      ])
        if (!pressed.has(key) && (await pressOne(key)) && (await pressBrought(there, [key])) > 0)
          await undoAll();
      await undoAll();
      return {
        pressed: [...pressed],
        missed: all.filter((key) => !pressed.has(key)),
        kinds: [...pressedKinds],
        failed: [...failed],
      };
    },
    { ...pressing, elsewhere: ELSEWHERE, leadsOn: LEADS_ON, odd: ODD_WORDS },
  );
