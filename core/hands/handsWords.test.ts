import { expect, test } from '@jest/globals';
import { learn } from './ratio.ts';
import { learnedBasisWords, handsWords } from './handsWords.ts';

const PRIOR = { about: 1, spread: 0.1, hem: 0, ages: 0, drift: 0.03 };
const of = (...ratios: readonly number[]) =>
  learn(
    ratios.map((ratio) => ({ ratio, error: 0.02 })),
    PRIOR,
  );

test('a pace, yarn and height are said with their range and what they rest on', () => {
  const seen = of(0.9, 0.9, 0.9, 0.9, 0.9, 0.9);
  expect(handsWords('time', seen)).toMatch(/^About 20 stitches a minute, 19 to 2\d at a time\.$/);
  expect(handsWords('yarn', seen)).toMatch(
    /^You use about 1\d% less yarn than usual; the next round between 1\d% less and [1-9]% less\.$/,
  );
  expect(handsWords('height', of(1.06, 1.06, 1.06))).toMatch(
    /^Your rounds are about [4-6]% higher than usual; the next between [0-9]% (higher|lower) and/,
  );
  expect(learnedBasisWords(seen)).toBe('From 6 observations.');
  expect(learnedBasisWords(of(0.9, 9))).toBe('From 1 observation.');
});

test('nothing logged is a typical value, and says so', () => {
  expect(handsWords('yarn', of())).toContain('You use about as much yarn as usual');
  expect(learnedBasisWords(of())).toBe('Typical value; nothing logged yet.');
});
