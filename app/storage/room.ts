/** How much room this browser gives, and whether it may take it back. */
import { readSetting, writeSetting } from './settings.ts';

export interface Room {
  /** Bytes used and allowed; null where the browser does not tell. */
  readonly used: number | null;
  readonly allowed: number | null;
  /** The browser has promised not to clear it when space gets short. */
  readonly promised: boolean;
}

/** Asks the browser about room; what it does not tell is left open. */
export async function roomHere(): Promise<Room> {
  const storage = 'storage' in navigator ? navigator.storage : null;
  try {
    const { usage, quota } = (await storage?.estimate()) ?? {};
    const promised = (await storage?.persisted()) ?? false;
    return { used: usage ?? null, allowed: quota ?? null, promised };
  } catch {
    return { used: null, allowed: null, promised: false };
  }
}

/** Asks the browser not to clear what is kept here. Some browsers ask the person in turn. */
export async function askToKeep(): Promise<boolean> {
  try {
    return 'storage' in navigator && (await navigator.storage.persist());
  } catch {
    return false;
  }
}

const ASKED = 'asked to keep';
/** So many edits are somebody’s own work, which is worth being kept. */
const WORTH_KEEPING = 5;
let edits = 0;

/** Counts an edit that was saved; at a fitting moment the browser is asked, once, not to clear what is kept. */
export async function ownWorkSaved(): Promise<void> {
  if (++edits !== WORTH_KEEPING || (await readSetting(ASKED)) !== null) return;
  await writeSetting(ASKED, true);
  await askToKeep();
}

/** @example bytesWords(2_340_000) // '2.3 MB' */
export function bytesWords(bytes: number): string {
  if (bytes < 1000) return `${bytes} bytes`;
  if (bytes < 1e6) return `${Math.round(bytes / 1000)} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.round(bytes / 1e9)} GB`;
}
