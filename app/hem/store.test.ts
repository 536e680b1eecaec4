import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { Problem } from '../../core/problems.ts';
import type { Hem } from '../../core/document/hem.ts';
import { setCount } from '../../core/edits/base.ts';
import { plan } from '../../core/plan/planner.ts';
import { edit } from '../../core/edits/edit.ts';
import { rename, setPace, takeUpVersion, writeNotes } from '../../core/edits/hem.ts';
import { addRounds, chooseRound, moveRound, removeRound } from '../../core/edits/rounds.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { workedUpTo } from '../../core/work/progress.ts';
import { chanceOf } from '../../core/chance.ts';
import { seeds } from '../../core/testing/seeds.ts';
import { testBrowser } from '../testing/storage.ts';
import type { Library } from '../storage/library.ts';
import { HemStore } from './store.ts';

beforeEach(() => {
  jest.useFakeTimers();
});

const never = new Promise<never>(() => undefined);
const start = rowsHem({ rounds: [entry()] });

/** What comes about while the clock goes on. */
async function openedIn<T>(opening: Promise<T>, pass: (ms: number) => Promise<void>): Promise<T> {
  await pass(3000);
  return opening;
}

/** A browser with one hem on its shelf, and pages that open it. The clock stands still until it is moved. */
async function browserWithHem() {
  const browser = testBrowser();
  const shelf = browser.openPage();
  await shelf.add([start], 'new');
  const open = async (library: Library = browser.openPage()) => {
    const opened = (await library.open(start.id))!;
    if (!opened.found.outcome.ok) throw new Error('damaged');
    const refused: Problem[] = [];
    const conflicts: string[] = [];
    let ended = false;
    const store: HemStore = new HemStore(
      opened.found.outcome.value,
      {
        page: library.page,
        now: () => new Date('2026-02-03T04:05:06Z'),
        refused: (problems) => refused.push(...problems),
      },
      {
        storage: {
          nextEdit: () => library.nextEdit(),
          write: async (writing) => {
            const written = ended ? never : library.write(writing);
            await written;
            return ended ? never : written;
          },
          read: async () => {
            const found = await library.peek(start.id);
            return found?.outcome.ok ? { hem: found.outcome.value, revision: found.revision } : null;
          },
          keepAgain: async (hem) => void (await library.add([hem], 'again')),
          setAside: (draft) => !ended && library.setAside(draft),
          dropAside: (number) => ended || library.drafts.drop(start.id, library.page, number),
          conflicting: (parts) => conflicts.push(...parts),
          writtenAnew: () => conflicts.push('anew'),
        },
        revision: opened.found.revision,
        steps: opened.steps,
        stored: opened.stored,
      },
    );
    library.tabs.hear(() => void (ended || store.heard()));
    /** The page is closed: nothing that it would still do comes about. */
    const end = (): void => void (ended = true);
    const count = (): number => store.get().plan.sides[0]!.count;
    const set = (value: number): boolean => store.do(setCount('A', [0], value, 0));
    return { store, library, refused, conflicts, count, set, end };
  };
  const stored = async (): Promise<Hem> => {
    const { outcome } = (await shelf.peek(start.id))!;
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    return outcome.value;
  };
  const pass = (ms: number): Promise<void> => jest.advanceTimersByTimeAsync(ms);
  return { browser, shelf, open, stored, pass };
}

describe('the open hem', () => {
  test('every edit is planned at once and can be taken back and done again', async () => {
    const { store, count, set } = await (await browserWithHem()).open();
    set(140);
    store.endJoin();
    set(141);
    expect(count()).toBe(141);
    expect(store.get().undoLabel).toBe('A to 141');
    store.undo();
    expect(count()).toBe(140);
    store.undo();
    expect(count()).toBe(150);
    expect(store.get()).toMatchObject({ undoLabel: null, redoLabel: 'A to 140' });
    store.redo();
    store.redo();
    expect(count()).toBe(141);
    expect(store.get().redoLabel).toBeNull();
  });

  test('a drag is one step of undo, and the next drag another', async () => {
    const { store, count, set } = await (await browserWithHem()).open();
    for (const value of [151, 152, 153]) set(value);
    store.endJoin();
    for (const value of [154, 155]) set(value);
    store.undo();
    expect(count()).toBe(153);
    store.undo();
    expect(count()).toBe(150);
    store.redo();
    expect(count()).toBe(153);
  });

  test('edits that have nothing in common are steps of their own, without a pause between them', async () => {
    const { store } = await (await browserWithHem()).open();
    const one = entry({ id: 'one' });
    store.do(addRounds('one', [one]));
    store.do(addRounds('two', [entry({ id: 'two' })]));
    store.undo();
    expect(store.get().plan.hem.rounds.map((r) => r.id)).toEqual([...start.rounds.map((r) => r.id), 'one']);
  });

  test('an edit after undo drops what was undone', async () => {
    const { store, count, set } = await (await browserWithHem()).open();
    set(140);
    store.undo();
    set(160);
    store.redo();
    expect(count()).toBe(160);
    expect(store.get().redoLabel).toBeNull();
  });

  test('what is unsound, cannot be planned or goes beyond the limits is refused and said, and never stored', async () => {
    const { open, stored, pass } = await browserWithHem();
    const { store, refused } = await open();
    expect(store.do(setPace(-3))).toBe(false);
    const ruffles = Array.from({ length: 12 }, (_, i) =>
      entry({ id: `f${i}`, family: 'ruffle', stitch: 'dc' }),
    );
    expect(store.do(addRounds('ruffles', ruffles))).toBe(false);
    const trap = edit('a trap', (hem) => ({
      // It passes the check and then lets planning throw.
      yarns: Object.assign([...hem.yarns.map((y) => ({ ...y, price: 3 }))], {
        find: () => {
          throw new Error('a fault');
        },
      }),
    }));
    expect(store.do(trap)).toBe(false);
    expect(refused.map((p) => p.code)).toEqual(['value-unsound', 'round-too-large', 'not-planned']);
    await pass(3000);
    expect(await stored()).toEqual(start);
    expect(store.get()).toMatchObject({ undoLabel: null, saved: 'saved' });
  });

  test('that would be larger than a file can be is refused, and what makes it smaller is not', async () => {
    const { open } = await browserWithHem();
    const { store, refused } = await open();
    const text = `side: ${'sc in next st, '.repeat(250)}sc in next st\ncorner: walk round`;
    const written = { text, language: 'us', name: '', note: '' } as const;
    const own = (i: number) => entry({ id: `o${i}`, family: 'own', written, times: 1 });
    const kept = Array.from({ length: 40 }, (_, k) => ({
      id: `k${k}`,
      name: 'a border',
      base: start.base,
      rounds: Array.from({ length: 40 }, (_, i) => own(i)),
    }));
    expect(store.do(edit('too many', () => ({ kept })))).toBe(false);
    expect(refused.map((p) => p.code)).toEqual(['hem-too-large']);
    expect(store.do(edit('some', () => ({ kept: kept.slice(0, 10) })))).toBe(true);
    expect(store.do(edit('fewer', () => ({ kept: kept.slice(0, 9) })))).toBe(true);
  });

  test('undo goes on after the page was opened anew', async () => {
    const { open, pass } = await browserWithHem();
    const first = await open();
    first.set(140);
    first.store.endJoin();
    first.set(141);
    await pass(2000);
    const second = await open();
    expect(second.store.get().undoLabel).toBe('A to 141');
    second.store.undo();
    second.store.undo();
    expect(second.count()).toBe(150);
    await pass(2000);
    const third = await open();
    third.store.redo();
    expect(third.count()).toBe(140);
  });

  test('an undo of the base round is passed over once that has been begun, and says why', async () => {
    const { store, refused, count, set } = await (await browserWithHem()).open();
    store.do(rename('Renamed'));
    set(140);
    store.note(...workedUpTo(store.get().plan, 0));
    store.undo();
    expect(refused.map((p) => p.code)).toEqual(['begun-stays']);
    expect(count()).toBe(140);
    store.undo();
    expect(store.get().plan.hem.name).toBe(start.name);
  });

  test('an earlier version is taken up, and the present one is one step of undo away', async () => {
    const { open, pass, shelf } = await browserWithHem();
    const { store, count, set } = await open();
    set(140);
    await pass(2000);
    const [, first] = await shelf.versions(start.id);
    const version = (await shelf.version(start.id, first!.revision))!;
    if (!version.ok) throw new Error('damaged');
    store.do(takeUpVersion(version.value));
    expect(count()).toBe(150);
    store.undo();
    expect(count()).toBe(140);
  });
});

describe('saving', () => {
  test('comes within a second of an edit, and two seconds into continuous editing', async () => {
    const { open, stored, pass } = await browserWithHem();
    const { store, set } = await open();
    set(140);
    expect(store.get().saved).toBe('saving');
    await pass(900);
    expect((await stored()).base.sides[0]!.count).toBe(140);
    expect(store.get().saved).toBe('saved');
    for (let k = 0; k < 20; k++) {
      set(141 + k);
      await pass(100);
    }
    expect((await stored()).base.sides[0]!.count).toBeGreaterThan(145);
    await pass(1000);
    expect((await stored()).base.sides[0]!.count).toBe(160);
  });

  test('that fails is said, set aside and tried again; it survives the page', async () => {
    const { browser, open, stored, pass } = await browserWithHem();
    for (const [fault, said] of [
      ['refuses', 'failed'],
      ['full', 'full'],
      ['hangs', 'hangs'],
    ] as const) {
      const { store, set, library } = await open();
      browser.hems.fault = fault;
      set(170);
      await pass(1000);
      expect(store.get().saved).toBe(said);
      expect(store.unsaved).toBe(true);
      expect(library.drafts.of(start.id)[0]!.hem!.base.sides[0]!.count).toBe(170);
      set(171);
      expect(library.drafts.of(start.id)[0]!.hem!.base.sides[0]!.count).toBe(171);
      browser.hems.fault = 'none';
      const again = await open();
      expect(again.count()).toBe(171);
      await pass(20_000);
      expect(store.get().saved).toBe('saved');
      expect((await stored()).base.sides[0]!.count).toBe(171);
      expect(library.drafts.ids()).toEqual([]);
      again.set(150);
      await pass(2000);
    }
  });

  test('what was seen last comes back, whatever was written, in whatever moment the page ends', async () => {
    for (const seed of seeds(15)) {
      const chance = chanceOf(seed);
      const { browser, open, pass, stored } = await browserWithHem();
      let page = await open();
      const seen: number[] = [page.count()];
      for (let reload = 0; reload < 3; reload++) {
        for (let k = chance.int(1, 8); k > 0; k--) {
          browser.hems.fault = chance.pick(['full', 'full', 'hangs', 'none'] as const);
          browser.history.fault = chance.pick(['full', 'none'] as const);
          // Back and forth, so that what was written in between is often neither the first nor the last.
          page.set(chance.pick([149, 150, 151]));
          if (chance.maybe(0.3)) page.store.undo();
          seen.push(page.count());
          await pass(chance.int(0, 700));
        }
        if (chance.maybe(0.5)) page.store.leave();
        page.end();
        page = await open(browser.openPage());
        expect([seed, seen, page.count()]).toEqual([seed, seen, seen.at(-1)]);
      }
      browser.hems.fault = 'none';
      await pass(40_000);
      expect([seed, page.store.get().saved]).toEqual([seed, 'saved']);
      expect([seed, plan(await stored()).sides[0]!.count]).toEqual([seed, page.count()]);
    }
  });

  test('rounds that were put on and moved come back in the order that was seen, in whatever moment the page ends', async () => {
    const order = (page: { readonly store: HemStore }): readonly string[] =>
      page.store.get().plan.hem.rounds.map((r) => r.id);
    for (const seed of seeds(15)) {
      const chance = chanceOf(seed);
      const { browser, open, pass } = await browserWithHem();
      let page = await open();
      for (let reload = 0; reload < 3; reload++) {
        for (let k = chance.int(1, 6); k > 0; k--) {
          browser.hems.delayMs = chance.pick([0, 50, 400]);
          const ids = order(page);
          const edits = [
            addRounds('sc', [entry({ id: `${reload}-${k}` })]),
            moveRound(chance.pick(ids), chance.pick(ids)),
            ...(ids.length > 2 ? [removeRound(page.store.get().plan.hem.rounds[0]!)] : []),
          ];
          page.store.do(chance.pick(edits));
          if (chance.maybe(0.2)) page.store.undo();
          await pass(chance.int(0, 700));
        }
        if (chance.maybe(0.5)) page.store.leave();
        page.end();
        const next = await openedIn(open(browser.openPage()), pass);
        expect([seed, order(next)]).toEqual([seed, order(page)]);
        page = next;
      }
    }
  });

  test('an undo after the page was opened anew takes one edit back, not those before', async () => {
    const { open, pass } = await browserWithHem();
    const first = await open();
    first.set(151);
    await pass(2000);
    const second = await open();
    second.set(152);
    second.store.undo();
    expect(second.count()).toBe(151);
    second.store.undo();
    expect(second.count()).toBe(150);
  });

  test('a line that is set aside with each edit stays small, and brings the undo back', async () => {
    const { browser, open, pass } = await browserWithHem();
    const page = await open();
    for (let k = 0; k < 120; k++) {
      page.set(100 + k);
      page.store.endJoin();
    }
    await pass(2000);
    browser.hems.fault = 'full';
    page.set(300);
    page.store.endJoin();
    expect(JSON.stringify(page.library.drafts.of(start.id)).length).toBeLessThan(2500);
    const next = await open(browser.openPage());
    expect(next.count()).toBe(300);
    for (let k = 0; k < 99; k++) next.store.undo();
    expect(next.count()).toBe(121);
  });

  test('a page that is left before it could write loses nothing', async () => {
    const { open, pass } = await browserWithHem();
    const { store, set, library } = await open();
    set(140);
    store.leave();
    expect(library.drafts.of(start.id)[0]).toMatchObject({ edit: 1, base: 1 });
    await pass(2000);
    expect(library.drafts.ids()).toEqual([]);
  });
});

describe('two pages', () => {
  test('show what the other did, and edits of different parts both live', async () => {
    const { open, pass, stored } = await browserWithHem();
    const one = await open();
    const two = await open();
    one.set(140);
    await pass(1000);
    expect(two.count()).toBe(140);
    one.store.do(writeNotes('from one'));
    two.store.do(setPace(33));
    await pass(3000);
    for (const page of [one, two])
      expect(page.store.get().plan.hem).toMatchObject({ notes: 'from one', pace: 33 });
    expect(await stored()).toMatchObject({ notes: 'from one', pace: 33 });
    expect([...one.conflicts, ...two.conflicts]).toEqual([]);
  });

  test('that change the same part end alike, and it is said', async () => {
    const { open, pass, stored } = await browserWithHem();
    const one = await open();
    const two = await open();
    one.store.do(writeNotes('from one'));
    two.store.do(writeNotes('from two'));
    await pass(3000);
    const { notes } = await stored();
    for (const page of [one, two]) expect(page.store.get().plan.hem.notes).toBe(notes);
    expect([...one.conflicts, ...two.conflicts]).toEqual(['notes']);
  });

  test('what one could not write at once is united with what the other wrote meanwhile', async () => {
    const { browser, open, pass, stored } = await browserWithHem();
    const one = await open();
    const two = await open();
    browser.hems.fault = 'refuses';
    one.store.do(writeNotes('from one'));
    await pass(400);
    expect(one.store.get().saved).toBe('failed');
    one.store.do(setPace(44));
    browser.hems.fault = 'none';
    two.store.do(rename('From two'));
    await pass(20_000);
    for (const hem of [await stored(), one.store.get().plan.hem, two.store.get().plan.hem])
      expect(hem).toMatchObject({ notes: 'from one', pace: 44, name: 'From two' });
  });

  test('undo takes back what this page did, not what the other did since', async () => {
    const { open, pass } = await browserWithHem();
    const one = await open();
    const two = await open();
    one.set(140);
    await pass(1000);
    two.store.do(rename('Other name'));
    await pass(1000);
    one.store.undo();
    await pass(1000);
    expect(two.count()).toBe(150);
    expect(one.store.get().plan.hem.name).toBe('Other name');
  });

  test('an undo that no longer goes with the rest is passed over and said', async () => {
    const { open, pass } = await browserWithHem();
    const one = await open();
    const two = await open();
    one.store.do(chooseRound(start.rounds[0]!, 'times', { times: 100 }));
    await pass(1000);
    const many = Array.from({ length: 3 }, (_, i) => entry({ id: `m${i}`, times: i === 2 ? 98 : 100 }));
    one.store.undo();
    await pass(1000);
    two.store.do(addRounds('many', many));
    await pass(1000);
    one.store.redo();
    expect(one.refused.map((p) => p.code)).toEqual(['step-gone']);
    expect(one.store.get().redoLabel).toBeNull();
  });

  test('a hem that the other deleted does not come back unasked', async () => {
    const { browser, open, pass, shelf } = await browserWithHem();
    const one = await open();
    await browser.openPage().remove(start.id);
    await pass(100);
    expect(one.store.get().saved).toBe('binned');
    one.set(140);
    await pass(20_000);
    expect(await shelf.peek(start.id)).toBeNull();
    await one.store.keepAgain();
    expect((await shelf.peek(start.id))!.outcome).toMatchObject({
      value: { base: { sides: [{ count: 140 }, {}, {}, {}] } },
    });
    one.set(141);
    await pass(2000);
    expect(one.store.get().saved).toBe('saved');
  });
});
