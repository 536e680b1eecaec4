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
});
