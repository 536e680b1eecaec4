/**
 * The ground that was chosen in this browser, where it can be read before anything is shown: whoever crochets by evening is
 * not dazzled by a page that turns dark a moment later. Where none was chosen, that of the device.
 */
import { localStore } from '../storage/localStore.ts';
import { readSetting } from '../storage/settings.ts';
import type { GroundName } from './tokens.ts';

const KEY = 'zig-hem ground';
const isGround = (value: unknown): value is GroundName => value === 'day' || value === 'evening';
const device = (): MediaQueryList => window.matchMedia('(prefers-color-scheme: dark)');

/** Holds where storage takes nothing, until the page is left. */
let chosen: GroundName | null = null;
const listeners = new Set<() => void>();

export function groundNow(): GroundName {
  const kept = chosen ?? localStore()?.getItem(KEY);
  if (isGround(kept)) return kept;
  return device().matches ? 'evening' : 'day';
}

export function chooseGround(name: GroundName): void {
  try {
    localStore()!.setItem(KEY, name);
    chosen = null;
  } catch {
    chosen = name;
  }
  for (const changed of listeners) changed();
}

/** Told when it is chosen here or on another page of this browser, or when the device turns dark. @returns what ends it */
export function whenGroundChanges(changed: () => void): () => void {
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
export async function takeEarlierGround(): Promise<void> {
  const kept = await readSetting('ground');
  if (isGround(kept) && chosen === null && !localStore()?.getItem(KEY)) chooseGround(kept);
}
