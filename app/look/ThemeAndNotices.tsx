import { useEffect, useSyncExternalStore, type ReactNode } from 'react';
import { themeNow, takeEarlierTheme, whenThemeChanges } from './theme.ts';
import { NoticesProvider } from './notices.tsx';
import { applyTheme, type ThemeName } from './tokens.ts';

export const useTheme = (): ThemeName => useSyncExternalStore(whenThemeChanges, themeNow);

/** Theme and notices: all that the first page needs of the look. */
export function ThemeAndNotices({ children }: { readonly children: ReactNode }) {
  const theme = useTheme();
  useEffect(() => void takeEarlierTheme(), []);
  useEffect(() => applyTheme(theme), [theme]);
  return <NoticesProvider>{children}</NoticesProvider>;
}
