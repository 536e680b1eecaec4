/** For tests: a user who presses, chooses and types by chance, in a simulated page. */
import { fireEvent } from '@testing-library/react';
import type { Chance } from '../../core/chance.ts';
import type { Language } from '../../core/terms/stitches.ts';
import { oddWordsIn } from '../../core/testing/oddWords.ts';

/** Buttons that leave the page, or asks the device for a file or for paper. */
const ELSEWHERE = /^(Print|Copy a link|Save|Download|Share)|CSV|file/i;

const TYPED = ['', '0', '1', '2', '7', '12.5', '12,5', '40', '100', '-3', '0.01', '1e9', 'x', '½'];
const KEYS = ['ArrowRight', 'ArrowLeft', 'ArrowUp', 'ArrowDown', 'PageUp', 'PageDown', 'Home', 'End'];

const nameOf = (element: Element): string =>
  (
    element.getAttribute('aria-label') ??
    element.closest('label')?.textContent ??
    element.textContent ??
    ''
  ).trim();

/** Deeds that can be done to the elements that a selector finds. */
interface Doing {
  readonly selector: string;
  /** @returns what it is called in an account of what was done */
  readonly doIt: (element: HTMLElement, chance: Chance) => string;
}

const DOINGS: readonly Doing[] = [
  {
    selector:
      'button, [role=button], [role=radio], [role=switch], [role=option], input[type=checkbox], input[type=radio]',
    doIt: (element) => {
      fireEvent.click(element);
      return 'pressed';
    },
  },
  {
    selector: 'input:not([type]), input[type=text], input[type=number], input[role=spinbutton], textarea',
    doIt: (element, chance) => {
      const value = chance.pick(TYPED);
      fireEvent.focus(element);
      fireEvent.change(element, { target: { value } });
      fireEvent.blur(element);
      return `typed “${value}”`;
    },
  },
  {
    selector: '[role=slider]',
    doIt: (element, chance) => {
      const key = chance.pick(KEYS);
      fireEvent.keyDown(element, { key, code: key, shiftKey: chance.maybe(0.2) });
      fireEvent.keyUp(element, { key, code: key });
      return key;
    },
  },
  {
    selector: '[role=combobox]',
    doIt: (element) => {
      fireEvent.mouseDown(element);
      return 'opened';
    },
  },
  {
    selector: 'select',
    doIt: (element, chance) => {
      const value = chance.pick([...(element as HTMLSelectElement).options]).value;
      fireEvent.change(element, { target: { value } });
      return `chose “${value}”`;
    },
  },
];

/** Does one thing that can be done on the page now. @returns what, or null when there is nothing to do */
export function doSomething(chance: Chance): string | null {
  const can = DOINGS.flatMap((doing) => {
    const elements = [...document.body.querySelectorAll<HTMLElement>(doing.selector)].filter(
      (element) => !element.matches(':disabled, [aria-disabled=true]') && !ELSEWHERE.test(nameOf(element)),
    );
    return elements.length === 0 ? [] : [{ doing, elements }];
  });
  if (can.length === 0) return null;
  const { doing, elements } = chance.pick(can);
  const element = chance.pick(elements);
  const name = nameOf(element);
  return `${name}: ${doing.doIt(element, chance)}`;
}

const SAYING = ['aria-label', 'title', 'aria-valuetext', 'placeholder'] as const;

/** Where the page says something that is no word and no number, or a word of other terms than those of a language. */
export function oddlySaid(language: Language | null): readonly string[] {
  const said: string[] = [];
  const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  while (texts.nextNode()) {
    const { nodeValue, parentElement } = texts.currentNode;
    // What has a name is called by that.
    if (!parentElement?.hasAttribute('aria-label')) said.push(nodeValue ?? '');
  }
  for (const element of document.body.querySelectorAll(SAYING.map((name) => `[${name}]`).join(',')))
    for (const name of SAYING) said.push(element.getAttribute(name) ?? '');
  return said.flatMap((text) => oddWordsIn(text, language));
}
