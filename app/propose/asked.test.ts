import { expect, test } from '@jest/globals';
import { NO_WISH } from '../../core/propose/wish.ts';
import { wishAsked } from './asked.ts';

test('a link brings the wish from where it arose, and what makes no sense is left out', () => {
  const asked = (text: string) => wishAsked(new URLSearchParams(text));
  expect(asked('')).toEqual({ ...NO_WISH, widthCm: 4 });
  expect(asked('width=6.5')).toEqual({ ...NO_WISH, widthCm: 6.5 });
  expect(asked('minutes=90')).toEqual({ ...NO_WISH, minutes: 90 });
  expect(asked('basket')).toEqual({ ...NO_WISH, fromBasket: true });
  expect(asked('width=-3&minutes=soon')).toEqual({ ...NO_WISH, widthCm: 4 });
});
