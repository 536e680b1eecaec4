import { describe, expect, test } from '@jest/globals';
import { rowsHem } from '../../core/testing/hems.ts';
import { testBrowser } from '../testing/storage.ts';
import { hemOfPhoto, photoKey } from './records.ts';

const hems = (count: number) =>
  Array.from({ length: count }, (_, i) => ({
    ...rowsHem(),
    id: `h${i}`,
    name: `Hem ${i}`,
    changed: new Date(Date.UTC(2026, 0, 1 + i)).toISOString(),
  }));

describe('photos and pictures', () => {
  test('go with the hem that they are of, once it has left the bin', async () => {
    const browser = testBrowser();
    const library = browser.openPage();
    await library.add(hems(2), 'new');
    await browser.photos.set(photoKey('h0', 'p1'), 'a photo');
    await browser.photos.set(photoKey('h1', 'p2'), 'a photo');
    await browser.pictures.set('h0', 'a picture');
    await browser.pictures.set('gone long ago', 'a picture');
    await library.remove('h0');
    await library.emptyBin();
    // What is in the bin may be put back: it keeps its own.
    expect([...browser.photos.values.keys()].map(hemOfPhoto)).toEqual(['h0', 'h1']);
    expect([...browser.pictures.values.keys()]).toEqual(['h0']);
    await library.discard(['h0']);
    await library.emptyBin();
    expect([...browser.photos.values.keys()]).toEqual([photoKey('h1', 'p2')]);
    expect([...browser.pictures.values.keys()]).toEqual([]);
  });

  test('of a hem whose name has strokes in it are told apart', () => {
    expect(hemOfPhoto(photoKey('a/b', 'c'))).toBe('a/b');
  });
});
