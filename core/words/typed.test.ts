import { expect, test } from '@jest/globals';
import { numberTyped } from './typed.ts';

test.each([
  ['90,5', 90.5],
  ['90.5', 90.5],
  ['35 1/2', 35.5],
  ['35½', 35.5],
  ['35 ½ in', 35.5],
  ['1/4', 0.25],
  ['1.200,5', 1200.5],
  ['1,200.5', 1200.5],
  ['1 200', 1200],
  ['12 cm', 12],
  [' 7 ', 7],
  ['35"', 35.5 - 0.5],
  ['-90°', -90],
  ['−90', -90],
  ['× 3', 3],
  ['.5', 0.5],
  ['12.', 12],
])('%s is understood', (text, value) => {
  expect(numberTyped(text)).toBe(value);
});

test.each(['', 'abc', '12a', '1/0', '1,2,3', '3 4', '--3', '1e9', '35 1/', 'Infinity'])(
  '%s is no number',
  (text) => {
    expect(numberTyped(text)).toBeNaN();
  },
);
