import { expect, test } from '@jest/globals';
import { oneTouch } from './oneTouch.ts';

test('a second touch at once is none, whenever it is worked off', () => {
  const isOne = oneTouch();
  expect([1000, 1100, 1210, 1230, 1500, 1501].map(isOne)).toEqual([true, false, false, true, true, false]);
});
