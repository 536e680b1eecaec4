import { createContext, useContext, useSyncExternalStore } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import { inTerms } from '../../core/terms/words.ts';
import type { HemState, HemStore } from './store.ts';

export const HemContext = createContext<HemStore | null>(null);

/** The store of the hem that is open. */
export function useHemStore(): HemStore {
  const store = useContext(HemContext);
  if (!store) throw new Error('no hem is open here');
  return store;
}

/** Something of the open hem's state; whoever asks is only told when it is another. */
export function useHem<T>(of: (state: HemState) => T): T {
  const store = useHemStore();
  return useSyncExternalStore(store.subscribe, () => of(store.get()));
}

/** The plan of the hem that is open. */
export const usePlan = (): Plan => useHem((state) => state.plan);

/** Words of the screens in the terms of the hem that is open. */
export function useInTerms(): (words: string) => string {
  const language = useHem((state) => state.plan.hem.preferences.language);
  return (words) => inTerms(words, language);
}

/** Name of an edit in the terms of the hem that is open: what is changed stands first, the names that follow are the maker’s own. */
export function useLabelInTerms(): (label: string) => string {
  const told = useInTerms();
  return (label) => label.replace(/^\w+/, told);
}
