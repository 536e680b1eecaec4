/** The library of this browser and this page, with the demo hems on its first start. */
import { nanoid } from 'nanoid';
import { readHem } from '../../core/document/check.ts';
import type { Hem } from '../../core/document/hem.ts';
import { recordStore } from './recordStore.ts';
import { Drafts } from './drafts.ts';
import { Glance } from './glance.ts';
import type { Binned } from './bin.ts';
import { Library } from './library.ts';
import { localStore } from './localStore.ts';
import type { RecordFound } from './records.ts';
import { settings } from './settings.ts';
import { photoStore } from './photos.ts';
import { pictureStore } from './pictures.ts';
import { tabsOfThisBrowser } from './tabs.ts';

export const library = new Library({
  hems: recordStore('hems'),
  history: recordStore('history'),
  bin: recordStore('bin'),
  undo: recordStore('undo'),
  photos: photoStore,
  pictures: pictureStore,
  settings,
  drafts: new Drafts(localStore),
  tabs: tabsOfThisBrowser(),
  now: () => new Date(),
  page: nanoid(8),
});

export const glance = new Glance(localStore);

const LAID_OUT = 'demos laid out';
let ready: Promise<boolean> | null = null;

/**
 * Makes the library ready: on the very first start the demo hems are laid out.
 *
 * @returns whether they have been just now
 */
export function libraryReady(): Promise<boolean> {
  ready ??= makeReady().catch((error: unknown) => {
    // The next one to ask tries again.
    ready = null;
    throw error;
  });
  return ready;
}

async function makeReady(): Promise<boolean> {
  if (await settings.get(LAID_OUT)) return false;
  await library.tabs.alone('the demos', async () => {
    if (await settings.get(LAID_OUT)) return;
    await library.add(await demoHems(), 'a demo hem');
    await settings.set(LAID_OUT, true);
  });
  return true;
}

/** All hems of this browser. */
export async function shelf(): Promise<readonly RecordFound[]> {
  // Both read storage: together they are done sooner.
  const [hems, laidOut] = await Promise.all([library.list(), libraryReady()]);
  return laidOut ? library.list() : hems;
}

let emptied: Promise<void> | null = null;

/** Contents of the bin, once what has been there long enough is gone. */
export async function bin(): Promise<readonly Binned[]> {
  emptied ??= library.emptyBin();
  await emptied.catch(() => (emptied = null));
  return library.binned();
}

async function demoHems(): Promise<readonly Hem[]> {
  const files = import.meta.glob<string>('../../demo/*.hem.json', {
    query: '?url&no-inline',
    import: 'default',
    eager: true,
  });
  const read = await Promise.all(
    Object.values(files).map(async (url) => readHem(await (await fetch(url)).text())),
  );
  return read.flatMap((outcome) => (outcome.ok ? [outcome.value] : []));
}
