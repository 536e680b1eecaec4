import { describe, expect, test } from '@jest/globals';
import { performed, type Edit } from '../../core/edits/edit.ts';
import { setCount } from '../../core/edits/base.ts';
import { prefer, setPace, writeNotes } from '../../core/edits/hem.ts';
import type { Hem } from '../../core/document/hem.ts';
import { changesBetween } from '../../core/document/parts.ts';
import { chanceOf } from '../../core/chance.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import { seeds, withSeed } from '../../core/testing/seeds.ts';
import { testBrowser } from '../testing/storage.ts';
import type { Library } from './library.ts';
import { readRecord } from './records.ts';

const hem = rowsHem();
const NO_STEPS = { past: [], future: [] };

const after = (start: Hem, ...edits: readonly Edit[]): Hem =>
  edits.reduce((h, e) => {
    const outcome = performed(h, e);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    return outcome.value;
  }, start);

/** A page’s writing of a hem that it came to from what it had read. */
const write = (library: Library, changed: Hem, common: Hem, base: number, label = 'an edit') =>
  library.write({
    hem: changed,
    common,
    changes: changesBetween(common, changed),
    base,
    label,
    edit: library.nextEdit(),
    steps: NO_STEPS,
  });

async function shelfWithOne() {
  const browser = testBrowser();
  const library = browser.openPage();
  await library.add([hem], 'new');
  return { browser, library, stored: async () => (await library.peek(hem.id))! };
}

describe('what is written', () => {
  test('comes back as it was, with revisions that are counted', async () => {
    const { library, stored } = await shelfWithOne();
    const first = await write(library, after(hem, setPace(20)), hem, 1);
    expect(first).toMatchObject({ kind: 'written', revision: 2, conflicts: [], anew: false });
    expect(await stored()).toMatchObject({ revision: 2, outcome: { ok: true, value: { pace: 20 } } });
  });

  test('by two pages at once is united; what both changed is in the history as the other had it', async () => {
    const { browser, library, stored } = await shelfWithOne();
    const other = browser.openPage();
    await write(library, after(hem, writeNotes('from one'), setPace(20)), hem, 1);
    const second = await write(other, after(hem, writeNotes('from two'), prefer('hand', 'left')), hem, 1);
    expect(second).toMatchObject({ revision: 3, conflicts: ['notes'] });
    expect((await stored()).outcome).toMatchObject({
      value: { notes: 'from two', pace: 20, preferences: { hand: 'left' } },
    });
    const pinned = (await library.versions(hem.id)).find((v) => v.pinned)!;
    expect(await library.version(hem.id, pinned.revision)).toMatchObject({ value: { notes: 'from one' } });
  });

  test('by a clock that was put back is not taken for old', async () => {
    const { browser, library, stored } = await shelfWithOne();
    browser.clock.now -= 400 * 86_400_000;
    await write(library, { ...after(hem, setPace(44)), changed: '2019-01-01T00:00:00.000Z' }, hem, 1);
    expect((await stored()).outcome).toMatchObject({ value: { pace: 44 } });
  });

  test('that storage refuses leaves what was there', async () => {
    const { browser, library, stored } = await shelfWithOne();
    for (const fault of ['refuses', 'full', 'hangs'] as const) {
      browser.hems.fault = fault;
      await expect(write(library, after(hem, setPace(20)), hem, 1)).rejects.toThrow();
    }
    browser.hems.fault = 'none';
    expect(await stored()).toMatchObject({ revision: 1, outcome: { value: { pace: 18 } } });
  });

  test('is safe when only its history or its undo cannot be kept', async () => {
    const { browser, library, stored } = await shelfWithOne();
    browser.history.fault = 'full';
    browser.undo.fault = 'full';
    expect(await write(library, after(hem, setPace(20)), hem, 1)).toMatchObject({ revision: 2 });
    expect((await stored()).revision).toBe(2);
  });

  test('after storage was cleared is written anew, and that is said', async () => {
    const { browser, library, stored } = await shelfWithOne();
    browser.hems.values.clear();
    expect(await write(library, after(hem, setPace(20)), hem, 1)).toMatchObject({ anew: true });
    expect((await stored()).outcome.ok).toBe(true);
  });
});

describe('a hem that was deleted', () => {
  test('does not come back by a page that still has it open; its edit is with it in the bin', async () => {
    const { browser, library } = await shelfWithOne();
    await browser.openPage().remove(hem.id);
    expect(await write(library, after(hem, setPace(77)), hem, 1)).toEqual({ kind: 'in the bin' });
    expect(await library.list()).toEqual([]);
    await library.putBack(hem.id);
    expect((await library.peek(hem.id))!.outcome).toMatchObject({ value: { pace: 77 } });
    expect(await library.binned()).toEqual([]);
  });

  test('is put back whole, and stays in the bin when the shelf refuses it', async () => {
    const { browser, library } = await shelfWithOne();
    await library.remove(hem.id);
    browser.hems.fault = 'full';
    await expect(library.putBack(hem.id)).rejects.toThrow();
    expect((await library.binned()).map((b) => b.name)).toEqual(['Test blanket']);
    browser.hems.fault = 'none';
    await library.putBack(hem.id);
    expect((await library.list()).map((f) => f.id)).toEqual([hem.id]);
  });

  test('is not deleted when the bin refuses it', async () => {
    const { browser, library } = await shelfWithOne();
    browser.bin.fault = 'full';
    await expect(library.remove(hem.id)).rejects.toThrow();
    expect((await library.list()).map((f) => f.id)).toEqual([hem.id]);
  });

  test('leaves the bin after thirty days, but not by a clock that was put forward once', async () => {
    const { browser, library } = await shelfWithOne();
    const day = 86_400_000;
    const start = browser.clock.now;
    const openedAfter = async (days: number): Promise<number> => {
      browser.clock.now = start + days * day;
      await library.emptyBin();
      return (await library.binned()).length;
    };
    await library.emptyBin();
    await library.remove(hem.id);
    for (const days of [4000, 4000, 4000, -900, 1]) expect(await openedAfter(days)).toBe(1);
    // Each jump took a week off at the most.
    for (const days of [5, 10, 12]) expect([days, await openedAfter(days)]).toEqual([days, 1]);
    for (const days of [26, 31, 36]) await openedAfter(days);
    expect(await library.binned()).toEqual([]);
  });

  test('can be had back after the bin was emptied, as long as that is offered', async () => {
    const { library } = await shelfWithOne();
    await library.remove(hem.id);
    const back = await library.discard([hem.id]);
    expect(await library.binned()).toEqual([]);
    await back();
    expect(await library.binned()).toHaveLength(1);
  });
});

describe('many hems at once', () => {
  const many = Array.from({ length: 120 }, (_, i) => ({ ...hem, id: `many-${i}`, name: `Throw ${i}` }));

  test('are told as they come, and what stands there already stays as an earlier version', async () => {
    const { library } = await shelfWithOne();
    const told: number[] = [];
    const here = { ...hem, notes: 'from the file' };
    const twice = { ...many[3]!, notes: 'the second' };
    expect(await library.add([...many, here, twice], 'opened', { told: (n) => told.push(n) })).toBe(122);
    expect(told).toEqual([50, 100, 122]);
    expect(await library.list()).toHaveLength(121);
    expect((await library.peek(hem.id))!).toMatchObject({ revision: 2, outcome: { value: here } });
    expect((await library.versions(hem.id)).map((v) => v.label)).toEqual(['before it was replaced']);
    expect((await library.peek('many-3'))!.outcome).toMatchObject({ value: { notes: 'the second' } });
  });

  test('can be ended between two of them, and those before stay', async () => {
    const { library } = await shelfWithOne();
    const stop = new AbortController();
    const told = (): void => stop.abort();
    expect(await library.add(many, 'opened', { told, signal: stop.signal })).toBe(50);
    expect(await library.list()).toHaveLength(51);
  });

  test('a refusal in the middle leaves those before it, whole', async () => {
    const { browser, library } = await shelfWithOne();
    const told = (): void => void (browser.hems.fault = 'full');
    await expect(library.add(many, 'opened', { told })).rejects.toThrow();
    expect(await library.list()).toHaveLength(51);
  });
});

test('photos whose hems have not come yet are kept for them, but not for ever', async () => {
  const { browser, library } = await shelfWithOne();
  browser.photos.values.set('test/a', 1).set('coming/b', 1).set('gone/c', 1);
  await library.awaitHems(['coming']);
  await library.emptyBin();
  expect([...browser.photos.values.keys()]).toEqual(['test/a', 'coming/b']);
  browser.clock.now += 61 * 86_400_000;
  await library.emptyBin();
  expect([...browser.photos.values.keys()]).toEqual(['test/a']);
});

describe('an edit that was set aside', () => {
  const draft = (changed: Hem, base: number, edit = 3) => ({
    id: hem.id,
    page: 'closed page',
    edit,
    base,
    hem: changed,
    changes: [{ part: 'pace', before: 18, after: changed.pace }],
    noted: [],
    kept: { from: 0, to: 0 },
    steps: { past: [{ label: 'pace', changes: [], mergeKey: null }], future: [] },
    label: 'pace',
    over: {},
  });

  test('is there when the shelf is shown and when the hem is opened, with its undo', async () => {
    const { library } = await shelfWithOne();
    library.drafts.put(draft(after(hem, setPace(60)), 1));
    expect((await library.list())[0]!.outcome).toMatchObject({ value: { pace: 60 } });
    expect(library.drafts.ids()).toEqual([]);
    expect((await library.open(hem.id))!.steps.past).toHaveLength(1);
  });

  test('leaves the hem as it came among its earlier versions', async () => {
    const { library } = await shelfWithOne();
    library.drafts.put(draft(after(hem, setPace(60)), 1));
    await library.list();
    const versions = await library.versions(hem.id);
    expect(versions.map((v) => v.label)).toEqual(['pace', 'as it came']);
    expect(await library.version(hem.id, versions[1]!.revision)).toMatchObject({ value: { pace: hem.pace } });
  });

  test('is kept until it is written, and seen all the same', async () => {
    const { browser, library } = await shelfWithOne();
    library.drafts.put(draft(after(hem, setPace(60)), 1));
    browser.hems.fault = 'full';
    expect((await library.list())[0]!.outcome).toMatchObject({ value: { pace: 60 } });
    const opened = (await library.open(hem.id))!;
    expect(opened).toMatchObject({ found: { revision: 1, outcome: { value: { pace: 60 } } }, stored: hem });
    expect(opened.steps.past).toHaveLength(1);
    expect(library.drafts.ids()).toEqual([hem.id]);
    browser.hems.fault = 'none';
    expect((await library.open(hem.id))!.found.outcome).toMatchObject({ value: { pace: 60 } });
  });

  test('is seen on a shelf that waits for no page which holds on to the hem', async () => {
    const { browser, library } = await shelfWithOne();
    library.drafts.put(draft(after(hem, setPace(60)), 1));
    let letGo = (): void => undefined;
    void browser.openPage().tabs.alone(hem.id, () => new Promise<void>((done) => (letGo = done)));
    expect((await library.list())[0]!.outcome).toMatchObject({ value: { pace: 60 } });
    expect(library.drafts.ids()).toEqual([hem.id]);
    letGo();
    expect((await library.open(hem.id))!.found.outcome).toMatchObject({ value: { pace: 60 } });
    expect(library.drafts.ids()).toEqual([]);
  });

  test('of each page is its own, and a line needs no whole hem', async () => {
    const { library } = await shelfWithOne();
    const line = { ...draft(after(hem, setPace(60)), 1), hem: null };
    library.drafts.put(line);
    const notes = { part: 'notes', before: '', after: 'from the other' };
    library.drafts.put({ ...line, page: 'other page', changes: [notes] });
    expect((await library.open(hem.id))!.found.outcome).toMatchObject({
      value: { pace: 60, notes: 'from the other' },
    });
    expect(library.drafts.ids()).toEqual([]);
  });

  test('that another page has taken over and gone on from does not come back', async () => {
    for (const written of [true, false]) {
      const { browser, library } = await shelfWithOne();
      library.drafts.put(draft(after(hem, setPace(60)), 1));
      browser.hems.fault = 'full';
      const opened = (await library.open(hem.id))!;
      const changed = after(hem, setPace(61));
      const changes = [{ part: 'pace', before: 18, after: 61 }];
      library.setAside({ ...draft(changed, 1, 1), page: library.page, changes });
      if (written) {
        browser.hems.fault = 'none';
        await write(library, changed, opened.stored!, 1);
      }
      const next = browser.openPage();
      expect((await next.open(hem.id))!.found.outcome).toMatchObject({ value: { pace: 61 } });
      browser.hems.fault = 'none';
      expect((await next.open(hem.id))!.found.outcome).toMatchObject({ value: { pace: 61 } });
      expect(next.drafts.ids()).toEqual([]);
    }
  });

  test('goes on top of what another page wrote since, whatever the clocks say', async () => {
    const { library } = await shelfWithOne();
    await write(library, { ...after(hem, writeNotes('later')), changed: '2099-01-01T00:00:00.000Z' }, hem, 1);
    library.drafts.put(draft(after(hem, setPace(60)), 1));
    expect((await library.open(hem.id))!.found.outcome).toMatchObject({
      value: { notes: 'later', pace: 60 },
    });
  });

  test('that had been written all the same is not done twice', async () => {
    const { library } = await shelfWithOne();
    const written = after(hem, setPace(60));
    await library.write({
      hem: written,
      common: hem,
      changes: changesBetween(hem, written),
      base: 1,
      label: 'x',
      edit: 9,
      steps: NO_STEPS,
    });
    await write(library, after(written, setPace(61)), written, 2);
    library.drafts.put({ ...draft(written, 1, 9), page: library.page });
    expect((await library.open(hem.id))!.found.outcome).toMatchObject({ value: { pace: 61 } });
    expect(library.drafts.ids()).toEqual([]);
  });
});

describe('records that are damaged', () => {
  const ODD: readonly unknown[] = [
    null,
    7,
    'text',
    [],
    {},
    { kept: 1 },
    { kept: 1, revision: 'x', hem: null },
    { kept: 1, revision: -4, hem: 3 },
    { ...hem, rounds: 'none' },
    { kept: 1, revision: 3, hem: { ...hem, version: 99 } },
    { format: 'zig-hem' },
  ];

  test.each(ODD.map((value) => [JSON.stringify(value)?.slice(0, 40), value]))(
    '%s is a card of its own',
    async (_, value) => {
      const { browser, library } = await shelfWithOne();
      browser.hems.values.set('odd', value);
      const shelf = await library.list();
      expect(shelf.map((f) => f.id).sort()).toEqual(['odd', hem.id].sort());
      const odd = shelf.find((f) => f.id === 'odd')!;
      expect(odd.outcome.ok).toBe(false);
      const enveloped = typeof value === 'object' && value !== null && 'hem' in value;
      expect(odd.raw).toEqual(enveloped ? value.hem : value);
      await library.remove('odd');
      expect((await library.list()).map((f) => f.id)).toEqual([hem.id]);
      await library.putBack('odd');
      // Of nothing nothing is kept.
      expect(await library.list()).toHaveLength(value === null ? 1 : 2);
    },
  );

  test('what an earlier version of the application kept is read as it is', () => {
    expect(readRecord(hem.id, hem)).toMatchObject({ revision: 0, outcome: { ok: true } });
    expect(readRecord('elsewhere', hem).outcome).toMatchObject({ ok: true, value: { id: 'elsewhere' } });
  });

  test('damage by chance in any store hurts no other hem', async () => {
    for (const seed of seeds(30)) {
      const chance = chanceOf(seed);
      const { browser, library } = await shelfWithOne();
      await library.add([{ ...hem, id: 'other', name: 'Other' }], 'new');
      await write(library, after(hem, setPace(20)), hem, 1);
      const store = chance.pick([browser.hems, browser.history, browser.undo, browser.bin]);
      const key = chance.pick([hem.id, `${hem.id}/1`, `${hem.id}/2`]);
      store.values.set(
        key,
        chance.pick([null, 1, 'x', [], {}, [{ revision: 'y' }], { past: 3, revision: 2 }]),
      );
      const shelf = await library.list();
      expect([seed, shelf.find((f) => f.id === 'other')!.outcome.ok]).toEqual([seed, true]);
      await library.versions(hem.id);
      await library.binned();
      expect(await library.open('other')).toMatchObject({ found: { outcome: { ok: true } } });
      await library.open(hem.id);
    }
  });
});

test('two pages that edit at random end with the same hem, and lose nothing unsaid', async () => {
  for (const seed of seeds(25)) {
    const chance = chanceOf(seed);
    const { browser } = await shelfWithOne();
    const pages = [browser.openPage(), browser.openPage()].map((library) => ({
      library,
      common: hem,
      base: 1,
    }));
    const wanted = new Map<string, unknown>();
    for (let k = 0; k < 20; k++) {
      const page = chance.pick(pages);
      const side = chance.int(0, 3);
      const edit = chance.pick([
        setCount('x', [side], 100 + k, 0),
        setPace(20 + k),
        writeNotes(`note ${k}`),
        prefer('hand', chance.pick(['left', 'right'] as const)),
      ]);
      const changed = after(page.common, edit);
      const written = await write(page.library, changed, page.common, page.base, edit.label);
      if (written.kind !== 'written') throw new Error('deleted');
      page.common = written.hem;
      page.base = written.revision;
      wanted.set(edit.mergeKey ?? edit.label.split(' ')[1]!, [edit.label, changed]);
    }
    const last = (await pages[0]!.library.peek(hem.id))!;
    withSeed(seed, () => {
      // The last edit of each part is there, whoever made it.
      expect(last.revision).toBe(21);
      const value = last.outcome.ok ? last.outcome.value : null;
      for (const [key, [, changed]] of wanted as Map<string, [string, Hem]>) {
        if (key === 'notes') expect(value!.notes).toBe(changed.notes);
        if (key === 'pace') expect(value!.pace).toBe(changed.pace);
      }
    });
  }
});
