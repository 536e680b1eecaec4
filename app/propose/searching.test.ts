import { afterEach, describe, expect, test } from '@jest/globals';
import { searchSlice, slicesOf, type Searched } from '../../core/propose/search.ts';
import { KEEP_NOTHING } from '../../core/propose/grammar.ts';
import { picked } from '../../core/propose/pick.ts';
import { NO_WISH } from '../../core/propose/wish.ts';
import { flatBlanket } from '../../core/testing/hems.ts';
import { StandInWorker, endWorkers } from '../testing/worker.ts';
import { Pool, type Job } from '../workers/pool.ts';
import { Searching } from './searching.ts';

afterEach(endWorkers);

const hem = flatBlanket();
const wish = { ...NO_WISH, widthCm: 3 };

/** Answers that are given by hand. */
function byHand() {
  const asked: {
    name: string;
    args: readonly unknown[];
    answer: (value: unknown) => void;
    fail: () => void;
  }[] = [];
  let cancelled = 0;
  const pool = {
    ask: (name: string, args: readonly unknown[]): Job<never> => {
      const done = new Promise<never>((resolve, reject) => {
        asked.push({
          name,
          args,
          answer: resolve as (value: unknown) => void,
          fail: () => reject(new Error('broke')),
        });
      });
      return { done, cancel: () => cancelled++ };
    },
  } as Pick<Pool, 'ask'>;
  return { asked, searching: new Searching(hem, wish, KEEP_NOTHING, pool), cancelled: () => cancelled };
}
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));
const PART: Searched = { ...searchSlice(hem, wish, 0), tried: 7 };

describe('a search in the workers', () => {
  test('asks few parts at a time, the next when one is there, and counts what failed', async () => {
    const { asked, searching } = byHand();
    let heard = 0;
    searching.subscribe(() => heard++);
    searching.begin();
    expect(asked.map((a) => a.args[2])).toEqual([0, 1, 2, 3]);
    asked[0]!.answer(PART);
    asked[1]!.fail();
    await settled();
    expect(asked.map((a) => a.args[2])).toEqual([0, 1, 2, 3, 4, 5]);
    const { searched, done, failed } = searching.snapshot();
    expect([searched.tried, searched.found, failed]).toEqual([7, PART.found, true]);
    expect(done).toBeCloseTo(2 / slicesOf(hem), 9);
    expect(heard).toBeGreaterThan(1);
  });

  test('asks for nothing more once it is stopped, and proves what is there', async () => {
    const { asked, searching, cancelled } = byHand();
    searching.begin();
    searching.stop();
    asked[0]!.answer(PART);
    await settled();
    expect(asked).toHaveLength(4);
    const { open } = picked(searching.snapshot().searched.found, new Map(), 2);
    searching.prove(open);
    searching.prove(open);
    expect(asked.slice(4).map((a) => a.name)).toEqual(['prove', 'prove']);
    asked[4]!.answer(null);
    asked[5]!.fail();
    await settled();
    const { proven, failed } = searching.snapshot();
    expect([[...proven.values()], failed]).toEqual([[null, null], true]);
    searching.end();
    expect(cancelled()).toBe(3);
  });

  test('comes to a handful of proposals, in real workers', async () => {
    const searching = new Searching(
      hem,
      wish,
      KEEP_NOTHING,
      new Pool(() => new StandInWorker() as unknown as Worker, 2),
    );
    const done = new Promise<void>((resolve) => {
      searching.subscribe(() => {
        const { searched, proven } = searching.snapshot();
        const { shown, open } = picked(
          searched.found.filter((f) => f.asItIs),
          proven,
          3,
        );
        if (shown.length === 3 && open.length === 0) resolve();
        else searching.prove(open);
      });
    });
    searching.begin();
    await done;
    searching.end();
    const { shown } = picked(
      searching.snapshot().searched.found.filter((f) => f.asItIs),
      searching.snapshot().proven,
      3,
    );
    expect(shown.length).toBeGreaterThan(0);
    expect(shown.every((p) => Math.abs(p.widthMm / 30 - 1) <= 0.2)).toBe(true);
  });
});
