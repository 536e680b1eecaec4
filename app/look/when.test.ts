import { describe, expect, test } from '@jest/globals';
import { dateWords, timeOfDay, whenWords, wordsOf } from './when.ts';

describe('when something was', () => {
  const now = new Date(2026, 9, 4, 15, 30);
  const before = (minutes: number): string =>
    whenWords(new Date(now.getTime() - minutes * 60_000).toISOString(), now);

  test('is told in minutes within the hour', () => {
    expect([before(0), before(0.4), before(1), before(12), before(59)]).toEqual([
      'just now',
      'just now',
      'a minute ago',
      '12 minutes ago',
      '59 minutes ago',
    ]);
  });

  test('is a time of today, and a date before; a clock that was ahead counts as well', () => {
    const morning = new Date(2026, 9, 4, 8, 5);
    expect(whenWords(morning.toISOString(), now)).toBe(`today, ${timeOfDay(morning)}`);
    expect(before(-120)).toBe(`today, ${timeOfDay(new Date(2026, 9, 4, 17, 30))}`);
    const lastYear = new Date(2025, 11, 31, 23, 59);
    expect(whenWords(lastYear.toISOString(), now)).toBe(dateWords(lastYear));
    expect(dateWords(lastYear)).toMatch(/31/);
    expect(dateWords(lastYear)).toMatch(/2025/);
  });

  test('is nothing where there is no instant', () => {
    expect([whenWords('', now), whenWords('yesterday', now)]).toEqual(['', '']);
  });

  test('has words of one kind for every instant', () => {
    const year = wordsOf({ year: 'numeric' });
    expect([year(now), year(new Date(1999, 5, 1))]).toEqual(['2026', '1999']);
  });
});
