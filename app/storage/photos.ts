/** Photos of the work: scaled down, in this browser, each under the hem that it is of. */
import { context2d } from '../../drawing/context2d.ts';
import { nanoid } from 'nanoid';
import type { BundledPhoto } from '../../core/document/bundle.ts';
import { recordStore, type RecordStore } from './recordStore.ts';
import { hemOfPhoto, photoKey } from './records.ts';

/** The longer side of what is kept, pixels, and the quality of its JPEG. */
const LONG_SIDE = 1600;
const QUALITY = 0.82;

export const photoStore: RecordStore = recordStore('photos');

/** The chosen file cannot be read as a picture. */
export class NoPicture extends Error {}

/** Keeps a photo under a name, which is given back. */
export async function keepPhoto(hem: string, photo: Blob): Promise<string> {
  const name = nanoid(10);
  await photoStore.set(photoKey(hem, name), photo);
  return name;
}

/**
 * A photo as it is kept.
 *
 * @throws NoPicture when the file holds no picture that this browser can read
 */
export async function scaledDown(file: Blob): Promise<Blob> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    throw new NoPicture('no picture');
  }
  const scale = Math.min(1, LONG_SIDE / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  context2d(canvas).drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const small = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
  if (!small) throw new NoPicture('no picture');
  return small;
}

/** A photo; null when it is not in this browser. */
export async function photoOf(hem: string, photo: string): Promise<Blob | null> {
  const kept = await photoStore.get(photoKey(hem, photo));
  return kept instanceof Blob ? kept : null;
}

/** The photos of some hems, as they go into a backup. */
export async function photosOf(hems: ReadonlySet<string>): Promise<readonly BundledPhoto[]> {
  const found: BundledPhoto[] = [];
  for (const key of await photoStore.keys()) {
    const hem = hemOfPhoto(key);
    const kept = hems.has(hem) ? await photoStore.get(key) : null;
    if (kept instanceof Blob) {
      found.push({ hem, name: key.slice(hem.length + 1), bytes: new Uint8Array(await kept.arrayBuffer()) });
    }
  }
  return found;
}

/** Keeps photos that come out of a backup; those that are here already stay. @param signal ends it between two of them */
export async function takePhotos(
  photos: readonly BundledPhoto[],
  told: (done: number) => void = () => undefined,
  signal?: AbortSignal,
): Promise<void> {
  for (let from = 0; from < photos.length && !signal?.aborted; from += TAKEN_AT_ONCE) {
    told(from);
    await photoStore.addAll(
      photos
        .slice(from, from + TAKEN_AT_ONCE)
        .map(({ hem, name, bytes }) => [
          photoKey(hem, name),
          new Blob([new Uint8Array(bytes)], { type: 'image/jpeg' }),
        ]),
    );
  }
}

const TAKEN_AT_ONCE = 10;
