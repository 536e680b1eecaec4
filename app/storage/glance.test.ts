import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { rowsHem } from '../../core/testing/hems.ts';
import type { Card } from './pictures.ts';
import { readRecord, type RecordFound } from './records.ts';

const cards = new Map<string, Card>();
jest.unstable_mockModule('./pictures.ts', () => ({
  stamped: (stamp: string) => `built ${stamp}`,
  keptCard: (hem: string, stamp: string) => Promise.resolve(cards.get(`${hem} ${stamp}`) ?? null),
}));
const { GLANCED, Glance } = await import('./glance.ts');

const shelf: readonly RecordFound[] = Array.from({ length: 12 }, (_, k) =>
  readRecord(`h${k}`, { kept: 1, revision: k, hem: { ...rowsHem(), id: `h${k}`, name: `Hem ${k}` } }),
);
const stampOf = ({ revision }: RecordFound): string => `${revision}`;
const card = (words: string): Card => ({
  picture: new Blob([words], { type: 'image/webp' }),
  place: null,
  border: words,
});

let made = 0;
/** In place of a picture its size. */
function small(picture: Blob): Promise<string> {
  made++;
  return Promise.resolve(`data:image/webp;base64,${btoa(`${picture.size}`)}`);
}

function kept(values = new Map<string, string>()) {
  const store = {
    full: false,
    get length() {
      return values.size;
    },
    key: (i: number) => [...values.keys()][i] ?? null,
    getItem: (key: string) => values.get(key) ?? null,
    setItem(key: string, value: string) {
      if (this.full) throw new DOMException('full', 'QuotaExceededError');
      values.set(key, value);
    },
    removeItem: (key: string) => void values.delete(key),
  };
  return { values, store, glance: new Glance(() => store, small) };
}

beforeEach(() => {
  cards.clear();
  shelf.forEach((found) => cards.set(`${found.id} ${found.revision}`, card(`border of ${found.id}`)));
});

describe('what the shelf showed last', () => {
  test('is told again: the first of it, by name, words and picture', async () => {
    const { glance } = kept();
    expect(glance.read()).toEqual([]);
    await glance.keep(shelf, stampOf);
    const read = glance.read();
    expect(read.map((g) => [g.id, g.name, g.border])).toEqual(
      Array.from({ length: GLANCED }, (_, k) => [`h${k}`, `Hem ${k}`, `border of h${k}`]),
    );
    expect(read[3]!.picture).toBe(`data:image/webp;base64,${btoa(`${'border of h3'.length}`)}`);
    expect(read[0]!.changed).toBe(rowsHem().changed);
  });

  test('makes anew only what is another', async () => {
    const { glance } = kept();
    await glance.keep(shelf, stampOf);
    made = 0;
    await glance.keep(shelf, stampOf);
    expect(made).toBe(0);
    const renamed = readRecord('h2', {
      kept: 1,
      revision: 40,
      hem: { ...rowsHem(), id: 'h2', name: 'Anew' },
    });
    cards.set('h2 40', card('another border'));
    await glance.keep([renamed, ...shelf], stampOf);
    expect(made).toBe(1);
    expect(glance.read().slice(0, 2)).toMatchObject([
      { id: 'h2', name: 'Anew', border: 'another border' },
      { id: 'h0', name: 'Hem 0' },
    ]);
  });

  test('leaves out what has not been painted as it is, and what is damaged', async () => {
    const { glance } = kept();
    cards.delete('h1 1');
    const damaged = [readRecord('bad', { kept: 1, revision: 0, hem: {} }), ...shelf.slice(0, 3)];
    cards.set('bad 0', card('nothing'));
    await glance.keep(damaged, stampOf);
    expect(glance.read().map((g) => g.id)).toEqual(['h0', 'h2']);
  });

  test('is nothing where it is damaged, denied or finds no room', async () => {
    const { glance, values, store } = kept();
    await glance.keep(shelf, stampOf);
    const [key] = values.keys();
    const sound = glance.read()[0]!;
    for (const damage of ['', '{', 'null', '7', '"x"', '[null, 3, {}, []]']) {
      values.set(key!, damage);
      expect(glance.read()).toEqual([]);
    }
    // One that is sound stands for itself; what would be fetched from elsewhere is no picture.
    values.set(
      key!,
      JSON.stringify([{ ...sound, picture: 'https://example.org/x.png' }, sound, { ...sound, name: 3 }]),
    );
    expect(glance.read()).toEqual([sound]);
    store.full = true;
    await glance.keep(shelf, stampOf);
    expect(values.size).toBe(0);
    const denied = new Glance(() => null, small);
    await denied.keep(shelf, stampOf);
    expect(denied.read()).toEqual([]);
  });
});
