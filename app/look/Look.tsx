import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { readSetting, writeSetting } from '../storage/settings.ts';
import { NoticesProvider } from './notices.tsx';
import { applyGround, type GroundName } from './tokens.ts';

interface LookState {
  readonly ground: GroundName;
  readonly setGround: (name: GroundName) => void;
}

const LookContext = createContext<LookState>({ ground: 'day', setGround: () => undefined });

export const useLook = (): LookState => useContext(LookContext);

/** Ground and notices: all that the first page needs of the look. */
export function Look({ children }: { readonly children: ReactNode }) {
  const [ground, setGround] = useState<GroundName>('day');
  useEffect(() => {
    void readSetting('ground').then((kept) => {
      if (kept === 'day' || kept === 'evening') setGround(kept);
    });
  }, []);
  useEffect(() => applyGround(ground), [ground]);
  const state = useMemo<LookState>(
    () => ({
      ground,
      setGround: (name) => {
        setGround(name);
        void writeSetting('ground', name);
      },
    }),
    [ground],
  );
  return (
    <LookContext.Provider value={state}>
      <NoticesProvider>{children}</NoticesProvider>
    </LookContext.Provider>
  );
}
