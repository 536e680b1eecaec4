/**
 * The theme that was chosen in this browser, where it can be read before anything is shown: whoever crochets by evening is
 * not dazzled by a page that turns dark a moment later. Where none was chosen, that of the device.
 */
import { held } from '../../core/held.ts';
import { localStore } from '../storage/localStore.ts';
import { readSetting } from '../storage/settings.ts';
import type { ThemeName } from './tokens.ts';

const KEY = 'zig-hem ground';
const isTheme = (value: unknown): value is ThemeName => value === 'day' || value === 'evening';
const device = (): MediaQueryList => window.matchMedia('(prefers-color-scheme: dark)');

/** Holds where storage takes nothing, until the page is left. */
let chosen: ThemeName | null = null;
const listeners = new Set<() => void>();

export function themeNow(): ThemeName {
  const kept = chosen ?? localStore()?.getItem(KEY);
  if (isTheme(kept)) return kept;
  return device().matches ? 'evening' : 'day';
}

export function chooseTheme(name: ThemeName): void {
  try {
    held(localStore(), 'only where there is one').setItem(KEY, name);
    chosen = null;
  } catch {
    chosen = name;
  }
  for (const changed of listeners) changed();
}

/** Told when it is chosen here or on another page of this browser, or when the device turns dark. @returns what ends it */
export function whenThemeChanges(changed: () => void): () => void {
  const elsewhere = ({ key }: StorageEvent): void => {
    if (key === KEY) changed();
  };
  const media = device();
  listeners.add(changed);
  window.addEventListener('storage', elsewhere);
  media.addEventListener('change', changed);
  return () => {
    listeners.delete(changed);
    window.removeEventListener('storage', elsewhere);
    media.removeEventListener('change', changed);
  };
}

/** Takes over what an earlier version kept where it is read later, if nothing has been chosen since. */
export async function takeEarlierTheme(): Promise<void> {
  const kept = await readSetting('ground');
  if (isTheme(kept) && chosen === null && !localStore()?.getItem(KEY)) chooseTheme(kept);
}
