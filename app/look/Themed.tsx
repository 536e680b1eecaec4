import { ConfigProvider, theme } from 'antd';
import type { ReactNode } from 'react';
import { useMotion } from './motion.ts';
import { useTheme } from './ThemeAndNotices.tsx';
import { THEMES } from './tokens.ts';

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';

/** Size of type that the reader has chosen in the browser, as a multiple of the usual 16 px. */
const typeScale = (): number => (parseFloat(getComputedStyle(document.documentElement).fontSize) || 16) / 16;

/** The component library in the look of the application; it is not fetched before a page needs it. */
export function Themed({ children }: { readonly children: ReactNode }) {
  const name = useTheme();
  const motion = useMotion();
  const g = THEMES[name];
  const scale = typeScale();
  return (
    <ConfigProvider
      csp={{ nonce }}
      theme={{
        algorithm: name === 'day' ? theme.defaultAlgorithm : theme.darkAlgorithm,
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
          colorBorder: g.rim,
          colorBorderSecondary: g.line,
          controlOutline: g.focus,
          colorError: g.ripple,
          colorInfo: g.thread,
          colorSuccess: g.thread,
          colorWarning: g.ripple,
          colorBgMask: `${THEMES.day.ink}3d`,
          controlItemBgHover: g.wash,
          controlItemBgActive: g.wash,
          controlItemBgActiveHover: g.wash,
          fontFamily: 'inherit',
          fontSize: 15 * scale,
          controlHeight: 32 * scale,
          borderRadius: 6,
          motion,
          wireframe: false,
        },
        components: {
          Button: { primaryColor: g.sheet, fontWeight: 500, primaryShadow: 'none', defaultShadow: 'none' },
          Segmented: { itemSelectedBg: g.ink, itemSelectedColor: g.sheet, trackBg: g.wash },
          Select: { optionSelectedBg: g.wash, optionSelectedColor: g.ink, optionActiveBg: g.wash },
        },
      }}
    >
      {children}
    </ConfigProvider>
  );
}
