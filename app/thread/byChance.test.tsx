/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup } from '@testing-library/react';
import type { ComponentType } from 'react';
import { demoHems } from '../../demo/read.ts';
import { chanceOf } from '../../core/chance.ts';
import { checkHem } from '../../core/document/check.ts';
import { changesBetween } from '../../core/document/parts.ts';
import { flatBlanket } from '../../core/testing/hems.ts';
import { patience, seeds } from '../../core/testing/seeds.ts';
import { PracticePage } from '../practice/PracticePage.tsx';
import { StartPage } from '../start/StartPage.tsx';
import { renderAlone, renderHem } from '../testing/render.tsx';
import { doSomething, oddlySaid } from '../testing/user.ts';
import { BESIDE, STOPS } from './stops.ts';

const HEMS = demoHems();
/** A search takes as long as its piece is large: a small one, in long runs any. */
const SEARCHED: ReadonlySet<string> = new Set(['What could I do with this?']);
const PRESSES = 6;
const PAGES: (readonly [string, ComponentType])[] = [];
// One after the other: the test runner mixes up modules that are asked for at once.
for (const { name, page } of [...STOPS, ...BESIDE]) PAGES.push([name, await page()]);
/** Pages that have no hem, or one of their own, in terms of its own. */
const OF_ITS_OWN: ReadonlySet<string> = new Set(['New hem', 'Practice']);
PAGES.push(['New hem', StartPage], ['Practice', PracticePage]);

/** React complains on the console; of sizes it cannot know better, for nothing has one in a simulated page. */
const complaints = jest.spyOn(console, 'error').mockImplementation(() => undefined);
const complained = (): readonly string[] =>
  complaints.mock.calls
    .map((call) => call.map(String).join(' ').slice(0, 300))
    .filter((words) => !/^`NaN` is an invalid value for the `%s` css style property. height/.test(words));
afterEach(() => {
  complaints.mockClear();
  cleanup();
});

describe('whatever is pressed, chosen and typed on a page, one after the other', () => {
  test.each(PAGES)(
    '%s: the hem stays sound, nothing that is no word is said, and undo brings all back',
    async (name, Page) => {
      for (const seed of seeds(1)) {
        const chance = chanceOf(seed * 31 + name.length);
        const drawn = chance.pick(HEMS);
        const demo = SEARCHED.has(name) && patience(1) === 1 ? flatBlanket() : drawn;
        const language = chance.pick(['us', 'uk'] as const);
        const hem = { ...demo, preferences: { ...demo.preferences, language } };
        const { store, unmount } = OF_ITS_OWN.has(name)
          ? { ...renderAlone(<Page />), store: null }
          : renderHem(hem, () => <Page />);
        const done = [`seed ${seed}`, hem.name];
        for (let k = 0; k < PRESSES; k++) {
          try {
            await act(async () => {
              done.push(doSomething(chance) ?? 'nothing');
              await new Promise((resolve) => setTimeout(resolve));
            });
          } catch (error) {
            throw new Error(`the page failed after ${done.join(' > ')}`, { cause: error });
          }
          const said = complained();
          const now = store?.get().plan.hem;
          expect([done, said, oddlySaid(now?.preferences.language ?? null)]).toEqual([done, [], []]);
          if (now) expect([done, checkHem(now).ok]).toEqual([done, true]);
        }
        for (let k = 0; k < 2 * PRESSES && store && store.get().undoLabel !== null; k++)
          act(() => store.undo());
        const back = store?.get().plan.hem;
        // What was really worked is not taken back, and what stands on it may not be, either.
        if (back?.record.length === hem.record.length)
          expect([done, changesBetween(hem, back)]).toEqual([done, []]);
        unmount();
      }
    },
    patience(120_000),
  );
});
