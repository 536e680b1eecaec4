/** Hems kept in this browser. Nothing leaves it but what the user exports. */
import localforage from 'localforage';
import { readHem } from '../../core/document/check.ts';
import type { Hem } from '../../core/document/hem.ts';
import { migrate } from '../../core/document/migrations.ts';

const hems = localforage.createInstance({ name: 'zig-hem', storeName: 'hems' });
const settings = localforage.createInstance({ name: 'zig-hem', storeName: 'settings' });

/** On the very first start the demo hems are laid out. */
async function layOutDemos(): Promise<void> {
  if (await settings.getItem('demos laid out')) return;
  for (const hem of await demoHems()) await hems.setItem(hem.id, hem);
  await settings.setItem('demos laid out', true);
}

/** What this browser keeps was sound when it was kept, but it may be of an older version. */
const upToDate = (kept: unknown): Hem => migrate(kept) as Hem;

/** All hems, last changed first. */
export async function listHems(): Promise<readonly Hem[]> {
  await layOutDemos();
  const found: Hem[] = [];
  await hems.iterate<unknown, undefined>((kept) => {
    found.push(upToDate(kept));
  });
  return found.sort((a, b) => b.changed.localeCompare(a.changed));
}

/** The hem of an id with the last edit that was made to it, or null. */
export async function loadHem(id: string): Promise<Hem | null> {
  await layOutDemos();
  const kept = await hems.getItem<unknown>(id);
  const hem = kept === null ? null : upToDate(kept);
  const unsaved = takeUnsaved(id);
  if (!hem || !unsaved || unsaved.changed <= hem.changed) return hem;
  await saveHem(unsaved);
  return unsaved;
}

const UNSAVED = 'zig-hem unsaved ';

/**
 * Sets an edit aside at once, for a page that is closed before it could be saved: a database may not finish
 * writing then, local storage does.
 */
export function setAside(hem: Hem): void {
  try {
    localStorage.setItem(UNSAVED + hem.id, JSON.stringify(hem));
  } catch {
    // No room: the write to the database, which goes on, is all that can be done.
  }
}

function takeUnsaved(id: string): Hem | null {
  const text = localStorage.getItem(UNSAVED + id);
  localStorage.removeItem(UNSAVED + id);
  if (text === null) return null;
  const outcome = readHem(text);
  return outcome.ok ? outcome.value : null;
}

export async function saveHem(hem: Hem): Promise<void> {
  await hems.setItem(hem.id, hem);
}

export async function deleteHem(id: string): Promise<void> {
  await hems.removeItem(id);
}

/** A setting of this browser, such as the theme. */
export const readSetting = <T>(key: string): Promise<T | null> => settings.getItem<T>(key);
export const writeSetting = async (key: string, value: unknown): Promise<void> => {
  await settings.setItem(key, value);
};

async function demoHems(): Promise<readonly Hem[]> {
  const files = import.meta.glob<string>('../../demo/*.hem.json', { query: '?raw', import: 'default' });
  const read = await Promise.all(Object.values(files).map(async (load) => readHem(await load())));
  return read.flatMap((outcome) => (outcome.ok ? [outcome.value] : []));
}
