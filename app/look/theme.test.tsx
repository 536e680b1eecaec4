/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';

jest.unstable_mockModule('../storage/settings.ts', () => ({ readSetting: () => Promise.resolve(earlier) }));
const { ThemeAndNotices } = await import('./ThemeAndNotices.tsx');
const { ThemeButton } = await import('./ThemeButton.tsx');

const KEY = 'zig-hem ground';
/** What an earlier version kept. */
let earlier: unknown;
let dark = false;
const turned = new Set<() => void>();
const deviceTurns = (to: boolean): void => {
  dark = to;
  for (const changed of turned) changed();
};

let close: () => void;
function openPage(): void {
  document.documentElement.style.colorScheme = '';
  close = render(
    <ThemeAndNotices>
      <ThemeButton />
    </ThemeAndNotices>,
  ).unmount;
}
const isDark = (): boolean => document.documentElement.style.colorScheme === 'dark';
const barOfTheBrowser = (): string =>
  document.querySelector<HTMLMetaElement>('meta[name=theme-color]')!.content;
const change = (to: 'dark' | 'light'): void =>
  void fireEvent.click(screen.getByRole('button', { name: `Switch to ${to} colors` }));

beforeEach(() => {
  earlier = null;
  dark = false;
  turned.clear();
  window.localStorage.clear();
  document.head.innerHTML = '<meta name="theme-color" content="#f8f6f0">';
  window.matchMedia = () =>
    ({
      get matches() {
        return dark;
      },
      addEventListener: (_: string, changed: () => void) => turned.add(changed),
      removeEventListener: (_: string, changed: () => void) => turned.delete(changed),
    }) as unknown as MediaQueryList;
});
afterEach(cleanup);

describe('the ground of the page', () => {
  test('is that of the device until one is chosen, and turns with it', () => {
    openPage();
    expect(isDark()).toBe(false);
    act(() => deviceTurns(true));
    expect(isDark()).toBe(true);
    change('light');
    act(() => deviceTurns(false));
    act(() => deviceTurns(true));
    expect(isDark()).toBe(false);
  });

  test('is there at once when the page is opened again, and around it, too', () => {
    openPage();
    const byDay = barOfTheBrowser();
    change('dark');
    close();
    openPage();
    expect(isDark()).toBe(true);
    expect(barOfTheBrowser()).not.toBe(byDay);
    close();
    expect(turned.size).toBe(0);
  });

  test('is the same on all pages of this browser', () => {
    openPage();
    const said = (newValue: string | null, key = KEY): void =>
      act(() => {
        if (newValue === null) window.localStorage.removeItem(key);
        else window.localStorage.setItem(key, newValue);
        window.dispatchEvent(new StorageEvent('storage', { key, newValue }));
      });
    said('evening');
    expect(isDark()).toBe(true);
    said('day', 'something else');
    expect(isDark()).toBe(true);
    change('light');
    said('evening');
    expect(isDark()).toBe(true);
    said(null);
    expect(isDark()).toBe(false);
  });

  test('is taken over from an earlier version, unless one has been chosen since', async () => {
    earlier = 'evening';
    openPage();
    await waitFor(() => expect(isDark()).toBe(true));
    change('light');
    close();
    openPage();
    await act(() => Promise.resolve());
    expect(isDark()).toBe(false);
  });

  test('can be chosen where storage takes nothing, and what is no ground is none', () => {
    window.localStorage.setItem(KEY, 'mauve');
    earlier = 17;
    openPage();
    expect(isDark()).toBe(false);
    const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    change('dark');
    expect(isDark()).toBe(true);
    full.mockRestore();
  });
});
