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

describe('the first hems of a long shelf', () => {
  test('are those that stood first when it was read last, as they are now', async () => {
    const library = testBrowser().openPage();
    expect(await library.first()).toBeNull();
    await library.add(hems(20), 'new');
    const all = await library.list();
    const first = (await library.first())!;
    expect(first.map((f) => f.id)).toEqual(all.slice(0, first.length).map((f) => f.id));
    expect(first.length).toBeLessThan(all.length);
    expect(first.map((f) => f.revision)).toEqual(all.slice(0, first.length).map((f) => f.revision));
    // One that was changed since is read as it is.
    await library.add([{ ...hems(20)[19]!, name: 'Another name' }], 'again');
    expect((await library.first())![0]!.outcome).toMatchObject({ ok: true, value: { name: 'Another name' } });
  });

  test('leave out what is gone', async () => {
    const library = testBrowser().openPage();
    await library.add(hems(10), 'new');
    const [top, next] = await library.list();
    await library.remove(top!.id);
    expect((await library.first())![0]!.id).toBe(next!.id);
  });

  test('are not told while something is set aside, nor from what is damaged', async () => {
    const browser = testBrowser();
    const library = browser.openPage();
    await library.add(hems(3), 'new');
    await library.list();
    await browser.settings.set('first of the shelf', 'no list');
    expect(await library.first()).toBeNull();
    await browser.settings.set('first of the shelf', ['h1', 7, 'nobody']);
    expect((await library.first())!.map((f) => f.id)).toEqual(['h1']);
  });

  test('a shelf is read whatever becomes of what is remembered of it', async () => {
    const browser = testBrowser();
    const library = browser.openPage();
    await library.add(hems(3), 'new');
    browser.settings.fault = 'refuses';
    expect(await library.list()).toHaveLength(3);
  });
});

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
