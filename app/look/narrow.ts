import { useSyncExternalStore } from 'react';

/** As wide as a phone: the smaller of the two widths at which pages are laid out anew. */
const NARROW = '(max-width: 760px)';

const subscribe = (changed: () => void): (() => void) => {
  const media = window.matchMedia(NARROW);
  media.addEventListener('change', changed);
  return () => media.removeEventListener('change', changed);
};

/** Whether the page is laid out for a phone. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(subscribe, () => window.matchMedia(NARROW).matches);
