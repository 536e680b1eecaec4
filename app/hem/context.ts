import { createContext, useContext, useSyncExternalStore } from 'react';
import type { Plan } from '../../core/plan.ts';
import type { HemState, HemStore } from './store.ts';

export const HemContext = createContext<HemStore | null>(null);

/** The store of the hem that is open. */
export function useHemStore(): HemStore {
  const store = useContext(HemContext);
  if (!store) throw new Error('no hem is open here');
  return store;
}

export function useHemState(): HemState {
  const store = useHemStore();
  return useSyncExternalStore(store.subscribe, store.get);
}

/** The plan of the hem that is open. */
export const usePlan = (): Plan => useHemState().plan;
