import { describe, expect, test } from '@jest/globals';
import { rowsHem } from '../testing/hems.ts';
import { saying } from '../testing/zips.ts';
import { LIMITS } from '../limits.ts';
import { readBundle, readPhotos, writeFiles, type BundledPhoto } from './bundle.ts';
import { writeHem } from './check.ts';

const NOW = new Date('2026-02-03T10:00:00Z');
const hem = { name: 'throw.hem.json', text: writeHem(rowsHem()) };
const photo = (of: string, name: string, size = 20): BundledPhoto => ({
  hem: of,
  name,
  bytes: Uint8Array.from({ length: size }, (_, i) => (i * 7) % 256),
});

describe('photos in a backup', () => {
  test('come back as they were, each with the hem that it is of', () => {
    const photos = [photo('test', 'a1'), photo('test', 'b2', 4000), photo('an id/with %', 'c 3')];
    const bytes = writeFiles([hem], NOW, photos);
    const back = readPhotos(bytes);
    expect(back.map((p) => [p.hem, p.name])).toEqual(photos.map((p) => [p.hem, p.name]));
    back.forEach((p, i) => expect([...p.bytes]).toEqual([...photos[i]!.bytes]));
  });

  test('are laid into it as they are, for pictures do not pack', () => {
    const like = photo('test', 'a1', 4000);
    expect(Buffer.from(writeFiles([hem], NOW, [like])).includes(Buffer.from(like.bytes))).toBe(true);
  });

  test('are passed over where hems are read, and a backup without any has none', () => {
    const withPhotos = readBundle(writeFiles([hem], NOW, [photo('test', 'a1')]));
    expect(withPhotos).toEqual(readBundle(writeFiles([hem], NOW)));
    expect(withPhotos.ok && withPhotos.value.map((f) => f.name)).toEqual(['throw.hem.json']);
    expect(readPhotos(writeFiles([hem], NOW))).toEqual([]);
  });

  test('of what is no backup are none', () => {
    expect(readPhotos(new Uint8Array([1, 2, 3]))).toEqual([]);
    expect(readPhotos(new Uint8Array())).toEqual([]);
  });

  test('are unpacked up to a limit, whatever the file says', () => {
    const kept = writeFiles([], NOW, [photo('test', 'one'), photo('test', 'two')]);
    expect(readPhotos(saying(kept, LIMITS.bundledBytes / 2))).toHaveLength(2);
    expect(readPhotos(saying(kept, LIMITS.bundledBytes / 2 + 1))).toHaveLength(1);
    expect(readPhotos(saying(kept, LIMITS.bundledBytes + 1))).toEqual([]);
  });
});
