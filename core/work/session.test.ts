import { describe, expect, test } from '@jest/globals';
import { NOTHING_DONE, noted } from '../document/record.ts';
import { isPaused, minutesWorked, sittingMinutes } from './session.ts';

const at = (clock: string): string => `2026-02-03T${clock}:00.000Z`;
const record = ['09:00', '09:10', '10:00', '10:12', '10:25'].reduce(
  (all, clock) =>
    noted(all, { did: 'made', round: { entry: null, index: 0 }, stitches: 1 }, 'here', at(clock)),
  NOTHING_DONE,
);

describe('a sitting', () => {
  test('lasts from its first note on, and ends with a long pause', () => {
    expect(sittingMinutes(record, at('10:30'))).toBe(30);
    expect(sittingMinutes(record, at('10:45'))).toBe(0);
    expect(sittingMinutes(record, at('09:12'))).toBe(12);
    expect(sittingMinutes(NOTHING_DONE, at('10:30'))).toBe(0);
  });

  test('ends when the hook is put down, and time goes on with the next stitch', () => {
    const round = { entry: null, index: 0 };
    const paused = noted(record, { did: 'paused', round }, 'here', at('10:28'));
    expect(isPaused(record)).toBe(false);
    expect(isPaused(paused)).toBe(true);
    expect(sittingMinutes(paused, at('10:30'))).toBe(0);
    expect(sittingMinutes(record, at('10:30'))).toBe(30);
    const on = noted(paused, { did: 'made', round, stitches: 2 }, 'phone', at('10:34'));
    expect(isPaused(on)).toBe(false);
    expect(sittingMinutes(on, at('10:36'))).toBe(2);
    // Ten minutes in the first sitting, 28 in the second; neither the long gap nor the pause counts.
    expect(minutesWorked(on)).toBe(38);
  });

  test('goes on through a long side that is noted at once, as long as slow hands need for it', () => {
    const round = { entry: null, index: 0 };
    const made = (stitches: number, clock: string, before = NOTHING_DONE) =>
      noted(before, { did: 'made', round, stitches }, 'here', at(clock));
    // 27 minutes for 250 stitches are work, for 100 there was a pause in it.
    const long = made(251, '09:28', made(1, '09:01'));
    const short = made(101, '09:28', made(1, '09:01'));
    expect([minutesWorked(long), minutesWorked(short)]).toEqual([27, 0]);
    expect(sittingMinutes(long, at('09:30'))).toBe(29);
    expect(sittingMinutes(short, at('09:30'))).toBe(2);
    // Hands that note side after side so are slow, and work all the time.
    const sides = ['09:25', '09:50', '10:14', '10:39', '11:05'];
    const slow = sides.reduce((all, clock, k) => made(150 * (k + 1), clock, all), made(1, '09:01'));
    expect(minutesWorked(slow)).toBe(124);
    expect(minutesWorked(made(900, '20:00', slow))).toBe(124);
    // Of another round it cannot be told; what was taken back took no time.
    const other = noted(
      made(300, '09:01'),
      { did: 'made', round: { entry: 'a', index: 0 }, stitches: 250 },
      'here',
      at('09:28'),
    );
    expect(minutesWorked(other)).toBe(0);
    expect(minutesWorked(made(1, '09:28', made(300, '09:01')))).toBe(0);
    // While the side is worked nothing is noted: it is the sitting that goes on, until it would have been done long ago.
    const begun = made(1, '09:01');
    expect(sittingMinutes(begun, at('09:25'))).toBe(0);
    expect(sittingMinutes(begun, at('09:25'), 250)).toBe(24);
    expect(sittingMinutes(begun, at('09:35'), 250)).toBe(0);
  });
});
