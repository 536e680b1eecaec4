import { expect, test } from '@jest/globals';
import { NO_WISH } from '../../core/propose/wish.ts';
import { wishAsked } from './asked.ts';

test('a link brings the wish from where it arose, and what makes no sense is left out', () => {
  const asked = (text: string) => wishAsked(new URLSearchParams(text));
  expect(asked('')).toEqual({ ...NO_WISH, widthCm: 4 });
  expect(asked('width=6.5')).toEqual({ ...NO_WISH, widthCm: 6.5 });
  expect(asked('minutes=90')).toEqual({ ...NO_WISH, minutes: 90 });
  expect(asked('basket')).toEqual({ ...NO_WISH, basket: 'enough' });
  expect(asked('useup&on')).toEqual({ ...NO_WISH, basket: 'used up', onRounds: true });
  expect(asked('across=120&down=150')).toEqual({ ...NO_WISH, size: { widthCm: 120, heightCm: 150 } });
  expect(asked('across=120')).toEqual({ ...NO_WISH, size: { widthCm: 120, heightCm: null } });
  expect(asked('width=-3&minutes=soon')).toEqual({ ...NO_WISH, widthCm: 4 });
});
