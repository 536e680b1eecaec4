import { describe, expect, test } from '@jest/globals';
import dayjs from 'dayjs';
import { clockWords, dayOf, dayWords, shortDay } from './days.ts';

describe('a day of the log', () => {
  test('is that of the maker’s own clock', () => {
    const late = new Date(2026, 8, 29, 23, 50);
    const early = new Date(2026, 8, 30, 0, 10);
    expect([dayOf(late.toISOString()), dayOf(early.toISOString())]).toEqual(['2026-09-29', '2026-09-30']);
  });

  test('has its year only where that is another', () => {
    const thisYear = `${dayjs().year()}-06-15`;
    expect(dayWords(thisYear)).toMatch(/15/);
    expect(dayWords(thisYear)).not.toMatch(/\d{4}/);
    expect(dayWords('2001-06-15')).toMatch(/2001/);
    expect(dayWords('2001-06-15')).toMatch(/Friday/);
    expect(shortDay('2001-06-15')).not.toMatch(/2001/);
  });

  test('has times to the minute', () => {
    expect(clockWords(new Date(2026, 8, 29, 9, 7).toISOString())).toMatch(/\b0?9\b.*07/);
  });
});
