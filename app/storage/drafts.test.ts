import { expect, test } from '@jest/globals';
import { Drafts, type Draft, type DraftStore } from './drafts.ts';

/** Local storage that takes what is put there and gives nothing up. */
function keepsAll(): DraftStore {
  const values = new Map<string, string>();
  return {
    get length() {
      return values.size;
    },
    key: (i) => [...values.keys()][i] ?? null,
    getItem: (key) => values.get(key) ?? null,
    setItem: (key, value) => void values.set(key, value),
    removeItem: () => {
      throw new Error('it is not allowed here');
    },
  };
}

const draft = (part: Partial<Draft>): Draft => ({
  id: 'throw',
  page: 'one',
  edit: 1,
  base: 1,
  changes: [],
  noted: [],
  kept: { from: 0, to: 0 },
  steps: { past: [], future: [] },
  label: 'an edit',
  hem: null,
  over: {},
  ...part,
});

test('a draft that another holds already is seen no more, even where it cannot be removed', () => {
  const store = keepsAll();
  const drafts = new Drafts(() => store);
  expect(drafts.put(draft({ page: 'one', edit: 3 }))).toBe(true);
  expect(drafts.put(draft({ page: 'two', edit: 1, over: { one: 3 } }))).toBe(true);
  expect(drafts.of('throw').map((d) => d.page)).toEqual(['two']);
  // What was edited after that is not in it.
  drafts.put(draft({ page: 'one', edit: 4 }));
  expect(drafts.of('throw').map((d) => d.page)).toEqual(['one', 'two']);
});
