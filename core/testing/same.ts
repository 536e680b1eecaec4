import { isDeepStrictEqual } from 'node:util';
import { expect } from '@jest/globals';

/** That two plans, or parts of them, are alike in all; told where they differ. What is large is compared a dozen times faster so. */
export function expectSame(actual: unknown, expected: unknown): void {
  if (isDeepStrictEqual(actual, expected)) return;
  expect(actual).toStrictEqual(expected);
  throw new Error('what was compared differs, but not in a way that can be shown');
}
