/**
 * A backup: all hems in zip files, each as its hem file, with what its maker wants of their hands, and if they are
 * wanted the photos of the work. One file where all find room in it, else several, each of which opens by itself: what is
 * written stays within the limits of what is read.
 */
import { held } from '../held.ts';
import { documentProblem } from './problems.ts';
import { strFromU8, strToU8, zipSync, type Zippable } from 'fflate';
import { HANDS_FILE } from '../hands/wishes.ts';
import { LIMITS } from '../limits.ts';
import { done, failed, inAll, type Outcome, type Problem } from '../problems.ts';
import { writeHem } from './check.ts';
import { fileName } from './fileName.ts';
import type { Hem } from './hem.ts';
import { unpacked, zipEntries, type ZipEntry } from './zip.ts';

/** A photo of the work on a hem, as JPEG. */
export interface BundledPhoto {
  /** Id of the hem, and the name under which its record speaks of the photo. */
  readonly hem: string;
  readonly name: string;
  readonly bytes: Uint8Array;
}

export interface BundledFile {
  readonly name: string;
  readonly text: string;
}

/** Contents of a backup, not yet checked. */
export interface Bundle {
  readonly files: readonly BundledFile[];
  readonly photos: readonly BundledPhoto[];
  /** Text of {@link HANDS_FILE}; null where there is none, or none that can be read. */
  readonly hands: unknown;
}

/** How much one file of a backup may hold: files, bytes unpacked, bytes packed. */
export type BundleLimits = Readonly<Record<'bundledFiles' | 'bundledBytes' | 'fileBytes', number>>;

const PHOTOS = 'photos/';

/** The zip files of a backup. @param now the files’ date */
export const writeBundle = (hems: readonly Hem[], now: Date): readonly Uint8Array[] =>
  writeFiles(
    hems.map((hem) => ({ name: fileName(hem.name, '.hem.json'), text: writeHem(hem) })),
    now,
  );

/** A file on its way into a zip file. */
interface Packed {
  readonly name: string;
  readonly bytes: Uint8Array;
  /** Pictures are packed already. */
  readonly level: 0 | 6;
}

/**
 * The zip files of a backup, with texts in them, as {@link writeBundle} for what is no sound hem, and photos. Names that
 * two texts share are told apart by number.
 */
export function writeFiles(
  texts: readonly BundledFile[],
  now: Date,
  photos: readonly BundledPhoto[] = [],
  limits: BundleLimits = LIMITS,
): readonly Uint8Array[] {
  const names = new Set<string>();
  const files: Packed[] = texts.map(({ name, text }) => {
    let free = name;
    for (let n = 2; names.has(free); n++) free = name.replace(/(\.hem)?\.json$/, `-${n}$&`);
    names.add(free);
    return { name: free, bytes: strToU8(text), level: 6 };
  });
  for (const { hem, name, bytes } of photos) {
    const path = `${PHOTOS}${encodeURIComponent(hem)}/${encodeURIComponent(name)}.jpg`;
    files.push({ name: path, bytes, level: 0 });
  }
  // A zip file cannot hold a date before 1980.
  const mtime = now.getFullYear() < 1980 ? new Date(1980, 0, 2) : now;
  return sharedOut(files, limits).flatMap((share) => zipped(share, mtime, limits));
}

/** Files in order, as many together as one zip file may hold by their number and bytes. */
function sharedOut(files: readonly Packed[], limits: BundleLimits): readonly (readonly Packed[])[] {
  const shares: Packed[][] = [[]];
  let unpackedBytes = 0;
  let stored = 0;
  for (const file of files) {
    const size = file.bytes.length;
    const kept = file.level === 0 ? size + ENTRY_BYTES + 2 * file.name.length : 0;
    const here = held(shares.at(-1), 'there is a share from the start');
    const full =
      here.length >= limits.bundledFiles ||
      unpackedBytes + size > limits.bundledBytes ||
      stored + kept > limits.fileBytes * (1 - SHARE_FOR_TEXTS);
    if (full && here.length > 0) {
      shares.push([]);
      [unpackedBytes, stored] = [0, 0];
    }
    held(shares.at(-1), 'there is a share from the start').push(file);
    unpackedBytes += size;
    stored += kept;
  }
  return shares;
}

/** Bytes of a zip file for each file in it beside what it holds, and at its end; its name stands twice. */
const ENTRY_BYTES = 110;
const SHARE_FOR_TEXTS = 1 / 32;

/** The zip file of a share; two, where it packs to more than can be opened. */
function zipped(share: readonly Packed[], mtime: Date, limits: BundleLimits): readonly Uint8Array[] {
  const files: Zippable = {};
  for (const { name, bytes, level } of share) files[name] = [bytes, { level }];
  const zip = zipSync(files, { mtime });
  if (zip.length <= limits.fileBytes || share.length < 2) return [zip];
  const half = Math.ceil(share.length / 2);
  return [share.slice(0, half), share.slice(half)].flatMap((part) => zipped(part, mtime, limits));
}

/**
 * Contents of a zip file of a backup. Other files in it are passed over, and so are photos beyond the limits. Nothing
 * beyond the limits is unpacked, and nothing beyond what the file itself says of it.
 */
export function readBundle(bytes: Uint8Array, limits: BundleLimits = LIMITS): Outcome<Bundle> {
  try {
    const entries = zipEntries(bytes);
    const hems = entries.filter(({ name }) => isHemFile(name));
    const beyond = beyondLimits(
      hems.map(({ size }) => size),
      limits,
    );
    if (beyond) return failed(beyond);
    const files = hems.map((entry) => ({ name: entry.name, text: strFromU8(unpacked(entry)) }));
    const photos = photosIn(entries, limits);
    const hands = handsIn(entries);
    if (files.length + photos.length === 0)
      return failed(documentProblem('bundle-empty', inAll('the backup')));
    return done({ files, photos, hands });
  } catch {
    return failed(documentProblem('bundle-unreadable', inAll('the backup')));
  }
}

function photosIn(entries: readonly ZipEntry[], limits: BundleLimits): readonly BundledPhoto[] {
  let whole = 0;
  return entries.flatMap((entry) => {
    const [hem, name] = /^photos\/([^/]+)\/([^/]+)\.jpg$/.exec(entry.name)?.slice(1) ?? [];
    if (hem === undefined || name === undefined || whole + entry.size > limits.bundledBytes) return [];
    whole += entry.size;
    try {
      return [{ hem: decodeURIComponent(hem), name: decodeURIComponent(name), bytes: unpacked(entry) }];
    } catch {
      // A damaged photo keeps no hem out.
      return [];
    }
  });
}

function handsIn(entries: readonly ZipEntry[]): unknown {
  const entry = entries.find(({ name, size }) => name === HANDS_FILE && size <= LIMITS.hemBytes);
  if (!entry) return null;
  try {
    return JSON.parse(strFromU8(unpacked(entry))) as unknown;
  } catch {
    return null;
  }
}

const isHemFile = (name: string): boolean => /\.json$/i.test(name) && name !== HANDS_FILE;

function beyondLimits(sizes: readonly number[], limits: BundleLimits): Problem | null {
  if (sizes.length > limits.bundledFiles) return tooLarge(limits.bundledFiles, 'files');
  if (sizes.reduce((sum, size) => sum + size, 0) > limits.bundledBytes)
    return tooLarge(limits.bundledBytes / 1e6, 'MB');
  return sizes.some((size) => size > limits.fileBytes)
    ? tooLarge(limits.fileBytes / 1e6, 'MB in one file')
    : null;
}

const tooLarge = (most: number, of: string): Problem =>
  documentProblem('bundle-too-large', inAll('the backup'), { most, of });
