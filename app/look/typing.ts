/** A key’s work that is left out while something is being typed, where the key is a letter. */
export const unlessTyping =
  (work: (event: KeyboardEvent) => void) =>
  (event: KeyboardEvent): void => {
    const { target } = event;
    const typing =
      target instanceof HTMLElement &&
      (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));
    if (!typing) work(event);
  };
