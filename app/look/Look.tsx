import { ConfigProvider, theme } from 'antd';
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { readSetting, writeSetting } from '../storage/settings.ts';
import { NoticesProvider } from './notices.tsx';
import { GROUNDS, applyGround, type GroundName } from './tokens.ts';

interface LookState {
  readonly ground: GroundName;
  readonly setGround: (name: GroundName) => void;
}

const LookContext = createContext<LookState>({ ground: 'day', setGround: () => undefined });

export const useLook = (): LookState => useContext(LookContext);

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';

/** Ground, fonts and the tokens of the component library. */
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
  const g = GROUNDS[ground];
  return (
    <LookContext.Provider value={state}>
      <ConfigProvider
        csp={{ nonce }}
        theme={{
          algorithm: ground === 'day' ? theme.defaultAlgorithm : theme.darkAlgorithm,
          token: {
            colorPrimary: g.ink,
            colorText: g.ink,
            colorLink: g.ink,
            colorLinkHover: g.ink,
            colorLinkActive: g.ink,
            colorTextSecondary: g.quiet,
            colorTextPlaceholder: g.quiet,
            colorBgBase: g.sheet,
            colorBgContainer: g.sheet,
            colorBgElevated: g.sheet,
            colorBorder: g.line,
            colorBorderSecondary: g.line,
            controlOutline: g.thread,
            colorError: g.ripple,
            colorInfo: g.thread,
            colorSuccess: g.thread,
            colorWarning: g.ripple,
            fontFamily: 'inherit',
            fontSize: 15,
            borderRadius: 6,
            wireframe: false,
          },
          components: {
            Button: { primaryColor: g.sheet, fontWeight: 500, primaryShadow: 'none', defaultShadow: 'none' },
            Segmented: { itemSelectedBg: g.ink, itemSelectedColor: g.sheet, trackBg: g.wash },
            Select: { optionSelectedBg: g.wash, optionSelectedColor: g.ink },
          },
        }}
      >
        <NoticesProvider>{children}</NoticesProvider>
      </ConfigProvider>
    </LookContext.Provider>
  );
}
