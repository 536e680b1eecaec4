/** A backup: all hems in one zip file, each as its hem file, and if they are wanted the photos of the work on them. */
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { LIMITS } from '../limits.ts';
import { done, failed, inAll, problem, type Outcome, type Problem } from '../problems.ts';
import { writeHem } from './check.ts';
import { fileName } from './fileName.ts';
import type { Hem } from './hem.ts';

/** The bytes of a backup. Names that two hems share are told apart by number. @param now the files’ date */
export function writeBundle(hems: readonly Hem[], now: Date): Uint8Array {
  return writeFiles(
    hems.map((hem) => ({ name: fileName(hem.name, '.hem.json'), text: writeHem(hem) })),
    now,
  );
}

/** A photo of the work on a hem, as JPEG. */
export interface BundledPhoto {
  /** Id of the hem, and the name under which its record speaks of the photo. */
  readonly hem: string;
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** The bytes of a zip file with texts in it, as {@link writeBundle} for what is no sound hem, and photos. */
export function writeFiles(
  texts: readonly BundledFile[],
  now: Date,
  photos: readonly BundledPhoto[] = [],
): Uint8Array {
  const files: Zippable = {};
  for (const { name, text } of texts) {
    let free = name;
    for (let n = 2; free in files; n++) free = name.replace(/(\.hem)?\.json$/, `-${n}$&`);
    files[free] = strToU8(text);
  }
  // Pictures are packed already.
  for (const { hem, name, bytes } of photos)
    files[`${PHOTOS}${encodeURIComponent(hem)}/${encodeURIComponent(name)}.jpg`] = [bytes, { level: 0 }];
  // A zip file cannot hold a date before 1980.
  const mtime = now.getFullYear() < 1980 ? new Date(1980, 0, 2) : now;
  return zipSync(files, { mtime, level: 6 });
}

export interface BundledFile {
  readonly name: string;
  readonly text: string;
}

/** The hem files in a backup, not yet checked. Other files in it are passed over. Nothing beyond the limits is unpacked. */
export function readBundle(bytes: Uint8Array): Outcome<readonly BundledFile[]> {
  try {
    // First only the list: what is beyond the limits further on is found before anything is unpacked.
    const sizes: number[] = [];
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (isHemFile(name)) sizes.push(originalSize);
        return false;
      },
    });
    const beyond = beyondLimits(sizes);
    if (beyond) return failed(beyond);
    const files = unzipSync(bytes, { filter: ({ name }) => isHemFile(name) });
    const found = Object.entries(files).map(([name, content]) => ({ name, text: strFromU8(content) }));
    return found.length === 0 ? failed(problem('bundle-empty', inAll('the backup'))) : done(found);
  } catch {
    return failed(problem('bundle-unreadable', inAll('the backup')));
  }
}

const PHOTOS = 'photos/';

/** The photos in a backup; none of a file that cannot be read, or where they are beyond the limits. */
export function readPhotos(bytes: Uint8Array): readonly BundledPhoto[] {
  const parts = (name: string): readonly string[] =>
    /^photos\/([^/]+)\/([^/]+)\.jpg$/.exec(name)?.slice(1) ?? [];
  try {
    let whole = 0;
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (parts(name).length === 0) return false;
        whole += originalSize;
        return whole <= LIMITS.bundledBytes;
      },
    });
    return Object.entries(files).map(([name, content]) => {
      const [hem, photo] = parts(name).map(decodeURIComponent);
      return { hem: hem!, name: photo!, bytes: content };
    });
  } catch {
    return [];
  }
}

/** The file of a backup that says what its maker wants of what was learned of their hands. */
export const HANDS_FILE = 'my-hands.json';

/** What {@link HANDS_FILE} of a backup says; null where there is none, or none that can be read. */
export function readHandsFile(bytes: Uint8Array): unknown {
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => name === HANDS_FILE && originalSize <= LIMITS.hemBytes,
    });
    const file = files[HANDS_FILE];
    return file ? (JSON.parse(strFromU8(file)) as unknown) : null;
  } catch {
    return null;
  }
}

const isHemFile = (name: string): boolean => /\.json$/i.test(name) && name !== HANDS_FILE;

function beyondLimits(sizes: readonly number[]): Problem | null {
  if (sizes.length > LIMITS.bundledFiles) return tooLarge(LIMITS.bundledFiles, 'files');
  if (sizes.reduce((sum, size) => sum + size, 0) > LIMITS.bundledBytes)
    return tooLarge(LIMITS.bundledBytes / 1e6, 'MB');
  return sizes.some((size) => size > LIMITS.hemBytes)
    ? tooLarge(LIMITS.hemBytes / 1e6, 'MB in one file')
    : null;
}

const tooLarge = (most: number, of: string): Problem =>
  problem('bundle-too-large', inAll('the backup'), { most, of });
