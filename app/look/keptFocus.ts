/**
 * Whoever goes on by keys, or hears the page, stays where they were: when what has the focus goes away, the focus goes to the
 * heading of what came in its place, and when it can no longer be pressed, to what can be beside it; not to the top of the page.
 */

const HEADINGS = 'h1, h2, h3, [role=heading]';
const CAN_BE_PRESSED = ':is(button, input, select, a[href]):not(:disabled)';
/** Time in which whoever took it away, a sheet that closes, may place the focus itself, ms. */
const GRACE_MS = 60;

/** From now on the focus is kept. Returns what ends it. */
export function keepFocus(page: Document = document): () => void {
  /** Element that has the focus, and all that it is in, the nearest first. */
  let path: readonly Element[] = [];
  let wait: ReturnType<typeof setTimeout> | undefined;
  const noted = ({ target }: FocusEvent): void => {
    path = target instanceof Element ? [target, ...parentsOf(target)] : [];
  };
  // Whoever presses beside all that can have it has left by will.
  const left = ({ target }: FocusEvent): void => {
    setTimeout(() => {
      if (path[0] === target && page.activeElement === page.body && !isGone()) path = [];
    });
  };
  const place = (): void => {
    if (page.activeElement !== page.body) return;
    const target = placeIn(
      path.filter((e) => e.isConnected && e !== page.body),
      path[0]?.isConnected === false ? HEADINGS : CAN_BE_PRESSED,
    );
    if (!target) return;
    if (target.tabIndex < 0) target.tabIndex = -1;
    target.focus({ preventScroll: true });
  };
  const isGone = (): boolean => path[0]?.isConnected === false || path[0]?.matches(':disabled') === true;
  const watch = new MutationObserver(() => {
    if (!isGone()) return;
    clearTimeout(wait);
    wait = setTimeout(place, GRACE_MS);
  });
  page.addEventListener('focusin', noted);
  page.addEventListener('focusout', left);
  watch.observe(page.body, { childList: true, attributeFilter: ['disabled'], subtree: true });
  return () => {
    page.removeEventListener('focusin', noted);
    page.removeEventListener('focusout', left);
    watch.disconnect();
    clearTimeout(wait);
  };
}

function parentsOf(element: Element): readonly Element[] {
  const parent = element.parentElement;
  return parent ? [parent, ...parentsOf(parent)] : [];
}

/** First of a kind in the nearest of these that has one; else the nearest itself. */
function placeIn(left: readonly Element[], kind: string): HTMLElement | null {
  for (const element of left) {
    const found = element.querySelector<HTMLElement>(kind);
    if (found) return found;
  }
  return left[0] instanceof HTMLElement ? left[0] : null;
}
