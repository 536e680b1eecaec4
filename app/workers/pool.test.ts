import { afterEach, describe, expect, test } from '@jest/globals';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { fitHem } from '../../core/fit/open.ts';
import { StandInWorker, endWorkers } from '../testing/worker.ts';
import { Pool } from './pool.ts';

afterEach(endWorkers);

const hem = rowsHem({ rounds: [entry(), entry({ id: 's', family: 'shell', stitch: 'hdc' })] });

function pool(size: number, now = () => 0) {
  const started: StandInWorker[] = [];
  const made = new Pool(
    () => {
      const worker = new StandInWorker();
      started.push(worker);
      return worker as unknown as Worker;
    },
    size,
    now,
  );
  return { made, started };
}

describe('a pool of workers', () => {
  test('answers what the core answers', async () => {
    const { made } = pool(2);
    expect(await made.ask('fit', [hem]).done).toEqual(JSON.parse(JSON.stringify(fitHem(hem))));
  });

  test('has no more workers than it may, and answers all questions', async () => {
    const { made, started } = pool(2);
    const answers = await Promise.all([1, 2, 3, 4, 5].map(() => made.ask('compareBorders', [hem]).done));
    expect(answers).toHaveLength(5);
    expect(started).toHaveLength(2);
  });

  test('asks the worker that answered the same before', async () => {
    const { made, started } = pool(2);
    await Promise.all([made.ask('fit', [hem]).done, made.ask('firstToShow', [hem]).done]);
    const sent = started.map((w) => {
      const before = w.postMessage.bind(w);
      let count = 0;
      w.postMessage = (message, transfer) => {
        count++;
        before(message, transfer);
      };
      return () => count;
    });
    await made.ask('firstToShow', [hem]).done;
    expect(sent.map((s) => s())).toEqual([0, 1]);
  });

  test('starts no other worker while one is free', async () => {
    const { made, started } = pool(2);
    await made.ask('fit', [hem]).done;
    await made.ask('firstToShow', [hem]).done;
    expect(started).toHaveLength(1);
  });

  test('does not ask what is no longer wanted', async () => {
    const { made } = pool(1);
    const first = made.ask('compareBorders', [hem]);
    const dropped = made.ask('compareBorders', [hem]);
    let settled = false;
    void dropped.done.then(() => (settled = true));
    dropped.cancel();
    const last = made.ask('compareBorders', [hem]);
    await Promise.all([first.done, last.done]);
    expect(settled).toBe(false);
  });

  test('gives up a worker that is long at a question which nobody wants any more', async () => {
    let time = 0;
    const { made, started } = pool(1, () => time);
    const long = made.ask('tryFamilies', [hem]);
    long.cancel();
    time = 1000;
    await made.ask('compareBorders', [hem]).done;
    expect(started).toHaveLength(2);
  });

  test('a fault of the core, and a worker that breaks, are told; others are answered after it', async () => {
    const { made, started } = pool(1);
    const odd = { ...hem, piece: null } as unknown as typeof hem;
    await expect(made.ask('fit', [odd]).done).rejects.toThrow();
    expect(await made.ask('compareBorders', [hem]).done).toHaveLength(1);
    const lost = made.ask('fit', [hem]);
    started[0]!.onerror!();
    await expect(lost.done).rejects.toThrow('the worker failed');
    expect(await made.ask('compareBorders', [hem]).done).toHaveLength(1);
    expect(started).toHaveLength(2);
  });

  test('a worker that breaks before it has answered anything is tried once more, and no oftener', async () => {
    const { made, started } = pool(1);
    const asked = made.ask('compareBorders', [hem]);
    started[0]!.onerror!();
    expect(started).toHaveLength(2);
    expect(await asked.done).toHaveLength(1);
    const other = pool(1);
    const lost = other.made.ask('compareBorders', [hem]);
    other.started[0]!.onerror!();
    other.started[1]!.onerror!();
    await expect(lost.done).rejects.toThrow('the worker failed');
    expect(other.started).toHaveLength(2);
  });
});
