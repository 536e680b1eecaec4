/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup } from '@testing-library/react';
import { demoPlans } from '../../demo/read.ts';
import { chanceOf } from '../../core/chance.ts';
import { checkHem } from '../../core/document/check.ts';
import { changesBetween } from '../../core/document/parts.ts';
import { seeds } from '../../core/testing/seeds.ts';
import { renderHem } from '../testing/render.tsx';
import { doSomething, nonsenseSaid } from '../testing/user.ts';
import { BESIDE, STOPS } from './stops.ts';

const HEMS = demoPlans().map(([, { hem }]) => hem);
const PRESSES = 16;

afterEach(cleanup);

describe('whatever is pressed, chosen and typed on a page, one after the other', () => {
  test.each(
    [...STOPS, ...BESIDE].filter(({ path }) => path !== 'carry').map((stop) => [stop.name, stop] as const),
  )(
    '%s: the hem stays sound, nothing that is no word is said, and undo brings all back',
    async (name, { page }) => {
      const Page = await page();
      for (const seed of seeds(2)) {
        const chance = chanceOf(seed * 31 + name.length);
        const hem = chance.pick(HEMS);
        const { store, unmount } = renderHem(hem, () => (
          <QueryClientProvider client={new QueryClient()}>
            <Page />
          </QueryClientProvider>
        ));
        const done = [`seed ${seed}`, hem.name];
        for (let k = 0; k < PRESSES; k++) {
          await act(async () => {
            done.push(doSomething(chance) ?? 'nothing');
            await new Promise((resolve) => setTimeout(resolve));
          });
          expect([done, nonsenseSaid()]).toEqual([done, []]);
          expect([done, checkHem(store.get().plan.hem).ok]).toEqual([done, true]);
        }
        for (let k = 0; k < 2 * PRESSES && store.get().undoLabel !== null; k++) act(() => store.undo());
        const { hem: back } = store.get().plan;
        // What was really worked is not taken back, and what stands on it may not be, either.
        if (back.record.length === hem.record.length)
          expect([done, changesBetween(hem, back)]).toEqual([done, []]);
        unmount();
      }
    },
    120_000,
  );
});
