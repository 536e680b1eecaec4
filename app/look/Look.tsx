import { useEffect, useSyncExternalStore, type ReactNode } from 'react';
import { groundNow, takeEarlierGround, whenGroundChanges } from './ground.ts';
import { NoticesProvider } from './notices.tsx';
import { applyGround, type GroundName } from './tokens.ts';

export const useGround = (): GroundName => useSyncExternalStore(whenGroundChanges, groundNow);

/** Ground and notices: all that the first page needs of the look. */
export function ThemeAndNotices({ children }: { readonly children: ReactNode }) {
  const ground = useGround();
  useEffect(() => void takeEarlierGround(), []);
  useEffect(() => applyGround(ground), [ground]);
  return <NoticesProvider>{children}</NoticesProvider>;
}
