/** In the page: what a person finds there by role and name, as a screen reader has them. */
import { computeAccessibleName } from 'dom-accessibility-api';

/** Elements that have a role by themselves. */
const BY_THEMSELVES: Readonly<Record<string, string>> = {
  button: 'button, summary',
  link: 'a[href]',
  heading: 'h1, h2, h3, h4',
  radio: 'input[type=radio]',
  checkbox: 'input[type=checkbox]',
  combobox: 'select',
  textbox: 'input:not([type]), input[type=text], textarea',
  spinbutton: 'input[type=number]',
};

const isSeen = (element: Element): boolean => {
  const { width, height } = element.getBoundingClientRect();
  return width > 0 && height > 0 && getComputedStyle(element).visibility !== 'hidden';
};

/** Something that is seen on the page; its middle, and its size. */
export interface Thing {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** What it holds, or says. */
  readonly value: string;
  readonly disabled: boolean;
  /** Nothing lies over its middle. */
  readonly open: boolean;
}

/** Where something lies once it has been scrolled to, and what it says; null where there is nothing of the kind. */
function found(role: string, name: string, nth: number): Thing | null {
  const pattern = new RegExp(name);
  const own = BY_THEMSELVES[role];
  const all = [...document.querySelectorAll(`[role=${role}]${own ? `, ${own}` : ''}`)];
  const element = all.filter(
    (e) => (e.getAttribute('role') ?? role) === role && isSeen(e) && pattern.test(computeAccessibleName(e)),
  )[nth];
  if (!element) return null;
  element.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' });
  const { left, top, width, height } = element.getBoundingClientRect();
  const [x, y] = [left + width / 2, top + height / 2];
  const over = document.elementFromPoint(x, y);
  return {
    x,
    y,
    width,
    height,
    value:
      element.getAttribute('aria-valuetext') ??
      (element as Partial<HTMLInputElement>).value ??
      element.textContent ??
      '',
    disabled: (element as Partial<HTMLButtonElement>).disabled ?? false,
    open:
      element.contains(over) ||
      over?.contains(element) === true ||
      over?.closest('label')?.contains(element) === true,
  };
}

Object.assign(globalThis, { zigHemFound: found });
