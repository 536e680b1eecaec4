import { singleKeysWork } from './singleKeys.ts';

/** The work of a key of one character: left out while something is being typed, and where such keys are switched off. */
export const unlessTyping =
  (work: (event: KeyboardEvent) => void) =>
  (event: KeyboardEvent): void => {
    const { target } = event;
    const typing =
      target instanceof HTMLElement &&
      (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));
    if (!typing && singleKeysWork()) work(event);
  };

/** Controls that have keys of their own while they have the focus. */
const HOLDS =
  'a, button, summary, input, select, textarea, canvas, [role="slider"], [contenteditable="true"]';

/** A key’s work that is left out while something that answers to keys has the focus. @param but within it all the same */
export const unlessHeld =
  (work: (event: KeyboardEvent) => void, but?: string) =>
  (event: KeyboardEvent): void => {
    const { target } = event;
    const held = target instanceof Element && target.closest(HOLDS) !== null;
    const free = but !== undefined && target instanceof Element && target.closest(but) !== null;
    if (!held || free) work(event);
  };
