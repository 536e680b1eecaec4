import { expect, test } from '@jest/globals';
import { inTurn } from './inTurn.ts';

test('things are done in their order, a task each, and a fault of one stops no other', async () => {
  const done: string[] = [];
  const faults: unknown[] = [];
  process.once('uncaughtException', (fault) => faults.push(fault));
  const tasks = (async () => {
    for (let k = 0; k < 12; k++) {
      await new Promise((resolve) => setTimeout(resolve, 2));
      done.push('a task between');
    }
  })();
  inTurn(() => void done.push('first'));
  inTurn(() => void done.push('second'));
  inTurn(() => inTurn(() => void done.push('asked for by the third')));
  expect(done).toEqual([]);
  await tasks;
  expect(done.filter((d) => d !== 'a task between')).toEqual(['first', 'second', 'asked for by the third']);
  expect(faults).toEqual([]);
});
