import { expect, test } from '@jest/globals';
import { settledOn } from './stable.ts';

test('a swinging pan has not settled; a trembling one has, on its middle', () => {
  const swing = Array.from({ length: 20 }, (_, i) => 50 * (1 - 0.65 ** i));
  expect(settledOn(swing.slice(0, 11))).toBeNull();
  expect(settledOn(swing.slice(0, 14))).toBeNull();
  const tremble = Array.from({ length: 20 }, (_, i) => 50 + (i % 3) * 0.1);
  expect(settledOn([...swing, ...tremble])).toBe(50.1);
});
