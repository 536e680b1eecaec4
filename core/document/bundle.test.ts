import { describe, expect, test } from '@jest/globals';
import { strToU8, zipSync } from 'fflate';
import { chanceOf } from '../chance.ts';
import { rowsHem } from '../testing/hems.ts';
import { patience, seeds } from '../testing/seeds.ts';
import { overlapping, saying } from '../testing/zips.ts';
import { LIMITS } from '../limits.ts';
import { readBundle, writeFiles, type Bundle, type BundledPhoto, type BundleLimits } from './bundle.ts';
import { writeHem } from './check.ts';

const NOW = new Date('2026-02-03T10:00:00Z');
const hem = { name: 'throw.hem.json', text: writeHem(rowsHem()) };
const photo = (of: string, name: string, size = 20): BundledPhoto => ({
  hem: of,
  name,
  bytes: Uint8Array.from({ length: size }, (_, i) => (i * 7) % 256),
});
/** Bytes that do not pack. */
const noise = (seed: number, size: number): Uint8Array => {
  const chance = chanceOf(seed);
  return Uint8Array.from({ length: size }, () => chance.int(0, 255));
};
const LIKE = noise(1, 400_000);
/** One of many that differ. */
const likeNoise = (nth: number): Uint8Array => LIKE.with(0, nth);
const only = (files: readonly Uint8Array[]): Uint8Array => {
  expect(files).toHaveLength(1);
  return files[0]!;
};
const read = (zip: Uint8Array, limits: BundleLimits = LIMITS): Bundle => {
  const outcome = readBundle(zip, limits);
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code);
  return outcome.value;
};
const thorough = patience(1) > 1;
describe('photos in a backup', () => {
  test('come back as they were, each with the hem that it is of', () => {
    const photos = [photo('test', 'a1'), photo('test', 'b2', 4000), photo('an id/with %', 'c 3')];
    const back = read(only(writeFiles([hem], NOW, photos))).photos;
    expect(back.map((p) => [p.hem, p.name])).toEqual(photos.map((p) => [p.hem, p.name]));
    back.forEach((p, i) => expect([...p.bytes]).toEqual([...photos[i]!.bytes]));
  });

  test('are laid into it as they are, for pictures do not pack', () => {
    const like = photo('test', 'a1', 4000);
    expect(Buffer.from(only(writeFiles([hem], NOW, [like]))).includes(Buffer.from(like.bytes))).toBe(true);
  });

  test('stand beside the hems, and a backup without any has none', () => {
    const withPhotos = read(only(writeFiles([hem], NOW, [photo('test', 'a1')])));
    const without = read(only(writeFiles([hem], NOW)));
    expect(withPhotos.files).toEqual(without.files);
    expect(withPhotos.files).toEqual([hem]);
    expect(without.photos).toEqual([]);
  });

  test('are unpacked up to a limit, and one that lies about its size keeps nothing else out', () => {
    const kept = only(writeFiles([hem], NOW, [photo('test', 'one'), photo('test', 'two')]));
    expect(read(saying(kept, LIMITS.bundledBytes / 2, /one/)).photos.map((p) => p.name)).toEqual(['two']);
    expect(read(saying(kept, LIMITS.bundledBytes, /one|two/))).toMatchObject({ files: [hem], photos: [] });
  });
});

describe('what is written', () => {
  test('is opened again, also where it is more than one file can hold', () => {
    const big = Array.from({ length: 90 }, (_, i) => ({
      ...photo('test', `p${i}`),
      bytes: likeNoise(i),
    }));
    const parts = writeFiles([hem], NOW, big);
    expect(parts).toHaveLength(2);
    for (const part of parts) expect(part.length).toBeLessThanOrEqual(LIMITS.fileBytes);
    const back = parts.map((part) => read(part));
    expect(back.flatMap((b) => b.files)).toEqual([hem]);
    const photos = back.flatMap((b) => b.photos);
    expect(photos.map((p) => p.name)).toEqual(big.map((p) => p.name));
    photos.forEach((p, i) => expect(Buffer.compare(p.bytes, big[i]!.bytes)).toBe(0));
  });

  test('at the limit is one file, and beyond it two: by files, by bytes and by packed bytes', () => {
    // The limits in force in a long run; a hundredth of them, which takes a hundredth of the time, in every run.
    const limits = thorough
      ? LIMITS
      : { bundledFiles: 50, bundledBytes: LIMITS.bundledBytes / 100, fileBytes: LIMITS.fileBytes / 100 };
    const texts = (count: number, text: string) =>
      Array.from({ length: count }, (_, i) => ({ name: `${i}.hem.json`, text }));
    for (const [files, parts] of [
      [texts(limits.bundledFiles, '{}'), 1],
      [texts(limits.bundledFiles + 1, '{}'), 2],
      [texts(8, 'x'.repeat(limits.bundledBytes / 8)), 1],
      [texts(9, 'x'.repeat(limits.bundledBytes / 8)), 2],
    ] as const) {
      const written = writeFiles(files, NOW, [], limits);
      expect(written).toHaveLength(parts);
      const names = written.flatMap((zip) => read(zip, limits).files.map((f) => f.name));
      expect(names).toEqual(files.map((f) => f.name));
    }
    // Texts that hardly pack: letters by chance, packed to three quarters.
    const dense = texts(24, '').map((f, i) => ({
      ...f,
      text: Buffer.from(noise(i, limits.fileBytes / 23)).toString('base64'),
    }));
    const written = writeFiles(dense, NOW, [], limits);
    expect(written).toHaveLength(2);
    for (const zip of written) expect(zip.length).toBeLessThanOrEqual(limits.fileBytes);
    expect(written.flatMap((zip) => read(zip, limits).files)).toEqual(dense);
  });
});

describe('zip files of anybody’s making', () => {
  const codes = (zip: Uint8Array): readonly string[] => {
    const outcome = readBundle(zip);
    return outcome.ok ? [] : outcome.problems.map((p) => p.code);
  };

  test('that say less than they unpack to are not unpacked beyond it', () => {
    const bomb = zipSync({ 'a.hem.json': new Uint8Array(20_000_000) });
    expect(bomb.length).toBeLessThan(21_000);
    expect(codes(saying(bomb, 10))).toEqual(['bundle-unreadable']);
    // A slice of it at the most is unpacked: reading it takes no time and no memory.
    const lying = saying(bomb, 10);
    const before = process.memoryUsage().arrayBuffers;
    expect(codes(lying)).toEqual(['bundle-unreadable']);
    expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(bomb.length * 500);
    const hands = zipSync({ 'my-hands.json': new Uint8Array(5_000_000), 'a.json': strToU8('{}') });
    expect(read(saying(hands, 10, /hands/)).hands).toBeNull();
  });

  test('whose files lie over each other are refused', () => {
    expect(codes(overlapping(only(writeFiles([hem, { ...hem, name: 'b.hem.json' }], NOW))))).toEqual([
      'bundle-unreadable',
    ]);
  });

  test('cut off or with bytes changed are read or refused, and never throw', () => {
    const zip = only(writeFiles([hem], NOW, [photo('test', 'a1', 300)]));
    for (const seed of seeds(150)) {
      const chance = chanceOf(seed);
      const torn = chance.maybe(0.3) ? zip.slice(0, chance.int(0, zip.length)) : zip.slice();
      for (let k = chance.int(0, 4); k > 0 && torn.length > 0; k--)
        torn[chance.int(0, torn.length - 1)] = chance.int(0, 255);
      const outcome = readBundle(torn);
      if (outcome.ok) expect(outcome.value.files.length + outcome.value.photos.length).toBeGreaterThan(0);
      else expect(outcome.problems).toHaveLength(1);
    }
    expect(codes(new Uint8Array())).toEqual(['bundle-unreadable']);
  });
});
