/** Motion on the screen, which some have asked their device to leave out. */
import { useSyncExternalStore } from 'react';

const stillness = (): MediaQueryList => window.matchMedia('(prefers-reduced-motion: reduce)');

function whenItChanges(changed: () => void): () => void {
  const media = stillness();
  media.addEventListener('change', changed);
  return () => media.removeEventListener('change', changed);
}

/** Whether lists, drawers and switches may move into their place. */
export const useMotion = (): boolean => useSyncExternalStore(whenItChanges, () => !stillness().matches);
