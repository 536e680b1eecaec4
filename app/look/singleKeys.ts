/**
 * Whether keys of one character (figures, “?”) do something by themselves. Whoever speaks to the machine, or touches keys by chance, can
 * switch them off (WCAG 2.2, 2.1.4).
 */
import { localStore } from '../storage/localStore.ts';

const KEY = 'zig-hem single keys';

/** Holds where storage takes nothing, until the page is left. */
let chosen: boolean | null = null;

export const singleKeysWork = (): boolean => chosen ?? localStore()?.getItem(KEY) !== 'off';

export function chooseSingleKeys(work: boolean): void {
  chosen = work;
  try {
    if (work) localStore()?.removeItem(KEY);
    else localStore()?.setItem(KEY, 'off');
  } catch {
    // It holds for this page.
  }
}
