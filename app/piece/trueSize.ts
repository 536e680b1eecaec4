/** Size of things on this screen, measured once against something that is held to it. */
import { useSyncExternalStore } from 'react';
import { localStore } from '../storage/localStore.ts';

const KEY = 'zig-hem pixels per centimeter';
/** Pixels of a style sheet that a centimetre has by its definition; screens differ. */
const BY_DEFINITION = 96 / 2.54;
const LEAST = BY_DEFINITION / 4;
const MOST = BY_DEFINITION * 4;

export interface TrueSize {
  readonly pixelsPerCm: number;
  /** Somebody has measured it on this screen. */
  readonly measured: boolean;
}

/** Holds where storage takes nothing, until the page is left. */
let said: number | null = null;
const listeners = new Set<() => void>();

function kept(): number | null {
  const text = said ?? localStore()?.getItem(KEY) ?? null;
  const pixels = text === null ? NaN : Number(text);
  return pixels >= LEAST && pixels <= MOST ? pixels : null;
}

/** Notes how many pixels a centimetre has on this screen. */
export function keepTrueSize(pixelsPerCm: number): void {
  said = Math.min(MOST, Math.max(LEAST, pixelsPerCm));
  try {
    localStore()?.setItem(KEY, said.toFixed(3));
    said = null;
  } catch {
    // It holds until the page is left.
  }
  for (const changed of listeners) changed();
}

/** Size of a centimetre on this screen. */
export function useTrueSize(): TrueSize {
  const pixels = useSyncExternalStore((changed) => {
    listeners.add(changed);
    return () => listeners.delete(changed);
  }, kept);
  return { pixelsPerCm: pixels ?? BY_DEFINITION, measured: pixels !== null };
}
