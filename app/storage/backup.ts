/** Backups: when the last one was made, and a folder of the device that is kept up to date where the browser can. */
import type { BundledFile, BundledPhoto } from '../../core/document/bundle.ts';
import { fileName } from '../../core/document/fileName.ts';
import { writeHem } from '../../core/document/check.ts';
import { HANDS_FILE, writeWishes, type HandsWishes } from '../../core/hands/wishes.ts';
import { nameOf, type RecordFound } from './records.ts';
import { settings } from './settings.ts';

interface BackupRecord {
  /** ISO 8601. */
  readonly at: string;
  /** Revision of every hem that was in it. */
  readonly revisions: Readonly<Record<string, number>>;
}

const LAST = 'last backup';
const FOLDER = 'backup folder';
const DAY_MS = 86_400_000;
/** Days after which one is reminded of changes that no backup holds, and changes from which it is worth it. */
const REMIND_DAYS = 7;
const REMIND_CHANGES = 10;

/** Every hem as a file, sound or not: what is damaged is in a backup as it is. */
function filesOf(shelf: readonly RecordFound[]): readonly BundledFile[] {
  return shelf.map((found) => ({
    name: fileName(nameOf(found), '.hem.json'),
    text: found.outcome.ok
      ? writeHem(found.outcome.value)
      : `${JSON.stringify(found.raw, null, 2) ?? 'null'}\n`,
  }));
}

/** Packs files away from the page. */
export type Pack = (
  texts: readonly BundledFile[],
  now: Date,
  photos: readonly BundledPhoto[],
) => Promise<readonly Uint8Array[]>;

/** A backup of the whole shelf: as few files as can be opened again, each with its name. */
export async function backupOf(
  shelf: readonly RecordFound[],
  now: Date,
  wishes: HandsWishes,
  photos: readonly BundledPhoto[],
  pack: Pack,
): Promise<readonly { readonly name: string; readonly bytes: Uint8Array }[]> {
  const hands = { name: HANDS_FILE, text: writeWishes(wishes) };
  const parts = await pack([hands, ...filesOf(shelf)], now, photos);
  const day = now.toISOString().slice(0, 10);
  const name = (i: number): string =>
    parts.length === 1 ? `hems-${day}.zip` : `hems-${day}-${i + 1}-of-${parts.length}.zip`;
  return parts.map((bytes, i) => ({ name: name(i), bytes }));
}

/** Notes that a backup of these hems was made. */
export async function noteBackup(shelf: readonly RecordFound[], now: Date): Promise<void> {
  const revisions = Object.fromEntries(shelf.map((f) => [f.id, f.revision]));
  await settings.set(LAST, { at: now.toISOString(), revisions } satisfies BackupRecord);
}

export interface BackupState {
  /** When the last one was made, ISO 8601; null for never. */
  readonly at: string | null;
  /** Hems that were changed since, or are in none. Demo hems count when they were changed. */
  readonly changed: number;
  /** Whether it is time to say so. */
  readonly remind: boolean;
}

/** How the shelf stands to its last backup. */
export async function backupState(shelf: readonly RecordFound[], now: Date): Promise<BackupState> {
  const record = (await settings.get(LAST)) as Partial<BackupRecord> | null;
  return stateSince(shelf, record, now);
}

export function stateSince(
  shelf: readonly RecordFound[],
  record: Partial<BackupRecord> | null,
  now: Date,
): BackupState {
  const revisions = record?.revisions ?? {};
  const at = typeof record?.at === 'string' ? record.at : null;
  // A hem as it came with the application is at its first revision.
  const changes = shelf.map((f) => Math.max(0, f.revision - (revisions[f.id] ?? 1)));
  const changed = changes.filter((n) => n > 0).length;
  const since = at === null ? Infinity : (now.getTime() - Date.parse(at)) / DAY_MS;
  const worth = changes.reduce((sum, n) => sum + n, 0) >= REMIND_CHANGES;
  return { at, changed, remind: worth && (since >= REMIND_DAYS || since < 0) };
}

/** The part of the File System Access API that is used; not every browser has it. */
interface FolderHandle extends FileSystemDirectoryHandle {
  readonly queryPermission?: (wish: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
  readonly requestPermission?: (wish: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
}

type Picker = (wish: { readonly mode: 'readwrite'; readonly id: string }) => Promise<FolderHandle>;

const picker = (): Picker | null =>
  (window as { readonly showDirectoryPicker?: Picker }).showDirectoryPicker?.bind(window) ?? null;

/** Whether this browser can keep a folder up to date. */
export const canKeepFolder = (): boolean => picker() !== null;

export interface Folder {
  readonly name: string;
  /** `asks`: the browser wants to be allowed again, which needs a press of a button. */
  readonly state: 'ready' | 'asks' | 'denied';
}

const handleHere = async (): Promise<FolderHandle | null> =>
  (await settings.get(FOLDER)) as FolderHandle | null;

/** The folder that was chosen; null when none is. */
export async function folderHere(): Promise<Folder | null> {
  const handle = await handleHere();
  if (!handle) return null;
  const leave = (await handle.queryPermission?.({ mode: 'readwrite' })) ?? 'granted';
  return { name: handle.name, state: leave === 'granted' ? 'ready' : leave === 'prompt' ? 'asks' : 'denied' };
}

/** Lets the person choose a folder. Null when they think better of it. */
export async function chooseFolder(): Promise<Folder | null> {
  try {
    const handle = await picker()?.({ mode: 'readwrite', id: 'zig-hem' });
    if (!handle) return null;
    await settings.set(FOLDER, handle);
    return await folderHere();
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return null;
    throw error;
  }
}

/** Asks the browser again for leave to write into the folder. */
export async function allowFolder(): Promise<void> {
  await (await handleHere())?.requestPermission?.({ mode: 'readwrite' });
}

/** Keeps no folder up to date any more; the files in it stay. */
export const forgetFolder = (): Promise<void> => settings.remove(FOLDER);

const WRITTEN = 'backup folder holds';

/**
 * Writes what has changed into the folder, each hem as a file of its own; a file is written whole or not at all. Files
 * of hems that are gone stay.
 *
 * @returns how many files were written; null when there is no folder, or no leave to write into it
 */
export async function writeFolder(shelf: readonly RecordFound[], now: Date): Promise<number | null> {
  const handle = await handleHere();
  const folder = handle && (await folderHere());
  if (!handle || folder?.state !== 'ready') return null;
  const before = ((await settings.get(WRITTEN)) ?? {}) as Readonly<Record<string, string>>;
  const holds: Record<string, string> = {};
  let written = 0;
  for (const [i, { name, text }] of filesOf(shelf).entries()) {
    const found = shelf[i]!;
    // The id keeps hems of one name apart, and a renamed hem in its own file.
    const file = name.replace('.hem.json', `-${found.id.replaceAll(/[^\w-]/g, '_')}.hem.json`);
    const stamp = `${found.revision} ${file}`;
    holds[found.id] = stamp;
    if (before[found.id] === stamp) continue;
    const stream = await (await handle.getFileHandle(file, { create: true })).createWritable();
    await stream.write(text);
    await stream.close();
    written++;
  }
  await settings.set(WRITTEN, holds);
  await noteBackup(shelf, now);
  return written;
}
